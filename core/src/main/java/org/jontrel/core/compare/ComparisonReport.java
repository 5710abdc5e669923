package org.jontrel.core.compare;

import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;

/** A comparison as text for people: by definition, the worst first. */
public final class ComparisonReport {
    private ComparisonReport() {}

    /** Plain text: a line for each definition, its changes beneath, each with what it advises. */
    public static String text(Comparison comparison) {
        var text = new StringBuilder();
        byType(comparison).forEach((type, changes) -> {
            text.append(type).append('\n');
            changes.forEach(change -> text.append("  ")
                    .append(word(change))
                    .append(": ")
                    .append(Sentences.of(change))
                    .append('\n'));
        });
        return text.toString();
    }

    /** Markdown for a pull request, with the advised kind of release first. Texts of the model are escaped. */
    public static String markdown(Comparison comparison) {
        return markdown(comparison, List.of());
    }

    /** @param about sentences of what the packages say differently of themselves */
    public static String markdown(Comparison comparison, List<String> about) {
        if (comparison.isEmpty() && about.isEmpty()) {
            return "No changes.\n";
        }
        var text = new StringBuilder("**Advised: a ")
                .append(comparison.advice().name().toLowerCase(Locale.ROOT))
                .append(" release.**\n");
        if (!about.isEmpty()) {
            text.append('\n');
            about.forEach(each -> text.append("- ").append(escaped(each)).append('\n'));
        }
        byType(comparison).forEach((type, changes) -> {
            text.append("\n### ").append(escaped(type)).append("\n\n");
            changes.forEach(change -> text.append("- ")
                    .append(word(change))
                    .append(": ")
                    .append(escaped(Sentences.of(change)))
                    .append('\n'));
        });
        return text.toString();
    }

    /** Types with the worst changes first, then by name; within a type the worst first, then as they stand. */
    private static Map<String, List<Change>> byType(Comparison comparison) {
        var worstFirst = Comparator.comparing(Change::advice).reversed();
        var byType = comparison.changes().stream()
                .sorted(worstFirst)
                .collect(Collectors.groupingBy(
                        change -> change.subject().name().definition(), LinkedHashMap::new, Collectors.toList()));
        var sorted = new LinkedHashMap<String, List<Change>>();
        byType.entrySet().stream()
                .sorted(Comparator.comparing((Map.Entry<String, List<Change>> entry) ->
                                entry.getValue().getFirst().advice())
                        .reversed()
                        .thenComparing(Map.Entry::getKey))
                .forEach(entry -> sorted.put(entry.getKey(), entry.getValue()));
        return sorted;
    }

    private static String word(Change change) {
        return change.advice().name().toLowerCase(Locale.ROOT);
    }

    /** Text that Markdown takes as it is. */
    public static String escaped(String text) {
        return text.replace("\n", " ").replaceAll("([\\\\`*_{}\\[\\]<>#|])", "\\\\$1");
    }
}
