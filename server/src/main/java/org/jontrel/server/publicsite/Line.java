package org.jontrel.server.publicsite;

import java.util.List;
import org.jontrel.site.media.StoredFile;

/**
 * A filled field on a page.
 *
 * @param form {@code text}, {@code prose} (with its line breaks), {@code html} (a safe subset), {@code items},
 *     {@code pictures} or {@code rows}
 * @param heads of the columns of rows
 * @param rows cells of rows, as a reader sees them
 */
public record Line(
        String label,
        String form,
        String text,
        List<Item> items,
        List<StoredFile> pictures,
        List<String> heads,
        List<List<Cell>> rows) {
    /**
     * What stands in a row: a text, or rows of its own.
     *
     * @param heads of the columns of its rows; none for a text
     */
    public record Cell(String text, List<String> heads, List<List<Cell>> rows) {
        static final Cell EMPTY = text("");

        static Cell text(String text) {
            return new Cell(text, List.of(), List.of());
        }
    }

    /**
     * A word of a list.
     *
     * @param href where it leads, or {@code null}
     * @param colour to show beside it, or {@code null}
     */
    public record Item(String text, String href, String colour) {}

    static Line text(String label, String text) {
        return new Line(label, "text", text, List.of(), List.of(), List.of(), List.of());
    }

    static Line prose(String label, String text) {
        return new Line(label, "prose", text, List.of(), List.of(), List.of(), List.of());
    }

    static Line html(String label, String html) {
        return new Line(label, "html", html, List.of(), List.of(), List.of(), List.of());
    }

    static Line items(String label, List<Item> items) {
        return new Line(label, "items", "", items, List.of(), List.of(), List.of());
    }

    static Line pictures(String label, List<StoredFile> pictures) {
        return new Line(label, "pictures", "", List.of(), pictures, List.of(), List.of());
    }

    static Line rows(String label, Cell table) {
        return new Line(label, "rows", "", List.of(), List.of(), table.heads(), table.rows());
    }
}
