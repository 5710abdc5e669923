package org.jontrel.server.rehearsal;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.jontrel.core.model.Field;
import org.jontrel.server.rehearsal.RehearsalReport.ChangedRecord;
import org.jontrel.server.rehearsal.RehearsalReport.ValueChange;
import org.jontrel.site.run.move.PlanSamples.SampledRecord;
import org.jontrel.site.run.move.PlanSamples.SampledType;

/** Records as a plan would change them, told as a rehearsal tells them. */
final class PlannedSamples {
    private PlannedSamples() {}

    /** Of each type a few that would say something else. */
    static List<ChangedRecord> of(List<SampledType> types) {
        return types.stream()
                .flatMap(type -> BeforeAndAfter.picked(differing(type)).stream())
                .toList();
    }

    private static List<ChangedRecord> differing(SampledType type) {
        var all = new ArrayList<ChangedRecord>();
        for (var each : type.records()) {
            var values = values(type, each);
            if (!values.isEmpty()) {
                all.add(new ChangedRecord(
                        type.is().id(),
                        type.is().key(),
                        type.is().singular(),
                        each.record().id(),
                        each.record().title(),
                        "",
                        false,
                        values));
            }
        }
        return all;
    }

    private static List<ValueChange> values(SampledType type, SampledRecord sampled) {
        var ids = new LinkedHashSet<>(sampled.after().keySet());
        ids.addAll(sampled.before().keySet());
        var changes = new ArrayList<ValueChange>();
        if (!type.was().id().equals(type.is().id())) {
            changes.add(new ValueChange(
                    "Content type", type.was().singular(), type.is().singular()));
        }
        changes.addAll(values(type, sampled, ids));
        return changes;
    }

    private static List<ValueChange> values(SampledType type, SampledRecord sampled, Set<String> ids) {
        return ids.stream()
                .map(id -> new ValueChange(
                        type.is()
                                .field(id)
                                .or(() -> type.was().field(id))
                                .map(Field::label)
                                .orElse(id),
                        sampled.before().getOrDefault(id, ""),
                        sampled.after().getOrDefault(id, "")))
                .filter(value -> !value.before().equals(value.after()))
                .toList();
    }
}
