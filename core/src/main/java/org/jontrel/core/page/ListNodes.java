package org.jontrel.core.page;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Index;
import org.jontrel.core.model.Layout;
import org.jontrel.core.model.Listing;
import org.jontrel.core.model.block.Arrangement;
import org.jontrel.core.model.block.Block;
import org.jontrel.core.model.block.BlockKind;
import org.jontrel.core.model.block.PictureShape;
import org.jontrel.core.model.block.PictureSize;
import org.jontrel.core.model.block.Presentation;
import org.jontrel.core.model.block.RecordsForm;
import org.jontrel.core.model.block.TextRole;
import org.jontrel.core.page.node.PageNode;
import org.jontrel.core.page.text.TextPieces;
import org.jontrel.core.record.Conditions;
import org.jontrel.core.value.Link;
import org.jontrel.core.value.Row;

/** Blocks that show several things: rows, records, what a listing finds. */
final class ListNodes {
    private static final String TITLE = "part_title";
    /** Items of all lists of a page, at most. */
    static final int MOST_ITEMS = 2_000;

    private final PageMaker maker;
    private final PageModel model;
    private final SeenRecords seen;
    /** Items that the page has so far. */
    private int made;

    ListNodes(PageMaker maker, PageModel model, SeenRecords seen) {
        this.seen = seen;
        this.maker = maker;
        this.model = model;
    }

    /** Whether a block shows names in a line. */
    boolean isLine(BlockKind kind) {
        return switch (kind) {
            case BlockKind.Related related -> related.form().as() == Arrangement.NAMES;
            case BlockKind.Children children -> children.form().as() == Arrangement.NAMES;
            case BlockKind.Rows rows -> rows.as() == Arrangement.NAMES;
            default -> false;
        };
    }

    /** As many as there is room for: lists within lists that lead back and forth would fill any page. */
    private <T> List<T> roomFor(List<T> items) {
        var some = items.subList(0, Math.min(items.size(), MOST_ITEMS - made));
        made += some.size();
        return some;
    }

    List<PageNode> of(Block block, PagePlace place, PageMaker.Spot spot) {
        if (spot.lists() >= NeedsCollector.MOST_LEVELS) {
            return List.of();
        }
        return switch (block.kind()) {
            case BlockKind.Rows rows -> rows(rows, place, spot);
            case BlockKind.Related related -> {
                var found = related(block.id(), related, place);
                yield withAll(related, place, found, records(found, related.form(), related.blocks(), spot));
            }
            case BlockKind.Children children ->
                place.record() == null
                        ? List.of()
                        : records(
                                maker.reached
                                        .list(place.record().link(), block.id())
                                        .toList(),
                                children.form(),
                                children.blocks(),
                                spot);
            case BlockKind.ListingUse(String id) -> listing(id, place, spot);
            default -> throw new IllegalArgumentException("no list: " + block.kind());
        };
    }

    // Rows

    private List<PageNode> rows(BlockKind.Rows block, PagePlace place, PageMaker.Spot spot) {
        if (!(maker.reached.follow(block.field(), place) instanceof ReachedValues.FoundValues found)
                || found.isEmpty()) {
            return List.of();
        }
        var field = found.field();
        var values = roomFor(found.values());
        if (values.isEmpty()) {
            return List.of();
        }
        var rows = values.stream()
                .map(row -> found.place().within(inner(row), field.inner()))
                .toList();
        return switch (block.as()) {
            case TABLE ->
                block.columns().isEmpty()
                        ? maker.fields.table(field, values, List.of())
                        : table(rows, block.columns(), rows.getFirst());
            case BLOCKS, CARDS ->
                items(
                        block.as() == Arrangement.CARDS ? PageNode.ItemsForm.CARDS : PageNode.ItemsForm.BLOCKS,
                        rows.stream().map(row -> row(block, row, field, spot)));
            case LINES, NAMES -> lines(block, rows, field);
        };
    }

    private static Map<String, Object> inner(Object row) {
        return switch (row) {
            case Row(long _, Map<String, Object> values) -> values;
            case Map<?, ?> group -> ReachedValues.inner(group);
            default -> Map.of();
        };
    }

    private List<PageNode> row(BlockKind.Rows block, PagePlace row, Field field, PageMaker.Spot spot) {
        return maker.record(block.blocks().isEmpty() ? facts(block, field) : block.blocks(), row, spot.inList(false));
    }

    private static List<Block> facts(BlockKind.Rows block, Field field) {
        var shown = block.columns().isEmpty()
                ? field.inner().stream().map(Field::id).toList()
                : block.columns();
        return shown.stream()
                .map(each -> new Block("row_" + each, new BlockKind.FieldValue(each, Presentation.USUAL)))
                .toList();
    }

    private List<PageNode> lines(BlockKind.Rows block, List<PagePlace> rows, Field field) {
        var columns = block.columns().isEmpty()
                ? field.inner().stream().map(Field::id).toList()
                : block.columns();
        var lines = rows.stream()
                .map(row -> columns.stream()
                        .map(column -> maker.words.of(maker.reached.follow(column, row)))
                        .filter(text -> !text.isEmpty())
                        .collect(Collectors.joining(", ")))
                .filter(line -> !line.isEmpty())
                .toList();
        if (lines.isEmpty()) {
            return List.of();
        }
        return block.as() == Arrangement.NAMES
                ? List.of(PageMaker.text(TextRole.PLAIN, String.join("; ", lines)))
                : items(
                        PageNode.ItemsForm.LINES,
                        lines.stream().map(line -> List.of(PageMaker.text(TextRole.PLAIN, line))));
    }

    // Records

    /** The records of a relation, or of one of the lists that were read for the block, in their order. */
    private List<PageRecord> related(String blockId, BlockKind.Related block, PagePlace place) {
        var last = block.field().substring(block.field().lastIndexOf('.') + 1);
        if (isList(last) && place.find(last).isEmpty()) {
            return maker.reached
                    .before(block.field(), place)
                    .filter(holder -> holder.record() != null)
                    .flatMap(holder -> maker.reached.list(holder.record().link(), blockId))
                    .distinct()
                    .limit(block.form().limit())
                    .toList();
        }
        var found =
                switch (maker.reached.follow(block.field(), place)) {
                    case ReachedValues.FoundValues values ->
                        values.values().stream()
                                .flatMap(value -> maker.reached.record(values.field(), value).stream())
                                .distinct();
                    case ReachedValues.FoundRecords(var records) -> records.stream();
                    case ReachedValues.FoundWords _ -> Stream.<PageRecord>empty();
                };
        return found.sorted(order(block.form().order()))
                .limit(block.form().limit())
                .toList();
    }

    /** A list of what has a term leads to all that have it, where it may not show them all. */
    private List<PageNode> withAll(
            BlockKind.Related block, PagePlace place, List<PageRecord> found, List<PageNode> nodes) {
        if (nodes.isEmpty() || found.size() < block.form().limit() || place.record() == null) {
            return nodes;
        }
        return maker.toIndex(block.field(), place.record())
                .map(link -> {
                    var all = new ArrayList<>(nodes);
                    all.add(new PageNode.TextNode(TextRole.PLAIN, List.of(link)));
                    return List.copyOf(all);
                })
                .orElse(nodes);
    }

    private boolean isList(String step) {
        return model.leading(step).isPresent() || model.recordType(step).isPresent();
    }

    /** Nothing comes before something, as in lists that the database sorts. */
    private static Comparator<PageRecord> order(List<RecordsForm.Order> order) {
        Comparator<PageRecord> all = (_, _) -> 0;
        for (var each : order) {
            Comparator<PageRecord> by = Comparator.comparing(
                    record -> record.values().get(each.field()),
                    Comparator.nullsFirst((a, b) -> a instanceof String x && b instanceof String y
                            ? x.compareToIgnoreCase(y)
                            : Conditions.compare(a, b)));
            all = all.thenComparing(each.descending() ? by.reversed() : by);
        }
        return all;
    }

    private List<PageNode> records(List<PageRecord> all, RecordsForm form, List<Block> blocks, PageMaker.Spot spot) {
        var records = roomFor(all);
        if (records.isEmpty()) {
            return List.of();
        }
        return switch (form.as()) {
            case NAMES ->
                maker.fields.of(
                        new ReachedValues.FoundRecords(records), new BlockKind.FieldValue(TITLE, Presentation.USUAL));
            case LINES -> items(PageNode.ItemsForm.LINES, records, spot);
            case CARDS -> items(PageNode.ItemsForm.CARDS, records, spot);
            case TABLE -> table(records, form.columns());
            case BLOCKS ->
                items(
                        PageNode.ItemsForm.BLOCKS,
                        records.stream()
                                .map(record -> maker.record(blocks, maker.reached.place(record), spot.inList(true))));
        };
    }

    List<PageNode> items(PageNode.ItemsForm form, List<PageRecord> records, PageMaker.Spot spot) {
        return items(form, Index.Across.FITTING, records, spot);
    }

    private List<PageNode> items(
            PageNode.ItemsForm form, Index.Across across, List<PageRecord> records, PageMaker.Spot spot) {
        var use = form == PageNode.ItemsForm.CARDS ? Layout.LayoutUse.CARD : Layout.LayoutUse.ROW;
        return items(form, across, records.stream().map(record -> maker.of(record, use, spot.inList(true))));
    }

    private static List<PageNode> items(PageNode.ItemsForm form, Stream<List<PageNode>> items) {
        return items(form, Index.Across.FITTING, items);
    }

    private static List<PageNode> items(PageNode.ItemsForm form, Index.Across across, Stream<List<PageNode>> items) {
        var filled = items.filter(nodes -> !nodes.isEmpty()).toList();
        return filled.isEmpty() ? List.of() : List.of(new PageNode.ItemsNode(form, across, filled));
    }

    /** Records as the index of their type has them. */
    List<PageNode> ofIndex(Index index, List<PageRecord> records, PageMaker.Spot spot) {
        if (records.isEmpty()) {
            return List.of();
        }
        return switch (index.as()) {
            case CARDS -> items(PageNode.ItemsForm.CARDS, index.across(), records, spot);
            case LINES -> items(PageNode.ItemsForm.LINES, records, spot);
            case TABLE -> table(records, index.columns());
        };
    }

    private List<PageNode> table(List<PageRecord> records, List<String> columns) {
        return table(
                records.stream().map(maker.reached::place).toList(),
                columns.isEmpty() ? List.of(TITLE) : columns,
                maker.reached.place(records.getFirst()));
    }

    /** A table without the columns that are empty in all its rows. */
    private List<PageNode> table(List<PagePlace> rows, List<String> columns, PagePlace first) {
        var cells = columns.stream()
                .map(column -> rows.stream().map(row -> cell(column, row)).toList())
                .toList();
        var heads = new ArrayList<String>();
        var filled = new ArrayList<List<List<PageNode>>>();
        for (int i = 0; i < columns.size(); i++) {
            var column = columns.get(i);
            if (cells.get(i).stream().anyMatch(cell -> !cell.isEmpty())) {
                heads.add(rows.stream()
                        .map(row -> maker.label(column, row))
                        .filter(label -> !label.isEmpty())
                        .findFirst()
                        .orElseGet(() -> maker.label(column, first)));
                filled.add(cells.get(i));
            }
        }
        if (heads.isEmpty()) {
            return List.of();
        }
        var table = new ArrayList<List<List<PageNode>>>();
        for (int r = 0; r < rows.size(); r++) {
            int at = r;
            table.add(filled.stream().map(column -> column.get(at)).toList());
        }
        return List.of(new PageNode.TableNode(heads, table));
    }

    private List<PageNode> cell(String column, PagePlace place) {
        if (column.equals(TITLE) && place.record() != null && place.around() == null) {
            return List.of(new PageNode.TextNode(TextRole.PLAIN, List.of(FieldNodes.named(place.record(), true))));
        }
        var small = new BlockKind.FieldValue(
                column, Presentation.USUAL, PictureSize.SMALL, PictureShape.ORIGINAL, "", true);
        return maker.fields.of(maker.reached.follow(column, place), small);
    }

    // Listings

    /** Formatted texts, with the listings that editors have put between their paragraphs. */
    List<PageNode> inTexts(List<?> texts, PageMaker.Spot spot) {
        return texts.stream()
                .flatMap(text -> TextPieces.of((String) text).stream())
                .flatMap(piece -> switch (piece) {
                    case TextPieces.HtmlPiece(String html) -> Stream.of(new PageNode.RichNode(html));
                    case TextPieces.ListingPiece(String id, Link of) ->
                        seen.record(of).stream()
                                .flatMap(record -> listing(id, maker.reached.place(record), spot).stream());
                })
                .toList();
    }

    private List<PageNode> listing(String id, PagePlace place, PageMaker.Spot spot) {
        return model.listing(id)
                .filter(_ -> spot.lists() < NeedsCollector.MOST_LEVELS)
                .map(listing -> listing(listing, place, spot))
                .orElse(List.of());
    }

    private List<PageNode> listing(Listing listing, PagePlace place, PageMaker.Spot spot) {
        var of = listing.about().isEmpty() || place.record() == null
                ? PageData.NOWHERE
                : place.record().link();
        var records = roomFor(maker.reached.list(of, listing.id()).toList());
        if (records.isEmpty()) {
            return List.of();
        }
        return switch (listing.shown()) {
            case LINES -> items(PageNode.ItemsForm.LINES, records, spot);
            case CARDS -> items(PageNode.ItemsForm.CARDS, records, spot);
            case TABLE -> table(records, listing.fields());
            case LAYOUT -> {
                var blocks = model.layout(listing.layout()).map(Layout::blocks).orElse(List.of());
                yield items(
                        PageNode.ItemsForm.BLOCKS,
                        records.stream()
                                .map(record -> maker.record(blocks, maker.reached.place(record), spot.inList(true))));
            }
        };
    }
}
