package org.jontrel.core.generate.api;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Names in the code of a target, made of keys. Where the target reserves one, or it is taken, it gets another, which is told. */
public final class CodeNames {
    private final Set<String> reserved;
    private final Set<String> taken = new HashSet<>();
    private final List<String> notes = new ArrayList<>();

    public CodeNames(Set<String> reserved) {
        this.reserved = Set.copyOf(reserved);
    }

    /**
     * The name, with {@code _} behind it where it is reserved or before it where it begins with a digit, and a number where it is
     * taken.
     *
     * @param of what it is for, as it is told
     */
    public String take(String wanted, String of) {
        var name = reserved.contains(wanted) ? wanted + "_" : wanted;
        if (name.isEmpty() || Character.isDigit(name.charAt(0))) {
            name = "_" + name;
        }
        for (int number = 2; taken.contains(name); number++) {
            name = wanted + number;
        }
        taken.add(name);
        if (!name.equals(wanted)) {
            notes.add(of + " is called " + name + ", since " + wanted + " means something else here.");
        }
        return name;
    }

    /** What was called otherwise, in sentences. */
    public List<String> notes() {
        return List.copyOf(notes);
    }

    /** {@code stoppage_notice} or {@code stoppage-notice} as {@code StoppageNotice}. */
    public static String pascal(String key) {
        return Stream.of(key.split("[^A-Za-z0-9]+"))
                .filter(word -> !word.isEmpty())
                .map(word -> Character.toUpperCase(word.charAt(0)) + word.substring(1))
                .collect(Collectors.joining());
    }

    /** {@code stoppage_notice} or {@code stoppage-notice} as {@code stoppageNotice}. */
    public static String camel(String key) {
        var name = pascal(key);
        return name.isEmpty() ? name : Character.toLowerCase(name.charAt(0)) + name.substring(1);
    }
}
