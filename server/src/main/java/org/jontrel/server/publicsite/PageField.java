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
public record PageField(
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

    static PageField text(String label, String text) {
        return new PageField(label, "text", text, List.of(), List.of(), List.of(), List.of());
    }

    static PageField prose(String label, String text) {
        return new PageField(label, "prose", text, List.of(), List.of(), List.of(), List.of());
    }

    static PageField html(String label, String html) {
        return new PageField(label, "html", html, List.of(), List.of(), List.of(), List.of());
    }

    static PageField items(String label, List<Item> items) {
        return new PageField(label, "items", "", items, List.of(), List.of(), List.of());
    }

    static PageField pictures(String label, List<StoredFile> pictures) {
        return new PageField(label, "pictures", "", List.of(), pictures, List.of(), List.of());
    }

    static PageField rows(String label, Cell table) {
        return new PageField(label, "rows", "", List.of(), List.of(), table.heads(), table.rows());
    }
}
