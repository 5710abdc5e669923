package org.jontrel.bench.serve;

import java.math.BigDecimal;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import org.jontrel.server.publicsite.PageField;
import org.jontrel.server.publicsite.PublicPages;
import org.jontrel.site.media.StoredFile;

/** The parts of a page, written by hand. */
final class HandParts {
    private static final Map<String, String> SORTS = Map.of("lock", "Lock", "bridge", "Bridge", "aqueduct", "Aqueduct");
    private static final Map<String, String> CONDITIONS = Map.of("good", "Good", "fair", "Fair", "poor", "Poor");

    private HandParts() {}

    static Map<Long, StoredFile> files(Connection connection, List<HandPages.Structure> structures)
            throws SQLException {
        var ids = structures.stream()
                .map(HandPages.Structure::picture)
                .filter(Objects::nonNull)
                .distinct()
                .toList();
        var files = new HashMap<Long, StoredFile>();
        if (ids.isEmpty()) {
            return files;
        }
        try (var statement = connection.createStatement();
                var row = statement.executeQuery("SELECT id, format, width, height, bytes, name, alt, sha256, focus_x,"
                        + " focus_y, created_at, created_by FROM jontrel_media WHERE id IN (" + HandPages.joined(ids)
                        + ")")) {
            while (row.next()) {
                files.put(
                        row.getLong(1),
                        new StoredFile(
                                row.getLong(1),
                                row.getString(2),
                                row.getInt(3),
                                row.getInt(4),
                                row.getLong(5),
                                row.getString(6),
                                row.getString(7),
                                row.getString(8),
                                row.getInt(9),
                                row.getInt(10),
                                row.getObject(11, Timestamp.class).toInstant(),
                                row.getString(12)));
            }
        }
        return files;
    }

    static List<PublicPages.PageSection> sections(HandPages.Structure structure) {
        var facts = new ArrayList<PageField>();
        text(facts, "Sort", SORTS.get(structure.sort()));
        text(facts, "Rise", structure.rise());
        text(facts, "Width", structure.width() == null ? null : number(structure.width()) + "\u00a0m");
        text(facts, "Built", structure.built() == null ? null : number(structure.built()));
        text(facts, "Condition", CONDITIONS.get(String.valueOf(structure.condition())));
        text(facts, "Gates", structure.gates());
        text(
                facts,
                "Last inspected",
                structure.inspected() == null
                        ? null
                        : structure.inspected().format(DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH)));
        var visitors = new ArrayList<PageField>();
        text(visitors, "Step-free", structure.stepFree() == null ? null : structure.stepFree() ? "Step-free" : "Steps");
        if (structure.story() != null) {
            visitors.add(
                    new PageField("Story", "prose", structure.story(), List.of(), List.of(), List.of(), List.of()));
        }
        var sections = new ArrayList<PublicPages.PageSection>();
        if (!facts.isEmpty()) {
            sections.add(new PublicPages.PageSection("Facts", facts));
        }
        if (!visitors.isEmpty()) {
            sections.add(new PublicPages.PageSection("For visitors", visitors));
        }
        return sections;
    }

    static String number(BigDecimal number) {
        return number.stripTrailingZeros().toPlainString();
    }

    static void text(List<PageField> lines, String label, String text) {
        if (text != null) {
            lines.add(new PageField(label, "text", text, List.of(), List.of(), List.of(), List.of()));
        }
    }
}
