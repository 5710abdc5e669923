package org.jontrel.core.generate.sql;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.jontrel.core.generate.api.CodeNames;

/** Names that both databases take: at most 63 letters of the alphabet, digits and underscores, each once. */
final class SqlNames {
    private static final int LONGEST = 60;
    private static final int HEAD = 50;
    private final CodeNames names;
    private final List<String> notes = new ArrayList<>();

    SqlNames(Set<String> reserved) {
        names = new CodeNames(reserved);
    }

    /** @param of what it is for, as it is told where it gets another name */
    String take(String wanted, String of) {
        int told = names.notes().size();
        var name = names.take(shortened(wanted), of);
        if (names.notes().size() > told) {
            notes.add(names.notes().getLast());
        } else if (!name.equals(wanted)) {
            notes.add(of + " is called " + name + ", since names have at most " + LONGEST + " characters here.");
        }
        return name;
    }

    /** A name that nobody looks for. */
    String take(String wanted) {
        return names.take(shortened(wanted), wanted);
    }

    private static String shortened(String wanted) {
        return wanted.length() <= LONGEST
                ? wanted
                : wanted.substring(0, HEAD) + "_" + Integer.toString(wanted.hashCode() & 0x7fffffff, 36);
    }

    List<String> notes() {
        return List.copyOf(notes);
    }
}
