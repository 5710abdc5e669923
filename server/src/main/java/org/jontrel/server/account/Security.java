package org.jontrel.server.account;

import jakarta.servlet.http.HttpServletRequest;
import org.jontrel.serve.web.PublicHeaders;
import org.jontrel.server.web.Settings;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpMethod;
import org.springframework.http.HttpStatus;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.access.intercept.AuthorizationFilter;
import org.springframework.security.web.authentication.HttpStatusEntryPoint;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.security.web.context.SecurityContextHolderFilter;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.csrf.CookieCsrfTokenRepository;
import org.springframework.security.web.csrf.CsrfToken;
import org.springframework.security.web.csrf.CsrfTokenRequestAttributeHandler;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;
import org.springframework.session.web.http.CookieSerializer;
import org.springframework.session.web.http.DefaultCookieSerializer;

/**
 * Which role may do what, over the interface and the API alike. Content APIs know tokens only, never the session of a
 * browser; so no other page can make a browser write there.
 */
@Configuration
class Security {
    private static final String CONTENT_POLICY =
            "default-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data: blob:; frame-ancestors 'none';"
                    + " base-uri 'none'; form-action 'self'; object-src 'none'";

    /** What everybody may read: no cookie comes of it. A session that is there lets its owner see files not yet published. */
    @Bean
    @Order(1)
    SecurityFilterChain publicRules(
            HttpSecurity http, SecurityContextRepository contexts, Accounts accounts, Settings settings)
            throws Exception {
        return headers(http, PublicHeaders.CONTENT_POLICY, settings)
                .securityMatcher("/at/**", "/public/**")
                .csrf(csrf -> csrf.disable())
                .addFilterAfter(
                        new CurrentAccount(accounts, settings.sessionLifetime()), SecurityContextHolderFilter.class)
                .securityContext(context -> context.securityContextRepository(contexts))
                .anonymous(anonymous -> anonymous.disable())
                .exceptionHandling(handling -> handling.disable())
                .sessionManagement(sessions -> sessions.disable())
                .requestCache(cache -> cache.disable())
                .formLogin(form -> form.disable())
                .httpBasic(basic -> basic.disable())
                .logout(logout -> logout.disable())
                .build();
    }

    private static HttpSecurity headers(HttpSecurity http, String policy, Settings settings) throws Exception {
        return http.headers(headers -> headers.contentSecurityPolicy(csp -> csp.policyDirectives(policy))
                .referrerPolicy(referrer -> referrer.policy(ReferrerPolicy.SAME_ORIGIN))
                .httpStrictTransportSecurity(
                        hsts -> hsts.requestMatcher(request -> settings.secureCookies() || request.isSecure())));
    }

    @Bean
    @Order(2)
    SecurityFilterChain rules(
            HttpSecurity http, SecurityContextRepository contexts, Accounts accounts, Settings settings)
            throws Exception {
        var architect = Role.ARCHITECT.name();
        var editor = Role.EDITOR.name();
        return headers(http, CONTENT_POLICY, settings)
                .authorizeHttpRequests(requests -> requests.requestMatchers("/api/session", "/api/setup", "/api/reset")
                        .permitAll()
                        .requestMatchers("/api/account/**")
                        .authenticated()
                        .requestMatchers("/api/accounts/**", "/api/trail")
                        .hasRole(architect)
                        .requestMatchers(
                                "/api/sites/*/tokens/**", "/api/sites/*/archive", "/api/workspaces/*/access-tokens/**")
                        .hasRole(architect)
                        .requestMatchers(HttpMethod.GET, "/api/**")
                        .authenticated()
                        .requestMatchers("/api/proof/**")
                        .authenticated()
                        .requestMatchers("/api/workspaces/*/presence", "/api/withdrawals/*")
                        .authenticated()
                        .requestMatchers(
                                "/api/sites/*/types/**",
                                "/api/sites/*/taxonomies/**",
                                "/api/sites/*/values/**",
                                "/api/sites/*/media/**",
                                "/api/sites/*/imports/**",
                                "/api/sites/*/mappings/**")
                        .hasAnyRole(architect, editor)
                        .requestMatchers("/api/**")
                        .hasRole(architect)
                        .requestMatchers("/v3/**")
                        .hasRole(architect)
                        .anyRequest()
                        .permitAll())
                .csrf(csrf ->
                        csrf.csrfTokenRepository(csrfTokens(settings)).csrfTokenRequestHandler(new HeaderTokens()))
                .addFilterBefore(new CurrentAccount(accounts, settings.sessionLifetime()), AuthorizationFilter.class)
                .securityContext(context -> context.securityContextRepository(contexts))
                .exceptionHandling(e -> e.authenticationEntryPoint(new HttpStatusEntryPoint(HttpStatus.UNAUTHORIZED))
                        // answered here: a page of errors would read the rest of the request first
                        .accessDeniedHandler((_, response, _) -> response.setStatus(HttpStatus.FORBIDDEN.value())))
                .requestCache(cache -> cache.disable())
                .formLogin(form -> form.disable())
                .httpBasic(basic -> basic.disable())
                .logout(logout -> logout.disable())
                .build();
    }

    @Bean
    SecurityContextRepository contexts() {
        return new HttpSessionSecurityContextRepository();
    }

    @Bean
    PasswordEncoder passwordEncoder(Settings settings) {
        return new BCryptPasswordEncoder(settings.passwordRounds());
    }

    @Bean
    CookieSerializer cookies(Settings settings) {
        var cookies = new DefaultCookieSerializer();
        cookies.setCookieName("JONTREL");
        cookies.setSameSite("Lax");
        cookies.setUseHttpOnlyCookie(true);
        if (settings.secureCookies()) {
            cookies.setUseSecureCookie(true);
        }
        return cookies;
    }

    /**
     * The token is looked for in the header alone. Looking for a parameter would read the body, and of a stranger's upload all
     * of it, before anybody has asked who sends it. The cookie comes with every answer.
     */
    private static final class HeaderTokens extends CsrfTokenRequestAttributeHandler {
        HeaderTokens() {
            setCsrfRequestAttributeName(null);
        }

        @Override
        public String resolveCsrfTokenValue(HttpServletRequest request, CsrfToken token) {
            return request.getHeader(token.getHeaderName());
        }
    }

    /** The interface reads this cookie and sends it back in a header, which no other page can. */
    private static CookieCsrfTokenRepository csrfTokens(Settings settings) {
        var tokens = CookieCsrfTokenRepository.withHttpOnlyFalse();
        tokens.setCookieCustomizer(cookie -> {
            cookie.sameSite("Lax");
            if (settings.secureCookies()) {
                cookie.secure(true);
            }
        });
        return tokens;
    }
}
