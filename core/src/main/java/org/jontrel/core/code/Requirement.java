package org.jontrel.core.code;

/**
 * Another package that must be there too.
 *
 * @param version a range of semantic versions such as {@code >=1.2 <2}
 */
public record Requirement(String name, String version) {}
