package org.jontrel.serve.web;

import java.util.List;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.boot.context.properties.bind.DefaultValue;

/**
 * Settings of what serves sites.
 *
 * @param requestsAMinute that one address may send to the content APIs
 * @param proxies addresses of proxies in front, whose word on the client's address is believed
 */
@ConfigurationProperties("jontrel")
public record ServeSettings(
        @DefaultValue("600") int requestsAMinute,
        @DefaultValue List<String> proxies) {}
