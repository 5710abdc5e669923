package org.jontrel.server.web;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Duration;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import org.springframework.context.annotation.Configuration;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/**
 * Work on whole models takes the processor for a while: only so much of it goes on at once, so that visitors and everybody
 * else are still answered. Who would wait too long is told.
 */
@Configuration
class HeavyWork implements WebMvcConfigurer, HandlerInterceptor {
    private static final Duration LONGEST_WAIT = Duration.ofSeconds(10);
    private static final String TAKEN = HeavyWork.class.getName();
    private final Semaphore places =
            new Semaphore(Math.max(1, Runtime.getRuntime().availableProcessors() - 1), true);

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(this)
                .addPathPatterns(
                        "/api/proof/**",
                        "/api/workspaces/import",
                        "/api/workspaces/*/draft/**",
                        "/api/workspaces/*/releases",
                        "/api/workspaces/*/releases/*/package",
                        "/api/sites/*/plan",
                        "/api/sites/*/undo-plan",
                        "/api/sites/*/impact");
    }

    @Override
    public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler)
            throws InterruptedException {
        if (!places.tryAcquire(LONGEST_WAIT.toMillis(), TimeUnit.MILLISECONDS)) {
            throw Refusal.unavailable("The server is busy with other large models. Try again in a moment.");
        }
        request.setAttribute(TAKEN, true);
        return true;
    }

    @Override
    public void afterCompletion(
            HttpServletRequest request, HttpServletResponse response, Object handler, Exception thrown) {
        if (request.getAttribute(TAKEN) != null) {
            request.removeAttribute(TAKEN);
            places.release();
        }
    }
}
