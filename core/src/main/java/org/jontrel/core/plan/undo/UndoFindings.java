package org.jontrel.core.plan.undo;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Model;
import org.jontrel.core.plan.Step;
import org.jontrel.core.plan.fact.Question;
import org.jontrel.core.recordtype.RecordType;

/** What an undo finds of what was entered since. */
final class UndoFindings {
    private UndoFindings() {}

    /** Of values that changed their place, told of the first field that they came to. */
    static List<Finding> moved(
            Step.CarryMoved carry, Optional<RecordType> was, Map<Question, UndoPlanner.Since> since) {
        return carried(carry.recordTypeId(), carry.moves().getFirst().target(), was, since);
    }

    /** Of rows that became records, or records that became rows, told of the rows. */
    static List<Finding> records(
            Step.CarryRecords carry, Model from, Model to, Map<Question, UndoPlanner.Since> since) {
        var counts = since.getOrDefault(
                new Question(carry.recordTypeId(), carry.rule().link()), UndoPlanner.Since.NOTHING);
        var records = name(from, carry).or(() -> name(to, carry)).orElse("");
        return records(carry.rule().records(), records, counts);
    }

    /** Of records that became those of another type. */
    static List<Finding> records(
            String recordTypeId, Optional<RecordType> type, Map<Question, UndoPlanner.Since> since) {
        return records(
                recordTypeId,
                type.map(RecordType::plural).orElse(""),
                since.getOrDefault(new Question(recordTypeId, UndoPlanner.RETYPED), UndoPlanner.Since.NOTHING));
    }

    private static List<Finding> records(String recordTypeId, String records, UndoPlanner.Since counts) {
        var place = Place.definition(recordTypeId, "");
        var findings = new ArrayList<Finding>();
        if (counts.carried() > 0) {
            findings.add(Finding.of(Code.UNDO_ROWS_CARRIED, place, records, counts.carried()));
        }
        if (counts.lost() > 0) {
            findings.add(Finding.of(Code.UNDO_ROWS_NOT_CARRIED, place, records, counts.lost()));
        }
        return findings;
    }

    private static Optional<String> name(Model model, Step.CarryRecords carry) {
        return model.definition(carry.rule().records())
                .flatMap(each -> RecordType.of(model, each))
                .map(RecordType::plural);
    }

    static List<Finding> carried(
            String recordTypeId, String fieldId, Optional<RecordType> is, Map<Question, UndoPlanner.Since> since) {
        var counts = since.getOrDefault(new Question(recordTypeId, fieldId), UndoPlanner.Since.NOTHING);
        var field = is.flatMap(recordType -> recordType.field(fieldId));
        var label = field.map(Field::label).orElse("");
        var place = Place.field(recordTypeId, fieldId, "");
        var findings = new ArrayList<Finding>();
        if (counts.carried() > 0) {
            findings.add(Finding.of(Code.UNDO_VALUES_CARRIED, place, label, counts.carried()));
        }
        if (counts.lost() > 0) {
            var kind = field.map(f -> f.kind().code().replace('_', ' ')).orElse("");
            findings.add(Finding.of(Code.UNDO_VALUES_NOT_CARRIED, place, label, counts.lost(), kind));
        }
        return findings;
    }
}
