package org.jontrel.core.propose;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.jontrel.core.propose.kind.ColumnKinds;
import org.jontrel.core.propose.word.Header;
import org.jontrel.core.propose.word.SheetNoun;
import org.jontrel.core.propose.word.Spellings;
import org.jontrel.core.sheet.ColumnFacts;
import org.jontrel.core.sheet.SheetFacts;
import org.jontrel.core.sheet.SheetLink;
import org.jontrel.core.sheet.Sign;

/** What is known of a sheet while its part of a model is being made. */
final class SheetPlan {
    private static final Pattern NAME = Pattern.compile("(?i)(.*\\b)?(name|title|label|heading|designation)(\\b.*)?");
    private static final Pattern PARENT =
            Pattern.compile("(?i).*\\b(parent|belongs to|part of|under|within|above|broader|reports to)\\b.*");
    private static final List<Sign> NO_NAMES = List.of(
            Sign.DATE,
            Sign.DATE_DAY_FIRST,
            Sign.TIME,
            Sign.MOMENT,
            Sign.YES_NO,
            Sign.EMAIL,
            Sign.WEB_ADDRESS,
            Sign.PHONE,
            Sign.COLOUR,
            Sign.PLACE,
            Sign.PICTURE_NAME,
            Sign.FILE_NAME,
            Sign.MEASURE);

    final int index;
    final SheetFacts facts;
    final String noun;
    private final Optional<String> chosenName;
    final Optional<ColumnFacts> title;
    /** The sheet that each column points at, by index of the column. */
    final Map<Integer, SheetLink> links = new LinkedHashMap<>();

    final List<String> notes = new ArrayList<>();
    SheetRole role = SheetRole.TYPE;
    String why = "";
    boolean pointedAt;

    SheetPlan(int index, SheetFacts facts, Choices choices) {
        this.index = index;
        this.facts = facts;
        this.chosenName = choices.sheet(index)
                .map(Choices.SheetChoice::name)
                .filter(name -> name != null && !name.isBlank())
                .map(String::strip);
        this.noun = chosenName.orElseGet(() -> SheetNoun.of(facts));
        this.title = chosenTitle(choices).or(this::likelyTitle);
    }

    /** What its part of the model is called: a noun for one row, or a heading where a row is no thing of its own. */
    String name() {
        boolean heading = role == SheetRole.LIST || role == SheetRole.VALUES;
        return heading ? chosenName.orElseGet(() -> SheetNoun.heading(facts)) : noun;
    }

    private Optional<ColumnFacts> chosenTitle(Choices choices) {
        return facts.columns().stream()
                .filter(each -> ColumnUse.TITLE
                        .code()
                        .equals(choices.column(index, each.index()).use()))
                .findFirst();
    }

    private Optional<ColumnFacts> likelyTitle() {
        var named = facts.columns().stream()
                .filter(SheetPlan::couldBeTitle)
                .filter(each -> isNameOf(each.header()))
                .findFirst();
        var texts = facts.columns().stream()
                .filter(SheetPlan::couldBeTitle)
                .filter(each -> isTelling(each) && !ColumnKinds.isCode(each))
                .findFirst();
        var codes = facts.columns().stream()
                .filter(each ->
                        couldBeTitle(each) && isTelling(each) && ColumnKinds.isCode(each) && !each.all(Sign.NUMBER))
                .findFirst();
        return named.or(() -> texts).or(() -> codes);
    }

    private boolean isNameOf(String header) {
        var label = Header.of(header).label();
        return label.equalsIgnoreCase(noun)
                || NAME.matcher(label).matches()
                        && label.split(" ").length <= 2
                        && !label.toLowerCase(Locale.ROOT)
                                .matches(".*\\b(first|last|middle|file|user|contact|keeper|owner)\\b.*")
                || label.equalsIgnoreCase(noun + " name");
    }

    private static boolean couldBeTitle(ColumnFacts column) {
        return column.filled() >= column.empty()
                && column.longest() <= 200
                && column.lines() == 0
                && NO_NAMES.stream().noneMatch(column::all)
                && !column.all(Sign.NUMBER);
    }

    /** Whether it mostly tells the rows apart. */
    private static boolean isTelling(ColumnFacts column) {
        return column.distinct() < 0 || column.distinct() * 10 >= column.filled() * 9 && column.empty() == 0;
    }

    boolean isTitle(ColumnFacts column) {
        return title.filter(column::equals).isPresent();
    }

    static boolean isParentWord(String header) {
        return PARENT.matcher(header).matches();
    }

    /** Which other sheets the columns of all sheets point at: of several, the one that the header names, else the best match. */
    static void link(List<SheetPlan> plans, List<SheetLink> links, Choices choices) {
        var byColumn = new HashMap<List<Integer>, List<SheetLink>>();
        links.forEach(link -> byColumn.computeIfAbsent(List.of(link.sheet(), link.column()), _ -> new ArrayList<>())
                .add(link));
        byColumn.forEach((column, found) -> {
            var from = plans.get(column.getFirst());
            found.stream()
                    .filter(link -> from.points(link, plans.get(link.toSheet())))
                    .max(Comparator.comparing((SheetLink link) -> from.names(link, plans.get(link.toSheet())))
                            .thenComparing(link -> (double) link.found() / link.distinct())
                            .thenComparing(link -> plans.get(link.toSheet())
                                    .isTitle(plans.get(link.toSheet()).column(link.toColumn())))
                            .thenComparing(link -> -link.toSheet()))
                    .ifPresent(link -> from.links.put(link.column(), link));
        });
        plans.forEach(plan -> plan.dropOwn(plans));
        plans.forEach(plan -> plan.links.values().stream()
                .filter(link -> link.toSheet() != plan.index)
                .forEach(link -> plans.get(link.toSheet()).pointedAt = true));
    }

    /** Two sheets with the same rows would point at each other by their titles; one that a row is named by points nowhere. */
    private void dropOwn(List<SheetPlan> plans) {
        title.ifPresent(column -> {
            var link = links.get(column.index());
            if (link != null && column.isUnique() && !names(link, plans.get(link.toSheet()))) {
                links.remove(column.index());
            }
        });
    }

    /** The column that names the record a row belongs to, where the sheet is rows or pairs of another's records: of two, the first. */
    Optional<SheetLink> owner(List<SheetPlan> plans) {
        return links.values().stream()
                .filter(link -> link.separator().isEmpty() && link.toSheet() != index)
                .filter(link -> plans.get(link.toSheet()).role == SheetRole.TYPE)
                .min(Comparator.comparing(SheetLink::column));
    }

    ColumnFacts column(int column) {
        return facts.columns().stream()
                .filter(each -> each.index() == column)
                .findFirst()
                .orElseThrow();
    }

    private boolean points(SheetLink link, SheetPlan to) {
        var column = column(link.column());
        var target = to.column(link.toColumn());
        if (link.toSheet() == index) {
            return isParentWord(column.header()) || names(link, to) && !isTitle(column) && to.isTitle(target);
        }
        boolean figures = column.all(Sign.NUMBER) || NO_NAMES.stream().anyMatch(column::all);
        if (figures) {
            return names(link, to) && column.all(Sign.NUMBER) && !(column.isUnique() && isTitle(column));
        }
        // two sheets that have the same word twice each do not point at each other
        return names(link, to) || to.isTitle(target) || ColumnKinds.isCode(target);
    }

    /** Whether the header of the column names what the other sheet is of. */
    boolean names(SheetLink link, SheetPlan to) {
        var header = " " + Spellings.bare(column(link.column()).header().replaceAll("([a-z])([A-Z])", "$1 $2")) + " ";
        var bare = Spellings.bare(to.noun);
        var last = bare.substring(bare.lastIndexOf(' ') + 1);
        return Stream.of(
                        bare,
                        last,
                        Spellings.bare(org.jontrel.core.naming.Nouns.plural(to.noun)),
                        Spellings.bare(to.facts.name()))
                .filter(each -> each.length() > 2)
                .anyMatch(each -> header.contains(" " + each + " ") || header.contains(" " + each + "s "));
    }
}
