package org.jontrel.core.finding;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.ResourceBundle;
import java.util.regex.MatchResult;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What a check, a reader or a plan has to say.
 *
 * @param code stable; what tests and programs look at
 * @param arguments what the sentence mentions, in its order
 * @param fix what would mend it, where a program can say
 */
public record Finding(Code code, Place place, List<String> arguments, Optional<Fix> fix) {
    private static final ResourceBundle SENTENCES = ResourceBundle.getBundle("org.jontrel.core.finding.sentences");
    /**
     * A hole {@code {1}} takes an argument, {@code {1 value|values}} one with its noun in the singular or the plural, and
     * {@code {1?has|have}} only the word that goes with it.
     */
    private static final Pattern HOLE = Pattern.compile("\\{(\\d)(?:([ ?])([^|{}]*)\\|([^{}]*))?}");

    /** Worst first, then by place. */
    public static final Comparator<Finding> WORST_FIRST = Comparator.comparing(Finding::severity)
            .reversed()
            .thenComparing(finding -> finding.place().file())
            .thenComparing(finding -> finding.place().line())
            .thenComparing(finding -> finding.place().definition())
            .thenComparing(finding -> finding.place().field());

    public Finding {
        arguments = List.copyOf(arguments);
    }

    public static Finding of(Code code, Place place, Object... arguments) {
        return new Finding(
                code, place, List.of(arguments).stream().map(String::valueOf).toList(), Optional.empty());
    }

    /** The finding with what would mend it. */
    public Finding with(Fix mends) {
        return new Finding(code, place, arguments, Optional.of(mends));
    }

    /** The finding at another place. */
    public Finding at(Place newPlace) {
        return new Finding(code, newPlace, arguments, fix);
    }

    public Severity severity() {
        return code.severity();
    }

    /** The finding in plain English: fact, where, cause, next action. */
    public String sentence() {
        return HOLE.matcher(SENTENCES.getString(code.name())).replaceAll(hole -> {
            int at = Integer.parseInt(hole.group(1));
            var argument = at < arguments.size() ? arguments.get(at) : "";
            return Matcher.quoteReplacement(hole.group(2) == null ? argument : counted(argument, hole));
        });
    }

    private static String counted(String argument, MatchResult hole) {
        var word = hole.group(argument.equals("1") ? 3 : 4);
        return hole.group(2).equals("?") ? word : argument + " " + word;
    }

    public static boolean blocks(List<Finding> findings) {
        return findings.stream().anyMatch(finding -> finding.severity() == Severity.BLOCKER);
    }
}
