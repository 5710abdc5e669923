package org.jontrel.site.testing;

import static org.testng.Assert.assertEquals;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import org.jontrel.core.code.Decision;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.core.record.Values;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.sample.SampleValues;
import org.jontrel.site.Site;
import org.jontrel.site.record.RecordStore;
import org.jontrel.site.record.read.ListQuery;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.record.write.SaveResult;
import org.jontrel.site.record.write.Write;
import org.jontrel.site.run.Runs;

/** A site with made-up records of whatever model was drawn. */
public record Drawn(Site site) {
    private static final int RECORDS = 3;
    private static final int ATTEMPTS = 5;
    private static final String BY_DEFINITIONS = "definitions";

    /**
     * Every question with the answer that fills nothing in.
     *
     * @param held what becomes of values that are held
     */
    public Runs.RunTarget answered(Model to, Decision.Action held) {
        return DrawnAnswers.to(site, to, held);
    }

    /**
     * A few records of each definition with made-up values, and whatever leads to records and terms leads to some.
     *
     * @return how many of these links could be stored
     */
    public int fill(Model model) {
        for (var recordType : RecordType.all(model)) {
            boolean single = recordType.single();
            for (int number = 1; number <= (single ? 1 : RECORDS); number++) {
                save(recordType, number, single, model);
            }
        }
        int links = 0;
        for (var recordType : RecordType.all(model)) {
            for (var record : site.records().all(recordType.id(), RECORDS)) {
                links += link(recordType, record.id(), model);
            }
        }
        return links;
    }

    private int link(RecordType recordType, long id, Model model) {
        int stored = 0;
        for (var field : recordType.fields().toList()) {
            var goals =
                    switch (field.kind()) {
                        case Kind.Relation relation -> goals(relation, model);
                        case Kind.TermPick pick ->
                            site.records().all(pick.taxonomy(), RECORDS).stream()
                                    .map(term -> (Object) term.id())
                                    .toList();
                        default -> List.of();
                    };
            if (!goals.isEmpty()) {
                Object raw =
                        field.kind().amount().many() ? goals.subList(0, Math.min(2, goals.size())) : goals.getLast();
                var now = site.records().byId(recordType.id(), id).orElseThrow();
                var change = Write.change(recordType.id(), now, Map.of(field.key(), raw), false, "ben");
                stored += site.records().save(change) instanceof SaveResult.Stored ? 1 : 0;
            }
        }
        return stored;
    }

    private List<Object> goals(Kind.Relation relation, Model model) {
        var types = relation.to().isEmpty()
                ? model.types().stream().map(ContentType::id).toList()
                : List.copyOf(relation.to());
        return types.stream()
                .flatMap(type -> site.records().all(type, RECORDS).stream()
                        .map(record -> (Object) Map.of("type", type, "id", record.id())))
                .toList();
    }

    /** With whatever of made-up values can be stored; what leads to records that are not there is left out. */
    private void save(RecordType recordType, int number, boolean single, Model model) {
        var raw = new LinkedHashMap<String, Object>();
        for (var group : recordType.groups()) {
            for (var field : group.fields()) {
                for (var value : List.of(
                        new SampleValues(model).of(List.of(field), List.of(), number),
                        DrawnAnswers.several(
                                new SampleValues(model).of(List.of(field), List.of(), number),
                                new SampleValues(model).of(List.of(field), List.of(), number + 1)),
                        SpelledTexts.of(field, number))) {
                    if (!value.isEmpty() && fits(recordType, single, field, value)) {
                        raw.putAll(value);
                    }
                }
            }
        }
        recordType.title().ifPresent(title -> raw.put(title.key(), "Record " + number));
        for (int attempt = 0; attempt < ATTEMPTS; attempt++) {
            if (!(site.records().save(write(recordType, single, raw)) instanceof SaveResult.Refused(var problems))) {
                return;
            }
            problems.forEach(problem -> recordType
                    .fields()
                    .filter(field ->
                            field.withInner().anyMatch(each -> problem.path().startsWith(each.key())))
                    .forEach(field -> raw.remove(field.key())));
        }
        if (!single) {
            throw new IllegalStateException("No record of " + recordType + " can be stored");
        }
    }

    private boolean fits(RecordType recordType, boolean single, Field field, Map<String, Object> value) {
        return site.records()
                .check(write(recordType, single, value))
                .map(checked -> checked.problems().stream()
                        .allMatch(
                                problem -> problem.required() || !problem.path().startsWith(field.key())))
                .orElse(false);
    }

    private static Write write(RecordType recordType, boolean single, Map<String, Object> raw) {
        return new Write(
                recordType.id(),
                single ? Optional.of(RecordStore.SINGLE) : Optional.empty(),
                0,
                RecordState.DRAFT,
                Optional.empty(),
                Optional.empty(),
                "",
                Optional.empty(),
                Optional.empty(),
                raw,
                true,
                "ben");
    }

    /** Everything can be read, whatever the definitions are. */
    public void read() {
        read(true);
    }

    /** @param judged whether completeness is looked at: a run finds it last of all */
    public void read(boolean judged) {
        for (var table : site.installed().tables().values()) {
            var id = table.recordType().id();
            var page = site.records().page(id, ListQuery.ALL).orElseThrow();
            page.records().forEach(record -> {
                site.records().history(id, record.id());
                if (judged) {
                    judge(table.recordType(), record);
                }
            });
            if (table.recordType().definition().sort() == Definition.Sort.TYPE) {
                var type = (ContentType) table.recordType().definition();
                site.records().page(id, ListQuery.ALL.search(type.singular()));
            }
        }
    }

    /** A record is marked complete just where a form would find nothing to complain of. */
    private void judge(RecordType recordType, StoredRecord record) {
        if (record.createdBy().equals(BY_DEFINITIONS)) {
            // drawn terms have labels that no form would take
            return;
        }
        var again = Write.fresh(
                recordType.id(), record.state(), Values.wire(recordType.fields().toList(), record.values()), "");
        var checked = site.records()
                .check(record.parent().map(again::under).orElse(again))
                .orElseThrow();
        assertEquals(record.complete(), checked.complete(), "complete: " + record + checked.problems());
    }

    /** How many records there are of types that are asked for by their ids. */
    public long records(Predicate<String> types) {
        return count(Definition.Sort.TYPE, types);
    }

    /** How many terms there are of taxonomies that are asked for by their ids. */
    public long terms(Predicate<String> taxonomies) {
        return count(Definition.Sort.TAXONOMY, taxonomies);
    }

    private long count(Definition.Sort sort, Predicate<String> types) {
        return site.installed().tables(sort).stream()
                .map(each -> each.recordType().id())
                .filter(types)
                .mapToLong(site::count)
                .sum();
    }
}
