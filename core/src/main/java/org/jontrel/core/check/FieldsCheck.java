package org.jontrel.core.check;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Nearest;
import org.jontrel.core.model.Condition;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.GroupUse;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Part;
import org.jontrel.core.model.Section;
import org.jontrel.core.model.SharedGroup;
import org.jontrel.core.value.Conditions;

/** The fields of one definition: in its groups, within one another, and together. */
final class FieldsCheck {
    private final Known known;
    private final Definition definition;
    private final Report report;
    private final List<Field> all;
    private final Map<String, Field> everywhere = new HashMap<>();

    FieldsCheck(Known known, Definition definition, Report report) {
        this.known = known;
        this.definition = definition;
        this.report = report;
        this.all = known.fields(definition);
        all.forEach(field -> field.withInner().forEach(each -> everywhere.putIfAbsent(each.id(), each)));
    }

    void run(List<Field> fields) {
        together(all);
        fields.forEach(field -> field(field, new Sight(all, null), Condition.ALWAYS, 1));
        cycles();
    }

    void runSections(List<Section> sections) {
        together(all);
        var sight = new Sight(all, null);
        var seen = new HashSet<String>();
        for (var section : sections) {
            switch (section) {
                case Group group -> {
                    var at = report.of(group.id());
                    var names = new NameCheck(at);
                    names.label("title", group.title(), "A group");
                    names.prose("description", group.description());
                    condition(at, group.showWhen(), sight, "", group.title(), Condition.ALWAYS);
                    group.fields().forEach(field -> field(field, sight, group.showWhen(), 1));
                }
                case GroupUse use -> {
                    use(use, seen);
                    condition(report, use.showWhen(), sight, "", use.group(), Condition.ALWAYS);
                }
            }
        }
        cycles();
    }

    private void use(GroupUse use, HashSet<String> seen) {
        var group = known.find(SharedGroup.class, use.group());
        if (group.isEmpty()) {
            report.addRemovable(
                    "groups",
                    use.group(),
                    Code.REFERENCE_UNKNOWN,
                    definition.name(),
                    "shared group",
                    use.group(),
                    Nearest.hint(use.group(), known.keys(Definition.Sort.GROUP)));
        }
        if (!seen.add(use.group())) {
            report.add(
                    "groups",
                    Code.USE_TWICE,
                    definition.name(),
                    "shared group",
                    group.map(SharedGroup::title).orElse(use.group()));
        }
    }

    private void field(Field field, Sight sight, Condition around, int depth) {
        var at = report.of(field.id());
        var names = new NameCheck(at);
        names.label("label", field.label(), field.key());
        names.prose("help", field.help());
        names.key(field.key());
        boolean ofType = definition instanceof ContentType || definition instanceof SharedGroup;
        if (ofType && depth == 1) {
            partKey(field, at);
        }
        new KindCheck(known, field, at, depth > 1, definition).run();
        new DefaultCheck(known, at).run(field);
        condition(at, field.showWhen(), sight, field.id(), field.label(), around);
        if (field.required() && !field.kind().holdsValue()) {
            at.addFixed("required", null, Code.REQUIRED_WITHOUT_VALUE, field.label());
        }
        if (!field.inner().isEmpty()) {
            inner(field, sight, around, depth, at);
        }
    }

    private static void partKey(Field field, Report at) {
        for (var part : Part.values()) {
            if (part.code().equals(field.key())) {
                var free = "own_" + field.key();
                at.addFixed("key", free, Code.KEY_TAKEN_BY_PART, field.key(), free);
            }
        }
    }

    private void inner(Field field, Sight sight, Condition around, int depth, Report at) {
        if (depth > Kind.Repeater.DEEPEST) {
            at.add("fields", Code.NESTED_TOO_DEEP, field.label(), depth, Kind.Repeater.DEEPEST);
            return;
        }
        together(field.inner());
        if (field.kind() instanceof Kind.Repeater) {
            RowSize.check(field.inner(), field.label(), at);
        }
        var within = new Sight(field.inner(), sight);
        var shown = new Condition.All(List.of(around, field.showWhen()));
        field.inner().forEach(each -> field(each, within, shown, depth + 1));
    }

    /** Fields side by side: keys differ, and labels should. */
    private void together(List<Field> fields) {
        var keys = new NameCheck.Keyed();
        var labels = new HashMap<String, Field>();
        for (var field : fields) {
            var at = report.of(field.id().startsWith("part_") ? "" : field.id());
            keys.claim(field.key(), field.label(), at);
            if (!field.label().isBlank() && labels.putIfAbsent(field.label().toLowerCase(), field) != null) {
                at.add("label", Code.LABEL_TWICE, field.label(), definition.name());
            }
        }
    }

    /**
     * A condition where it stands.
     *
     * @param own id of the field it decides about, or empty
     * @param around what must hold for the place itself to be seen
     */
    private void condition(Report at, Condition condition, Sight sight, String own, String label, Condition around) {
        if (condition.equals(Condition.ALWAYS)) {
            return;
        }
        var check = new ConditionCheck(known, at, "show_when", label);
        check.run(condition, sight, everywhere, own, definition);
        var whole = new Condition.All(List.of(around, condition));
        if (!new Satisfiable(id -> java.util.Optional.ofNullable(everywhere.get(id)), known).possible(whole)) {
            boolean required = !own.isEmpty()
                    && everywhere.get(own) != null
                    && everywhere.get(own).required();
            at.addFixed("show_when", null, required ? Code.REQUIRED_NEVER_SHOWN : Code.CONDITION_NEVER, label);
        }
    }

    /** Fields that are shown only when they are shown themselves, by way of others. */
    private void cycles() {
        var reported = new HashSet<String>();
        for (var field : everywhere.values().stream()
                .sorted(java.util.Comparator.comparing(Field::key))
                .toList()) {
            var way = new ArrayList<String>();
            if (!reported.contains(field.id()) && leadsBack(field, field.id(), way, new HashSet<>())) {
                reported.addAll(way);
                var labels = way.stream().map(this::label).toList();
                report.of(field.id())
                        .addFixed("show_when", null, Code.CONDITION_CYCLE, String.join(" → ", labels), field.label());
            }
        }
    }

    private boolean leadsBack(Field field, String start, List<String> way, HashSet<String> seen) {
        way.add(field.id());
        for (var each : field.showWhen().all().toList()) {
            if (!(each instanceof Condition.FieldIs is)) {
                continue;
            }
            // a condition on itself is said on its own
            if (is.field().equals(start) && way.size() > 1) {
                return true;
            }
            var next = everywhere.get(is.field());
            if (next != null && seen.add(next.id()) && !next.id().equals(start) && leadsBack(next, start, way, seen)) {
                return true;
            }
        }
        way.removeLast();
        return false;
    }

    String label(String fieldId) {
        var field = everywhere.get(fieldId);
        return field == null ? fieldId : field.label();
    }

    /** Whether a reference means a field of the definition. */
    boolean known(String property, String fieldId) {
        if (everywhere.containsKey(fieldId)) {
            return true;
        }
        var keys = everywhere.values().stream().map(Field::key).toList();
        report.add(property, Code.REFERENCE_UNKNOWN, definition.name(), "field", fieldId, Nearest.hint(fieldId, keys));
        return false;
    }

    /** Whether records can be sorted by a field: it is there, one to a record, and has an order. */
    void sortable(String property, String fieldId, String owner) {
        if (!known(property, fieldId)) {
            return;
        }
        var field = everywhere.get(fieldId);
        boolean alone = all.contains(field) && !field.kind().amount().many();
        if (!alone || !Conditions.isComparable(field.kind())) {
            report.add(property, Code.NOT_SORTABLE, owner, field.label());
        }
    }

    /** The fields of the place, for definitions that show others' fields. */
    Map<String, Field> everywhere() {
        return everywhere;
    }

    List<Field> all() {
        return all;
    }
}
