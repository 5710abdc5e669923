package org.jontrel.core.move;

import java.util.Comparator;
import java.util.List;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.recordtype.FieldStorage;
import org.jontrel.core.recordtype.RecordType;

/** What a formula is about, and what is wrong with it. */
public final class FormulaCheck {
    private static final int LONGEST = 500;

    private FormulaCheck() {}

    /** Ids of the older fields that it names: single values of the record, or of the row that the new field stands in. */
    public static List<String> sources(RecordType was, RecordType is, Field field, String formula) {
        return new Formula(formula)
                .keys().stream()
                        .flatMap(key -> was.byId().values().stream()
                                .filter(each -> each.key().equals(key) && single(each))
                                .filter(each -> near(was, is, field, each))
                                // the row's own before the record's
                                .max(Comparator.comparing(
                                        each -> was.home(each.id()).table().length()))
                                .stream())
                        .map(Field::id)
                        .toList();
    }

    private static boolean single(Field field) {
        return FieldStorage.of(field.kind()) == FieldStorage.COLUMN;
    }

    private static boolean near(RecordType was, RecordType is, Field field, Field source) {
        var home = was.home(source.id()).table();
        return home.isEmpty() || home.equals(is.home(field.id()).table());
    }

    /** In a sentence; empty where nothing is wrong. */
    public static String problem(RecordType was, RecordType is, Field field, String formula) {
        if (formula.length() > LONGEST) {
            return "It has more than " + LONGEST + " characters.";
        }
        var known = sources(was, is, field, formula).stream()
                .flatMap(id -> was.field(id).stream())
                .toList();
        var unknown = new Formula(formula)
                .keys().stream()
                        .filter(key ->
                                known.stream().noneMatch(each -> each.key().equals(key)))
                        .findFirst();
        if (unknown.isPresent()) {
            return "There is no field \"" + unknown.get() + "\" with a single value in these records.";
        }
        if (!(field.kind() instanceof Kind.Numeric)) {
            return "";
        }
        if (!new Formula(formula).calculates()) {
            return "It is no calculation. Write one such as round({length_ft} * 0.3048, 2).";
        }
        return known.stream()
                .filter(each -> !(each.kind() instanceof Kind.Numeric))
                .findFirst()
                .map(each -> each.label() + " is no number.")
                .orElse("");
    }
}
