package org.jontrel.bench.serve;

import jakarta.servlet.http.HttpServletRequest;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
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
import java.util.Optional;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.block.PictureShape;
import org.jontrel.core.model.block.PictureSize;
import org.jontrel.core.model.block.TextRole;
import org.jontrel.core.page.node.InlineNode;
import org.jontrel.core.page.node.PageAddress;
import org.jontrel.core.page.node.PageNode;
import org.jontrel.serve.publicsite.PageFrame;
import org.jontrel.serve.publicsite.PageHead;
import org.jontrel.site.media.StoredFile;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;

/** The parts of a page, written by hand. */
final class HandParts {
    private static final MediaType HTML = new MediaType("text", "html", StandardCharsets.UTF_8);
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

    static ResponseEntity<String> html(String page) {
        return ResponseEntity.ok().contentType(HTML).body(page);
    }

    static PageNode next(String path) {
        return new PageNode.PagesNode(Optional.empty(), Optional.of(new PageAddress.InsideSite(path)));
    }

    /** What stands in the head of an index, or of a page without a picture. */
    static PageHead head(String title, String description, HttpServletRequest request, PageFrame frame, String path) {
        return head(title, description, request, frame, path, null);
    }

    /** @param picture where the page is shared; {@code null} for none */
    static PageHead head(
            String title,
            String description,
            HttpServletRequest request,
            PageFrame frame,
            String path,
            StoredFile picture) {
        var host = "http://" + request.getHeader("Host");
        boolean index = path.endsWith("/");
        return new PageHead(
                title + " · " + frame.name(),
                description,
                "",
                host + frame.home() + path,
                path,
                Optional.ofNullable(picture)
                        .map(file -> new PageHead.SharedPicture(
                                host + frame.home() + "media/" + file.id() + "?width=1280",
                                file.alt(),
                                file.width(),
                                file.height())),
                "",
                frame.home().contains(HandPages.SITE),
                index ? frame.home() + path + "feed.xml" : "");
    }

    /** Search engines are to leave out what somebody narrowed. */
    static PageHead narrowed(PageHead head) {
        return new PageHead(
                head.title(),
                head.description(),
                head.words(),
                head.address(),
                head.path(),
                head.picture(),
                head.linked(),
                true,
                head.feed());
    }

    static List<InlineNode> words(String text) {
        return List.of(new InlineNode.WordRun(text));
    }

    static List<PageNode> card(HandPages.Structure structure, Map<Long, StoredFile> files) {
        var nodes = new ArrayList<PageNode>();
        picture(nodes, structure, files, PictureSize.SMALL);
        nodes.add(new PageNode.HeadingNode(
                2,
                List.of(new InlineNode.LinkRun(
                        structure.title(), new PageAddress.InsideSite("structures/" + structure.slug()), false)),
                false));
        if (!structure.summary().isEmpty()) {
            nodes.add(new PageNode.TextNode(TextRole.PLAIN, words(structure.summary())));
        }
        return nodes;
    }

    private static void picture(
            List<PageNode> nodes, HandPages.Structure structure, Map<Long, StoredFile> files, PictureSize size) {
        var file = structure.picture() == null ? null : files.get(structure.picture());
        if (file != null) {
            var facts = new PageNode.PictureFacts(
                    file.id(), file.width(), file.height(), file.alt(), file.focusX(), file.focusY());
            nodes.add(new PageNode.PicturesNode(
                    List.of(new PageNode.Picture(
                            facts,
                            size,
                            size == PictureSize.FULL ? PictureShape.WIDE : PictureShape.ORIGINAL,
                            false,
                            size == PictureSize.FULL,
                            Optional.empty())),
                    false));
        }
    }

    static List<PageNode> page(HandPages.Structure structure, Map<Long, StoredFile> files, ContentType type) {
        var nodes = new ArrayList<PageNode>();
        nodes.add(new PageNode.TrailNode(
                List.of(new InlineNode.LinkRun(type.plural(), new PageAddress.InsideSite(type.path() + "/"), false))));
        nodes.add(new PageNode.HeadingNode(1, words(structure.title()), false));
        if (!structure.summary().isEmpty()) {
            nodes.add(new PageNode.TextNode(TextRole.LEAD, words(structure.summary())));
        }
        picture(nodes, structure, files, PictureSize.FULL);
        section(nodes, "Facts", facts(structure));
        section(nodes, "For visitors", visitors(structure));
        return nodes;
    }

    private static void section(List<PageNode> nodes, String title, List<PageNode.PageFact> facts) {
        if (!facts.isEmpty()) {
            nodes.add(new PageNode.SectionNode(title, 2, "", List.of(new PageNode.FactsNode(facts))));
        }
    }

    private static List<PageNode.PageFact> facts(HandPages.Structure structure) {
        var facts = new ArrayList<PageNode.PageFact>();
        text(facts, "Sort", SORTS.get(structure.sort()));
        text(facts, "Rise", structure.rise());
        text(facts, "Width", structure.width() == null ? null : number(structure.width()) + "\u00a0m");
        text(facts, "Built", structure.built() == null ? null : number(structure.built()));
        text(facts, "Condition", CONDITIONS.get(String.valueOf(structure.condition())));
        text(facts, "Gates", structure.gates());
        if (structure.inspected() != null) {
            var day = structure.inspected().format(DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH));
            fact(
                    facts,
                    "Last inspected",
                    new InlineNode.TimeRun(day, structure.inspected().toString()));
        }
        return facts;
    }

    private static List<PageNode.PageFact> visitors(HandPages.Structure structure) {
        var facts = new ArrayList<PageNode.PageFact>();
        text(facts, "Step-free", structure.stepFree() == null ? null : structure.stepFree() ? "Step-free" : "Steps");
        text(facts, "Story", structure.story());
        return facts;
    }

    private static String number(BigDecimal number) {
        return number.stripTrailingZeros().toPlainString();
    }

    private static void text(List<PageNode.PageFact> facts, String label, String text) {
        if (text != null) {
            fact(facts, label, new InlineNode.WordRun(text));
        }
    }

    private static void fact(List<PageNode.PageFact> facts, String label, InlineNode run) {
        facts.add(new PageNode.PageFact(label, List.of(new PageNode.TextNode(TextRole.PLAIN, List.of(run)))));
    }
}
