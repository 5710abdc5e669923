package org.jontrel.core.page;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Index;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Layout;
import org.jontrel.core.model.Look;
import org.jontrel.core.model.block.Block;
import org.jontrel.core.model.block.BlockKind;
import org.jontrel.core.model.block.Presentation;
import org.jontrel.core.model.block.RecordsForm;
import org.jontrel.core.model.block.TextRole;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.page.node.InlineNode;
import org.jontrel.core.page.node.PageAddress;
import org.jontrel.core.page.node.PageNode;
import org.jontrel.core.page.node.RecordHead;
import org.jontrel.core.record.Conditions;

/** Makes the tree of a page out of layouts and what was read for them. For one page, by one thread. */
public final class PageMaker {
    /** What the ids of blocks begin with that nobody has made. */
    static final String REST = "rest_";

    private static final int LOWEST = 6;
    private final PageModel model;
    private final String siteName;
    private final SeenRecords seen;
    final ReachedValues reached;
    final ValueWords words;
    final FieldNodes fields;
    private final ListNodes lists;
    private final WayNodes ways;
    private final HeadMaker heads;
    /** Whether the page has its heading of the first level. */
    private boolean isTitled;

    /** @param today for how far days are away */
    public PageMaker(PageModel model, PageData data, LocalDate today) {
        this.model = model;
        this.siteName = data.siteName();
        this.seen = new SeenRecords(model, data, FilledTexts.of(model, data, today));
        this.reached = new ReachedValues(model, data, seen);
        this.words = new ValueWords(reached, data, today);
        this.fields = new FieldNodes(model, data, reached, words);
        this.lists = new ListNodes(this, model, seen);
        this.ways = new WayNodes(model, seen, reached, fields);
        this.heads = new HeadMaker(model, data, seen, reached, words);
    }

    /** What stands on the page of a record or term. */
    public List<PageNode> page(PageRecord record) {
        return titled(
                of(record, Layout.LayoutUse.PAGE, Spot.top()), seen.seen(record).title());
    }

    /** What stands in the head of that page. */
    public RecordHead head(PageRecord record) {
        return heads.of(record);
    }

    /** What stands on the home page, by the layout that somebody has made for it. */
    public List<PageNode> home(Layout layout) {
        return titled(record(layout.blocks(), PagePlace.SITE, Spot.top()), siteName);
    }

    /** What stands around the pages of a site. */
    public record AroundPages(List<PageNode> tagline, List<PageNode> footer) {}

    public AroundPages around(Look look) {
        isTitled = true;
        var tagline = record(PageModel.tagline(look), PagePlace.SITE, Spot.top());
        var footer = record(look.footer(), PagePlace.SITE, Spot.top());
        return new AroundPages(tagline, HeadingLevels.closed(footer));
    }

    /** A page whose layout has no heading of the first level has one for those who read it by ear. */
    private List<PageNode> titled(List<PageNode> nodes, String title) {
        if (isTitled) {
            return HeadingLevels.closed(nodes);
        }
        var all = new ArrayList<PageNode>();
        all.add(new PageNode.HeadingNode(1, List.of(new InlineNode.WordRun(title)), true));
        all.addAll(nodes);
        return HeadingLevels.closed(all);
    }

    /** Records as cards or lines of a list. @param level of their headings */
    public List<PageNode> items(PageNode.ItemsForm form, List<PageRecord> records, int level) {
        return lists.items(form, records.stream().map(seen::seen).toList(), new Spot(level - 1, 0, false, List.of()));
    }

    /** Records as the index of their type has them. @param level of their headings */
    public List<PageNode> listed(Index index, List<PageRecord> records, int level) {
        return lists.ofIndex(
                index, records.stream().map(seen::seen).toList(), new Spot(level - 1, 0, false, List.of()));
    }

    /** Which layout a record gets, and why. */
    public LayoutChoice choice(PageRecord record, Layout.LayoutUse use) {
        var place = reached.place(seen.seen(record));
        return LayoutChoice.of(model, record.link().type(), use, seen.conditions(place));
    }

    /**
     * Where on the page something is made.
     *
     * @param level of the heading that it stands under, or is; 1 for the page itself
     * @param lists how many lists it is within
     * @param card whether titles lead to the pages of records
     * @param layout all blocks of the record, of which one may show what the others leave
     */
    record Spot(int level, int lists, boolean card, List<Block> layout) {
        static Spot top() {
            return new Spot(1, 0, false, List.of());
        }

        /** Under a heading. */
        Spot deeper() {
            return new Spot(Math.min(LOWEST, level + 1), lists, card, layout);
        }

        Spot inList(boolean ofRecords) {
            return new Spot(Math.min(LOWEST, level + 1), lists + 1, ofRecords, List.of());
        }

        Spot of(List<Block> blocks) {
            return new Spot(level, lists, card, blocks);
        }
    }

    List<PageNode> of(PageRecord record, Layout.LayoutUse use, Spot spot) {
        var shown = seen.seen(record);
        var place = reached.place(shown);
        return record(layout(shown, use, place).blocks(), place, spot);
    }

    private Layout layout(PageRecord shown, Layout.LayoutUse use, PagePlace place) {
        var first = model.layouts(shown.link().type(), use).getFirst();
        // most types have one layout for all records: what conditions see is costly to gather
        return first.where().equals(Condition.ALWAYS)
                ? first
                : LayoutChoice.layout(model, shown.link().type(), use, seen.conditions(place));
    }

    /** All that stands for a record, or a row. */
    List<PageNode> record(List<Block> blocks, PagePlace place, Spot spot) {
        return all(blocks, place, spot.of(blocks));
    }

    /** Blocks under one another, facts that follow each other in one list. */
    private List<PageNode> all(List<Block> blocks, PagePlace place, Spot spot) {
        var nodes = new ArrayList<PageNode>();
        for (var block : blocks) {
            if (shows(block, place)) {
                add(nodes, block(block, place, spot));
            }
        }
        return nodes;
    }

    private static void add(List<PageNode> nodes, List<PageNode> more) {
        for (var node : more) {
            if (node instanceof PageNode.FactsNode(var facts)
                    && !nodes.isEmpty()
                    && nodes.getLast() instanceof PageNode.FactsNode(var before)) {
                var all = new ArrayList<>(before);
                all.addAll(facts);
                nodes.set(nodes.size() - 1, new PageNode.FactsNode(all));
            } else {
                nodes.add(node);
            }
        }
    }

    private boolean shows(Block block, PagePlace place) {
        return block.showWhen().equals(Condition.ALWAYS) || Conditions.holds(block.showWhen(), seen.conditions(place));
    }

    private List<PageNode> block(Block block, PagePlace place, Spot spot) {
        var nodes = filled(block, place, spot);
        if (!nodes.isEmpty() || block.empty().isEmpty()) {
            return nodes;
        }
        List<PageNode> wording = List.of(text(TextRole.PLAIN, block.empty()));
        return block.kind() instanceof BlockKind.FieldValue value
                ? labelled(block, label(value.field(), place), wording)
                : headed(block, defaultHeading(block, place), "", wording, spot);
    }

    static PageNode text(TextRole role, String text) {
        return new PageNode.TextNode(role, List.of(new InlineNode.WordRun(text)));
    }

    private List<PageNode> filled(Block block, PagePlace place, Spot spot) {
        return switch (block.kind()) {
            case BlockKind.FieldValue value -> field(block, value, place, spot);
            case BlockKind.Prose prose -> prose(block, prose, place, spot);
            case BlockKind.Rows _, BlockKind.Related _, BlockKind.Children _, BlockKind.ListingUse _ -> {
                var heading = block.label().isEmpty() ? defaultHeading(block, place) : block.label();
                boolean under = block.labelled() && !heading.isEmpty() && !lists.isLine(block.kind());
                var nodes = lists.of(block, place, under ? spot.deeper() : spot);
                yield lists.isLine(block.kind())
                        ? labelled(block, defaultHeading(block, place), around(block, place, nodes))
                        : headed(block, defaultHeading(block, place), "", around(block, place, nodes), spot);
            }
            case BlockKind.TermLabels terms ->
                labelled(
                        block,
                        terms.taxonomy().isEmpty() ? "" : label(terms.taxonomy(), place),
                        around(block, place, ways.labels(terms, place)));
            case BlockKind.Breadcrumbs _ -> ways.trail(place);
            case BlockKind.Neighbours _ -> ways.neighbours(block, place);
            case BlockKind.IndexLink _ -> ways.indexLink(place);
            case BlockKind.Stack(List<Block> blocks) ->
                headed(block, "", "", all(blocks, place, under(block, spot)), spot);
            case BlockKind.Columns columns -> columns(block, columns, place, spot);
            case BlockKind.Anchored section ->
                headed(block, "", section.anchor(), all(section.blocks(), place, under(block, spot)), spot);
            case BlockKind.Fold fold -> {
                var nodes = all(fold.blocks(), place, spot);
                yield nodes.isEmpty() ? nodes : List.of(new PageNode.FoldNode(block.label(), fold.open(), nodes));
            }
            case BlockKind.PartUse(String id) -> part(block, id, place, spot);
            case BlockKind.Rest _ -> headed(block, "", "", rest(place, under(block, spot)), spot);
        };
    }

    /** Where what a block holds is made: under its heading, where it has one. */
    private static Spot under(Block block, Spot spot) {
        return block.labelled() && !block.label().isEmpty() ? spot.deeper() : spot;
    }

    // Values

    private List<PageNode> field(Block block, BlockKind.FieldValue value, PagePlace place, Spot spot) {
        var found = reached.follow(value.field(), place);
        if (value.as() == Presentation.HEADING) {
            return heading(value, found, place, spot);
        }
        var nodes = around(block, place, shown(found, value, spot));
        boolean bare =
                block.label().isEmpty() && (value.as() == Presentation.LEAD || value.as() == Presentation.LABEL_ALONE);
        return bare ? nodes : labelled(block, label(value.field(), place), nodes);
    }

    private List<PageNode> shown(ReachedValues.Reached found, BlockKind.FieldValue value, Spot spot) {
        if (found instanceof ReachedValues.FoundValues values
                && values.field().kind() instanceof Kind.RichText
                && value.as() != Presentation.EXCERPT) {
            return lists.inTexts(values.values(), spot);
        }
        var nodes = fields.of(found, value);
        return spot.lists() > 0 ? nodes : FieldNodes.eager(nodes);
    }

    private List<PageNode> heading(
            BlockKind.FieldValue value, ReachedValues.Reached found, PagePlace place, Spot spot) {
        var text = words.of(found);
        if (text.isEmpty() && value.field().equals("part_title") && place.record() != null) {
            text = place.record().title();
        }
        if (text.isEmpty()) {
            return List.of();
        }
        boolean leads = spot.card()
                && value.linked()
                && place.record() != null
                && !place.record().address().isEmpty();
        InlineNode run = leads
                ? new InlineNode.LinkRun(
                        text, new PageAddress.InsideSite(place.record().address()), false)
                : new InlineNode.WordRun(text);
        return List.of(headline(run, spot));
    }

    /** The first heading of a page is that of the page. */
    private PageNode headline(InlineNode run, Spot spot) {
        boolean ofPage = spot.level() == 1 && !isTitled;
        isTitled |= ofPage;
        return new PageNode.HeadingNode(ofPage ? 1 : Math.max(2, spot.level()), List.of(run), false);
    }

    private List<PageNode> prose(Block block, BlockKind.Prose prose, PagePlace place, Spot spot) {
        var text = words.text(prose.text(), place).filter(each -> !each.isBlank());
        if (text.isEmpty()) {
            return List.of();
        }
        var node = prose.as() == TextRole.HEADING
                ? headline(new InlineNode.WordRun(text.get()), spot)
                : text(prose.as(), text.get());
        var nodes = List.of(node);
        return headed(block, "", "", around(block, place, nodes), spot);
    }

    /** What a block shows with the texts before and after it, in one line where it is one. */
    private List<PageNode> around(Block block, PagePlace place, List<PageNode> nodes) {
        if (nodes.isEmpty() || block.before().isEmpty() && block.after().isEmpty()) {
            return nodes;
        }
        var before = words.text(block.before(), place).orElse("");
        var after = words.text(block.after(), place).orElse("");
        if (nodes.size() == 1 && nodes.getFirst() instanceof PageNode.TextNode(TextRole role, var runs)) {
            var line = new ArrayList<InlineNode>();
            line.add(new InlineNode.WordRun(before));
            line.addAll(runs);
            line.add(new InlineNode.WordRun(after));
            line.removeIf(new InlineNode.WordRun("")::equals);
            return List.of(new PageNode.TextNode(role, line));
        }
        var all = new ArrayList<PageNode>();
        if (!before.isEmpty()) {
            all.add(text(TextRole.PLAIN, before));
        }
        all.addAll(nodes);
        if (!after.isEmpty()) {
            all.add(text(TextRole.PLAIN, after));
        }
        return all;
    }

    /** The index of a type, narrowed to what has a term; empty where there is none. */
    Optional<InlineNode> toIndex(String type, PageRecord term) {
        return ways.toIndex(type, term);
    }

    /** The label of what a way leads to. */
    String label(String path, PagePlace place) {
        return place.find(path)
                .map(held -> held.field().label())
                .orElseGet(() -> new StepLabels(model)
                        .of(path.substring(path.lastIndexOf('.') + 1), reached.follow(path, place)));
    }

    private static List<PageNode> labelled(Block block, String usual, List<PageNode> nodes) {
        var label = block.label().isEmpty() ? usual : block.label();
        return nodes.isEmpty() || !block.labelled() || label.isEmpty()
                ? nodes
                : List.of(new PageNode.FactsNode(List.of(new PageNode.PageFact(label, nodes))));
    }

    private static List<PageNode> headed(Block block, String usual, String anchor, List<PageNode> nodes, Spot spot) {
        var heading = block.label().isEmpty() ? usual : block.label();
        if (nodes.isEmpty()) {
            return nodes;
        }
        if (!block.labelled() || heading.isEmpty()) {
            return anchor.isEmpty() ? nodes : List.of(new PageNode.SectionNode("", 0, anchor, nodes));
        }
        return List.of(new PageNode.SectionNode(heading, Math.min(LOWEST, spot.level() + 1), anchor, nodes));
    }

    private String defaultHeading(Block block, PagePlace place) {
        return switch (block.kind()) {
            case BlockKind.Rows rows -> label(rows.field(), place);
            case BlockKind.Related related -> label(related.field(), place);
            case BlockKind.ListingUse(String id) ->
                model.listing(id).map(listing -> listing.title()).orElse("");
            default -> "";
        };
    }

    // Arrangement

    private List<PageNode> columns(Block block, BlockKind.Columns columns, PagePlace place, Spot spot) {
        var filled = columns.blocks().stream()
                .filter(each -> shows(each, place))
                .map(each -> block(each, place, under(block, spot)))
                .filter(nodes -> !nodes.isEmpty())
                .toList();
        if (filled.isEmpty()) {
            return List.of();
        }
        return headed(block, "", "", List.of(new PageNode.ColumnsNode(columns.widths(), filled)), spot);
    }

    private List<PageNode> part(Block block, String id, PagePlace place, Spot spot) {
        return model.part(id)
                .filter(_ -> spot.lists() < NeedsCollector.MOST_LEVELS)
                .map(part -> {
                    var at = under(block, spot);
                    var nested = new Spot(at.level(), at.lists() + 1, at.card(), at.layout());
                    var from = part.type().isEmpty() ? PagePlace.SITE : place;
                    return headed(block, "", "", all(part.blocks(), from, nested), spot);
                })
                .orElse(List.of());
    }

    private List<PageNode> rest(PagePlace place, Spot spot) {
        if (place.recordType() == null) {
            return List.of();
        }
        var nodes = new ArrayList<PageNode>();
        var shown = new NamedFields(model).of(spot.layout());
        place.recordType()
                .fields()
                .filter(field -> !shown.contains(field.id()) && isShown(field))
                .map(field -> new Block(REST + field.id(), new BlockKind.FieldValue(field.id(), Presentation.USUAL)))
                .forEach(each -> add(nodes, block(each, place, spot)));
        model.shownInverses(place.recordType().id()).stream()
                .filter(inverse -> !shown.contains(inverse))
                .map(inverse -> new Block(REST + inverse, new BlockKind.Related(inverse, RecordsForm.PLAIN, List.of())))
                .forEach(each -> add(nodes, block(each, place, spot)));
        return nodes;
    }

    /** What is there for the order of lists alone is no fact about a record. */
    private static boolean isShown(Field field) {
        return !field.id().equals("part_position") && !(field.kind() instanceof Kind.Note);
    }
}
