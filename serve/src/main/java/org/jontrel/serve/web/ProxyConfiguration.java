package org.jontrel.serve.web;

import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.apache.catalina.valves.RemoteIpValve;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/**
 * What a proxy in front of the application says of its clients, in {@code X-Forwarded-For} and {@code X-Forwarded-Proto}, is
 * believed only where the settings name the proxy; anybody can send such headers.
 */
@Configuration
class ProxyConfiguration {
    @Bean
    WebServerFactoryCustomizer<TomcatServletWebServerFactory> proxies(ServeSettings settings) {
        return factory -> {
            if (!settings.proxies().isEmpty()) {
                var valve = new RemoteIpValve();
                valve.setInternalProxies(
                        settings.proxies().stream().map(Pattern::quote).collect(Collectors.joining("|")));
                valve.setTrustedProxies(null);
                valve.setProtocolHeader("X-Forwarded-Proto");
                factory.addEngineValves(valve);
            }
        };
    }
}
