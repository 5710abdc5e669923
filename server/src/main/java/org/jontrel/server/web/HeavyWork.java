package org.jontrel.server.web;

import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import java.util.Locale;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import org.jontrel.core.work.Deadline;
import org.jontrel.serve.web.Refusal;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.ProblemDetail;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/**
 * Work on whole models takes the processor for a while: only so much of it goes on at once, so that visitors and everybody
 * else are still answered. Who would wait too long is told, and what takes too long is given up.
 */
@Configuration
@RestControllerAdvice
@Order(Ordered.HIGHEST_PRECEDENCE)
class HeavyWork implements WebMvcConfigurer, HandlerInterceptor {
    private static final Duration LONGEST_WAIT = Duration.ofSeconds(10);
    private static final String TAKEN = HeavyWork.class.getName();
    private final Semaphore places =
            new Semaphore(Math.max(1, Runtime.getRuntime().availableProcessors() - 1), true);
    private final Duration longest;

    HeavyWork(Settings settings) {
        longest = settings.longestWork();
    }

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(this)
                .addPathPatterns(
                        "/api/proof/**",
                        "/api/workspaces/import",
                        "/api/workspaces/*/draft/**",
                        "/api/workspaces/*/generate/**",
                        "/api/workspaces/*/releases",
                        "/api/workspaces/*/releases/*/package",
                        "/api/sites/*/plan",
                        "/api/sites/*/plan/values",
                        "/api/sites/*/plan/samples",
                        "/api/sites/*/runs/*/undo-plan",
                        "/api/sites/*/impact");
    }

    @Override
    public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler)
            throws InterruptedException {
        readParts(request);
        if (!places.tryAcquire(LONGEST_WAIT.toMillis(), TimeUnit.MILLISECONDS)) {
            throw Refusal.unavailable("The server is busy with other large models. Try again in a moment.");
        }
        request.setAttribute(TAKEN, true);
        Deadline.set(longest);
        return true;
    }

    /** An upload arrives whole before it takes a place: a slow sender holds none. */
    private static void readParts(HttpServletRequest request) {
        var type = request.getContentType();
        if (type != null && type.toLowerCase(Locale.ROOT).startsWith("multipart/")) {
            try {
                request.getParts();
            } catch (IOException | ServletException | IllegalStateException _) {
                // whoever uses the parts is told the same
            }
        }
    }

    @Override
    public void afterCompletion(
            HttpServletRequest request, HttpServletResponse response, Object handler, Exception thrown) {
        if (request.getAttribute(TAKEN) != null) {
            request.removeAttribute(TAKEN);
            Deadline.clear();
            places.release();
        }
    }

    @ExceptionHandler(Deadline.Passed.class)
    ProblemDetail given(Deadline.Passed passed) {
        return Refusal.unavailable("This took longer than " + longest.toSeconds()
                        + " seconds and was given up; nothing was changed. Send the model in smaller parts.")
                .getBody();
    }
}
