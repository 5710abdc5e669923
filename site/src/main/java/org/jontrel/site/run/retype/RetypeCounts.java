package org.jontrel.site.run.retype;

import java.sql.SQLException;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.move.NameLookup;
import org.jontrel.core.move.TypeView;
import org.jontrel.core.plan.MovePlan;
import org.jontrel.core.plan.fact.Answer;
import org.jontrel.core.plan.fact.Breach;
import org.jontrel.core.plan.fact.Question;
import org.jontrel.core.recordtype.FieldStorage;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.retype.TypeMove;
import org.jontrel.core.retype.TypeMoves;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.record.read.UnconvertedValues;
import org.jontrel.site.run.move.MoveCounts;
import org.jontrel.site.run.name.SiteNameLookup;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.PhysicalNames;

/** What becomes of the records of one type, counted without writing anything. */
final class RetypeCounts {
    private final RetypeFacts facts;
    private final List<TypeMove> ways;
    private final Binding.BoundTables table;
    private final List<WayCounts> counts = new ArrayList<>();
    private final TypeMoves types;
    private long left;

    /** One way with the fields that it leads to, and those that nothing takes over. */
    private record WayCounts(
            TypeMove way, TypeView view, Map<String, MoveCounts> fields, Map<String, long[]> unread, long[] records) {
        void add(StoredRecord record) {
            records[0]++;
            var seen = view.seen(record.values());
            fields.values().forEach(each -> each.add(seen));
            unread.forEach((id, count) -> count[0] += says(record.values(), id) ? 1 : 0);
        }

        private static boolean says(Map<?, ?> values, String id) {
            return values.containsKey(id)
                    || values.values().stream().anyMatch(each -> each instanceof Map<?, ?> group && says(group, id));
        }
    }

    RetypeCounts(RetypeFacts facts, TypeMoves types, RecordType was, Model to) throws SQLException {
        this.facts = facts;
        this.types = types;
        ways = types.ways(was.id());
        table = facts.binding().table(was.id()).orElseThrow();
        var names = new SiteNameLookup(facts.connection(), facts.binding(), to, false);
        var homes = new RecordHomes.HomesAfter(facts.connection(), facts.binding(), types.ways(), names);
        var lookup = new LinkedLookup(names, homes);
        for (var way : ways) {
            var is = types.is(way.to());
            counts.add(watch(way, was, is, lookup));
        }
        facts.each(table, record -> {
            var taken = RecordHomes.way(ways, table, record.values(), names);
            if (taken.isEmpty()) {
                left += record.deleted() ? 0 : 1;
            } else if (!record.deleted()) {
                counts.get(ways.indexOf(taken.get())).add(record);
            }
        });
    }

    private WayCounts watch(TypeMove way, RecordType was, RecordType is, NameLookup lookup) {
        var view = new TypeView(was, way.matched());
        var plan = MovePlan.ofRecords(view.type(), is, facts.decisions());
        var fields = new LinkedHashMap<String, MoveCounts>();
        var sources = new HashSet<String>();
        for (var field : is.byId().values()) {
            plan.to(field.id()).ifPresent(move -> {
                sources.addAll(move.sources());
                if (!way.stays() || !was.field(field.id()).equals(Optional.of(field)) || leads(field)) {
                    fields.put(field.id(), new MoveCounts(view.type(), is, move, lookup));
                }
            });
        }
        var unread = new LinkedHashMap<String, long[]>();
        for (var field : was.byId().values()) {
            boolean mine = FieldStorage.of(field.kind()) != FieldStorage.NOT
                    && was.home(field.id()).table().isEmpty();
            if (mine && !sources.contains(way.matched().getOrDefault(field.id(), field.id()))) {
                unread.put(field.id(), new long[1]);
            }
        }
        return new WayCounts(way, view, fields, unread, new long[1]);
    }

    private boolean leads(Field field) {
        return field.withInner()
                .anyMatch(each -> each.kind() instanceof Kind.Relation relation
                        && (relation.to().isEmpty()
                                || types.ways().stream()
                                        .anyMatch(way ->
                                                !way.stays() && relation.to().contains(way.from()))));
    }

    Map<Question, Answer> answers() throws SQLException {
        var answers = new HashMap<Question, Answer>();
        var id = table.recordType().id();
        long records = 0;
        for (var each : counts) {
            records += each.records()[0];
            each.fields()
                    .forEach((field, counted) ->
                            answers.put(new Question(each.way().to(), field), counted.answer()));
            each.unread()
                    .forEach((field, filled) ->
                            answers.put(new Question(each.way().to(), field), Answer.ofRecords(filled[0])));
            lacking(each, answers);
        }
        var breaches = new EnumMap<Breach, Long>(Breach.class);
        if (left > 0) {
            breaches.put(Breach.LEFT, left);
        }
        long taken = taken();
        if (taken > 0) {
            breaches.put(Breach.SLUG, taken);
        }
        answers.put(new Question(id, ""), Answer.ofRecords(records + left).breaking(breaches));
        return answers;
    }

    /** Fields that nothing comes to are empty in all records that come. */
    private void lacking(WayCounts way, Map<Question, Answer> answers) {
        var is = types.is(way.way().to());
        for (var field : is.byId().values()) {
            boolean fresh =
                    !way.way().stays() || table.recordType().field(field.id()).isEmpty();
            boolean mine = FieldStorage.of(field.kind()) != FieldStorage.NOT
                    && is.home(field.id()).table().isEmpty();
            if (mine && !way.fields().containsKey(field.id()) && !way.unread().containsKey(field.id())) {
                // what records that stay lack, they lacked before
                long all = way.records()[0];
                answers.put(
                        new Question(is.id(), field.id()),
                        new Answer(all, fresh ? all : 0, 0, 0, List.of(), List.of()));
            }
        }
    }

    /** Records that come whose address another record has already. */
    private long taken() throws SQLException {
        long taken = 0;
        for (var way : ways) {
            for (var other : types.ways()) {
                var theirs = facts.binding().table(other.from());
                boolean before = other.stays()
                        || types.ways().indexOf(other) < types.ways().indexOf(way);
                if (!way.stays()
                        && way.when().isAll()
                        && other.to().equals(way.to())
                        && !other.equals(way)
                        && before
                        && theirs.isPresent()) {
                    taken += Jdbc.number(
                            facts.connection(),
                            "SELECT COUNT(*) FROM " + PhysicalNames.quoted(table.name()) + " a JOIN "
                                    + PhysicalNames.quoted(theirs.get().name())
                                    + " b ON b.slug = a.slug AND b.parent_id = a.parent_id"
                                    + " WHERE a.state <> 'deleted' AND b.state <> 'deleted'");
                }
            }
        }
        return taken;
    }

    List<UnconvertedValues.CountedValues> unconverted(String fieldId, int most) {
        return counts.stream()
                .flatMap(each -> Optional.ofNullable(each.fields().get(fieldId)).stream())
                .map(each -> each.values(most))
                .toList();
    }
}
