package org.jontrel.core.compare;

import java.util.Locale;
import java.util.stream.Collectors;
import org.jontrel.core.model.Group;
import org.jontrel.core.naming.Nouns;

/** Changes in plain English, in the words of the model. */
public final class Sentences {
    private Sentences() {}

    /** One change as a clause without a full stop: {@code Mooring: field Length renamed from length to length_m}. */
    public static String of(Change change) {
        var what = what(change.subject());
        return switch (change) {
            case Change.Added added -> what + " added" + fields(added.content());
            case Change.Removed _ -> what + " removed";
            case Change.Renamed renamed -> what + " renamed from " + renamed.before() + " to " + renamed.after();
            case Change.Moved moved -> what + " moved" + way(moved);
            case Change.KindChanged kind ->
                what + " changed from " + words(kind.before().code()) + " to "
                        + words(kind.after().code());
            case Change.Reordered reordered -> reordered(reordered, what);
            case Change.Shared shared ->
                what + " became the shared group "
                        + shared.use().subject().name().label();
            case Change.Owned owned ->
                what + " became its own, from the shared group "
                        + owned.use().subject().name().label();
            case Change.Changed changed -> what + ": " + setting(changed);
        };
    }

    /** The word for a sort of change. */
    public static String word(Change change) {
        return switch (change) {
            case Change.Added _ -> "added";
            case Change.Removed _ -> "removed";
            case Change.Renamed _ -> "renamed";
            case Change.Moved _ -> "moved";
            case Change.KindChanged _ -> "kind_changed";
            case Change.Reordered _ -> "reordered";
            case Change.Shared _ -> "shared";
            case Change.Owned _ -> "owned";
            case Change.Changed _ -> "changed";
        };
    }

    private static String way(Change.Moved moved) {
        return " from " + moved.before().name() + " to " + moved.after().name();
    }

    /** What a new group holds: nobody should have to look it up. */
    private static String fields(Object content) {
        if (!(content instanceof Group group) || group.fields().isEmpty()) {
            return "";
        }
        return group.fields().stream()
                .map(field -> field.label() + (field.required() ? " (required)" : ""))
                .collect(Collectors.joining(", ", " with ", ""));
    }

    private static String reordered(Change.Reordered reordered, String what) {
        var subject = reordered.subject();
        return subject.isDefinition()
                ? what + ": " + words(reordered.slot()) + " reordered"
                : subject.name().definition() + ": " + words(reordered.slot()) + " of " + subject.level() + " "
                        + subject.name().label() + " reordered";
    }

    private static String setting(Change.Changed changed) {
        if (changed.difference().after() instanceof Boolean is) {
            return changed.name() + (is ? " switched on" : " switched off");
        }
        return setting(changed.name(), changed.was(), changed.is());
    }

    /** What became of a setting: set, changed or removed. */
    static String setting(String name, String was, String is) {
        if (is.isEmpty()) {
            return name + " removed (was " + shown(was) + ")";
        }
        return was.isEmpty()
                ? name + " set to " + shown(is)
                : name + " changed from " + shown(was) + " to " + shown(is);
    }

    private static String what(Subject subject) {
        var name = subject.name();
        if (subject.isDefinition()) {
            return Character.toUpperCase(subject.level().charAt(0))
                    + subject.level().substring(1) + " " + name.label();
        }
        var owner = name.owner().isEmpty() ? "" : " of " + name.owner();
        return name.definition() + ": " + subject.level() + " " + name.label() + owner;
    }

    private static String shown(String text) {
        return "“" + (text.length() > 60 ? text.substring(0, 60) + "…" : text) + "”";
    }

    private static String words(String code) {
        return Nouns.inSentence(code.replace('_', ' ').replace('.', ' ').toLowerCase(Locale.ROOT));
    }
}
