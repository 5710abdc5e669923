package org.jontrel.serve.web;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Map;

/** What browsers are told of public pages beside the pages. */
public final class PublicHeaders {
    /** Pages carry no script and no style of their own; their forms search and filter the site. */
    public static final String CONTENT_POLICY =
            "default-src 'none'; style-src 'self'; img-src 'self' data:; font-src 'self'; media-src 'self';"
                    + " frame-ancestors 'none'; base-uri 'none'; form-action 'self'";

    private static final Map<String, String> ALWAYS = Map.of(
            "Content-Security-Policy",
            CONTENT_POLICY,
            "Referrer-Policy",
            "same-origin",
            "X-Content-Type-Options",
            "nosniff",
            "X-Frame-Options",
            "DENY",
            "X-XSS-Protection",
            "0");

    private static final String A_YEAR = "max-age=31536000 ; includeSubDomains";

    private PublicHeaders() {}

    /** Sets them where nothing else does. */
    public static void set(HttpServletRequest request, HttpServletResponse response) {
        ALWAYS.forEach(response::setHeader);
        if (request.isSecure()) {
            response.setHeader("Strict-Transport-Security", A_YEAR);
        }
    }
}
