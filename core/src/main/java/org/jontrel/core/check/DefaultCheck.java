package org.jontrel.core.check;

import java.util.List;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Nearest;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.model.Term;
import org.jontrel.core.value.Conditions;
import org.jontrel.core.value.Values;

/** Whether a value given in a definition is one its field can hold: a default, or what a starter term has. */
record DefaultCheck(Known known, Report report) {
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
                    var hint = Nearest.hint(
                            value, options.stream().map(Kind.Option::key).toList());
                    refuse(property, Code.VALUE_NOT_OPTION, field, value, hint);
                } else if (option.get().retired()) {
                    refuse(property, Code.DEFAULT_RETIRED, field, option.get().label());
                }
            }
            case Kind.TermPick pick -> {
                var terms = known.find(Taxonomy.class, pick.taxonomy()).stream()
                        .flatMap(Taxonomy::allTerms)
                        .toList();
                if (terms.stream().noneMatch(term -> term.id().equals(value))) {
                    var hint = Nearest.hint(value, terms.stream().map(Term::key).toList());
                    refuse(property, Code.VALUE_NOT_OPTION, field, value, hint);
                }
            }
            case Kind kind
            when !Conditions.isComparable(kind) ->
                refuse(property, Code.DEFAULT_IMPOSSIBLE, field, kind.code().replace('_', ' '));
            default -> {
                List<Finding> problems = Values.parse(field, value).findings();
                problems.forEach(problem -> refuse(property, Code.DEFAULT_INVALID, field, problem.sentence()));
            }
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
