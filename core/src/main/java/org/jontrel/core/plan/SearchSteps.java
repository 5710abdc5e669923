package org.jontrel.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Model;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.recordtype.SearchedFields;

/** Searching finds what fields hold now: after a run the words of records follow those that came, went or were rewritten. */
public final class SearchSteps {
    private SearchSteps() {}

    /** A step for each record type that stays and whose words the steps of a run change. */
    public static List<Step> of(Model from, Model to, List<Step> steps) {
        var renewals = new ArrayList<Step>();
        for (var is : RecordType.all(to)) {
            var was = from.definition(is.id()).flatMap(each -> RecordType.of(from, each));
            if (was.isPresent() && changes(was.get(), is, steps)) {
                renewals.add(new Step.RenewWords(is.id()));
            }
        }
        return renewals;
    }

    private static boolean changes(RecordType was, RecordType is, List<Step> steps) {
        var sources = SearchedFields.of(is);
        return !SearchedFields.of(was).equals(sources)
                || steps.stream()
                        .filter(step -> step.recordTypeId().equals(is.id()))
                        .flatMap(step -> rewritten(is, step))
                        .anyMatch(sources::containsKey);
    }

    /** Ids of the fields whose values a step writes. */
    private static Stream<String> rewritten(RecordType is, Step step) {
        return switch (step) {
            case Step.CopyColumn copy -> Stream.of(copy.fieldId());
            case Step.CarryBack carry -> Stream.of(carry.fieldId());
            case Step.CarryForth carry -> Stream.of(carry.fieldId());
            case Step.MoveValues moved -> moved.moves().stream().flatMap(each -> within(is, each.target()));
            case Step.CarryMoved carry -> carry.held().keySet().stream().flatMap(each -> within(is, each));
            default -> Stream.empty();
        };
    }

    private static Stream<String> within(RecordType is, String fieldId) {
        return is.field(fieldId).stream().flatMap(Field::withInner).map(Field::id);
    }

    public static String sentence(RecordType recordType) {
        return "Let searching find what " + recordType.plural() + " hold now";
    }
}
