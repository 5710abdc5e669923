package org.jontrel.server.site;

import io.swagger.v3.oas.annotations.media.Schema;
import java.math.BigDecimal;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.jontrel.core.code.DecisionReferences;
import org.jontrel.core.finding.Code;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Model;
import org.jontrel.core.plan.Plan;
import org.jontrel.core.plan.PlanQuestion;
import org.jontrel.core.record.Values;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.spelling.Reading;
import org.jontrel.serve.web.FindingView;
import org.jontrel.server.release.ChangeView;
import org.jontrel.server.release.CorrectionView;
import org.jontrel.site.record.read.UnconvertedValues;
import org.jontrel.site.run.Runs;

/** What sites, plans and runs look like over HTTP. */
final class SiteViews {
    /** Which argument of the sentence about values that cannot be read is one of them. */
    private static final int EXAMPLE = 3;

    private SiteViews() {}

    @Schema(
            requiredProperties = {
                "site",
                "from",
                "to",
                "stages",
                "installed",
                "changes",
                "steps",
                "asks",
                "findings",
                "runnable",
                "counted",
                "questions"
            })
    record PlanView(
            String site,
            String from,
            String to,

            @Schema(
                    description =
                            "Versions that are reached by a run each, the last of which is the one that is gone to; this plan is"
                                    + " of the first")
            List<String> stages,

            boolean installed,
            List<ChangeView> changes,
            List<PlanStepView> steps,
            List<AskView> asks,
            List<FindingView> findings,
            boolean runnable,

            @Schema(
                    description =
                            "How many questions to the site are answered; where some are not, more comes of asking again")
            int counted,

            int questions) {}

    @Schema(requiredProperties = {"sentence", "phase", "instant", "rows", "seconds"})
    record PlanStepView(
            String sentence,
            String phase,
            boolean instant,
            long rows,

            @Schema(description = "About how long it takes, as the runs of the site went so far")
            double seconds) {}

    @Schema(
            requiredProperties = {
                "finding",
                "definition",
                "holder",
                "fieldId",
                "element",
                "label",
                "example",
                "kind",
                "about",
                "rows",
                "choices",
                "value",
                "proposed",
                "corrections"
            })
    record AskView(
            FindingView finding,

            @Schema(description = "Id of the type or taxonomy whose records it is about")
            String definition,

            @Schema(description = "What one calls these records")
            String holder,

            String fieldId,

            @Schema(description = "The same in a file of answers: the keys that lead to it, such as mooring.owner")
            String element,

            String label,

            @Schema(description = "A value that it is about; empty where it is not about single values")
            String example,

            String kind,
            String about,
            long rows,
            List<String> choices,
            String answer,
            String value,
            String proposed,
            List<CorrectionView> corrections) {}

    @Schema(requiredProperties = {"text", "records", "readings"})
    record ValueView(String text, long records, List<ReadingView> readings) {}

    /** A way to read a text that could be either of two values, with the text of what it becomes then. */
    @Schema(requiredProperties = {"as", "becomes"})
    record ReadingView(String as, String becomes) {}

    @Schema(requiredProperties = {"values", "distinct", "more"})
    record ValuesView(List<ValueView> values, int distinct, boolean more) {}

    /** @param field that takes the values; empty where nobody knows */
    static ValuesView values(UnconvertedValues.CountedValues found, Optional<Field> field) {
        var values = found.values().stream()
                .map(each -> new ValueView(
                        each.text(),
                        each.records(),
                        field.stream().flatMap(of -> readings(of, each.text())).toList()))
                .toList();
        return new ValuesView(values, found.distinct(), found.more());
    }

    private static Stream<ReadingView> readings(Field field, String text) {
        return Reading.of(field.kind(), text).entrySet().stream()
                .map(each -> new ReadingView(each.getKey().code(), said(each.getValue())))
                .filter(each -> Values.typed(field, each.becomes()).value().isPresent());
    }

    private static String said(Object value) {
        return value instanceof BigDecimal number ? number.toPlainString() : String.valueOf(value);
    }

    /** @param runs of the site, which know how long steps take there */
    static List<PlanStepView> steps(Plan plan, Runs runs) {
        var seconds = runs.seconds(plan.steps());
        return IntStream.range(0, seconds.size())
                .mapToObj(i -> {
                    var planned = plan.steps().get(i);
                    return new PlanStepView(
                            planned.sentence(),
                            lower(planned.step().phase()),
                            planned.step().instant(),
                            planned.rows(),
                            Math.ceil(seconds.get(i) * 10) / 10);
                })
                .toList();
    }

    /** @param model that the plan leads to */
    static AskView ask(PlanQuestion ask, Model model) {
        var recordType = model.definition(ask.recordTypeId()).flatMap(each -> RecordType.of(model, each));
        boolean ofValues = ask.finding().code() == Code.PLAN_VALUES_UNCONVERTED;
        return new AskView(
                FindingView.of(ask.finding()),
                ask.recordTypeId(),
                // a type that goes is not in the model any more
                recordType
                        .map(RecordType::plural)
                        .orElse(ask.finding().arguments().getFirst()),
                ask.fieldId(),
                DecisionReferences.toKeys(ask.fieldId(), model),
                ask.finding().arguments().getFirst(),
                ofValues ? ask.finding().arguments().get(EXAMPLE) : "",
                recordType
                        .flatMap(each -> each.field(ask.fieldId()))
                        .map(field -> field.kind().code())
                        .orElse(""),
                ask.about().code(),
                ask.rows(),
                ask.choices().stream().map(choice -> choice.code()).toList(),
                ask.decision().map(decision -> decision.answer().code()).orElse(null),
                ask.decision().map(decision -> decision.value()).orElse(""),
                ask.proposed(),
                CorrectionView.of(ask.corrections()));
    }

    private static String lower(Enum<?> word) {
        return word.name().toLowerCase(Locale.ROOT);
    }
}
