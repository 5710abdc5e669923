package org.jontrel.core.generate;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.SequencedMap;

/**
 * @param files texts by their paths
 * @param notes what is called otherwise than in the model, in sentences
 */
public record GeneratedCode(SequencedMap<String, String> files, List<String> notes) {
    public GeneratedCode {
        files = Collections.unmodifiableSequencedMap(new LinkedHashMap<>(files));
        notes = List.copyOf(notes);
    }
}
