package org.jontrel.core.page.index;

import java.util.List;
import java.util.Optional;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.naming.Nouns;

/**
 * Something that visitors narrow a list by.
 *
 * @param name in addresses
 * @param shownWhen what must hold for a record to show its value; nothing is found by values that it does not show
 */
public record IndexFilter(Field field, FilterKind kind, String name, Condition shownWhen) {
    /** What visitors do with it. */
    public enum FilterKind {
        /** Choose among terms; what is under a term has it too. */
        TERMS,
        /** Choose among options. */
        OPTIONS,
        YES_NO,
        /** Say the lowest and the highest. */
        RANGE
    }

    public static final String YES = "yes";
    public static final String NO = "no";
    /** In addresses, for those without any value. */
    static final String NONE = "-";

    static final String FROM = ".from";
    static final String TO = ".to";

    /** How the values of a field can be filtered; empty where they cannot. */
    public static Optional<FilterKind> kindOf(Field field) {
        return Optional.ofNullable(
                switch (field.kind()) {
                    case Kind.TermPick _ -> FilterKind.TERMS;
                    case Kind.Choice _ -> FilterKind.OPTIONS;
                    case Kind.YesNo _ -> FilterKind.YES_NO;
                    case Kind.Numeric _, Kind.Date _, Kind.DateTime _, Kind.Time _ -> FilterKind.RANGE;
                    case Kind.Plain _, Kind.Reference _, Kind.Nested _, Kind.Note _ -> null;
                });
    }

    /** Whether lists can be grouped by the values of a field. */
    public static boolean groups(Field field) {
        return kindOf(field)
                .filter(kind -> kind == FilterKind.TERMS || kind == FilterKind.OPTIONS)
                .isPresent();
    }

    public String id() {
        return field.id();
    }

    public String label() {
        return field.label();
    }

    /** Id of the taxonomy whose terms it holds; empty for other fields. */
    public String taxonomy() {
        return field.kind() instanceof Kind.TermPick(String taxonomy, var _) ? taxonomy : "";
    }

    /** Whether records are classified by the taxonomy itself, and so by what stands above their terms. */
    public boolean ofUse() {
        return field.id().equals(taxonomy());
    }

    /** What records without any value are called. */
    String without() {
        return "Without " + Nouns.inSentence(label());
    }

    List<Kind.Option> options() {
        return field.kind() instanceof Kind.Choice choice ? choice.options() : List.of();
    }

    /** Records whose value is one of these. @param values as conditions on the lists of a site have them */
    Condition is(List<String> values) {
        return ofUse()
                ? new Condition.TermIs(id(), Condition.Test.UNDER, values)
                : new Condition.FieldIs(id(), Condition.Test.IS, values);
    }

    /** Records that show no value. */
    Condition isEmpty() {
        var filled = List.of("true");
        return new Condition.Not(shown(
                ofUse()
                        ? new Condition.TermIs(id(), Condition.Test.FILLED, filled)
                        : new Condition.FieldIs(id(), Condition.Test.FILLED, filled)));
    }

    /** A value and that it is shown. */
    Condition shown(Condition condition) {
        return shownWhen.equals(Condition.ALWAYS) ? condition : new Condition.All(List.of(condition, shownWhen));
    }
}
