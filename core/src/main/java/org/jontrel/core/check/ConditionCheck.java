package org.jontrel.core.check;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Nearest;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Layout;
import org.jontrel.core.model.Listing;
import org.jontrel.core.model.SharedGroup;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.record.Conditions;

/** Whether what a condition compares is there, can be seen from its place, and can be compared. */
record ConditionCheck(ModelIndex known, DefinitionFindings report, String property, String owner, boolean ofPages) {
    /** A condition of a form. */
    ConditionCheck(ModelIndex known, DefinitionFindings report, String property, String owner) {
        this(known, report, property, owner, false);
    }

    /**
     * @param everywhere all fields of the definition, also those that cannot be seen from here
     * @param own id of the field it decides about, or empty
     */
    void run(
            Condition condition,
            VisibleFields sight,
            Map<String, Field> everywhere,
            String own,
            Definition definition) {
        condition.all().forEach(each -> {
            switch (each) {
                case Condition.FieldIs is -> field(is, sight, everywhere, own);
                case Condition.TermIs is -> terms(is, definition);
                case Condition.ParentIs is -> parent(is, definition);
                case Condition.StateIs _ -> {
                    if (!hasRecords(definition)) {
                        report.add(property, Code.CONDITION_FOREIGN, owner, "state");
                    }
                }
                case Condition.AddressIs(List<String> slugs) -> {
                    if (!ofPages) {
                        report.add(property, Code.CONDITION_FOREIGN, owner, "address");
                    } else if (slugs.isEmpty()) {
                        report.add(property, Code.CONDITION_VALUES, owner, "address", 0);
                    }
                }
                case Condition.Any(List<Condition> of) -> {
                    if (of.isEmpty()) {
                        report.addFixed(property, null, Code.CONDITION_EMPTY, owner);
                    }
                }
                case Condition.All _, Condition.Not _ -> {}
            }
        });
    }

    private static boolean hasRecords(Definition definition) {
        return definition instanceof ContentType
                || definition instanceof SharedGroup
                || definition instanceof Layout
                || definition instanceof Listing;
    }

    private void field(Condition.FieldIs is, VisibleFields sight, Map<String, Field> everywhere, String own) {
        if (is.field().equals(own)) {
            report.addFixed(property, null, Code.CONDITION_ON_ITSELF, owner);
            return;
        }
        var field = sight.find(is.field());
        if (field.isEmpty()) {
            var elsewhere = everywhere.get(is.field());
            if (elsewhere != null) {
                report.add(property, Code.CONDITION_OUT_OF_SIGHT, owner, elsewhere.label());
            } else {
                var keys = ModelIndex.keys(everywhere.values()).keySet();
                report.add(
                        property, Code.REFERENCE_UNKNOWN, owner, "field", is.field(), Nearest.hint(is.field(), keys));
            }
            return;
        }
        compared(is, field.get());
    }

    private void compared(Condition.FieldIs is, Field field) {
        var kind = field.kind();
        boolean fits =
                switch (is.test()) {
                    case IS, IS_NOT -> Conditions.isComparable(kind);
                    case ABOVE, AT_LEAST, BELOW, AT_MOST -> Conditions.isOrdered(kind);
                    case HAS -> Conditions.isText(kind);
                    case FILLED -> kind.holdsValue();
                    case UNDER -> kind instanceof Kind.TermPick;
                };
        if (!fits) {
            report.add(
                    property,
                    Code.CONDITION_UNLIKE,
                    owner,
                    field.label(),
                    kind.code().replace('_', ' '),
                    is.test().code().replace('_', ' '));
            return;
        }
        if (is.values().isEmpty()
                || (is.values().size() > 1 && (is.test().ordered() || is.test() == Condition.Test.FILLED))) {
            report.add(
                    property,
                    Code.CONDITION_VALUES,
                    owner,
                    is.test().code(),
                    is.values().size());
        }
        is.values().forEach(value -> value(is.test(), value, field));
    }

    private void value(Condition.Test test, String value, Field field) {
        boolean valid =
                switch (field.kind()) {
                    case Kind _ when test == Condition.Test.FILLED -> value.equals("true") || value.equals("false");
                    case Kind _ when test == Condition.Test.HAS -> !value.isEmpty();
                    case Kind.Choice choice ->
                        known.options(choice).stream()
                                .anyMatch(option -> option.id().equals(value));
                    case Kind.TermPick pick -> known.hasTerm(pick.taxonomy(), value);
                    case Kind.Plain _, Kind.Reference _, Kind.Nested _, Kind.Note _ ->
                        Conditions.read(field.kind(), value).isPresent();
                };
        if (!valid) {
            report.add(property, Code.CONDITION_VALUE, owner, value, field.label(), Nearest.hint(value, words(field)));
        } else if (ComparisonLimits.beyond(field, test, value)) {
            report.add(property, Code.CONDITION_BEYOND, owner, value, field.label());
        }
    }

    private Set<String> words(Field field) {
        return switch (field.kind()) {
            case Kind.Choice choice -> known.optionKeys(choice).keySet();
            case Kind.TermPick pick -> known.termKeys(pick.taxonomy()).keySet();
            case Kind.Plain _, Kind.Reference _, Kind.Nested _, Kind.Note _ -> Set.of();
        };
    }

    private void terms(Condition.TermIs is, Definition definition) {
        var taxonomy = known.find(Taxonomy.class, is.taxonomy());
        if (taxonomy.isEmpty()) {
            report.add(
                    property,
                    Code.REFERENCE_UNKNOWN,
                    owner,
                    "taxonomy",
                    is.taxonomy(),
                    Nearest.hint(
                            is.taxonomy(), known.keys(Definition.Sort.TAXONOMY).keySet()));
            return;
        }
        var type =
                switch (definition) {
                    case ContentType self -> self;
                    case Layout layout ->
                        known.find(ContentType.class, layout.type()).orElse(null);
                    case Listing listing ->
                        known.find(ContentType.class, listing.type()).orElse(null);
                    default -> null;
                };
        boolean used = type != null
                && type.taxonomies().stream().anyMatch(use -> use.taxonomy().equals(is.taxonomy()));
        if (!used && !(definition instanceof SharedGroup)) {
            report.add(property, Code.CONDITION_TAXONOMY, owner, taxonomy.get().singular());
        }
        if (is.test() == Condition.Test.UNDER && !taxonomy.get().hierarchical()) {
            report.add(property, Code.CONDITION_FLAT, owner, taxonomy.get().singular());
        }
        if (is.test() == Condition.Test.FILLED) {
            return;
        }
        var keys = known.termKeys(is.taxonomy()).keySet();
        for (var value : is.values()) {
            if (!known.hasTerm(is.taxonomy(), value)) {
                report.add(
                        property,
                        Code.CONDITION_VALUE,
                        owner,
                        value,
                        taxonomy.get().singular(),
                        Nearest.hint(value, keys));
            }
        }
    }

    private void parent(Condition.ParentIs is, Definition definition) {
        if (!hasRecords(definition)) {
            report.add(property, Code.CONDITION_FOREIGN, owner, "parent");
            return;
        }
        for (var id : is.types()) {
            if (known.find(ContentType.class, id).isEmpty()) {
                report.add(
                        property,
                        Code.REFERENCE_UNKNOWN,
                        owner,
                        "content type",
                        id,
                        Nearest.hint(id, known.keys(Definition.Sort.TYPE).keySet()));
            } else if (definition instanceof ContentType type
                    && !type.nesting().under().contains(id)) {
                report.add(
                        property,
                        Code.CONDITION_PARENT,
                        owner,
                        known.find(ContentType.class, id).orElseThrow().singular(),
                        type.singular());
            }
        }
    }

    /** The fields that can be seen from one place: those beside it, then those around. */
    record VisibleFields(List<Field> fields, VisibleFields around) {
        Optional<Field> find(String id) {
            var found = fields.stream().filter(field -> field.id().equals(id)).findFirst();
            return found.isPresent() || around == null ? found : around.find(id);
        }
    }
}
