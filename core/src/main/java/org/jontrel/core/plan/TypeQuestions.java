package org.jontrel.core.plan;

import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jontrel.core.code.Decision;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.plan.fact.Answer;
import org.jontrel.core.plan.fact.Question;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.retype.TypeMoves;
import org.jontrel.core.retype.TypeProposal;

/**
 * What a plan asks, and says, of records that become those of another type.
 *
 * @param asks takes up what is asked
 * @param findings takes up what is said
 */
record TypeQuestions(TypeMoves types, Map<Question, Answer> answers, List<PlanQuestion> asks, List<Finding> findings) {
    static String labels(List<RecordType> recordTypes) {
        return recordTypes.stream().map(RecordType::plural).collect(Collectors.joining(", "));
    }

    /** Asks what the records of types that go become, and whether some are records of new ones. */
    void ask() {
        for (var id : types.asked()) {
            long rows = answers.getOrDefault(new Question(id, ""), Answer.NONE).records();
            types.likely(id)
                    .filter(_ -> rows > 0 || types.answer(id).isPresent())
                    .ifPresent(likely -> ask(id, likely, rows));
            if (types.isUnknown(id)) {
                findings.add(Finding.of(
                        Code.PLAN_TYPE_UNKNOWN,
                        Place.definition(id, ""),
                        types.plural(id),
                        types.answer(id).orElseThrow().value(),
                        types.likely(id).map(TypeProposal::answer).orElse("mooring where kind = swing")));
            }
        }
    }

    private void ask(String id, TypeProposal likely, long rows) {
        var place = Place.definition(id, "");
        var was = likely.was();
        var is = likely.is();
        var finding = was.id().equals(id)
                ? Finding.of(Code.PLAN_TYPE_GOES, place, was.plural(), rows, is.plural())
                : Finding.of(
                        Code.PLAN_TYPE_PART,
                        place,
                        is.plural(),
                        rows,
                        was.plural(),
                        likely.way().when().sentence(was));
        asks.add(new PlanQuestion(
                finding,
                id,
                id,
                Decision.Topic.RECORD_TYPE,
                rows,
                TypeMoves.CHOICES,
                types.answer(id),
                List.of(),
                likely.answer()));
    }

    /** Says what stands against it: what else would be done to the same records, and links that cannot follow. */
    void against(RecordMoves others) {
        var members = types.members();
        others.ids().stream().flatMap(id -> others.decided(id).stream()).forEach(each -> {
            if (members.contains(each.was().id())
                    || members.contains(each.around().id())
                    || members.contains(each.rule().records())) {
                findings.add(Finding.of(
                        Code.PLAN_TYPE_TOGETHER, Place.definition(each.was().id(), ""), each.label()));
            }
        });
        types.strangers()
                .forEach(each -> findings.add(Finding.of(
                        Code.PLAN_TYPE_LED_TO,
                        Place.definition(each.id(), ""),
                        each.plural(),
                        labels(types.decided().stream().map(one -> one.was()).toList()))));
    }
}
