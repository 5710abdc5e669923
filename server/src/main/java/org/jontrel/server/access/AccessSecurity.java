package org.jontrel.server.access;

import static org.springframework.http.HttpMethod.DELETE;
import static org.springframework.http.HttpMethod.GET;
import static org.springframework.http.HttpMethod.POST;
import static org.springframework.http.HttpMethod.PUT;

import jakarta.servlet.DispatcherType;
import java.util.function.Supplier;
import org.jontrel.serve.web.Refusal;
import org.jontrel.server.site.Sites;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpMethod;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.security.authorization.AuthorizationDecision;
import org.springframework.security.authorization.AuthorizationManager;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.annotation.web.configurers.AuthorizeHttpRequestsConfigurer;
import org.springframework.security.config.http.SessionCreationPolicy;
import org.springframework.security.core.Authentication;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.access.intercept.AuthorizationFilter;
import org.springframework.security.web.access.intercept.RequestAuthorizationContext;

/**
 * Which token may do what. A request that comes with one is judged by it alone: no session and no cookie counts, so no other
 * page can make a browser send it. What is not in the table is refused.
 */
@Configuration
class AccessSecurity {
    private static final String WORKSPACE = "/api/workspaces/{workspace}";
    private static final String SITE = "/api/sites/{site}";

    private record Way(Scope scope, HttpMethod method, String... paths) {}

    private static final Way[] WAYS = {
        new Way(
                Scope.READ,
                GET,
                "/api/access",
                WORKSPACE + "/draft",
                WORKSPACE + "/draft/changes",
                WORKSPACE + "/draft/package",
                WORKSPACE + "/next",
                WORKSPACE + "/releases",
                WORKSPACE + "/versions",
                WORKSPACE + "/releases/{version}/package",
                WORKSPACE + "/generate/**",
                WORKSPACE + "/workbooks",
                WORKSPACE + "/workbooks/{id}",
                WORKSPACE + "/sites",
                SITE + "/runs",
                SITE + "/runs/{id}",
                SITE + "/drift",
                SITE + "/imports/**",
                SITE + "/mappings/**"),
        new Way(
                Scope.DRAFT,
                POST,
                WORKSPACE + "/draft/package",
                WORKSPACE + "/draft/package/merge",
                WORKSPACE + "/workbooks",
                WORKSPACE + "/workbooks/{id}/take"),
        new Way(Scope.DRAFT, PUT, WORKSPACE + "/workbooks/{id}/choices"),
        new Way(Scope.DRAFT, DELETE, WORKSPACE + "/workbooks/{id}"),
        new Way(Scope.RELEASE, POST, WORKSPACE + "/releases"),
        new Way(
                Scope.PLAN,
                GET,
                SITE + "/plan",
                SITE + "/plan/values",
                SITE + "/plan/samples",
                SITE + "/impact",
                SITE + "/runs/{id}/undo-plan"),
        new Way(Scope.PLAN, POST, SITE + "/plan", SITE + "/drift/look"),
        new Way(
                Scope.RUN,
                POST,
                SITE + "/runs",
                SITE + "/runs/{id}/continue",
                SITE + "/runs/{id}/pause",
                SITE + "/runs/{id}/give-up",
                SITE + "/runs/{id}/undo",
                WORKSPACE + "/sites/archive"),
        new Way(Scope.RUN, POST, SITE + "/imports/**"),
        new Way(Scope.RUN, PUT, SITE + "/imports/**", SITE + "/mappings/**"),
        new Way(Scope.RUN, DELETE, SITE + "/imports/**", SITE + "/mappings/**"),
        new Way(Scope.RUN, GET, SITE + "/archive"),
    };

    private final Sites sites;

    AccessSecurity(Sites sites) {
        this.sites = sites;
    }

    @Bean
    @Order(0)
    SecurityFilterChain accessRules(HttpSecurity http, AccessTokens tokens) throws Exception {
        return http.securityMatcher(request -> request.getRequestURI().startsWith("/api/")
                        && AccessFilter.secret(request).isPresent())
                .authorizeHttpRequests(this::rules)
                .addFilterBefore(new AccessFilter(tokens), AuthorizationFilter.class)
                .exceptionHandling(handling -> handling.accessDeniedHandler((_, response, denied) ->
                        Refusal.forbidden(denied.getMessage()).answer(response)))
                .sessionManagement(sessions -> sessions.sessionCreationPolicy(SessionCreationPolicy.STATELESS))
                .csrf(csrf -> csrf.disable())
                .anonymous(anonymous -> anonymous.disable())
                .requestCache(cache -> cache.disable())
                .formLogin(form -> form.disable())
                .httpBasic(basic -> basic.disable())
                .logout(logout -> logout.disable())
                .build();
    }

    private void rules(
            AuthorizeHttpRequestsConfigurer<HttpSecurity>.AuthorizationManagerRequestMatcherRegistry requests) {
        // the end of an answer that was let through before, and went out as it was made
        requests.dispatcherTypeMatchers(DispatcherType.ASYNC).permitAll();
        for (var way : WAYS) {
            requests.requestMatchers(way.method(), way.paths()).access(needs(way.scope()));
        }
        requests.anyRequest().access((_, _) -> {
            throw new AccessDeniedException("Tokens of workspaces may not do this, whatever their rights.");
        });
    }

    private AuthorizationManager<RequestAuthorizationContext> needs(Scope scope) {
        return (Supplier<? extends Authentication> who, RequestAuthorizationContext context) -> {
            var token = ((ProgramAuthentication) who.get()).token();
            var workspace = context.getVariables().get("workspace");
            if (workspace != null && !workspace.equals(token.workspace())) {
                throw new AccessDeniedException(
                        "This token is for the workspace " + token.workspace() + ", not for " + workspace + ".");
            }
            var site = context.getVariables().get("site");
            if (site != null
                    && sites.find(site)
                            .filter(found -> found.workspaceId() == token.workspaceId())
                            .isEmpty()) {
                throw new AccessDeniedException(
                        "This token is for the workspace " + token.workspace() + ", which has no site " + site + ".");
            }
            if (!token.scopes().contains(scope)) {
                throw new AccessDeniedException("The token " + token.name() + " lacks the right “" + scope.code()
                        + "”, which this needs. An architect can make one that has it.");
            }
            return new AuthorizationDecision(true);
        };
    }
}
