package org.jontrel.server.web;

import org.springframework.boot.context.properties.ConfigurationProperties;

/**
 * Settings of the installation.
 *
 * @param setupCode the one-time code for the first account, or empty to make one
 * @param runStaleSeconds silence after which a run counts as cut off
 * @param secureCookies whether cookies go over HTTPS only
 * @param mediaFolder where sites keep pictures and files, each in a folder of its own; in their databases where empty
 */
@ConfigurationProperties("jontrel")
public record Settings(String setupCode, int runStaleSeconds, boolean secureCookies, String mediaFolder) {}
