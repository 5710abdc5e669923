package org.jontrel.core.page;

import java.math.BigDecimal;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.block.BlockKind;
import org.jontrel.core.model.block.PictureShape;
import org.jontrel.core.model.block.PictureSize;
import org.jontrel.core.model.block.Presentation;
import org.jontrel.core.model.block.TextRole;
import org.jontrel.core.page.node.InlineNode;
import org.jontrel.core.page.node.PageAddress;
import org.jontrel.core.page.node.PageNode;
import org.jontrel.core.page.node.ReadableInk;
import org.jontrel.core.page.text.TextPieces;
import org.jontrel.core.value.GeoPoint;
import org.jontrel.core.value.Row;

/** The values of one field as parts of a page, in the way that a block asks for. */
final class FieldNodes {
    private static final int MANY_BYTES = 1_000_000;
    private static final int SOME_BYTES = 1_000;
    private final PageModel model;
    private final PageData data;
    private final ReachedValues reached;
    private final ValueWords words;

    FieldNodes(PageModel model, PageData data, ReachedValues reached, ValueWords words) {
        this.model = model;
        this.data = data;
        this.reached = reached;
        this.words = words;
    }

    /** What a block shows of what its way leads to; none where that is nothing. */
    List<PageNode> of(ReachedValues.Reached found, BlockKind.FieldValue block) {
        return switch (found) {
            case ReachedValues.FoundWords(String text) ->
                text.isEmpty() ? List.of() : List.of(text(block.as(), List.of(new InlineNode.WordRun(text))));
            case ReachedValues.FoundRecords(var records) -> names(records, block);
            case ReachedValues.FoundValues values -> values(values.field(), values.values(), block);
        };
    }

    private List<PageNode> values(Field field, List<Object> values, BlockKind.FieldValue block) {
        return switch (field.kind()) {
            case Kind.Image _ -> pictures(values, block);
            case Kind.RichText _
            when block.as() != Presentation.EXCERPT ->
                values.stream()
                        .map(html -> TextPieces.withoutListings((String) html))
                        .filter(html -> !html.isEmpty())
                        .map(html -> (PageNode) new PageNode.RichNode(html))
                        .toList();
            case Kind.Nested _ -> table(field, values, List.of());
            case Kind.LongText _ when block.as() == Presentation.USUAL -> prose(field, values);
            case Kind.TermPick _ when block.as() != Presentation.WORDS -> labels(field, values, block);
            case Kind.Relation _ -> names(records(field, values), block);
            case Kind.Plain _, Kind.File _, Kind.TermPick _, Kind.Note _ -> line(field, values, block);
        };
    }

    private List<PageRecord> records(Field field, List<Object> values) {
        return values.stream()
                .flatMap(value -> reached.record(field, value).stream())
                .toList();
    }

    private List<PageNode> prose(Field field, List<Object> values) {
        return values.stream()
                .map(value -> (PageNode) new PageNode.TextNode(
                        TextRole.PLAIN, List.of(new InlineNode.WordRun(words.of(field, value, Presentation.USUAL)))))
                .toList();
    }

    private List<PageNode> line(Field field, List<Object> values, BlockKind.FieldValue block) {
        var runs = new ArrayList<InlineNode>();
        for (var value : values) {
            var some = runs(field, value, block);
            if (!some.isEmpty() && !runs.isEmpty() && !(some.getFirst() instanceof InlineNode.LabelRun)) {
                runs.add(new InlineNode.WordRun(", "));
            }
            runs.addAll(some);
        }
        if (runs.isEmpty()) {
            return List.of();
        }
        return List.of(
                runs.getFirst() instanceof InlineNode.LabelRun
                        ? new PageNode.LabelsNode(runs)
                        : text(block.as(), runs));
    }

    static PageNode text(Presentation as, List<InlineNode> runs) {
        return new PageNode.TextNode(as == Presentation.LEAD ? TextRole.LEAD : TextRole.PLAIN, runs);
    }

    /** One value as runs of a line; none where there is nothing to show. */
    private List<InlineNode> runs(Field field, Object value, BlockKind.FieldValue block) {
        var text = words.of(field, value, block.as());
        return switch (field.kind()) {
            case Kind.Email _ -> List.of(link(text, "mailto:" + encoded((String) value), block));
            case Kind.Phone _ -> List.of(link(text, "tel:" + ((String) value).replaceAll("[^0-9+]", ""), block));
            case Kind.Url _ -> List.of(isSafe((String) value) ? link(text, (String) value, block) : words(text));
            case Kind.File _ -> file((Long) value, block);
            case Kind.Colour _
            when block.as() == Presentation.USUAL -> List.of(new InlineNode.SwatchRun(text), words(text));
            case Kind.Colour _ when block.as() == Presentation.SWATCH -> List.of(new InlineNode.SwatchRun(text));
            case Kind.Numeric number
            when marks(number, block.as()) ->
                List.of(new InlineNode.MarksRun(
                        ((BigDecimal) value).intValue(),
                        number.max() == null
                                ? ((BigDecimal) value).intValue()
                                : number.max().intValue()));
            case Kind.YesNo _
            when block.as() == Presentation.LABEL_ALONE -> (Boolean) value ? List.of(words(field.label())) : List.of();
            case Kind.Date _, Kind.DateTime _ -> List.of(new InlineNode.TimeRun(text, value.toString()));
            case Kind.Coordinates _ -> {
                var spot = (GeoPoint) value;
                yield List.of(link(
                        text,
                        "geo:" + spot.latitude().toPlainString() + ","
                                + spot.longitude().toPlainString(),
                        block));
            }
            case Kind.Plain _, Kind.Image _, Kind.Relation _, Kind.TermPick _, Kind.Nested _, Kind.Note _ ->
                text.isEmpty()
                        ? List.of()
                        : block.as() == Presentation.LABELS
                                ? List.of(new InlineNode.LabelRun(text, "", "", Optional.empty()))
                                : List.of(words(text));
        };
    }

    private static boolean marks(Kind.Numeric number, Presentation as) {
        return as == Presentation.MARKS
                || as == Presentation.USUAL && number.shown() == Kind.Numeric.NumberControl.MARKS;
    }

    private static InlineNode words(String text) {
        return new InlineNode.WordRun(text);
    }

    private static String encoded(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8)
                .replace("+", "%20")
                .replace("%40", "@");
    }

    /** Addresses that run something where somebody follows them are shown and not followed. */
    static boolean isSafe(String url) {
        var scheme = url.replaceAll("[\\p{Cntrl}\\s]", "").toLowerCase(Locale.ROOT);
        return Stream.of("http:", "https:", "mailto:", "tel:", "ftp:", "sftp:", "geo:")
                .anyMatch(scheme::startsWith);
    }

    private static InlineNode link(String text, String url, BlockKind.FieldValue block) {
        var shown = block.wording().isEmpty() ? text : block.wording();
        return block.as() == Presentation.WORDS
                ? words(text)
                : new InlineNode.LinkRun(shown, new PageAddress.OutsideSite(url), block.as() == Presentation.BUTTON);
    }

    private List<InlineNode> file(long id, BlockKind.FieldValue block) {
        return data.file(id)
                .map(file -> {
                    var name = block.wording().isEmpty() ? file.name() : block.wording();
                    InlineNode link =
                            new InlineNode.LinkRun(name, new PageAddress.OfFile(id), block.as() == Presentation.BUTTON);
                    return List.of(link, words(" (" + kindAndSize(file) + ")"));
                })
                .orElse(List.of());
    }

    private static String kindAndSize(PageFile file) {
        var size = file.bytes() >= MANY_BYTES
                ? String.format(Locale.ROOT, "%.1f\u00a0MB", file.bytes() / (double) MANY_BYTES)
                : Math.max(1, file.bytes() / SOME_BYTES) + "\u00a0kB";
        return file.format().toUpperCase(Locale.ROOT) + ", " + size;
    }

    /** Pictures that are seen at once, unless there are many. */
    static List<PageNode> eager(List<PageNode> nodes) {
        return nodes.stream()
                .map(node -> node instanceof PageNode.PicturesNode(var pictures, boolean gallery) && !gallery
                        ? new PageNode.PicturesNode(
                                pictures.stream()
                                        .map(each -> new PageNode.Picture(
                                                each.facts(), each.size(), each.shape(), false, true, each.to()))
                                        .toList(),
                                false)
                        : node)
                .toList();
    }

    private List<PageNode> pictures(List<Object> values, BlockKind.FieldValue block) {
        var pictures = values.stream()
                .flatMap(id -> data.file((Long) id).stream())
                .filter(file -> file.picture() != null)
                .map(file -> new PageNode.Picture(
                        file.picture(), block.size(), block.shape(), false, false, Optional.empty()))
                .toList();
        return pictures.isEmpty()
                ? List.of()
                : List.of(
                        new PageNode.PicturesNode(pictures, block.as() == Presentation.GALLERY || pictures.size() > 1));
    }

    private List<PageNode> names(List<PageRecord> records, BlockKind.FieldValue block) {
        var runs = new ArrayList<InlineNode>();
        for (var record : records) {
            if (block.as() == Presentation.LABELS) {
                runs.add(label(record, "", block.linked()));
                continue;
            }
            if (!runs.isEmpty()) {
                runs.add(words(", "));
            }
            runs.add(named(record, block.linked()));
        }
        if (runs.isEmpty()) {
            return List.of();
        }
        return List.of(block.as() == Presentation.LABELS ? new PageNode.LabelsNode(runs) : text(block.as(), runs));
    }

    /** A record by its name, leading to its page where it has one. */
    static InlineNode named(PageRecord record, boolean linked) {
        return linked && !record.address().isEmpty()
                ? new InlineNode.LinkRun(record.title(), new PageAddress.InsideSite(record.address()), false)
                : words(record.title());
    }

    /** @param colour id of the field with the colour; the first one there is where empty */
    InlineNode label(PageRecord term, String colour, boolean linked) {
        var field = colour.isEmpty()
                ? model.colour(term.link().type()).map(Field::id).orElse("")
                : colour;
        var ground = term.values().get(field) instanceof String text && ReadableInk.isColour(text) ? text : "";
        return new InlineNode.LabelRun(
                term.title(),
                ground,
                ReadableInk.on(ground).orElse(""),
                linked && !term.address().isEmpty()
                        ? Optional.of(new PageAddress.InsideSite(term.address()))
                        : Optional.empty());
    }

    private List<PageNode> labels(Field field, List<Object> values, BlockKind.FieldValue block) {
        var labels = records(field, values).stream()
                .map(term -> label(term, "", block.linked()))
                .toList();
        return labels.isEmpty() ? List.of() : List.of(new PageNode.LabelsNode(labels));
    }

    /** Rows or a group as a table; without the columns that are empty in all rows. */
    List<PageNode> table(Field field, List<?> rows, List<Field> wanted) {
        var columns = (wanted.isEmpty() ? field.inner() : wanted)
                .stream()
                        .filter(column ->
                                rows.stream().anyMatch(row -> valuesOf(row).get(column.id()) != null))
                        .toList();
        if (columns.isEmpty()) {
            return List.of();
        }
        return List.of(new PageNode.TableNode(
                columns.stream().map(Field::label).toList(),
                rows.stream()
                        .map(row -> columns.stream()
                                .map(column -> cell(column, valuesOf(row).get(column.id())))
                                .toList())
                        .toList()));
    }

    private List<PageNode> cell(Field column, Object value) {
        var block = new BlockKind.FieldValue(
                column.id(), Presentation.USUAL, PictureSize.SMALL, PictureShape.ORIGINAL, "", true);
        return values(column, List.copyOf(ReachedValues.several(value)), block);
    }

    static Map<?, ?> valuesOf(Object row) {
        return switch (row) {
            case Row(long _, Map<String, Object> values) -> values;
            case Map<?, ?> group -> group;
            default -> Map.of();
        };
    }
}
