package org.jontrel.core.propose;

import java.util.Arrays;
import java.util.List;
import java.util.regex.Pattern;
import org.jontrel.core.propose.kind.ColumnKinds;
import org.jontrel.core.propose.kind.WordKinds;
import org.jontrel.core.sheet.ColumnFacts;
import org.jontrel.core.sheet.Sign;

/** What each sheet becomes, and why. */
final class Roles {
    private static final int MOST_OPTIONS = 25;
    private static final int MOST_TERMS = 1_000;
    private static final int MOST_VALUES = 80;
    private static final int MOST_INNER = 6;
    private static final Pattern NAMES =
            Pattern.compile("(?i)(name|setting|item|key|field|property|what|label|entry|parameter)s?");
    private static final Pattern VALUES = Pattern.compile("(?i)(value|setting|text|content|answer|entry|data)s?");
    private static final Pattern BESIDE = Pattern.compile(
            "(?i).*\\b(description|note|notes|remark|remarks|code|key|order|sort|colou?r|parent|explanation|meaning|abbreviation|short)\\b.*");

    private Roles() {}

    static void decide(List<SheetPlan> plans, Choices choices) {
        for (var plan : plans) {
            propose(plan);
            choices.sheet(plan.index)
                    .map(Choices.SheetChoice::role)
                    .flatMap(code -> Arrays.stream(SheetRole.values())
                            .filter(each -> each.code().equals(code))
                            .findFirst())
                    .filter(chosen -> chosen != plan.role)
                    .ifPresent(chosen -> set(plan, chosen, "chosen"));
        }
        for (var plan : plans) {
            boolean owned = plan.owner(plans).isPresent();
            if ((plan.role == SheetRole.ROWS || plan.role == SheetRole.RELATION) && !owned) {
                set(plan, SheetRole.TYPE, "no column of it points at records of another sheet");
            }
        }
    }

    private static boolean isType(SheetPlan plan) {
        return plan.role == SheetRole.TYPE;
    }

    private static void propose(SheetPlan plan) {
        var columns = plan.facts.columns();
        if (columns.isEmpty()) {
            set(plan, SheetRole.SKIP, "it is empty");
        } else if (plan.facts.hidden()) {
            set(plan, SheetRole.SKIP, "it is hidden");
        } else if (isValues(plan)) {
            set(plan, SheetRole.VALUES, "two columns: names, each once, and a value of its own sort for each");
        } else if (isPairs(plan)) {
            set(
                    plan,
                    SheetRole.RELATION,
                    "each row puts a record of one sheet beside one of another, and says no more");
        } else if (isRows(plan)) {
            set(
                    plan,
                    SheetRole.ROWS,
                    "its rows have no name of their own, and several belong to one record of another sheet");
        } else if (isTerms(plan)) {
            boolean nested = columns.stream().anyMatch(each -> isParent(plan, each));
            boolean list = !nested
                    && plan.facts.rows() <= MOST_OPTIONS
                    && columns.stream().allMatch(each -> isPlain(plan, each));
            set(
                    plan,
                    list ? SheetRole.LIST : SheetRole.TAXONOMY,
                    list
                            ? plan.facts.rows() + " short texts"
                                    + (plan.pointedAt ? " that another sheet chooses from" : "")
                            : nested
                                    ? "words, each perhaps under another"
                                    : "words that another sheet's rows are classified by");
        } else {
            set(
                    plan,
                    SheetRole.TYPE,
                    plan.facts.rows() == 0 ? "a header without rows" : plan.facts.rows() + " rows, each a record");
        }
    }

    private static void set(SheetPlan plan, SheetRole role, String why) {
        plan.role = role;
        plan.why = why;
    }

    private static boolean isValues(SheetPlan plan) {
        var columns = plan.facts.columns();
        if (columns.size() != 2
                || plan.pointedAt
                || !plan.links.isEmpty()
                || plan.facts.rows() > MOST_VALUES
                || plan.facts.rows() < 2) {
            return false;
        }
        var names = columns.getFirst();
        var values = columns.getLast();
        boolean each = names.isUnique() && !names.all(Sign.NUMBER) && names.longest() <= 80;
        boolean said = NAMES.matcher(names.header()).matches()
                && VALUES.matcher(values.header()).matches();
        boolean headless = plan.facts.header() == 0;
        boolean mixed = values.said() > 2
                && values.signs().keySet().stream()
                                .filter(sign -> sign != Sign.WHOLE)
                                .count()
                        >= 2
                && values.signs().keySet().stream().noneMatch(values::all);
        return each && (said || headless && mixed);
    }

    private static boolean isPairs(SheetPlan plan) {
        return owners(plan) == 2
                && plan.facts.columns().stream()
                        .allMatch(each -> plan.links.containsKey(each.index()) || isCounter(each));
    }

    /** How many columns point at records of other sheets, one at a time. */
    private static long owners(SheetPlan plan) {
        return plan.links.values().stream()
                .filter(link -> link.toSheet() != plan.index && link.separator().isEmpty())
                .count();
    }

    private static boolean isCounter(ColumnFacts column) {
        return column.all(Sign.WHOLE) && column.isUnique() && ColumnKinds.isCode(column) && column.index() == 0;
    }

    private static boolean isRows(SheetPlan plan) {
        long owners = owners(plan);
        boolean nameless = plan.facts.columns().stream()
                .noneMatch(each -> !plan.links.containsKey(each.index()) && plan.isTitle(each) && each.isUnique());
        boolean several = plan.links.values().stream()
                .filter(link -> link.toSheet() != plan.index && link.separator().isEmpty())
                .anyMatch(link -> plan.column(link.column()).distinct() < plan.facts.rows());
        return owners >= 1
                && owners <= 2
                && nameless
                && several
                && !plan.pointedAt
                && plan.facts.columns().size() - owners <= MOST_INNER
                && plan.facts.columns().size() > owners;
    }

    private static boolean isTerms(SheetPlan plan) {
        var columns = plan.facts.columns();
        boolean words = plan.title
                        .filter(each -> each.isUnique() && each.longest() <= 100)
                        .isPresent()
                && plan.facts.rows() >= 2
                && plan.facts.rows() <= MOST_TERMS;
        boolean outward = plan.links.values().stream().anyMatch(link -> link.toSheet() != plan.index);
        if (!words || outward || columns.size() > 4) {
            return false;
        }
        boolean beside = columns.stream()
                .allMatch(each -> plan.isTitle(each)
                        || isParent(plan, each)
                        || each.all(Sign.COLOUR)
                        || BESIDE.matcher(each.header()).matches());
        boolean single = columns.size() == 1
                && plan.facts.rows() <= 60
                && columns.getFirst().longest() <= 60;
        boolean nested = columns.size() > 1 && columns.stream().anyMatch(each -> isParent(plan, each));
        return beside && (plan.pointedAt || single || nested || WordKinds.isTermWord(plan.facts.name()));
    }

    static boolean isParent(SheetPlan plan, ColumnFacts column) {
        var link = plan.links.get(column.index());
        return link != null && link.toSheet() == plan.index && SheetPlan.isParentWord(column.header());
    }

    private static boolean isPlain(SheetPlan plan, ColumnFacts column) {
        return plan.isTitle(column)
                || ColumnKinds.isCode(column)
                || column.header().matches("(?i)(order|sort|position)");
    }
}
