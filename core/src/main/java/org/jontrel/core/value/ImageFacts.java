package org.jontrel.core.value;

/** The facts of an uploaded picture that limits speak of: pixels, bytes, alternative text. */
public record ImageFacts(int width, int height, long bytes, String alt) {}
