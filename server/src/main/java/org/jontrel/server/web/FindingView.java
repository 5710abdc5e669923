package org.jontrel.server.web;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.Locale;
import org.jontrel.core.finding.Finding;

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
        String property) {
    public static FindingView of(Finding finding) {
        return new FindingView(
                finding.code().name(),
                finding.severity().name().toLowerCase(Locale.ROOT),
                finding.sentence(),
                finding.place().inFile(),
                finding.place().definition(),
                finding.place().field(),
                finding.place().property());
    }

    public static List<FindingView> of(List<Finding> findings) {
        return findings.stream().map(FindingView::of).toList();
    }
}
