package org.jontrel.bench.serve;

import jakarta.servlet.http.HttpServletRequest;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jontrel.core.model.Index;
import org.jontrel.core.model.block.TextRole;
import org.jontrel.core.page.node.InlineNode;
import org.jontrel.core.page.node.PageAddress;
import org.jontrel.core.page.node.PageNode;
import org.jontrel.serve.publicsite.Frames;
import org.jontrel.serve.publicsite.PageFrame;
import org.jontrel.serve.publicsite.PageWriter;
import org.jontrel.server.site.Sites;
import org.springframework.boot.jdbc.autoconfigure.DataSourceProperties;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/**
 * Pages of the site with 100,000 surveys as somebody would write them who knows its tables: the waters below one, with five
 * surveys of each and their keepers.
 */
@RestController
class HandSurveys {
    static final String WATER = "reach-1";
    static final String SEEN = """
            (%1$s.state = 'published' AND (%1$s.retire_at IS NULL OR %1$s.retire_at > UTC_TIMESTAMP())
              OR %1$s.state = 'scheduled' AND %1$s.publish_at <= UTC_TIMESTAMP()
              AND (%1$s.retire_at IS NULL OR %1$s.retire_at > UTC_TIMESTAMP()))""";
    private static final String OF_WATER = """
            (SELECT m.id, %1$d AS water, m.title, m.slug, m.rating FROM survey m
              WHERE m.state = 'published' AND (m.retire_at IS NULL OR m.retire_at > UTC_TIMESTAMP())
              AND m.id IN (SELECT r.record_id FROM survey__terms__waterway r
                JOIN terms__waterway__above a ON a.term_id = r.term_id AND a.above_id = %1$d
                JOIN terms__waterway t ON t.id = r.term_id AND %2$s)
              ORDER BY m.title, m.id LIMIT 5)""";
    private final BenchPool pool;
    private final PageWriter writer;
    private final PageFrame frame;

    HandSurveys(DataSourceProperties server, Sites sites, PageWriter writer, Frames frames) {
        this.writer = writer;
        pool = new BenchPool(server, SurveySite.SITE);
        frame = frames.of(sites.get(SurveySite.SITE), sites.engine(SurveySite.SITE));
    }

    private record NamedRow(long id, String name, String slug) {}

    private record Survey(long id, long water, String title, String slug, String rating) {}

    interface RowOf<T> {
        T read(ResultSet row) throws SQLException;
    }

    static <T> List<T> read(Connection connection, String sql, RowOf<T> of) throws SQLException {
        var all = new ArrayList<T>();
        try (var statement = connection.createStatement();
                var row = statement.executeQuery(sql)) {
            while (row.next()) {
                all.add(of.read(row));
            }
        }
        return all;
    }

    private static NamedRow named(ResultSet row) throws SQLException {
        return new NamedRow(row.getLong(1), row.getString(2), row.getString(3));
    }

    // Waters, their surveys, and the keepers of these

    @GetMapping("/public/hand/water")
    ResponseEntity<String> water(HttpServletRequest request) throws SQLException {
        try (var connection = pool.connection()) {
            var water = read(
                            connection,
                            "SELECT id, label, slug FROM terms__waterway WHERE slug = '" + WATER + "'",
                            HandSurveys::named)
                    .getFirst();
            var below = read(
                    connection,
                    "SELECT m.id, m.label, m.slug FROM terms__waterway m WHERE m.parent_id = " + water.id() + " AND "
                            + SEEN.formatted("m") + " ORDER BY m.position, m.id LIMIT 10",
                    HandSurveys::named);
            var surveys = read(
                            connection,
                            below.stream()
                                    .map(each -> OF_WATER.formatted(each.id(), SEEN.formatted("t")))
                                    .collect(Collectors.joining(" UNION ALL ")),
                            row -> new Survey(
                                    row.getLong(1),
                                    row.getLong(2),
                                    row.getString(3),
                                    row.getString(4),
                                    row.getString(5)))
                    .stream()
                    .collect(Collectors.groupingBy(Survey::water));
            var keepers = keepers(
                    connection,
                    surveys.values().stream()
                            .flatMap(List::stream)
                            .map(Survey::id)
                            .toList());
            connection.commit();
            var items = below.stream()
                    .map(each -> item(each, surveys.getOrDefault(each.id(), List.of()), keepers))
                    .toList();
            var nodes = List.<PageNode>of(
                    new PageNode.HeadingNode(1, HandParts.words(water.name()), false),
                    new PageNode.ItemsNode(PageNode.ItemsForm.BLOCKS, Index.Across.FITTING, items));
            var head = HandParts.head(water.name(), "", request, frame, "waterways/" + WATER);
            return HandParts.html(writer.page(frame, head, nodes));
        }
    }

    private static Map<Long, NamedRow> keepers(Connection connection, List<Long> surveys) throws SQLException {
        return read(
                        connection,
                        "SELECT k.record_id, p.title, p.slug FROM survey__keeper k JOIN person p ON p.id = k.target_id AND "
                                + SEEN.formatted("p") + " WHERE k.record_id IN (" + HandPages.joined(surveys) + ")",
                        HandSurveys::named)
                .stream()
                .collect(Collectors.toMap(NamedRow::id, each -> each));
    }

    static InlineNode link(String text, String path) {
        return new InlineNode.LinkRun(text, new PageAddress.InsideSite(path), false);
    }

    static PageNode text(InlineNode run) {
        return new PageNode.TextNode(TextRole.PLAIN, List.of(run));
    }

    private static PageNode heading(int level, String text, String path) {
        return new PageNode.HeadingNode(level, List.of(link(text, path)), false);
    }

    private static List<PageNode> item(NamedRow water, List<Survey> surveys, Map<Long, NamedRow> keepers) {
        var items = surveys.stream()
                .map(each -> List.of(
                        heading(3, each.title(), "surveys/" + each.slug()), facts(each, keepers.get(each.id()))))
                .toList();
        return List.of(
                heading(2, water.name(), "waterways/" + water.slug()),
                new PageNode.ItemsNode(PageNode.ItemsForm.BLOCKS, Index.Across.FITTING, items),
                text(link("All surveys", "surveys/?waterway=" + water.slug())));
    }

    private static PageNode facts(Survey survey, NamedRow keeper) {
        return new PageNode.FactsNode(List.of(
                new PageNode.PageFact(
                        "Rating", List.of(text(new InlineNode.WordRun(HandSurveyIndex.RATINGS.get(survey.rating()))))),
                new PageNode.PageFact("Keeper", List.of(text(link(keeper.name(), "people/" + keeper.slug()))))));
    }
}
