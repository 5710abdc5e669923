package org.jontrel.core.check;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jontrel.core.finding.Code;
import org.jontrel.core.model.Kind;
import org.jontrel.core.naming.Keys;
import org.jontrel.core.naming.Nouns;

/** Names that people read and names in code: given where needed, valid, and not too long for a screen or a column. */
record NameCheck(DefinitionFindings report) {
    private static final int LONGEST_NAME = 200;
    private static final int LONGEST_PROSE = 4_000;

    void given(String property, String text, String noun) {
        if (text.isBlank()) {
            report.add(property, Code.NAME_MISSING, property, noun);
        }
        longest(property, text, LONGEST_NAME);
    }

    void label(String property, String text, String owner) {
        if (text.isBlank()) {
            report.add(property, Code.LABEL_MISSING, owner, property);
        }
        longest(property, text, LONGEST_NAME);
    }

    void prose(String property, String text) {
        longest(property, text, LONGEST_PROSE);
    }

    /** @param label what a missing key is made from */
    void key(String key, String label) {
        if (!Keys.isKey(key)) {
            var better = Keys.fromLabel(key.isBlank() ? label : key);
            report.addFixed("key", better, Code.KEY_INVALID, key, better);
        }
    }

    void path(String property, String path) {
        if (!Keys.isPath(path)) {
            var better = Keys.pathFrom(path);
            report.addFixed(property, better, Code.PATH_INVALID, path, better);
        }
    }

    /** Nouns that read the same for one and for many. */
    void nouns(String singular, String plural) {
        if (!singular.isBlank() && singular.equalsIgnoreCase(plural)) {
            var derived = Nouns.plural(singular);
            if (derived.equalsIgnoreCase(singular)) {
                report.add("plural", Code.NOUN_SAME, singular);
            } else {
                report.addFixed("plural", derived, Code.NOUN_SAME, singular);
            }
        }
    }

    private void longest(String property, String text, int most) {
        int length = text.codePointCount(0, text.length());
        if (length > most) {
            report.add(property, Code.TEXT_TOO_LONG, property, length, most);
        }
    }

    /** Keys that must differ within one scope, with the label of the first that has each. */
    static final class Keyed {
        private final Map<String, String> labels = new HashMap<>();

        void claim(String key, String label, DefinitionFindings report) {
            var other = labels.putIfAbsent(key, label);
            if (other != null) {
                report.addFixed("key", Keys.free(key, labels.keySet()), Code.KEY_TWICE, key, other, label);
            }
        }
    }

    /** The options of a choice or of a choice list. */
    static final class OptionCheck {
        private OptionCheck() {}

        static void run(List<Kind.Option> options, String owner, DefinitionFindings report) {
            if (options.isEmpty()) {
                report.add("options", Code.OPTIONS_MISSING, owner);
                return;
            }
            if (options.stream().allMatch(Kind.Option::retired)) {
                report.add("options", Code.OPTIONS_ALL_RETIRED, owner);
            }
            var keys = new NameCheck.Keyed();
            var labels = new HashSet<String>();
            for (var option : options) {
                var at = report.of(option.id());
                var names = new NameCheck(at);
                names.label("label", option.label(), option.key());
                names.key(option.key(), option.label());
                keys.claim(option.key(), option.label(), at);
                if (!option.label().isBlank()
                        && !labels.add(option.label().strip().toLowerCase(Locale.ROOT))) {
                    at.add("label", Code.OPTION_LABEL_TWICE, owner, option.label(), "options");
                }
            }
        }
    }
}
