package org.jontrel.standalone;

import com.fasterxml.jackson.annotation.JsonInclude;
import jakarta.servlet.http.HttpServletRequest;
import java.net.InetAddress;
import java.util.List;
import java.util.Locale;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** Whether the site is served, and whether by the definitions of its package; why not, only to who asks from the machine itself. */
@RestController
class HealthController {
    private final StandaloneSite site;

    HealthController(StandaloneSite site) {
        this.site = site;
    }

    /**
     * What is told of a site's health.
     *
     * @param status {@code up}: it is served; where it is not, the answer is an error
     * @param version of the definitions that are served
     * @param definitions {@code served}, {@code under_way} or {@code refused}: how the package stands to them
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    record HealthView(
            String status, String version, String definitions, String packageVersion, List<String> problems) {}

    @GetMapping("/health")
    HealthView health(HttpServletRequest request) {
        var state = site.definitions();
        var word = state.state().name().toLowerCase(Locale.ROOT);
        return isLocal(request)
                ? new HealthView("up", site.version(), word, state.packageVersion(), state.problems())
                : new HealthView("up", site.version(), word, null, null);
    }

    /** What comes through a proxy is not from here, whatever machine the proxy is on. */
    private static boolean isLocal(HttpServletRequest request) {
        try {
            return request.getHeader("X-Forwarded-For") == null
                    && request.getHeader("Forwarded") == null
                    && request.getHeader("Via") == null
                    && InetAddress.ofLiteral(request.getRemoteAddr()).isLoopbackAddress();
        } catch (IllegalArgumentException _) {
            return false;
        }
    }
}
