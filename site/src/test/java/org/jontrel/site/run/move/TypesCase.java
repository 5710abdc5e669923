package org.jontrel.site.run.move;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jontrel.core.code.Decision;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Head;
import org.jontrel.core.model.Index;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Nesting;
import org.jontrel.core.model.Part;
import org.jontrel.core.model.Publishing;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.core.record.Values;
import org.jontrel.core.value.Link;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.record.write.Write;
import org.jontrel.site.testing.TestSite;

/** A site with moorings, berths and inspections that lead to them, whose types are merged and split. */
abstract class TypesCase extends MovesCase {
    static final String MOORING = "tmooring";
    static final String BERTH = "tberth";
    static final String INSPECTION = "tinspection";
    static final String GATE = "tgate";
    static final List<Kind.Option> SORTS =
            List.of(new Kind.Option("ogate", "gate", "Gate", false), new Kind.Option("oweir", "weir", "Weir", false));
    static final Decision MERGE = decide(BERTH, Decision.Topic.RECORD_TYPE, Decision.Action.MOVE, "mooring");

    static ContentType type(String id, Set<String> under, Field... fields) {
        var key = id.substring(1);
        var name = key.substring(0, 1).toUpperCase() + key.substring(1);
        return new ContentType(
                id,
                key,
                name,
                name + "s",
                "",
                "",
                key + "s",
                Map.of(),
                List.of(Part.TITLE),
                Map.of(),
                List.of(new Group("g" + key, name, "", List.of(fields))),
                List.of(),
                Index.PLAIN,
                new Nesting(under, false, true),
                Publishing.PLAIN,
                List.of(),
                Head.PLAIN);
    }

    static Model model(Definition... definitions) {
        return new Model(Arrays.asList(definitions));
    }

    /** A field of a type by an id of its own. */
    static Field own(String type, String key, Kind kind) {
        return field(key, kind).withId("f" + type.substring(1) + "_" + key);
    }

    static Kind.Relation to(Kind.Amount amount, String... types) {
        return new Kind.Relation(Set.of(types), amount, false, false, null);
    }

    static ContentType mooring(Field... more) {
        return type(MOORING, Set.of(), fields(MOORING, more));
    }

    static ContentType berth(Field... more) {
        return type(BERTH, Set.of(), fields(BERTH, more));
    }

    private static Field[] fields(String type, Field... more) {
        var all = new ArrayList<>(List.of(
                own(type, "length", Kind.Text.PLAIN),
                own(
                        type,
                        "contacts",
                        new Kind.Repeater(
                                List.of(own(type, "name", Kind.Text.PLAIN), own(type, "role", Kind.Text.PLAIN)),
                                null,
                                null,
                                "",
                                Kind.Repeater.RowStyle.CARDS)),
                own(type, "tags", new Kind.Choice(OPTIONS, "", MANY, Kind.Choice.PLAIN.shown()))));
        all.addAll(List.of(more));
        return all.toArray(new Field[0]);
    }

    static ContentType inspection(String... leadsTo) {
        return type(
                INSPECTION,
                Set.of(leadsTo),
                own(INSPECTION, "of", to(Kind.Amount.ONE, leadsTo)),
                own(INSPECTION, "near", to(MANY, leadsTo)));
    }

    long save(String type, String title, Map<String, ?> raw) {
        var all = new LinkedHashMap<String, Object>(raw);
        all.put("title", title);
        return test.save(type, all).id();
    }

    long under(String type, String title, Link parent) {
        var write = Write.fresh(type, RecordState.PUBLISHED, Map.of("title", title), "ben");
        return TestSite.stored(test.site().records().save(write.under(parent))).id();
    }

    static Map<String, Object> link(String type, long id) {
        return Map.of("type", type, "id", id);
    }

    Optional<StoredRecord> find(String type, long id) {
        return test.site().records().byId(type, id).filter(each -> !each.deleted());
    }

    /** A record's address, state and values as JSON has them, without the ids of rows. */
    String told(String type, long id) {
        var fields = test.site()
                .installed()
                .table(type)
                .orElseThrow()
                .recordType()
                .fields()
                .toList();
        return find(type, id)
                .map(each -> each.slug() + " " + each.state().code() + " "
                        + String.valueOf(Values.wire(fields, each.values()))
                                .replaceAll(", _row=[0-9]+|_row=[0-9]+,? ?", ""))
                .orElse("none");
    }
}
