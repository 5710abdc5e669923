package org.jontrel.core.plan.fact;

import java.util.List;

/**
 * Held values that a field, or a whole definition, may have back because it stands in the definitions again.
 *
 * @param held short name under which they are held
 * @param values how many there are; records for a whole definition
 * @param aside those of which the architect has said that they stay held
 * @param unconverted those that the field as it is now cannot take
 * @param examples up to five of these, as a person reads them
 * @param fits whether they can be taken into use as they are held; always true for single values, which are converted
 */
public record Offer(String held, long values, long aside, long unconverted, List<String> examples, boolean fits) {
    public Offer {
        examples = List.copyOf(examples);
    }
}
