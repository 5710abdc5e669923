package org.jontrel.server.web;

import java.time.Duration;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.boot.context.properties.bind.DefaultValue;

/**
 * Settings of the installation.
 *
 * @param setupCode the one-time code for the first account, or empty to make one
 * @param runStaleSeconds silence after which a run counts as interrupted
 * @param secureCookies whether cookies go over HTTPS only
 * @param mediaFolder where sites keep pictures and files, each in a folder of its own; in their databases where empty
 * @param leastFreeMegabytes of the disk, below which uploads are refused
 * @param sessionLifetime after which a session ends, however much it is used
 * @param passwordRounds of the function that hashes passwords, as a power of two
 * @param longestWork on a model, after which it is given up
 * @param rehearsalLifetime after which the copy that was made for a rehearsal is removed
 */
@ConfigurationProperties("jontrel")
public record Settings(
        String setupCode,
        int runStaleSeconds,
        boolean secureCookies,
        String mediaFolder,
        @DefaultValue("512") long leastFreeMegabytes,
        @DefaultValue("P7D") Duration sessionLifetime,
        @DefaultValue("11") int passwordRounds,
        @DefaultValue("PT30S") Duration longestWork,
        @DefaultValue("PT24H") Duration rehearsalLifetime) {}
