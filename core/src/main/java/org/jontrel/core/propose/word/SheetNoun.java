package org.jontrel.core.propose.word;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jontrel.core.naming.Nouns;
import org.jontrel.core.naming.VisibleText;
import org.jontrel.core.sheet.SheetFacts;

/** The noun for what the rows of a sheet are. */
public final class SheetNoun {
    /** Names that programs give, or that say nothing of what is in a sheet. */
    private static final String EMPTY_NAME =
            "(?i)(sheet|table|tabelle|feuille|feuil|hoja|foglio|blad|list|tab|data|export|import|copy|book|workbook|results?|untitled)?[ _-]*\\d*";

    private static final Map<String, String> ODD =
            Map.of("people", "person", "data", "data", "news", "news", "media", "media");
    private static final int LONGEST = 60;

    private SheetNoun() {}

    public static String of(SheetFacts sheet) {
        return singular(heading(sheet));
    }

    /** What stands over all its rows: its name, or that of its file where that says nothing. */
    public static String heading(SheetFacts sheet) {
        var name = cleaned(sheet.name());
        if (name.matches(EMPTY_NAME)) {
            name = cleaned(sheet.file().replaceFirst("\\.[A-Za-z]{2,4}$", ""));
        }
        return name.matches(EMPTY_NAME) ? "Entries" : name;
    }

    /** Without years, versions and words such as "list of" around the noun. */
    private static String cleaned(String name) {
        var words = Header.label(name.replaceAll("[_-]+", " ")
                .replaceAll("(?i)\\b(v\\d+|final|draft|copy|new|old|\\d{4}|\\d{1,2})\\b", " ")
                .replaceAll("\\s+", " ")
                .strip()
                .replaceFirst("(?i)^(list of|all|the|our|my)\\s+", "")
                .replaceFirst("(?i)\\s+(list|table|sheet|export|data|master)$", "")
                .strip());
        return words.length() > LONGEST ? VisibleText.start(words, LONGEST).strip() : words;
    }

    /** The singular of a noun that stands in the plural: the one whose plural it is. */
    public static String singular(String noun) {
        int cut = noun.lastIndexOf(' ') + 1;
        var before = noun.substring(0, cut);
        var word = noun.substring(cut);
        var small = word.toLowerCase(Locale.ROOT);
        if (ODD.containsKey(small)) {
            return before + like(word, ODD.get(small));
        }
        return List.of(
                        word.replaceFirst("(?i)ies$", "y"),
                        word.replaceFirst("(?i)ves$", "f"),
                        word.replaceFirst("(?i)ves$", "fe"),
                        word.replaceFirst("(?i)s$", ""),
                        word.replaceFirst("(?i)es$", ""),
                        word.replaceFirst("(?i)men$", "man"),
                        word.replaceFirst("(?i)children$", "child"),
                        word.replaceFirst("(?i)feet$", "foot"),
                        word.replaceFirst("(?i)es$", "is"))
                .stream()
                .filter(each -> each.length() > 1
                        && !each.equals(word)
                        && Nouns.plural(each).equals(word))
                .findFirst()
                .map(each -> before + each)
                .orElse(noun);
    }

    private static String like(String shown, String word) {
        return Character.isUpperCase(shown.charAt(0))
                ? word.substring(0, 1).toUpperCase(Locale.ROOT) + word.substring(1)
                : word;
    }
}
