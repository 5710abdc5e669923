package org.jontrel.serve.record;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import org.jontrel.core.record.FormCheck;

/**
 * A value that needs attention.
 *
 * @param path keys and row numbers to the value, as {@code tests.0.begun}
 */
@Schema(requiredProperties = {"path", "required", "code", "sentence"})
public record RecordProblem(
        String path,

        @Schema(description = "Whether only something required is missing: a draft may lack it")
        boolean required,

        String code,
        String sentence) {
    public static List<RecordProblem> of(List<FormCheck.Problem> problems) {
        return problems.stream()
                .map(problem -> new RecordProblem(
                        problem.path(),
                        problem.required(),
                        problem.finding().code().name(),
                        problem.finding().sentence()))
                .toList();
    }
}
