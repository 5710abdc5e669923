package org.jontrel.demo;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.snakeyaml.engine.v2.api.Load;
import org.snakeyaml.engine.v2.api.LoadSettings;
import tools.jackson.databind.JsonNode;

/** Records of the Trust's public site, written by hand in {@code towpath.yaml}, with pictures and leaflets made for them. */
final class TowpathRecords {
    private static final String STRUCTURE = "tk4m2x8q1";

    /** Where fields lead that name records by their titles. */
    private static final Set<String> RELATIONS =
            Set.of("keeper", "passes", "affected", "leader", "home_mooring", "works_with");

    private static final Set<String> TAXONOMIES = Set.of("feature", "severity_of_notice", "skill", "waterway");
    private static final Set<String> FILES = Set.of("leaflet", "plan", "papers");
    /** Different pictures of one sort, so that lists of them are not all alike. */
    private static final int PICTURES = 9;

    private static final Map<String, String> ALTERNATIVES = Map.of(
            "lock", "A lock with closed gates, hills behind",
            "bridge", "A brick bridge over the canal",
            "berth", "A boat at its berth",
            "flight", "Locks one above the other, up a hill",
            "aqueduct", "An aqueduct on its arches",
            "walk", "A path along the water, trees beside it",
            "boat", "An old boat with a painted cabin");

    private final Client client;
    private final String site;
    private final Map<String, Map<String, Long>> terms = new HashMap<>();
    private final Map<String, Long> byTitle = new HashMap<>();
    private final Map<String, Integer> drawn = new HashMap<>();
    private final Map<String, Long> pictures = new HashMap<>();

    TowpathRecords(Client client, String site) {
        this.client = client;
        this.site = site;
    }

    void fill() {
        for (var taxonomy : TAXONOMIES) {
            var known = new LinkedHashMap<String, Long>();
            for (JsonNode term : client.get(base("taxonomies", taxonomy) + "/records?most=200")
                    .get("records")) {
                known.put(term.get("slug").asString(), term.get("id").asLong());
            }
            terms.put(taxonomy, known);
        }
        texts().forEach((type, records) -> records.forEach(record -> add(type, record, null)));
        values(
                "opening",
                Map.of(
                        "opens",
                        "09:00",
                        "closes",
                        "16:30",
                        "desk",
                        "+44 20 7946 0011",
                        "write_to",
                        "desk@tessel.example"));
        values(
                "site_notice",
                Map.of("on", true, "words", "The Mill Flight is closed until the middle of March.", "tint", "#9a6412"));
    }

    @SuppressWarnings("unchecked") // the file is ours
    private static Map<String, List<Map<String, Object>>> texts() {
        try (InputStream in = TowpathRecords.class.getResourceAsStream("towpath.yaml")) {
            return (Map<String, List<Map<String, Object>>>)
                    new Load(LoadSettings.builder().build()).loadFromInputStream(in);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private String base(String sort, String key) {
        return "/api/sites/" + site + "/" + sort + "/" + key;
    }

    private void values(String key, Map<String, Object> values) {
        client.put(base("values", key) + "/records/1", Map.of("version", 0, "state", "published", "values", values));
    }

    @SuppressWarnings("unchecked") // the file is ours
    private void add(String type, Map<String, Object> record, Long under) {
        var values = new LinkedHashMap<String, Object>();
        record.forEach((key, value) -> {
            if (!key.equals("children")) {
                values.put(key, value(type, key, value));
            }
        });
        var body = new LinkedHashMap<String, Object>();
        body.put("version", 0);
        body.put("state", "published");
        body.put("values", values);
        if (under != null) {
            body.put("parent", Map.of("type", STRUCTURE, "id", under));
        }
        long id = client.post(base("types", type) + "/records", body)
                .at("/record/id")
                .asLong();
        byTitle.put(String.valueOf(record.get("title")), id);
        ((List<Map<String, Object>>) record.getOrDefault("children", List.of())).forEach(child -> add(type, child, id));
    }

    private Object value(String type, String key, Object value) {
        if (RELATIONS.contains(key)) {
            return each(value, title -> named(byTitle, title));
        }
        if (TAXONOMIES.contains(key)) {
            return each(value, slug -> named(terms.get(key), slug));
        }
        if (FILES.contains(key)) {
            return each(value, title -> leaflet(type, key, title));
        }
        return key.equals("lead_image") ? picture(type, String.valueOf(value)) : value;
    }

    private static Object each(Object value, java.util.function.Function<String, Long> found) {
        if (value instanceof List<?> several) {
            var all = new ArrayList<Long>();
            several.forEach(one -> all.add(found.apply(String.valueOf(one))));
            return all;
        }
        return found.apply(String.valueOf(value));
    }

    private static Long named(Map<String, Long> known, String name) {
        var found = known.get(name);
        if (found == null) {
            throw new IllegalStateException("The demo's records name " + name + ", which is not there yet.");
        }
        return found;
    }

    /** The next picture of a sort. */
    private long picture(String type, String sort) {
        int number = drawn.merge(sort, 1, Integer::sum) % PICTURES;
        return pictures.computeIfAbsent(
                sort + number,
                name -> client.upload(
                                base("types", type) + "/fields/lead_image/files",
                                sort + "-" + number + ".jpg",
                                Pictures.draw(sort, 700 + number),
                                Map.of("alt", ALTERNATIVES.get(sort)))
                        .get("id")
                        .asLong());
    }

    private long leaflet(String type, String key, String title) {
        var name = title.toLowerCase(java.util.Locale.ROOT).replaceAll("[^a-z0-9]+", "-") + ".pdf";
        return client.upload(base("types", type) + "/fields/" + key + "/files", name, Leaflets.about(title), Map.of())
                .get("id")
                .asLong();
    }
}
