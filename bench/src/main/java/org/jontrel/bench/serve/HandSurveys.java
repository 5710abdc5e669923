package org.jontrel.bench.serve;

import jakarta.servlet.http.HttpServletRequest;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jontrel.core.model.Index;
import org.jontrel.core.model.block.TextRole;
import org.jontrel.core.page.node.FilterForm;
import org.jontrel.core.page.node.InlineNode;
import org.jontrel.core.page.node.PageAddress;
import org.jontrel.core.page.node.PageNode;
import org.jontrel.server.publicsite.Frames;
import org.jontrel.server.publicsite.PageFrame;
import org.jontrel.server.publicsite.PageWriter;
import org.jontrel.server.site.Sites;
import org.springframework.boot.jdbc.autoconfigure.DataSourceProperties;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/**
 * Pages of the site with 100,000 surveys as somebody would write them who knows its tables: the waters below one, with five
 * surveys of each and their keepers; and the index, narrowed by a rating.
 */
@RestController
class HandSurveys {
    static final String WATER = "reach-1";
    private static final Map<String, String> RATINGS = ratings();
    private static final String SEEN = """
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
    private static final String LISTED = """
            SELECT slug, title, length, day FROM survey m
              WHERE m.state = 'published' AND (m.retire_at IS NULL OR m.retire_at > UTC_TIMESTAMP()) AND m.rating = 'fair'
              ORDER BY m.day, m.id LIMIT 25""";

    private final BenchPool pool;
    private final PageWriter writer;
    private final PageFrame frame;

    HandSurveys(DataSourceProperties server, Sites sites, PageWriter writer, Frames frames) {
        this.writer = writer;
        pool = new BenchPool(server, SurveySite.SITE);
        frame = frames.of(sites.get(SurveySite.SITE), sites.engine(SurveySite.SITE));
    }

    private static Map<String, String> ratings() {
        var ratings = new LinkedHashMap<String, String>();
        for (var label : List.of("Sound", "Fair", "Worn", "Poor", "Closed")) {
            ratings.put(label.toLowerCase(Locale.ROOT), label);
        }
        return ratings;
    }

    private record NamedRow(long id, String name, String slug) {}

    private record Survey(long id, long water, String title, String slug, String rating) {}

    private interface RowOf<T> {
        T read(ResultSet row) throws SQLException;
    }

    private static <T> List<T> read(Connection connection, String sql, RowOf<T> of) throws SQLException {
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

    private static InlineNode link(String text, String path) {
        return new InlineNode.LinkRun(text, new PageAddress.InsideSite(path), false);
    }

    private static PageNode text(InlineNode run) {
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
                new PageNode.PageFact("Rating", List.of(text(new InlineNode.WordRun(RATINGS.get(survey.rating()))))),
                new PageNode.PageFact("Keeper", List.of(text(link(keeper.name(), "people/" + keeper.slug()))))));
    }

    // The index, narrowed

    private record ListedRow(String slug, String title, String length, LocalDate day) {}

    @GetMapping("/public/hand/surveys")
    ResponseEntity<String> surveys(HttpServletRequest request) throws SQLException {
        try (var connection = pool.connection()) {
            var seen = SEEN.formatted("m");
            var byRating = counts(connection, "rating", seen);
            var byOpen = counts(connection, "open", seen + " AND m.rating = 'fair'");
            var listed = read(
                    connection,
                    LISTED,
                    row -> new ListedRow(
                            row.getString(1),
                            row.getString(2),
                            row.getBigDecimal(3)
                                    .setScale(2, java.math.RoundingMode.UNNECESSARY)
                                    .toPlainString(),
                            row.getObject(4, LocalDate.class)));
            long count = read(
                            connection,
                            "SELECT COUNT(*) FROM (SELECT 1 FROM survey m WHERE " + seen
                                    + " AND m.rating = 'fair' LIMIT 10001) some",
                            row -> row.getLong(1))
                    .getFirst();
            connection.commit();
            var shown = List.of(table(listed.subList(0, 24)), HandParts.next("surveys/?rating=fair&after=next"));
            var nodes = List.<PageNode>of(
                    new PageNode.HeadingNode(1, HandParts.words("Surveys"), false),
                    new PageNode.FilteredNode(form(count, byRating, byOpen), shown));
            var head = HandParts.head("Surveys", "", request, frame, "surveys/");
            return HandParts.html(writer.page(frame, HandParts.narrowed(head), nodes));
        }
    }

    private static Map<String, Long> counts(Connection connection, String column, String where) throws SQLException {
        return read(
                        connection,
                        "SELECT m.`%1$s`, COUNT(*) FROM survey m WHERE %2$s AND m.`%1$s` IS NOT NULL GROUP BY m.`%1$s`"
                                .formatted(column, where),
                        row -> Map.entry(row.getString(1), row.getLong(2)))
                .stream()
                .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
    }

    private static PageNode table(List<ListedRow> listed) {
        var days = DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH);
        return new PageNode.TableNode(
                List.of("Title", "Rating", "Length", "Day"),
                listed.stream()
                        .map(each -> List.of(
                                List.of(text(link(each.title(), "surveys/" + each.slug()))),
                                List.of(text(new InlineNode.WordRun("Fair"))),
                                List.of(text(new InlineNode.WordRun(each.length() + "\u00a0m"))),
                                List.of(text(new InlineNode.TimeRun(
                                        days.format(each.day()), each.day().toString())))))
                        .toList());
    }

    private static FilterForm form(long count, Map<String, Long> byRating, Map<String, Long> byOpen) {
        var all = new PageAddress.InsideSite("surveys/");
        var ratings = RATINGS.entrySet().stream()
                .map(each -> tick(
                        each.getKey(),
                        each.getValue(),
                        byRating.get(each.getKey()),
                        each.getKey().equals("fair")))
                .toList();
        var open = List.of(tick("yes", "Yes", byOpen.get("1"), false), tick("no", "No", byOpen.get("0"), false));
        return new FilterForm(
                all,
                count > 10_000 ? "More than 10,000 surveys" : count + " surveys",
                Optional.empty(),
                List.of(
                        new FilterForm.TickControl("rating", "Rating", ratings, Optional.empty()),
                        new FilterForm.TickControl("open", "Open", open, Optional.empty())),
                List.of(),
                List.of(new FilterForm.NarrowedBy("Rating: Fair", all)),
                List.of());
    }

    private static FilterForm.Tick tick(String value, String label, long count, boolean chosen) {
        return new FilterForm.Tick(value, new InlineNode.WordRun(label), count, chosen, 0);
    }
}
