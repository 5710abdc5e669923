package org.jontrel.core.infer;

import java.util.List;
import org.jontrel.core.model.Field;

/**
 * A field that was read out of a line or column.
 *
 * @param why what its kind was guessed from, in a clause; empty where it was said
 * @param samples the first values of its column; empty for a line
 */
public record Proposal(Field field, String why, List<String> samples) {
    public Proposal {
        samples = List.copyOf(samples);
    }
}
