package org.jontrel.describe;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.stream.Collectors;
import org.jontrel.core.format.KindShapes;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.shape.Property;

/** What a field holds, in words a client understands. */
final class KindWords {
    private final Model model;

    KindWords(Model model) {
        this.model = model;
    }

    String kind(Field field) {
        var kind = field.kind();
        var word =
                switch (kind) {
                    case Kind.Text _ -> "line of text";
                    case Kind.LongText _ -> "text";
                    case Kind.RichText _ -> "formatted text";
                    case Kind.Numeric _ -> "number";
                    case Kind.YesNo yesNo -> yesNo.yes() + " or " + yesNo.no();
                    case Kind.Date _ -> "day";
                    case Kind.Time _ -> "time of day";
                    case Kind.DateTime _ -> "day and time";
                    case Kind.Email _ -> "e-mail address";
                    case Kind.Url _ -> "web address";
                    case Kind.Phone _ -> "telephone number";
                    case Kind.Colour _ -> "colour";
                    case Kind.Icon _ -> "icon";
                    case Kind.Choice _ -> "choice";
                    case Kind.Image _ -> "picture";
                    case Kind.File _ -> "document";
                    case Kind.Relation _ -> "link";
                    case Kind.TermPick _ -> "term";
                    case Kind.FieldGroup _ -> "group of";
                    case Kind.Repeater _ -> "rows of";
                    case Kind.Coordinates _ -> "place on the map";
                    case Kind.Note _ -> "note to editors";
                };
        return kind.amount().many() ? "several: " + word : word;
    }

    /** Everything that limits or explains the value, as one line. */
    String limits(Field field) {
        var words = new ArrayList<String>();
        switch (field.kind()) {
            case Kind.Choice choice
            when choice.list().isEmpty() ->
                words.add(choice.options().stream()
                        .map(option -> option.label() + (option.retired() ? " (retired)" : ""))
                        .collect(Collectors.joining(" · ")));
            case Kind.Choice choice -> words.add("of the list " + name(choice.list()));
            case Kind.Relation relation -> words.addAll(relation(relation));
            case Kind.TermPick pick -> words.add("of " + name(pick.taxonomy()));
            case Kind.Note(String text) -> words.add(text);
            case Kind.Plain _, Kind.Image _, Kind.File _, Kind.Nested _ -> {}
        }
        settings(field.kind(), words);
        return String.join("; ", words);
    }

    private List<String> relation(Kind.Relation relation) {
        var words = new ArrayList<String>();
        words.add("to " + relation.to().stream().map(this::name).collect(Collectors.joining(" or ")));
        if (relation.symmetric()) {
            words.add("both ways");
        }
        if (relation.inverse() != null) {
            var many = relation.inverse().many() ? "several" : "one";
            words.add("seen from there as “" + relation.inverse().label() + "” (" + many + ")");
        }
        return words;
    }

    String name(String id) {
        return model.definition(id).map(Definition::name).orElse(id);
    }

    private static <K extends Kind> void settings(K kind, List<String> words) {
        for (var property : KindShapes.of(kind).properties()) {
            if (isLimit(property, kind)) {
                words.add(property.name().replace('_', ' ') + " " + shown(property.written(kind)));
            }
        }
    }

    /** Settings that limit values; what is said already, and what only the form shows, is left out. */
    private static <K extends Kind> boolean isLimit(Property<K, ?> property, K kind) {
        return switch (property.sense()) {
            case LOWER_BOUND, UPPER_BOUND, RULE, ALLOWED, ALLOWED_OR_ALL ->
                !property.isDefault(kind) && !property.name().equals("to");
            case MEANING -> !property.isDefault(kind);
            case IDENTITY, PARTS, NAME, WORDING, FORM, BEHAVIOUR, ADDRESS, API_ADDRESS, PERMISSION, STRUCTURE -> false;
        };
    }

    private static String shown(Object value) {
        return switch (value) {
            case Collection<?> several -> several.stream().map(String::valueOf).collect(Collectors.joining(", "));
            case Boolean flag -> flag ? "yes" : "no";
            default -> String.valueOf(value);
        };
    }
}
