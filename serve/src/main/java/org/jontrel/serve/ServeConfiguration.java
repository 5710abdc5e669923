package org.jontrel.serve;

import org.jontrel.serve.web.ServeSettings;
import org.springframework.boot.context.properties.EnableConfigurationProperties;
import org.springframework.context.annotation.ComponentScan;
import org.springframework.context.annotation.Configuration;

/**
 * Public pages, content API and media of sites. Whoever imports it brings {@link org.jontrel.serve.site.ServedSites} and
 * {@link org.jontrel.serve.site.SiteTokens}.
 */
@Configuration
@ComponentScan
@EnableConfigurationProperties(ServeSettings.class)
public class ServeConfiguration {}
