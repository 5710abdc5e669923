package org.jontrel.core.plan;

import java.util.List;
import java.util.Optional;
import org.jontrel.core.code.Decision;
import org.jontrel.core.finding.Finding;

/**
 * A finding that needs a person's answer.
 *
 * @param rows records it concerns
 * @param decision the answer in force, if there is one
 */
public record Ask(
        Finding finding,
        String holderId,
        String fieldId,
        Decision.About about,
        long rows,
        List<Decision.Answer> choices,
        Optional<Decision> decision) {}
