package org.jontrel.server.web;

import org.springframework.boot.context.properties.ConfigurationProperties;

/**
 * Settings of the installation.
 *
 * @param setupCode the one-time code for the first account, or empty to make one
 * @param runStaleSeconds silence after which a run counts as cut off
 * @param secureCookies whether cookies go over HTTPS only
 */
@ConfigurationProperties("jontrel")
public record Settings(String setupCode, int runStaleSeconds, boolean secureCookies) {}
