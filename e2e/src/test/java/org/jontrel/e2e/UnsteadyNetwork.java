package org.jontrel.e2e;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetSocketAddress;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;

/**
 * A network between a browser and the server that is slow, loses requests and answers, sends requests twice, and by its delays lets
 * later answers come before earlier ones. What it does is drawn from a seed; {@link #calm()} ends it.
 */
final class UnsteadyNetwork implements AutoCloseable {
    private static final Set<String> KEPT_BACK =
            Set.of("connection", "content-length", "host", "upgrade", "expect", "transfer-encoding");
    private static final int SLOWEST_MILLIS = 900;
    private final String server;
    private final Random random;
    private final HttpClient client =
            HttpClient.newBuilder().version(HttpClient.Version.HTTP_1_1).build();
    private final ExecutorService threads = Executors.newVirtualThreadPerTaskExecutor();
    private final HttpServer between;
    private volatile boolean isCalm;

    UnsteadyNetwork(String server, long seed) {
        this.server = server;
        random = new Random(seed);
        try {
            between = HttpServer.create(new InetSocketAddress("127.0.0.1", 0), 0);
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
        between.setExecutor(threads);
        between.createContext("/", this::pass);
        between.start();
    }

    String address() {
        return "http://127.0.0.1:" + between.getAddress().getPort();
    }

    /** From now on everything arrives once, and at once. */
    void calm() {
        isCalm = true;
    }

    /** Back to bad weather. */
    void rough() {
        isCalm = false;
    }

    private enum Weather {
        GOOD,
        SLOW,
        REQUEST_LOST,
        ANSWER_LOST,
        TWICE
    }

    private synchronized Weather drawn(HttpExchange exchange) {
        var path = exchange.getRequestURI().getPath();
        if (isCalm || !path.startsWith("/api/") || path.endsWith("/presence") || path.equals("/api/session")) {
            return Weather.GOOD;
        }
        int draw = random.nextInt(100);
        if (draw < 45) {
            return Weather.GOOD;
        }
        if (draw < 75) {
            return Weather.SLOW;
        }
        if (draw < 83) {
            return Weather.REQUEST_LOST;
        }
        if (draw < 91) {
            return Weather.ANSWER_LOST;
        }
        return Weather.TWICE;
    }

    private synchronized int delay() {
        return random.nextInt(SLOWEST_MILLIS);
    }

    private void pass(HttpExchange exchange) throws IOException {
        try (exchange) {
            var weather = drawn(exchange);
            if (weather == Weather.REQUEST_LOST) {
                return;
            }
            if (weather != Weather.GOOD) {
                Thread.sleep(delay());
            }
            var body = exchange.getRequestBody().readAllBytes();
            var answer = sent(exchange, body);
            if (weather == Weather.TWICE) {
                answer = sent(exchange, body);
            }
            if (weather == Weather.ANSWER_LOST) {
                return;
            }
            if (weather != Weather.GOOD) {
                Thread.sleep(delay());
            }
            answer(exchange, answer);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private HttpResponse<byte[]> sent(HttpExchange exchange, byte[] body) throws IOException, InterruptedException {
        var request = HttpRequest.newBuilder(URI.create(server + exchange.getRequestURI()))
                .method(exchange.getRequestMethod(), HttpRequest.BodyPublishers.ofByteArray(body));
        exchange.getRequestHeaders().forEach((name, values) -> {
            if (!KEPT_BACK.contains(name.toLowerCase(java.util.Locale.ROOT))) {
                values.forEach(value -> request.header(name, value.replace(address(), server)));
            }
        });
        return client.send(request.build(), HttpResponse.BodyHandlers.ofByteArray());
    }

    private static void answer(HttpExchange exchange, HttpResponse<byte[]> answer) throws IOException {
        answer.headers().map().forEach((name, values) -> {
            if (!KEPT_BACK.contains(name.toLowerCase(java.util.Locale.ROOT)) && !name.startsWith(":")) {
                values.forEach(value -> exchange.getResponseHeaders().add(name, value));
            }
        });
        var body = answer.body();
        exchange.sendResponseHeaders(answer.statusCode(), body.length == 0 ? -1 : body.length);
        if (body.length > 0) {
            exchange.getResponseBody().write(body);
        }
    }

    @Override
    public void close() {
        between.stop(0);
        threads.shutdownNow();
        client.close();
    }
}
