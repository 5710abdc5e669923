package org.jontrel.server.web;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.OutputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Duration;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import org.jontrel.serve.web.Refusal;
import org.springframework.core.annotation.Order;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.util.ContentCachingRequestWrapper;
import org.springframework.web.util.ContentCachingResponseWrapper;
import tools.jackson.databind.json.JsonMapper;

/**
 * A request whose answer was lost may be sent again and is carried out once: by its {@code Idempotency-Key}
 * (draft-ietf-httpapi-idempotency-key-header) the second gets the answer of the first. Answers are kept for an hour, in memory:
 * after a restart of the server, a repeated request is carried out as a new one.
 */
@Component
@Order(BodyLimit.AFTER_SECURITY + 1)
class RepeatedRequests extends OncePerRequestFilter {
    static final String KEY = "Idempotency-Key";
    private static final Duration KEPT = Duration.ofHours(1);
    private static final int MOST_KEPT_BYTES = 32 << 20;
    private static final int OVERHEAD_BYTES = 500;
    private static final int LONGEST_KEY = 100;
    private static final long LONGEST_WAIT_SECONDS = 20;
    private static final int FIRST_ERROR_OF_SERVER = 500;
    private static final Set<String> SAFE = Set.of("GET", "HEAD", "OPTIONS");
    /** Refusals that say nothing about what was sent, or were made before all of it was read. */
    private static final Set<Integer> PASSING = Set.of(401, 403, 408, 413, 429);

    /** Last words of the paths of requests that only ask: they may be carried out as often as they come. */
    private static final Set<String> STORE_NOTHING = Set.of("check", "infer", "presence", "preview");

    private static final JsonMapper JSON = JsonMapper.builder().build();

    private record Sender(String account, String key) {}

    /** @param request empty for one that was withdrawn before it arrived */
    record StoredResponse(String request, byte[] digest, int status, Map<String, String> headers, byte[] body) {
        private static final StoredResponse WITHDRAWN = new StoredResponse("", new byte[0], 0, Map.of(), new byte[0]);

        int bytes() {
            return OVERHEAD_BYTES + request.length() + body.length;
        }
    }

    private final Cache<Sender, StoredResponse> answers = Caffeine.newBuilder()
            .expireAfterWrite(KEPT)
            .maximumWeight(MOST_KEPT_BYTES)
            .weigher((Sender _, StoredResponse answer) -> answer.bytes())
            .build();
    private final Map<Sender, CompletableFuture<Void>> underWay = new ConcurrentHashMap<>();

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        var path = request.getRequestURI();
        return SAFE.contains(request.getMethod())
                || request.getHeader(KEY) == null
                || request.getUserPrincipal() == null
                || !path.startsWith("/api/")
                || path.startsWith("/api/proof/")
                || STORE_NOTHING.contains(path.substring(path.lastIndexOf('/') + 1));
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        var key = request.getHeader(KEY);
        if (key.isBlank() || key.length() > LONGEST_KEY) {
            refuse(
                    Refusal.invalid("An Idempotency-Key must have 1 to " + LONGEST_KEY + " characters.", List.of()),
                    response);
            return;
        }
        var sender = new Sender(request.getUserPrincipal().getName(), key);
        var turn = await(sender);
        if (turn == null) {
            refuse(busy(), response);
            return;
        }
        try (turn) {
            var known = answers.getIfPresent(sender);
            if (known == null) {
                carryOut(sender, request, response, chain);
            } else {
                answer(known, request, response);
            }
        }
    }

    /** Makes sure that a request is not carried out any more, unless it was already: then the answer it got. */
    Optional<StoredResponse> withdraw(String account, String key) {
        var sender = new Sender(account, key);
        var turn = await(sender);
        if (turn == null) {
            throw busy();
        }
        try (turn) {
            var known = answers.get(sender, _ -> StoredResponse.WITHDRAWN);
            return Optional.of(known).filter(answer -> answer != StoredResponse.WITHDRAWN);
        }
    }

    /** Requests with one key are carried out one after the other. */
    private final class KeyLock implements AutoCloseable {
        private final Sender sender;
        private final CompletableFuture<Void> ended;

        KeyLock(Sender sender, CompletableFuture<Void> ended) {
            this.sender = sender;
            this.ended = ended;
        }

        @Override
        public void close() {
            underWay.remove(sender);
            ended.complete(null);
        }
    }

    /** Waits until no request with this key is under way; {@code null} where that takes too long. */
    private KeyLock await(Sender sender) {
        var mine = new CompletableFuture<Void>();
        for (var first = underWay.putIfAbsent(sender, mine);
                first != null;
                first = underWay.putIfAbsent(sender, mine)) {
            if (!ended(first)) {
                return null;
            }
        }
        return new KeyLock(sender, mine);
    }

    private void carryOut(Sender sender, HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        var read = new ContentCachingRequestWrapper(request, 0);
        var written = new ContentCachingResponseWrapper(response);
        chain.doFilter(read, written);
        int status = written.getStatus();
        if (status < FIRST_ERROR_OF_SERVER && !PASSING.contains(status)) {
            // also what nobody has read of it: two requests are the same where all of them is
            read.getInputStream().transferTo(OutputStream.nullOutputStream());
            var headers = new LinkedHashMap<String, String>();
            Optional.ofNullable(written.getContentType()).ifPresent(type -> headers.put("Content-Type", type));
            for (var name : List.of("Location", "ETag")) {
                Optional.ofNullable(written.getHeader(name)).ifPresent(value -> headers.put(name, value));
            }
            answers.put(
                    sender,
                    new StoredResponse(
                            request(request),
                            digest(read.getContentAsByteArray()),
                            status,
                            headers,
                            written.getContentAsByteArray()));
        }
        written.copyBodyToResponse();
    }

    private static void answer(StoredResponse known, HttpServletRequest request, HttpServletResponse response)
            throws IOException {
        if (known == StoredResponse.WITHDRAWN) {
            refuse(Refusal.conflict("This request was cancelled before it arrived.", null), response);
            return;
        }
        var digest = digest(request.getInputStream().readAllBytes());
        if (!known.request().equals(request(request)) || !Arrays.equals(known.digest(), digest)) {
            refuse(
                    Refusal.invalid(
                            "This Idempotency-Key was sent with another request. Send a new key with each new request.",
                            List.of()),
                    response);
            return;
        }
        response.setStatus(known.status());
        known.headers().forEach(response::setHeader);
        response.getOutputStream().write(known.body());
    }

    private static Refusal busy() {
        return Refusal.unavailable("The same request is still being carried out. Try again in a moment.");
    }

    private static String request(HttpServletRequest request) {
        return request.getMethod() + " " + request.getRequestURI() + "?" + request.getQueryString();
    }

    private static byte[] digest(byte[] body) {
        try {
            return MessageDigest.getInstance("SHA-256").digest(body);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    private static boolean ended(CompletableFuture<Void> first) {
        try {
            first.get(LONGEST_WAIT_SECONDS, TimeUnit.SECONDS);
            return true;
        } catch (TimeoutException | ExecutionException e) {
            return false;
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return false;
        }
    }

    private static void refuse(Refusal refusal, HttpServletResponse response) throws IOException {
        ProblemDetail problem = refusal.getBody();
        response.setStatus(problem.getStatus());
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        response.getOutputStream().write(JSON.writeValueAsBytes(Refusal.plain(problem)));
    }
}
