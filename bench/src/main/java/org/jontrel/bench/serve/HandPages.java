package org.jontrel.bench.serve;

import jakarta.servlet.http.HttpServletRequest;
import java.math.BigDecimal;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Objects;
import java.util.stream.Collectors;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Index;
import org.jontrel.core.model.block.TextRole;
import org.jontrel.core.page.node.PageNode;
import org.jontrel.serve.publicsite.Frames;
import org.jontrel.serve.publicsite.PageFrame;
import org.jontrel.serve.publicsite.PageWriter;
import org.jontrel.server.site.Sites;
import org.springframework.boot.jdbc.autoconfigure.DataSourceProperties;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

/**
 * Two pages of the demo's site Trial as somebody would write them who knows its tables: the statements and the templates
 * are those of the application, and nothing is asked of definitions.
 */
@RestController
class HandPages {
    static final String SITE = "trial";
    private static final String COLUMNS =
            "id, slug, parent_type, parent_id, position, state, publish_at, retire_at, origin, version, complete,"
                    + " created_at, updated_at, created_by, updated_by, title, summary, lead_image, sort, rise, width_m, built,"
                    + " `condition`, gates, inspected, step_free, story";
    private static final String PAGE = """
            (SELECT id AS own_id, title AS key_0 FROM structure WHERE state = 'published' ORDER BY title, id LIMIT 25)
            UNION ALL
            (SELECT id, title FROM structure WHERE state = 'scheduled' AND publish_at <= UTC_TIMESTAMP()
                ORDER BY title, id LIMIT 25)
            ORDER BY key_0, own_id LIMIT 25""";

    private final BenchPool pool;
    private final PageWriter writer;
    private final PageFrame frame;
    private final ContentType type;

    HandPages(DataSourceProperties server, Sites sites, PageWriter writer, Frames frames) {
        this.writer = writer;
        pool = new BenchPool(server, SITE);
        var installed = sites.engine(SITE).installed();
        frame = frames.of(sites.get(SITE), sites.engine(SITE));
        type = (ContentType) installed
                .table(Definition.Sort.TYPE, "structure")
                .orElseThrow()
                .recordType()
                .definition();
    }

    record Structure(
            long id,
            String slug,
            String title,
            String summary,
            Long picture,
            String sort,
            String rise,
            BigDecimal width,
            BigDecimal built,
            String condition,
            String gates,
            LocalDate inspected,
            Boolean stepFree,
            String story) {
        static Structure of(ResultSet row) throws SQLException {
            return new Structure(
                    row.getLong("id"),
                    row.getString("slug"),
                    row.getString("title"),
                    Objects.requireNonNullElse(row.getString("summary"), ""),
                    row.getObject("lead_image", Long.class),
                    row.getString("sort"),
                    row.getString("rise"),
                    row.getBigDecimal("width_m"),
                    row.getBigDecimal("built"),
                    row.getString("condition"),
                    row.getString("gates"),
                    row.getObject("inspected", LocalDate.class),
                    row.getObject("step_free", Boolean.class),
                    row.getString("story"));
        }
    }

    @GetMapping("/public/hand/")
    ResponseEntity<String> index(HttpServletRequest request) throws SQLException {
        try (var connection = pool.connection()) {
            var ids = new ArrayList<Long>();
            String next = null;
            try (var statement = connection.createStatement();
                    var row = statement.executeQuery(PAGE)) {
                while (row.next()) {
                    if (ids.size() < 24) {
                        ids.add(row.getLong(1));
                    } else {
                        next = "next";
                    }
                }
            }
            var found = new HashMap<Long, Structure>();
            try (var statement = connection.createStatement();
                    var row = statement.executeQuery(
                            "SELECT " + COLUMNS + " FROM structure WHERE id IN (" + joined(ids) + ")")) {
                while (row.next()) {
                    var structure = Structure.of(row);
                    found.put(structure.id(), structure);
                }
            }
            var structures = ids.stream().map(found::get).toList();
            var files = HandParts.files(connection, structures);
            connection.commit();
            var nodes = List.<PageNode>of(
                    new PageNode.HeadingNode(1, HandParts.words(type.plural()), false),
                    new PageNode.TextNode(TextRole.LEAD, HandParts.words(type.description())),
                    new PageNode.ItemsNode(
                            PageNode.ItemsForm.CARDS,
                            Index.Across.FITTING,
                            structures.stream()
                                    .map(each -> HandParts.card(each, files))
                                    .toList()),
                    HandParts.next(type.path() + "/?after=" + next));
            var head = HandParts.head(type.plural(), type.description(), request, frame, type.path() + "/");
            return HandParts.html(writer.page(frame, head, nodes));
        }
    }

    @GetMapping("/public/hand/{slug}")
    ResponseEntity<String> record(@PathVariable String slug, HttpServletRequest request) throws SQLException {
        try (var connection = pool.connection()) {
            Structure structure;
            try (var statement = connection.prepareStatement(
                    "SELECT " + COLUMNS + " FROM structure WHERE slug = ? AND state <> 'deleted' LIMIT 50")) {
                statement.setString(1, slug);
                try (var row = statement.executeQuery()) {
                    row.next();
                    structure = Structure.of(row);
                }
            }
            var files = HandParts.files(connection, List.of(structure));
            connection.commit();
            var picture = structure.picture() == null ? null : files.get(structure.picture());
            var head = HandParts.head(
                    structure.title(),
                    structure.summary(),
                    request,
                    frame,
                    type.path() + "/" + structure.slug(),
                    picture);
            return HandParts.html(writer.page(frame, head, HandParts.page(structure, files, type)));
        }
    }

    static String joined(List<Long> ids) {
        return ids.stream().map(String::valueOf).collect(Collectors.joining(", "));
    }
}
