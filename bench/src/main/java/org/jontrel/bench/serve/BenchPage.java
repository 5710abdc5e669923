package org.jontrel.bench.serve;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;

/** A page that is asked for. @param tag of the page that the reader has; {@code null} for none */
record BenchPage(String name, URI address, String tag) {
    private static final HttpClient CLIENT =
            HttpClient.newBuilder().version(HttpClient.Version.HTTP_1_1).build();
    /** As few steps as can be: the reader has the same processors as what it measures. */
    String request() {
        return "GET " + address.getRawPath()
                + (address.getRawQuery() == null ? "" : "?" + address.getRawQuery()) + " HTTP/1.1\r\nHost: "
                + address.getAuthority() + "\r\n"
                + (tag == null ? "" : "If-None-Match: " + tag + "\r\n") + "\r\n";
    }

    HttpResponse<String> read() throws IOException, InterruptedException {
        return CLIENT.send(HttpRequest.newBuilder(address).build(), HttpResponse.BodyHandlers.ofString());
    }
}
