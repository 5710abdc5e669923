package org.jontrel.core.compare;

import java.util.Locale;
import org.jontrel.core.model.Nouns;

/** Changes in plain English, in the words of the model. */
public final class Sentences {
    private Sentences() {}

    /** One change as a clause without a full stop: {@code Mooring: field Length renamed from length to length_m}. */
    public static String of(Change change) {
        var what = what(change.subject());
        return switch (change) {
            case Change.Added _ -> what + " added";
            case Change.Removed _ -> what + " removed";
            case Change.Renamed renamed -> what + " renamed from " + renamed.before() + " to " + renamed.after();
            case Change.Moved moved -> what + " moved from " + moved.before() + " to " + moved.after();
            case Change.KindChanged kind ->
                what + " changed from " + words(kind.before().code()) + " to "
                        + words(kind.after().code());
            case Change.Reordered _ -> what + " reordered";
            case Change.Changed changed -> what + ": " + setting(changed);
        };
    }

    private static String setting(Change.Changed changed) {
        var difference = changed.difference();
        var name = words(difference.name());
        if (difference.before() == null && difference.after() instanceof Boolean is) {
            return name + (is ? " on" : " off");
        }
        if (difference.after() instanceof Boolean is) {
            return name + (is ? " on" : " off");
        }
        if (difference.after() == null || "".equals(difference.after())) {
            return name + " removed (was " + shown(difference.before()) + ")";
        }
        return difference.before() == null || "".equals(difference.before())
                ? name + " set to " + shown(difference.after())
                : name + " changed from " + shown(difference.before()) + " to " + shown(difference.after());
    }

    private static String what(Subject subject) {
        return switch (subject.level()) {
            case TYPE -> "Content type " + subject.type();
            case GROUP -> subject.type() + ": group " + subject.label();
            case FIELD -> subject.type() + ": field " + subject.label();
            case OPTION -> subject.type() + ": option " + subject.label() + " of " + subject.owner();
        };
    }

    private static String shown(Object value) {
        var text = String.valueOf(value);
        return "“" + (text.length() > 60 ? text.substring(0, 60) + "…" : text) + "”";
    }

    private static String words(String code) {
        return Nouns.inSentence(code.replace('_', ' ').toLowerCase(Locale.ROOT));
    }
}
