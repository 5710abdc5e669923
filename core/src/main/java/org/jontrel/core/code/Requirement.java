package org.jontrel.core.code;

/**
 * Another package that must be there too.
 *
 * @param version a range of semantic versions such as {@code >=1.2 <2}
 * @param prefix what its keys and addresses get before them here; empty where they stay as they are
 */
public record Requirement(String name, String version, String prefix) {}
