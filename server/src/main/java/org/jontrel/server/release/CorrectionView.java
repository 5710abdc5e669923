package org.jontrel.server.release;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.jontrel.core.code.Decision;

/** What a value becomes that could not be taken over as it is, over HTTP. */
@Schema(requiredProperties = {"from", "to"})
public record CorrectionView(
        @NotNull @Size(max = LONGEST) String from,
        @NotNull @Size(max = LONGEST) String to) {
    private static final int LONGEST = 2_000;

    public static List<CorrectionView> of(List<Decision.Correction> corrections) {
        return corrections.stream()
                .map(each -> new CorrectionView(each.from(), each.to()))
                .toList();
    }

    /** @param corrections {@code null} for none */
    public static List<Decision.Correction> read(List<CorrectionView> corrections) {
        return corrections == null
                ? List.of()
                : corrections.stream()
                        .map(each -> new Decision.Correction(each.from(), each.to()))
                        .toList();
    }
}
