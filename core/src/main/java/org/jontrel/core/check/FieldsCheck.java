package org.jontrel.core.check;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.jontrel.core.finding.Code;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.GroupUse;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Part;
import org.jontrel.core.model.Section;
import org.jontrel.core.model.SharedGroup;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.record.Conditions;

/** The fields of one definition: in its groups, within one another, and together. */
final class FieldsCheck {
    private final ModelIndex known;
    private final Definition definition;
    private final DefinitionFindings report;
    private final List<Field> all;
    private final Map<String, Field> everywhere = new HashMap<>();

    /** What must hold for the group of each field to be seen, by the field's id. */
    private final Map<String, Condition> around = new HashMap<>();

    /** Where each field comes from where that is not the definition itself: the title of the shared group, by id. */
    private final Map<String, String> shared = new HashMap<>();

    FieldsCheck(ModelIndex known, Definition definition, DefinitionFindings report) {
        this.known = known;
        this.definition = definition;
        this.report = report;
        this.all = known.fields(definition);
        all.forEach(field -> field.withInner().forEach(each -> everywhere.putIfAbsent(each.id(), each)));
        known.uses(definition).forEach(use -> fields(use).forEach(field -> shared.putIfAbsent(field.id(), name(use))));
    }

    void run(List<Field> fields) {
        together(all);
        fields.forEach(field -> field(field, new ConditionCheck.VisibleFields(all, null), Condition.ALWAYS, 1));
        cycles();
    }

    void runSections(List<Section> sections) {
        together(all);
        var sight = new ConditionCheck.VisibleFields(all, null);
        var seen = new HashSet<String>();
        for (int i = 0; i < sections.size(); i++) {
            switch (sections.get(i)) {
                case Group group -> {
                    var at = report.of(group.id());
                    var names = new NameCheck(at);
                    names.label("title", group.title(), "A group");
                    names.prose("description", group.description());
                    condition(at, group.showWhen(), sight, "", group.title(), Condition.ALWAYS);
                    onOwn(at, group.showWhen(), group.fields(), "show_when", group.title());
                    group.fields().forEach(field -> field(field, sight, group.showWhen(), 1));
                }
                case GroupUse use -> {
                    use(use, i, seen);
                    var label = name(use);
                    condition(report, use.showWhen(), sight, "", label, Condition.ALWAYS);
                    onOwn(report, use.showWhen(), fields(use), "groups." + i + ".show_when", label);
                }
            }
        }
        cycles();
    }

    private List<Field> fields(GroupUse use) {
        return known.find(SharedGroup.class, use.group())
                .map(SharedGroup::fields)
                .orElse(List.of());
    }

    private String name(GroupUse use) {
        return known.find(SharedGroup.class, use.group())
                .map(SharedGroup::title)
                .orElse(use.group());
    }

    /** A group that one of its own fields decides about; and what must hold for its fields to be seen. */
    private void onOwn(DefinitionFindings at, Condition condition, List<Field> fields, String property, String label) {
        fields.forEach(field -> field.withInner().forEach(each -> around.put(each.id(), condition)));
        boolean own = compared(condition)
                .anyMatch(id -> fields.stream()
                        .flatMap(Field::withInner)
                        .anyMatch(field -> field.id().equals(id)));
        if (own) {
            at.add(property, Code.CONDITION_ON_ITSELF, label);
        }
    }

    private static Stream<String> compared(Condition condition) {
        return condition
                .all()
                .filter(Condition.FieldIs.class::isInstance)
                .map(each -> ((Condition.FieldIs) each).field());
    }

    private void use(GroupUse use, int at, HashSet<String> seen) {
        var place = "groups." + at + ".use";
        var group = known.find(SharedGroup.class, use.group());
        if (group.isEmpty()) {
            report.addUnknown(
                    "groups",
                    place,
                    definition.name(),
                    "shared group",
                    use.group(),
                    known.keys(
                            Definition.Sort.GROUP,
                            known.uses(definition).stream().map(GroupUse::group).toList()));
        }
        if (!seen.add(use.group())) {
            report.add(
                    place,
                    Code.USE_TWICE,
                    definition.name(),
                    "shared group",
                    group.map(SharedGroup::title).orElse(use.group()));
        }
    }

    private void field(Field field, ConditionCheck.VisibleFields sight, Condition around, int depth) {
        var at = report.of(field.id());
        var names = new NameCheck(at);
        names.label("label", field.label(), field.key());
        names.prose("help", field.help());
        names.key(field.key(), field.label());
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

    private static void partKey(Field field, DefinitionFindings at) {
        for (var part : Part.values()) {
            if (part.code().equals(field.key())) {
                var free = "own_" + field.key();
                at.addFixed("key", free, Code.KEY_TAKEN_BY_PART, field.key(), free);
            }
        }
    }

    private void inner(
            Field field, ConditionCheck.VisibleFields sight, Condition around, int depth, DefinitionFindings at) {
        if (depth > Kind.Repeater.DEEPEST) {
            at.add("fields", Code.NESTED_TOO_DEEP, field.label(), depth, Kind.Repeater.DEEPEST);
            return;
        }
        together(field.inner());
        if (field.kind() instanceof Kind.Repeater) {
            at.fits(field.inner(), field.label());
        }
        var within = new ConditionCheck.VisibleFields(field.inner(), sight);
        var shown = new Condition.All(List.of(around, field.showWhen()));
        field.inner().forEach(each -> field(each, within, shown, depth + 1));
    }

    /** Fields side by side: keys differ, and labels should. */
    private void together(List<Field> fields) {
        var keys = new NameCheck.Keyed();
        var labels = new HashMap<String, Field>();
        var first = new HashMap<String, Field>();
        for (var field : fields) {
            var at = report.of(field.id().startsWith("part_") ? "" : field.id());
            var other = first.putIfAbsent(field.key(), field);
            if (other != null && (shared.containsKey(field.id()) || shared.containsKey(other.id()))) {
                meet(other, field);
            } else {
                keys.claim(field.key(), field.label(), at);
            }
            if (!field.label().isBlank() && labels.putIfAbsent(field.label().toLowerCase(), field) != null) {
                at.add("label", Code.LABEL_TWICE, field.label(), definition.name());
            }
        }
    }

    /** Two fields of one key that meet in a definition, at least one of them by way of a shared group: said at both. */
    private void meet(Field one, Field other) {
        for (var field : List.of(one, other)) {
            report.of(field.id().startsWith("part_") ? "" : field.id())
                    .add(
                            "key",
                            Code.KEY_MEETS,
                            one.key(),
                            one.label(),
                            home(one),
                            other.label(),
                            home(other),
                            definition.name());
        }
    }

    private String home(Field field) {
        var group = shared.get(field.id());
        return group == null ? definition.name() : "the shared group " + group;
    }

    /**
     * A condition where it stands.
     *
     * @param own id of the field it decides about, or empty
     * @param around what must hold for the place itself to be seen
     */
    private void condition(
            DefinitionFindings at,
            Condition condition,
            ConditionCheck.VisibleFields sight,
            String own,
            String label,
            Condition around) {
        if (condition.equals(Condition.ALWAYS)) {
            return;
        }
        var check = new ConditionCheck(known, at, "show_when", label);
        check.run(condition, sight, everywhere, own, definition);
        if (!isPossible(new Condition.All(List.of(around, condition)))) {
            boolean required = !own.isEmpty()
                    && everywhere.get(own) != null
                    && everywhere.get(own).required();
            at.addFixed("show_when", null, required ? Code.REQUIRED_NEVER_SHOWN : Code.CONDITION_NEVER, label);
        }
    }

    private boolean isPossible(Condition condition) {
        return new Satisfiable(id -> java.util.Optional.ofNullable(everywhere.get(id)), known).possible(condition);
    }

    /** Says where a condition on records can never hold. */
    void possible(DefinitionFindings at, String property, Condition condition, String label) {
        if (!isPossible(condition)) {
            at.addFixed(property, null, Code.CONDITION_NEVER, label);
        }
    }

    /** Fields that are shown only when they are shown themselves, by way of others. */
    private void cycles() {
        boolean any = Stream.concat(everywhere.values().stream().map(Field::showWhen), around.values().stream())
                .anyMatch(condition -> !condition.equals(Condition.ALWAYS));
        if (!any) {
            return;
        }
        var reported = new HashSet<String>();
        for (var field : everywhere.values().stream()
                .sorted(java.util.Comparator.comparing(Field::key))
                .toList()) {
            var way = new ArrayList<String>();
            if (!reported.contains(field.id()) && leadsBack(field, field.id(), way, new HashSet<>())) {
                reported.addAll(way);
                var labels = way.stream().map(this::label).toList();
                var at = report.of(field.id());
                if (field.showWhen().equals(Condition.ALWAYS)) {
                    at.add("", Code.CONDITION_CYCLE, String.join(" → ", labels), field.label());
                } else {
                    at.addFixed("show_when", null, Code.CONDITION_CYCLE, String.join(" → ", labels), field.label());
                }
            }
        }
    }

    private boolean leadsBack(Field field, String start, List<String> way, HashSet<String> seen) {
        way.add(field.id());
        var decides = Stream.concat(
                        compared(field.showWhen()), compared(around.getOrDefault(field.id(), Condition.ALWAYS)))
                .distinct()
                .toList();
        for (var id : decides) {
            // a condition on itself is said on its own
            if (id.equals(start) && way.size() > 1) {
                return true;
            }
            var next = everywhere.get(id);
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
    boolean known(String property, String place, String fieldId) {
        if (everywhere.containsKey(fieldId)) {
            return true;
        }
        report.addUnknown(property, place, definition.name(), "field", fieldId, ModelIndex.keys(everywhere.values()));
        return false;
    }

    /** Whether records can be sorted by a field: it is there, one to a record, and has an order. */
    void sortable(String property, String fieldId, String owner) {
        if (!known(property, property, fieldId)) {
            return;
        }
        var field = everywhere.get(fieldId);
        if (!all.contains(field) || !Conditions.isSortable(field.kind())) {
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
