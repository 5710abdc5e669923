package org.jontrel.bench.serve;

import static org.jontrel.bench.serve.HandSurveys.link;
import static org.jontrel.bench.serve.HandSurveys.read;
import static org.jontrel.bench.serve.HandSurveys.text;

import jakarta.servlet.http.HttpServletRequest;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jontrel.core.page.node.FilterForm;
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

/** The index of 100,000 surveys, narrowed by a rating, as somebody would write it who knows its tables. */
@RestController
class HandSurveyIndex {
    static final Map<String, String> RATINGS = ratings();
    private static final String LISTED = """
            SELECT slug, title, length, day FROM survey m
              WHERE m.state = 'published' AND (m.retire_at IS NULL OR m.retire_at > UTC_TIMESTAMP()) AND m.rating = 'fair'
              ORDER BY m.day, m.id LIMIT 25""";

    private final BenchPool pool;
    private final PageWriter writer;
    private final PageFrame frame;

    HandSurveyIndex(DataSourceProperties server, Sites sites, PageWriter writer, Frames frames) {
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

    private record ListedRow(String slug, String title, String length, LocalDate day) {}

    @GetMapping("/public/hand/surveys")
    ResponseEntity<String> surveys(HttpServletRequest request) throws SQLException {
        try (var connection = pool.connection()) {
            var seen = HandSurveys.SEEN.formatted("m");
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
