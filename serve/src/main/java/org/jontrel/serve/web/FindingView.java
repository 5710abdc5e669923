package org.jontrel.serve.web;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.Locale;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Fix;

/** A finding over HTTP: its code, its sentence and its place. */
@Schema(requiredProperties = {"code", "severity", "sentence", "place", "definition", "field", "property"})
public record FindingView(
        String code,
        String severity,
        String sentence,

        @Schema(description = "File, line and column, or empty")
        String place,

        String definition,
        String field,
        String property,

        @Schema(description = "What would mend it; send it back to have it done")
        FixView fix) {
    /**
     * Sets a property (to nothing where the value is absent), takes items out of a list, or puts {@code with} in the place of
     * one word.
     */
    @Schema(requiredProperties = {"sentence", "element", "property"})
    public record FixView(
            String sentence,
            String element,
            String property,
            Object value,
            List<String> items,

            @Schema(description = "What is put in the place of the only item: the id of what was meant")
            String with,

            @Schema(description = "The word that stands for it in files")
            String word) {
        static FixView of(Fix fix) {
            return switch (fix) {
                case Fix.Set(String element, String property, Object value) ->
                    new FixView(fix.sentence(), element, property, value, null, null, null);
                case Fix.Remove(String element, String property, List<String> items) ->
                    new FixView(fix.sentence(), element, property, null, items, null, null);
                case Fix.Replace(String element, String property, String item, String with, String word) ->
                    new FixView(fix.sentence(), element, property, null, List.of(item), with, word);
            };
        }
    }

    public static FindingView of(Finding finding) {
        return new FindingView(
                finding.code().name(),
                finding.severity().name().toLowerCase(Locale.ROOT),
                finding.sentence(),
                finding.place().inFile(),
                finding.place().definition(),
                finding.place().field(),
                finding.place().property(),
                finding.fix().map(FixView::of).orElse(null));
    }

    public static List<FindingView> of(List<Finding> findings) {
        return findings.stream().map(FindingView::of).toList();
    }
}
