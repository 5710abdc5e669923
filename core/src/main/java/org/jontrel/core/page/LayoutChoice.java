package org.jontrel.core.page;

import java.util.Comparator;
import java.util.List;
import org.jontrel.core.model.Layout;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.record.ConditionWords;
import org.jontrel.core.record.Conditions;

/**
 * The layout that a record gets, and why.
 *
 * @param derived whether nobody has made it
 * @param why in a sentence
 */
public record LayoutChoice(Layout layout, boolean derived, String why) {
    private static final int FOR_ONE = 1_000;

    /** Of several that fit, the one that fits the fewest records; of equals the first by key. */
    static final Comparator<Layout> MOST_PARTICULAR_FIRST = Comparator.<Layout>comparingInt(
                    layout -> -particular(layout.where()))
            .thenComparing(Layout::key);

    /** How much a condition asks for. */
    private static int particular(Condition condition) {
        return switch (condition) {
            case Condition.All(List<Condition> of) ->
                of.stream().mapToInt(LayoutChoice::particular).sum();
            case Condition.Any(List<Condition> of) ->
                of.stream().mapToInt(LayoutChoice::particular).min().orElse(0);
            case Condition.Not _ -> 1;
            case Condition.AddressIs _ -> FOR_ONE;
            case Condition.FieldIs _, Condition.TermIs _, Condition.ParentIs _, Condition.StateIs _ -> 1;
        };
    }

    static LayoutChoice of(PageModel model, String type, Layout.LayoutUse use, Conditions.Seen seen) {
        var all = model.layouts(type, use);
        var layout = layout(model, type, use, seen);
        return new LayoutChoice(layout, layout == all.getLast(), why(model, layout, all, seen));
    }

    /** The layout alone. */
    static Layout layout(PageModel model, String type, Layout.LayoutUse use, Conditions.Seen seen) {
        return model.layouts(type, use).stream()
                .filter(layout -> Conditions.holds(layout.where(), seen))
                .findFirst()
                .orElseThrow();
    }

    private static String why(PageModel model, Layout layout, List<Layout> all, Conditions.Seen seen) {
        if (layout == all.getLast()) {
            return all.size() == 1
                    ? "Nobody has laid it out, so it is derived from the fields."
                    : "No layout is for this record, so it is derived from the fields.";
        }
        var others = all.stream()
                .filter(each -> each != layout && each != all.getLast() && Conditions.holds(each.where(), seen))
                .count();
        var reason = layout.where().equals(Condition.ALWAYS)
                ? "It is for every record."
                : "It is for those where " + new ConditionWords(model.model()).of(layout.where()) + ".";
        return others == 0 ? reason : reason + " Others fit too and are for more records, or come later.";
    }
}
