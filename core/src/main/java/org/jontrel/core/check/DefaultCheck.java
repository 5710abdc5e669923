package org.jontrel.core.check;

import java.util.List;
import java.util.Map;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Nearest;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.record.Conditions;
import org.jontrel.core.record.Values;

/** Whether a value given in a definition is one its field can hold: a default, or what a starter term has. */
record DefaultCheck(ModelIndex known, DefinitionFindings report) {
    void run(Field field) {
        if (!field.fallback().isEmpty()) {
            check(field, field.fallback(), "default");
        }
    }

    void check(Field field, String value, String property) {
        switch (field.kind()) {
            case Kind.Choice choice -> {
                var options = known.options(choice);
                var option =
                        options.stream().filter(each -> each.id().equals(value)).findFirst();
                if (option.isEmpty()) {
                    meant(property, field, value, known.optionKeys(choice));
                } else if (option.get().retired()) {
                    refuse(property, Code.DEFAULT_RETIRED, field, option.get().label());
                }
            }
            case Kind.TermPick pick -> {
                if (!known.hasTerm(pick.taxonomy(), value)) {
                    meant(property, field, value, known.termKeys(pick.taxonomy()));
                }
            }
            case Kind kind
            when !Conditions.isComparable(kind) ->
                refuse(property, Code.DEFAULT_IMPOSSIBLE, field, kind.code().replace('_', ' '));
            case Kind.Plain _, Kind.Reference _, Kind.Nested _, Kind.Note _ -> {
                List<Finding> problems = Values.parse(field, value).findings();
                problems.forEach(problem -> refuse(property, Code.DEFAULT_INVALID, field, problem.sentence()));
            }
        }
    }

    private void meant(String property, Field field, String value, Map<String, String> valid) {
        var finding = Finding.of(
                Code.VALUE_NOT_OPTION,
                report.place(property),
                field.label(),
                value,
                Nearest.hint(value, valid.keySet()));
        if (property.equals("default")) {
            report.addMeant(finding, property, value, valid);
        } else {
            report.findings().add(finding);
        }
    }

    private void refuse(String property, Code code, Field field, Object... more) {
        var arguments = new Object[more.length + 1];
        arguments[0] = field.label();
        System.arraycopy(more, 0, arguments, 1, more.length);
        if (property.equals("default")) {
            report.addFixed(property, null, code, arguments);
        } else {
            report.add(property, code, arguments);
        }
    }
}
