package org.jontrel.server.release;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.Locale;
import org.jontrel.core.compare.Change;
import org.jontrel.core.compare.Comparison;
import org.jontrel.core.compare.Sentences;

/** What differs, over HTTP. */
@Schema(requiredProperties = {"sentence", "advice", "reach", "typeId", "ofPages"})
public record ChangeView(
        String sentence,
        String advice,
        List<String> reach,
        String typeId,

        @Schema(description = "Whether it is of what pages look like alone, and does nothing to a database")
        boolean ofPages) {
    public static ChangeView of(Change change) {
        return new ChangeView(
                Sentences.of(change),
                lower(change.advice()),
                change.reach().stream().map(ChangeView::lower).toList(),
                change.subject().definitionId(),
                change.ofPages());
    }

    public static List<ChangeView> of(Comparison comparison) {
        return comparison.changes().stream().map(ChangeView::of).toList();
    }

    private static String lower(Enum<?> word) {
        return word.name().toLowerCase(Locale.ROOT);
    }
}
