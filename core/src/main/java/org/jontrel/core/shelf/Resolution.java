package org.jontrel.core.shelf;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.SequencedMap;

/**
 * @param versions what to take, by name, each after what it needs itself; empty where nothing fits
 * @param problems why nothing fits, in sentences
 */
public record Resolution(SequencedMap<String, String> versions, List<String> problems) {
    public Resolution {
        versions = Collections.unmodifiableSequencedMap(new LinkedHashMap<>(versions));
        problems = List.copyOf(problems);
    }

    static Resolution none(List<String> problems) {
        return new Resolution(new LinkedHashMap<>(), problems);
    }
}
