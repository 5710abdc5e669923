package org.jontrel.describe;

import java.util.Collections;
import java.util.List;
import java.util.stream.Collectors;
import org.jontrel.core.compare.ComparisonReport;

/** A dictionary as Markdown with tables (GitHub's flavour, which most tools read). */
final class MarkdownPage {
    private final StringBuilder text = new StringBuilder();

    private MarkdownPage() {}

    /** @param picture name of the picture's file beside the document, or empty */
    static String of(Dictionary dictionary, String picture) {
        var page = new MarkdownPage();
        page.line("# " + escaped(dictionary.title()));
        page.paragraph(dictionary.intro());
        page.facts(dictionary.facts());
        if (!picture.isEmpty()) {
            page.line("![How the definitions hang together](" + picture + ")");
        }
        dictionary.chapters().forEach(page::chapter);
        return page.text.toString();
    }

    private static String escaped(String text) {
        return ComparisonReport.escaped(text);
    }

    private void line(String line) {
        text.append(line).append("\n\n");
    }

    private void paragraph(String paragraph) {
        if (!paragraph.isBlank()) {
            line(escaped(paragraph));
        }
    }

    private void facts(List<Dictionary.Fact> facts) {
        facts.forEach(fact -> text.append("- **")
                .append(fact.name())
                .append(":** ")
                .append(escaped(fact.text()))
                .append('\n'));
        text.append('\n');
    }

    private void chapter(Dictionary.Chapter chapter) {
        line("## " + chapter.title());
        for (var entry : chapter.entries()) {
            line("### " + escaped(entry.title()));
            paragraph(entry.intro());
            facts(entry.facts());
            entry.tables().forEach(this::table);
        }
    }

    private void table(Dictionary.DictionaryTable table) {
        line("#### " + escaped(table.title()));
        paragraph(table.intro());
        if (table.rows().isEmpty()) {
            line("Nothing yet.");
            return;
        }
        row(table.columns());
        row(Collections.nCopies(table.columns().size(), "---"));
        for (var row : table.rows()) {
            var cells = new java.util.ArrayList<>(
                    row.cells().stream().map(MarkdownPage::escaped).toList());
            cells.set(0, "&emsp;".repeat(row.depth()) + cells.getFirst());
            row(cells);
        }
        text.append('\n');
    }

    private void row(List<String> cells) {
        text.append(cells.stream().collect(Collectors.joining(" | ", "| ", " |")))
                .append('\n');
    }
}
