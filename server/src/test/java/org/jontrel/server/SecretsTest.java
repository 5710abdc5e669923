package org.jontrel.server;

import static org.testng.Assert.assertEquals;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.BiConsumer;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jontrel.server.staticsite.SavedSite;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * What a reader may not read influences no answer to that reader: everything there is to ask is asked, something hidden is
 * changed, and everything is asked again. Only times of saving may differ.
 */
public class SecretsTest {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final String API = "/at/field/api";
    /** A text with all that may be hidden. */
    private static final String STORY =
            Stream.of("ftag", "fkeeper", "fnear", "fparents", "xlabel", "xsort.own_parent", "own_parent")
                            .map(way -> "<p>%s: <span data-value=\"%s\"></span></p>".formatted(way, way))
                            .collect(Collectors.joining())
                    + "<div data-listing=\"qtagged\"></div>";

    private OrchardServer server;
    private Session editor;
    private final Map<String, Session> readers = new LinkedHashMap<>();
    private long gold;
    private long child;
    private long openPlot;
    private long draftTree;
    private long otherDraft;
    private long ada;
    private long draftLabel;
    private long draftSort;
    private long draftPlot;

    @BeforeClass
    public void start() throws InterruptedException {
        server = OrchardServer.start("--jontrel.requests-a-minute=1000000");
        editor = server.anna;
        var writer = server.program("Importer", "editor");
        readers.put("public API", server.session());
        readers.put("token", server.program("Kiosk", "viewer"));
        readers.put("pages", server.session());
        ada = server.add("person", Map.of("title", "Ada"), "published");
        draftTree = server.add("tree", Map.of("title", "Wispy draft"), "draft");
        otherDraft = server.add("tree", Map.of("title", "Other draft"), "draft");
        openPlot = server.add("plot", Map.of("title", "South field"), "published");
        draftPlot = server.add("plot", Map.of("title", "Walled garden"), "draft");
        draftLabel = term(writer, "label", "Condemned");
        draftSort = term(writer, "sort", "Crab");
        gold = server.add("tree", values("Old Gold"), "published");
        child = under(server.add("tree", values("Small Gold"), "published"), openPlot);
        server.add("tree", Map.of("title", "Plain", "tag", "zzz-9"), "published");
    }

    private static long term(Session writer, String taxonomy, String label) {
        return writer.ok(
                        "POST",
                        API + "/taxonomies/" + taxonomy,
                        Map.of("state", "draft", "values", Map.of("label", label)))
                .get("id")
                .asLong();
    }

    @AfterClass(alwaysRun = true)
    public void stop() {
        server.close();
    }

    private Map<String, Object> values(String title) {
        var apple = editor.ok("GET", "/api/sites/field/taxonomies/sort/records?search=Apple", null)
                .at("/records/0/id")
                .asLong();
        return new HashMap<>(Map.of(
                "title",
                title,
                "height",
                "4",
                "sort",
                List.of(apple),
                "prunings",
                List.of(Map.of("day", "2026-01-02")),
                "story",
                STORY));
    }

    /** Saves a record with some values changed; {@code null} empties. */
    private void save(String type, long id, Map<String, Object> changed, String state) {
        var path = "/api/sites/field/types/" + type + "/records/" + id;
        var record = editor.ok("GET", path, null).get("record");
        var values = new HashMap<String, Object>();
        record.get("values").propertyNames().forEach(name -> values.put(name, plain(record.at("/values/" + name))));
        values.putAll(changed);
        var body = new HashMap<String, Object>(
                Map.of("version", record.get("version").asInt(), "state", state, "values", values));
        if (record.hasNonNull("parent")) {
            body.put("parent", plain(record.get("parent")));
        }
        editor.ok("PUT", path, body);
    }

    private static Object plain(JsonNode node) {
        return JSON.treeToValue(node, Object.class);
    }

    private long under(long tree, long plot) {
        var path = "/api/sites/field/types/tree/records/" + tree;
        var record = editor.ok("GET", path, null).get("record");
        editor.ok(
                "PUT",
                path,
                Map.of(
                        "version",
                        record.get("version").asInt(),
                        "state",
                        "published",
                        "values",
                        plain(record.get("values")),
                        "parent",
                        Map.of("type", "tplot", "id", plot)));
        return tree;
    }

    /** One hidden thing, or another in its place, and those from whom it is hidden. */
    private record Secret(String what, String from, BiConsumer<SecretsTest, Boolean> change) {}

    private List<Secret> secrets() {
        return List.of(
                new Secret(
                        "a text kept out of the API",
                        "api",
                        change((t, more) -> t.tree(Map.of("tag", more ? "wispy-1" : "quince-2")))),
                new Secret(
                        "a link to what is kept out",
                        "api",
                        change((t, more) -> t.tree(Map.of("keeper", more ? t.ada : "")))),
                new Secret(
                        "such a link in a row",
                        "api",
                        change((t, more) -> t.tree(Map.of("prunings", List.of(t.row(more ? t.ada : "")))))),
                new Secret(
                        "a link to a draft",
                        "published",
                        change((t, more) -> t.tree(Map.of("parents", more ? List.of(t.draftTree) : List.of())))),
                new Secret(
                        "a link both ways to a draft",
                        "published",
                        change((t, more) -> t.tree(Map.of("near", more ? List.of(t.draftTree) : List.of())))),
                new Secret(
                        "a link from a draft",
                        "published",
                        change((t, more) -> t.save(
                                "tree", t.draftTree, Map.of("parents", more ? List.of(t.gold) : List.of()), "draft"))),
                new Secret(
                        "the words of a draft",
                        "published",
                        change((t, more) ->
                                t.save("tree", t.otherDraft, Map.of("title", more ? "Quince" : "Medlar"), "draft"))),
                new Secret(
                        "a term nobody published",
                        "published",
                        change((t, more) -> t.tree(Map.of("label", more ? List.of(t.draftLabel) : List.of())))),
                new Secret(
                        "such a term under another",
                        "published",
                        change((t, more) -> t.place("taxonomies/sort", t.draftSort, more ? t.apple() : 0))),
                new Secret("the draft that it stands under", "published", change((t, more) -> t.child(more))));
    }

    private static BiConsumer<SecretsTest, Boolean> change(BiConsumer<SecretsTest, Boolean> change) {
        return change;
    }

    private void tree(Map<String, Object> changed) {
        save("tree", gold, changed, "published");
    }

    private Map<String, Object> row(Object by) {
        return Map.of("day", "2026-01-02", "done_by", by);
    }

    private long apple() {
        return editor.ok("GET", "/api/sites/field/taxonomies/sort/records?search=Apple", null)
                .at("/records/0/id")
                .asLong();
    }

    /** The tree stands under a draft of which now this, now that is true. */
    private void child(boolean more) {
        under(child, draftPlot);
        save("plot", draftPlot, Map.of("title", more ? "Walled garden" : "Sunken garden"), "draft");
    }

    private void place(String recordType, long id, long parent) {
        var path = "/api/sites/field/" + recordType + "/records/" + id;
        var record = editor.ok("GET", path, null).get("record");
        var body = new HashMap<String, Object>(Map.of(
                "version", record.get("version").asInt(), "state", "draft", "values", plain(record.get("values"))));
        if (parent != 0) {
            body.put("parent", Map.of("type", "xsort", "id", parent));
        }
        editor.ok("PUT", path, body);
    }

    @Test
    public void whatIsHiddenChangesNoAnswer() {
        for (var from : List.of("api", "published")) {
            var hidden = secrets().stream()
                    .filter(secret -> secret.from().equals(from))
                    .toList();
            var shown = shown(hidden, from);
            if (!shown.isEmpty()) {
                // one by one, to tell which it is
                hidden.forEach(secret -> assertEquals(shown(List.of(secret), from), "", secret.what() + " shows"));
            }
            assertEquals(shown, "", "of several at once something shows");
        }
    }

    /** Where answers differ once each of the hidden things is another; empty where they do not. */
    private String shown(List<Secret> secrets, String from) {
        var asks = asks();
        var states = new ArrayList<String>();
        // once before, for what a save changes only the first time: when a record was saved is no secret
        secrets.forEach(secret -> secret.change().accept(this, true));
        secrets.forEach(secret -> secret.change().accept(this, false));
        secrets.forEach(secret -> secret.change().accept(this, true));
        var before = answers(asks, from);
        states.add(editors());
        for (var secret : secrets) {
            secret.change().accept(this, false);
            states.add(editors());
        }
        assertEquals(new HashSet<>(states).size(), states.size(), "something was not changed at all");
        var after = answers(asks, from);
        assertEquals(after.keySet(), before.keySet());
        return before.keySet().stream()
                .filter(ask -> !after.get(ask).equals(before.get(ask)))
                .collect(Collectors.joining("; "));
    }

    private String editors() {
        return List.of("types/tree", "types/plot", "taxonomies/sort", "taxonomies/label").stream()
                .map(recordType -> editor.ok("GET", "/api/sites/field/" + recordType + "/records", null)
                        .toString()
                        .replaceAll("\"(updatedAt|version)\":[^,}]*", ""))
                .toList()
                .toString();
    }

    private Map<String, String> answers(Set<String> asks, String from) {
        var answers = new LinkedHashMap<String, String>();
        readers.forEach((name, reader) -> {
            boolean pages = name.equals("pages");
            if (from.equals("api") && pages || from.equals("published") && name.equals("token")) {
                return;
            }
            for (var ask : asks) {
                if (ask.startsWith(API) != pages) {
                    var answer = reader.send("GET", ask, null);
                    answers.put(
                            name + " " + ask,
                            answer.statusCode()
                                    + answer.headers().firstValue("Location").orElse("")
                                    + answer.body()
                                            .replaceAll("\"updated_at\":\"[^\"]*\"", "")
                                            .replaceAll("<(updated|lastmod)>[^<]*", ""));
                }
            }
        });
        if (!from.equals("api")) {
            SavedSite.files(editor, "")
                    .forEach((name, bytes) -> answers.put(
                            "file " + name,
                            new String(bytes, StandardCharsets.UTF_8).replaceAll("<(updated|lastmod)>[^<]*", "")));
        }
        return answers;
    }

    /** Every way of asking with every word, number, field and parameter that there is. */
    private Set<String> asks() {
        var words = List.of("wispy", "wis", "quince", "medlar", "ada", "crab", "condemned", "walled", "gold", "zzz");
        var numbers =
                List.of(gold, child, draftTree, otherDraft, ada, draftLabel, draftSort, draftPlot, openPlot, apple());
        var fields = List.of(
                "title",
                "tag",
                "height",
                "keeper",
                "near",
                "parents",
                "sort",
                "label",
                "prunings",
                "done_by",
                "branch",
                "state",
                "uses");
        var paths = List.of("/trees", "/plots", "/taxonomies/sort");
        var asks = new LinkedHashSet<String>(List.of(API, API + "/openapi.json", "/at/field/"));
        for (var path : paths) {
            var all = API + path + "?sort=title";
            asks.add(all + "&include=" + String.join(",", fields));
            asks.add(all + "&limit=1");
            words.forEach(word -> asks.add(all + "&search=" + word));
            words.forEach(word -> asks.add(API + path + "/" + word));
            numbers.forEach(number -> asks.add(API + path + "/" + number));
            numbers.forEach(number -> asks.add(API + path + "/" + number + "?include=parents,near,keeper,done_by"));
            for (var field : fields) {
                asks.add(API + path + "?sort=" + field + ",title");
                asks.add(API + path + "?sort=title&fields=" + field);
                asks.add(filtered(all, Map.of("field", field, "filled", true)));
                asks.add(filtered(all, Map.of("field", field, "filled", false)));
                if (List.of("title", "tag", "branch").contains(field)) {
                    words.forEach(word -> asks.add(filtered(all, Map.of("field", field, "has", word))));
                }
                if (List.of("keeper", "near", "parents", "sort", "label", "done_by")
                        .contains(field)) {
                    numbers.forEach(number ->
                            asks.add(filtered(all, Map.of("field", field, "is", List.of(String.valueOf(number))))));
                }
            }
            for (var taxonomy : List.of("sort", "label")) {
                asks.add(filtered(all, Map.of("taxonomy", taxonomy, "filled", true)));
                for (var test : List.of("is", "is_not", "under")) {
                    numbers.forEach(number -> asks.add(
                            filtered(all, Map.of("taxonomy", taxonomy, test, List.of(String.valueOf(number))))));
                }
            }
            asks.add(filtered(all, Map.of("parent", List.of())));
            asks.add(filtered(all, Map.of("parent", List.of("plot"))));
            asks.add(filtered(all, Map.of("parent", List.of("tplot"))));
        }
        for (var path : List.of("trees", "plots", "people", "sorts", "labels")) {
            var index = "/at/field/" + path + "/";
            if (!path.equals("plots") && !path.equals("people")) {
                asks.add(index);
            }
            List.of(
                            "old-gold",
                            "small-gold",
                            "plain",
                            "wispy-draft",
                            "quince",
                            "medlar",
                            "walled-garden/small-gold",
                            "sunken-garden/small-gold",
                            "south-field/small-gold",
                            "apple",
                            "apple/crab",
                            "crab",
                            "condemned",
                            "south-field",
                            "walled-garden",
                            "ada")
                    .forEach(slug -> asks.add(index + slug));
            asks.add(index + "feed.xml");
            asks.add("/at/field/sitemap.xml?of=" + path);
        }
        asks.addAll(List.of("/at/field/sitemap.xml", "/at/field/robots.txt"));
        words.forEach(word -> asks.add("/at/field/?q=" + word));
        words.forEach(word -> asks.add("/at/field/trees/?q=" + word));
        List.of(
                        "sort=apple",
                        "sort=apple/crab&sort=crab",
                        "label=condemned",
                        "fruits=no",
                        "uses=table",
                        "height.from=1",
                        "planted.to=2026-01-01",
                        "after=x")
                .forEach(asked -> asks.add("/at/field/trees/?" + asked));
        return asks;
    }

    private static String filtered(String path, Map<String, Object> condition) {
        return path + "&filter=" + URLEncoder.encode(JSON.writeValueAsString(condition), StandardCharsets.UTF_8);
    }

    @Test
    public void askedForWithoutSecretsTheyAreThere() {
        var found = new ArrayList<Boolean>();
        for (var word : List.of("gold", "apple")) {
            found.add(readers.get("public API")
                            .ok(
                                    "GET",
                                    API + (word.equals("apple") ? "/taxonomies/sort" : "/trees") + "?search=" + word,
                                    null)
                            .get("total")
                            .asInt()
                    > 0);
        }
        assertEquals(found, List.of(true, true));
        assertEquals(
                readers.get("public API")
                        .ok(
                                "GET",
                                filtered(
                                        API + "/trees?sort=title",
                                        Map.of("taxonomy", "sort", "under", List.of(String.valueOf(apple())))),
                                null)
                        .get("total")
                        .asInt(),
                2);
    }
}
