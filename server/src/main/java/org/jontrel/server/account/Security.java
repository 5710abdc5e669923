package org.jontrel.server.account;

import org.jontrel.server.web.Settings;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpMethod;
import org.springframework.http.HttpStatus;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.authentication.HttpStatusEntryPoint;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.security.web.context.SecurityContextRepository;
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

    @Bean
    SecurityFilterChain rules(HttpSecurity http, SecurityContextRepository contexts) throws Exception {
        var architect = Role.ARCHITECT.name();
        var editor = Role.EDITOR.name();
        return http.authorizeHttpRequests(requests -> requests.requestMatchers("/api/session", "/api/setup")
                        .permitAll()
                        .requestMatchers("/api/accounts")
                        .hasRole(architect)
                        .requestMatchers("/api/sites/*/tokens/**")
                        .hasRole(architect)
                        .requestMatchers(HttpMethod.GET, "/api/**")
                        .authenticated()
                        .requestMatchers("/api/proof/**")
                        .authenticated()
                        .requestMatchers("/api/workspaces/*/presence")
                        .authenticated()
                        .requestMatchers(
                                "/api/sites/*/types/**",
                                "/api/sites/*/taxonomies/**",
                                "/api/sites/*/values/**",
                                "/api/sites/*/media/**")
                        .hasAnyRole(architect, editor)
                        .requestMatchers("/api/**")
                        .hasRole(architect)
                        .requestMatchers("/v3/api-docs/**")
                        .hasRole(architect)
                        .anyRequest()
                        .permitAll())
                .csrf(csrf -> csrf.spa().ignoringRequestMatchers("/at/*/api/**"))
                .securityContext(context -> context.securityContextRepository(contexts))
                .exceptionHandling(e -> e.authenticationEntryPoint(new HttpStatusEntryPoint(HttpStatus.UNAUTHORIZED)))
                .headers(headers -> headers.contentSecurityPolicy(policy -> policy.policyDirectives(CONTENT_POLICY))
                        .referrerPolicy(policy -> policy.policy(ReferrerPolicy.SAME_ORIGIN)))
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
    PasswordEncoder passwordEncoder() {
        return new BCryptPasswordEncoder(11);
    }

    @Bean
    CookieSerializer cookies(Settings settings) {
        var cookies = new DefaultCookieSerializer();
        cookies.setCookieName("JONTREL");
        cookies.setSameSite("Lax");
        cookies.setUseHttpOnlyCookie(true);
        cookies.setUseSecureCookie(settings.secureCookies());
        return cookies;
    }
}
