package org.jontrel.core.record;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jontrel.core.model.ChoiceList;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Section;
import org.jontrel.core.model.SharedGroup;
import org.jontrel.core.model.SiteValues;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.model.Term;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.naming.Nouns;

/** Conditions in plain English, with the labels of what they compare. */
public final class ConditionWords {
    private final Model model;
    private final Map<String, Field> fields = new HashMap<>();

    public ConditionWords(Model model) {
        this.model = model;
        for (var definition : model.definitions()) {
            fieldsOf(definition).forEach(field -> field.withInner().forEach(each -> fields.put(each.id(), each)));
        }
    }

    private static List<Field> fieldsOf(Definition definition) {
        return switch (definition) {
            case ContentType type -> type.allFields().toList();
            case SharedGroup group -> group.fields();
            case Taxonomy taxonomy -> taxonomy.fields();
            case SiteValues values ->
                Section.own(values.sections()).stream()
                        .map(Group::fields)
                        .flatMap(List::stream)
                        .toList();
            default -> List.of();
        };
    }

    /** A clause without a full stop: {@code Surface is Grass or Hard standing, and not (Rise is above 3)}. */
    public String of(Condition condition) {
        return switch (condition) {
            case Condition.All(List<Condition> of) -> of.isEmpty() ? "always" : joined(of, ", and ");
            case Condition.Any(List<Condition> of) -> of.isEmpty() ? "never" : joined(of, ", or ");
            case Condition.Not(Condition of) -> "not (" + of(of) + ")";
            case Condition.StateIs(var state) -> "the record is " + state.code();
            case Condition.AddressIs(var slugs) -> "the address is " + String.join(" or ", slugs);
            case Condition.ParentIs(List<String> types) ->
                types.isEmpty()
                        ? "the record has a parent"
                        : "the parent of the record is a " + or(types, this::definition);
            case Condition.FieldIs is -> field(is);
            case Condition.TermIs is ->
                definition(is.taxonomy()) + test(is.test(), is.values(), value -> term(is.taxonomy(), value));
        };
    }

    private String joined(List<Condition> of, String word) {
        return of.stream()
                .map(each -> each instanceof Condition.All || each instanceof Condition.Any
                        ? "(" + of(each) + ")"
                        : of(each))
                .collect(Collectors.joining(word));
    }

    private String definition(String id) {
        return model.definition(id).map(Definition::name).orElse(id);
    }

    private String field(Condition.FieldIs is) {
        var field = fields.get(is.field());
        if (field == null) {
            return is.field() + test(is.test(), is.values(), Function.identity());
        }
        return field.label() + test(is.test(), is.values(), value -> value(field.kind(), value));
    }

    private static String test(Condition.Test test, List<String> values, Function<String, String> word) {
        if (test == Condition.Test.FILLED) {
            return values.equals(List.of("true")) ? " is filled in" : " is empty";
        }
        var verb =
                switch (test) {
                    case IS -> " is ";
                    case IS_NOT -> " is not ";
                    case HAS -> " contains ";
                    case UNDER -> " is or is below ";
                    case ABOVE, AT_LEAST, BELOW, AT_MOST -> " is " + test.code().replace('_', ' ') + " ";
                    case FILLED -> "";
                };
        return verb + or(values, word);
    }

    private static String or(List<String> values, Function<String, String> word) {
        return values.stream().map(word).collect(Collectors.joining(" or "));
    }

    private String value(Kind kind, String value) {
        return switch (kind) {
            case Kind.Choice choice -> option(choice, value);
            case Kind.TermPick pick -> term(pick.taxonomy(), value);
            case Kind.YesNo yesNo -> Nouns.inSentence(value.equals("true") ? yesNo.yes() : yesNo.no());
            case Kind.Plain _, Kind.Reference _, Kind.Nested _, Kind.Note _ -> value;
        };
    }

    private String option(Kind.Choice choice, String id) {
        var options = choice.list().isEmpty()
                ? choice.options()
                : model.find(ChoiceList.class, choice.list())
                        .map(ChoiceList::options)
                        .orElse(List.of());
        return options.stream()
                .filter(option -> option.id().equals(id))
                .map(Kind.Option::label)
                .findFirst()
                .orElse(id);
    }

    private String term(String taxonomyId, String id) {
        return model.find(Taxonomy.class, taxonomyId).stream()
                .flatMap(Taxonomy::allTerms)
                .filter(term -> term.id().equals(id))
                .map(Term::label)
                .findFirst()
                .orElse(id);
    }
}
