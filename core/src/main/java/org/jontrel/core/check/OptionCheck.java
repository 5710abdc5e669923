package org.jontrel.core.check;

import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import org.jontrel.core.finding.Code;
import org.jontrel.core.model.Kind;

/** The options of a choice or of a choice list. */
final class OptionCheck {
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
            if (!option.label().isBlank() && !labels.add(option.label().strip().toLowerCase(Locale.ROOT))) {
                at.add("label", Code.OPTION_LABEL_TWICE, owner, option.label(), "options");
            }
        }
    }
}
