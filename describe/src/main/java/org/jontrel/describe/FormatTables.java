package org.jontrel.describe;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jontrel.core.compare.Advice;
import org.jontrel.core.compare.Effect;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;

/** Tables of the format pages. */
final class FormatTables {
    private FormatTables() {}

    static String conditions(Map<String, Object> schema) {
        var page = new StringBuilder("""
                # Conditions

                One small structure everywhere: when a field, group or block is shown (`show_when`), and which records a
                listing lists (`where`). Nothing at all means: always. A condition has exactly one of these forms:

                | form | with one of | holds |
                |---|---|---|
                """);
        var about = Map.of(
                "all", "all of the conditions hold",
                "any", "at least one of them holds",
                "not", "it does not hold",
                "parent", "the record stands under one of these content types; `[]`: under any",
                "state", "the record is in this state",
                "field", "the field, beside this one or around it, compares so; a field hidden itself has no value",
                "taxonomy", "the record's terms compare so");
        for (var each : (List<?>) schema.get("allOf")) {
            var properties =
                    new ArrayList<>(FormatPages.map(FormatPages.map(FormatPages.cast(each), "then"), "properties")
                            .keySet());
            var form = properties.removeFirst();
            page.append("| `")
                    .append(form)
                    .append("` | ")
                    .append(properties.stream().map(test -> "`" + test + "`").collect(Collectors.joining(" ")))
                    .append(" | ")
                    .append(about.get(form))
                    .append(" |\n");
        }
        return page.append("""

                `is`, `is_not` and `has` take one value or a list, of which any will do; options and terms stand as their
                keys. `filled` takes true or false. `under` means the term or one below it.

                ```yaml
                show_when: {all: [{field: sort, is: [lock, bridge]}, {not: {field: rise, below: 2}}]}
                ```
                """).toString();
    }

    static String findings() {
        var page = new StringBuilder("""
                # Findings

                Everything that reading, checking, entering values and planning can say. The code is stable; programs
                look at it and never at the sentence. `…` stands for what the sentence is about. A **blocker** must be
                mended before a release; a *warning* should be; a note only says. `--json` gives code, severity, place
                and sentence, and a fix where a program can make it (`./jontrel check PATH --fix`).

                | code | | sentence |
                |---|---|---|
                """);
        for (var code : Code.values()) {
            var severity =
                    switch (code.severity()) {
                        case BLOCKER -> "**blocker**";
                        case WARNING -> "*warning*";
                        case NOTE -> "note";
                    };
            var sentence =
                    Finding.of(code, Place.NOWHERE, "…", "…", "…", "…", "…").sentence();
            page.append("| <a id=\"")
                    .append(code)
                    .append("\"></a>`")
                    .append(code)
                    .append("` | ")
                    .append(severity)
                    .append(" | ")
                    .append(sentence.replace("|", "\\|").replace("<", "&lt;").replace("*", "\\*"))
                    .append(" |\n");
        }
        return page.toString();
    }

    static String changes() {
        var page = new StringBuilder("""
                # Changes

                What a change between two releases does, how far it goes, and which part of the version number it advises to
                raise: for those who read the content API, for those who read pages, and for those who write records, by
                hand or by program. The advice for a release is the worst of all its changes for anybody.

                | | what changes | reaches | API readers | page readers | writers | advice |
                |---|---|---|---|---|---|---|
                """);
        for (var effect : Effect.values()) {
            page.append("| `")
                    .append(effect)
                    .append("` | ")
                    .append(effect.about())
                    .append(" | ")
                    .append(effect.reach().stream().map(FormatPages::lower).collect(Collectors.joining(", ")));
            for (var advice : List.of(effect.apiReaders(), effect.pageReaders(), effect.writers(), effect.advice())) {
                page.append(" | ").append(advice == Advice.MAJOR ? "**major**" : FormatPages.lower(advice));
            }
            page.append(" |\n");
        }
        return page.append("""

                What a layout or listing mentions reaches `layouts` too. What a package says of itself (its name, its title,
                what it requires) is told by `./jontrel compare` and advises nothing.
                """).toString();
    }

    static Map<String, Map<String, Object>> byWord(Map<String, Object> schema, String word) {
        var kinds = new LinkedHashMap<String, Map<String, Object>>();
        for (var each : (List<?>) schema.get("allOf")) {
            var kind = FormatPages.map(FormatPages.cast(each), "then");
            kinds.put(
                    (String) FormatPages.map(FormatPages.map(kind, "properties"), word)
                            .get("const"),
                    kind);
        }
        return kinds;
    }

    static String fallback(Object value) {
        return switch (value) {
            case null -> "";
            case String text when text.isEmpty() -> "";
            case List<?> list when list.isEmpty() -> "";
            case List<?> list -> "`[" + list.stream().map(String::valueOf).collect(Collectors.joining(", ")) + "]`";
            case Map<?, ?> _ -> "";
            default -> "`" + value + "`";
        };
    }
}
