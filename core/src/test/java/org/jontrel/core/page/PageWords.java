package org.jontrel.core.page;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jontrel.core.page.node.FilterForm;
import org.jontrel.core.page.node.InlineNode;
import org.jontrel.core.page.node.PageNode;

/** What somebody reads on a page, and what on it is empty. */
final class PageWords {
    private PageWords() {}

    static String of(List<PageNode> nodes) {
        var words = new ArrayList<String>();
        nodes.forEach(node -> add(node, words));
        return String.join("\n", words);
    }

    private static void add(PageNode node, List<String> words) {
        switch (node) {
            case PageNode.HeadingNode heading -> words.add("#".repeat(heading.level()) + " " + line(heading.text()));
            case PageNode.TextNode text -> words.add(line(text.text()));
            case PageNode.RichNode rich -> words.add(rich.html());
            case PageNode.FactsNode facts ->
                facts.facts().forEach(fact -> words.add(fact.label() + ": " + of(fact.shown())));
            case PageNode.LabelsNode labels -> words.add(line(labels.labels()));
            case PageNode.PicturesNode pictures ->
                pictures.pictures()
                        .forEach(picture -> words.add("[" + picture.facts().alt() + "]"));
            case PageNode.TableNode table -> {
                words.add("| " + String.join(" | ", table.heads()));
                table.rows()
                        .forEach(row -> words.add("| "
                                + String.join(
                                        " | ", row.stream().map(PageWords::of).toList())));
            }
            case PageNode.ItemsNode items -> items.items().forEach(item -> words.add("- " + of(item)));
            case PageNode.TreeNode tree -> tree.branches().forEach(branch -> words.add(line(branch.text())));
            case PageNode.ColumnsNode columns -> columns.columns().forEach(column -> words.add("‖ " + of(column)));
            case PageNode.SectionNode section ->
                words.add("§" + section.level() + " " + section.heading() + "\n" + of(section.shown()));
            case PageNode.FoldNode fold -> words.add("▸ " + fold.heading() + "\n" + of(fold.shown()));
            case PageNode.TrailNode trail -> words.add("^ " + line(trail.steps()));
            case PageNode.FilteredNode list -> {
                words.add(form(list.form()));
                words.add(of(list.shown()));
            }
            case PageNode.PagesNode pages ->
                words.add((pages.first().isPresent() ? "<First page>" : "")
                        + (pages.next().isPresent() ? "<Next page>" : ""));
            case PageNode.NeighboursNode beside -> words.add(text(beside.before()) + " <> " + text(beside.after()));
        }
    }

    static String form(FilterForm form) {
        var words = new ArrayList<String>();
        words.add("? " + form.summary());
        form.problems().forEach(problem -> words.add("! " + problem));
        form.narrowed().forEach(each -> words.add("x " + each.text()));
        form.kept().forEach(each -> words.add("~ " + each.name() + "=" + each.value()));
        form.words().ifPresent(each -> words.add("? " + each.label() + " [" + each.typed() + "]"));
        form.controls().forEach(each -> words.add(control(each)));
        return String.join("\n", words);
    }

    private static String control(FilterForm.FilterControl control) {
        return switch (control) {
            case FilterForm.TickControl ticks ->
                "? " + ticks.label() + ":"
                        + ticks.ticks().stream()
                                .map(tick -> " " + ">".repeat(tick.depth()) + (tick.chosen() ? "[x]" : "[ ]")
                                        + line(List.of(tick.label())) + " " + tick.count())
                                .collect(Collectors.joining(","));
            case FilterForm.RangeControl range ->
                "? " + range.label() + ": [" + range.from() + "]-[" + range.to() + "] of " + range.least() + "-"
                        + range.most() + range.unit();
        };
    }

    private static String text(Optional<InlineNode> run) {
        return run.map(each -> line(List.of(each))).orElse("");
    }

    static String line(List<InlineNode> runs) {
        return String.join(
                "",
                runs.stream()
                        .map(run -> switch (run) {
                            case InlineNode.WordRun(String text) -> text;
                            case InlineNode.LinkRun link -> "<" + link.text() + ">";
                            case InlineNode.LabelRun label -> "(" + label.text() + ")" + label.colour();
                            case InlineNode.SwatchRun(String colour) -> "■" + colour + " ";
                            case InlineNode.TimeRun time -> time.text();
                            case InlineNode.MarksRun marks -> marks.marks() + "/" + marks.most();
                        })
                        .toList());
    }

    /** The parts of a page that show nothing. */
    static List<PageNode> empty(List<PageNode> nodes) {
        return nodes.stream().flatMap(PageWords::emptyIn).toList();
    }

    private static Stream<PageNode> emptyIn(PageNode node) {
        var inner = inner(node);
        boolean isEmpty = of(List.of(node)).isBlank() || inner.stream().anyMatch(List::isEmpty);
        return Stream.concat(
                isEmpty ? Stream.of(node) : Stream.empty(),
                inner.stream().flatMap(List::stream).flatMap(PageWords::emptyIn));
    }

    private static List<List<PageNode>> inner(PageNode node) {
        return switch (node) {
            case PageNode.FactsNode facts ->
                facts.facts().stream().map(PageNode.PageFact::shown).toList();
            case PageNode.ItemsNode items -> items.items();
            case PageNode.ColumnsNode columns -> columns.columns();
            case PageNode.SectionNode section -> List.of(section.shown());
            case PageNode.FoldNode fold -> List.of(fold.shown());
            case PageNode.FilteredNode list -> List.of(list.shown());
            default -> List.of();
        };
    }

    /** The levels of all headings, in their order. */
    static List<Integer> headings(List<PageNode> nodes) {
        return nodes.stream()
                .flatMap(node -> Stream.concat(
                        switch (node) {
                            case PageNode.HeadingNode heading -> Stream.of(heading.level());
                            case PageNode.SectionNode section
                            when !section.heading().isEmpty() -> Stream.of(section.level());
                            default -> Stream.<Integer>empty();
                        },
                        inner(node).stream().flatMap(each -> headings(each).stream())))
                .toList();
    }
}
