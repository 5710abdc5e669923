package org.jontrel.demo;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import tools.jackson.databind.JsonNode;

/** Records of the Trust's whole model on one site: everything leads to something, as on a real site. The same each time. */
final class FullModelRecords {
    private static final List<String> PEOPLE = List.of(
            "Ada Quill",
            "Bram Osterly",
            "Cora Vane",
            "Dev Hallam",
            "Edda Marsh",
            "Finn Orrin",
            "Greta Lowe",
            "Hal Tarn",
            "Ines Moor",
            "Jory Blythe",
            "Kit Ashlow",
            "Lena Withy");
    private static final List<String> WALKS =
            List.of("Round the Long Pound", "Up the Tarn Flight", "To the summit and back", "Orrin Basin circle");
    private static final List<String> BOATS = List.of("Patience", "Maid of Maredale", "Tessel Queen", "Number Nine");
    private final Client client;
    private final String site;
    private final DemoRecords records;
    private final Random random = new Random(11);
    private final Map<String, Map<String, Long>> terms = new HashMap<>();
    private final Map<String, List<Long>> made = new HashMap<>();
    private final Map<String, List<Long>> pictures;

    FullModelRecords(Client client, String site, Map<String, List<Long>> pictures) {
        this.client = client;
        this.site = site;
        this.records = new DemoRecords(7);
        this.pictures = pictures;
    }

    void fill() {
        for (var taxonomy : List.of("feature", "severity_of_notice", "skill", "waterway")) {
            var known = new LinkedHashMap<String, Long>();
            for (JsonNode term :
                    client.get(base("taxonomies", taxonomy) + "?most=200").get("records")) {
                known.put(term.get("slug").asString(), term.get("id").asLong());
            }
            terms.put(taxonomy, known);
        }
        people();
        structures();
        moorings();
        walks();
        notices();
        parties();
        boats();
        values("opening", Map.of("opens", "09:00", "closes", "16:30", "desk", "+44 20 7946 0011"));
        values("site_notice", Map.of("on", true, "words", "The Mill Flight is closed until May.", "tint", "#9a6412"));
    }

    private String base(String sort, String key) {
        return "/api/sites/" + site + "/" + sort + "/" + key + "/records";
    }

    private long add(String type, Map<String, Object> values, String state, Long under) {
        var body = new LinkedHashMap<String, Object>();
        body.put("version", 0);
        body.put("state", state);
        body.put("values", values);
        if (under != null) {
            body.put("parent", Map.of("type", "tk4m2x8q1", "id", under));
        }
        long id = client.post(base("types", type), body).at("/record/id").asLong();
        made.computeIfAbsent(type, _ -> new ArrayList<>()).add(id);
        return id;
    }

    private void values(String key, Map<String, Object> values) {
        client.put(base("values", key) + "/1", Map.of("version", 0, "state", "published", "values", values));
    }

    private <T> T one(List<T> of) {
        return of.get(random.nextInt(of.size()));
    }

    private long term(String taxonomy, String slug) {
        return terms.get(taxonomy).get(slug);
    }

    private List<Long> someTerm(String taxonomy) {
        return List.of(one(List.copyOf(terms.get(taxonomy).values())));
    }

    private long some(String type) {
        return one(made.get(type));
    }

    private void people() {
        for (int i = 0; i < PEOPLE.size(); i++) {
            var name = PEOPLE.get(i);
            var values = new LinkedHashMap<String, Object>();
            values.put("title", name);
            values.put("role", one(List.of("Lock keeper", "Engineer", "Volunteer leader", "Boat wright")));
            values.put("email", name.toLowerCase(java.util.Locale.ROOT).replace(' ', '.') + "@example.org");
            values.put("phone", "+44 20 7946 00%02d".formatted(20 + i));
            values.put("skill", someTerm("skill"));
            if (i > 2) {
                values.put("works_with", List.of(made.get("person").get(i - 3)));
            }
            add("person", values, "published", null);
        }
    }

    private void structures() {
        for (var flight : List.of("Tarn Flight", "Mill Flight")) {
            var slug = flight.equals("Tarn Flight") ? "tarn-flight" : "mill-flight";
            var values = structure(flight, "flight", slug);
            long above = add("structure", values, "published", null);
            for (int i = 1; i <= 5; i++) {
                var lock = structure("Lock " + i, "lock", slug);
                lock.put("rise_m", "2." + (10 + random.nextInt(80)));
                add("structure", lock, "published", above);
            }
        }
        for (int i = 1; i <= 24; i++) {
            var old = records.structure(i, true);
            var sort = String.valueOf(old.get("sort"));
            var values = structure(String.valueOf(old.get("title")), sort, null);
            if (sort.equals("lock")) {
                values.put("rise_m", old.get("rise_m"));
            }
            add("structure", values, i % 9 == 0 ? "draft" : "published", null);
        }
    }

    private Map<String, Object> structure(String title, String sort, String water) {
        var values = new LinkedHashMap<String, Object>();
        values.put("title", title);
        values.put("summary", sort.equals("flight") ? "Five locks in a row." : "In use all year.");
        values.put("sort", sort);
        values.put("built", String.valueOf(1770 + random.nextInt(120)));
        values.put("width_m", "4.2");
        values.put("condition", one(List.of("good", "good", "fair")));
        values.put(
                "inspected",
                LocalDate.of(2024, 1, 1).plusDays(random.nextInt(700)).toString());
        values.put("rating", String.valueOf(1 + random.nextInt(5)));
        values.put("keeper", some("person"));
        values.put(
                "position_on_map",
                Map.of(
                        "latitude", "53." + (4000 + random.nextInt(900)),
                        "longitude", "-1." + (8000 + random.nextInt(900))));
        values.put("step_free", random.nextBoolean());
        values.put("waterway", water == null ? someTerm("waterway") : List.of(term("waterway", water)));
        values.put("feature", someTerm("feature"));
        if (sort.equals("lock") || sort.equals("bridge")) {
            values.put("lead_image", one(pictures.get(sort)));
        }
        return values;
    }

    private void moorings() {
        for (int i = 1; i <= 16; i++) {
            var old = records.mooring(i, true);
            old.remove("per_night");
            old.put("county", one(List.of("ashshire", "tarnland", "maredale")));
            old.put("keeper", some("person"));
            old.put("latitude", "53." + (4000 + random.nextInt(900)));
            old.put("longitude", "-1." + (8000 + random.nextInt(900)));
            old.put("waterway", someTerm("waterway"));
            old.put("feature", someTerm("feature"));
            old.put("has_water", i % 2 == 0);
            if (i % 2 == 0) {
                old.put("water_note", "By the noticeboard.");
            }
            if (Boolean.TRUE.equals(old.get("visitor"))) {
                old.put(
                        "charges",
                        List.of(
                                Map.of("season", "summer", "per_night", "12.00", "from", "2026-04-01"),
                                Map.of("season", "winter", "per_night", "7.50", "from", "2026-11-01")));
            }
            old.put("lead_image", one(pictures.get("berth")));
            add("mooring", old, "published", null);
        }
    }

    private void walks() {
        for (var title : WALKS) {
            var values = new LinkedHashMap<String, Object>();
            values.put("title", title);
            values.put("summary", "Mostly level, with a café halfway.");
            values.put("grade", one(List.of("easy", "fair")));
            values.put("hours", "2.5");
            values.put("dogs", true);
            values.put(
                    "legs", List.of(leg("The basin", "Alder Bridge", "2.4"), leg("Alder Bridge", "The summit", "3.1")));
            values.put(
                    "passes", List.of(some("structure"), made.get("structure").getLast()));
            values.put("waterway", someTerm("waterway"));
            values.put("more", "https://example.org/walks");
            add("towpath_walk", values, "published", null);
        }
    }

    private static Map<String, Object> leg(String from, String to, String kilometres) {
        return Map.of(
                "from",
                from,
                "to",
                to,
                "kilometres",
                kilometres,
                "waypoints",
                List.of(
                        Map.of("what", "Gate on the left"),
                        Map.of(
                                "what",
                                "Seat with a view",
                                "where",
                                Map.of("latitude", "53.41", "longitude", "-1.84"))));
    }

    private void notices() {
        for (int i = 1; i <= 10; i++) {
            var values = records.notice(i, false);
            var severity = String.valueOf(values.get("severity"));
            var slug = Map.of("advice", "advice-only", "delay", "expect-delays", "closed", "closed")
                    .get(severity);
            values.put("severity_of_notice", List.of(term("severity_of_notice", slug)));
            values.put("affected", List.of(some("structure")));
            values.put("waterway", someTerm("waterway"));
            if (Boolean.FALSE.equals(values.get("towpath_open"))) {
                values.put("diversion", "<p>Follow the <strong>yellow signs</strong> over the hill.</p>");
            }
            add("stoppage_notice", values, i % 4 == 0 ? "draft" : "published", null);
        }
    }

    private void parties() {
        for (int i = 1; i <= 6; i++) {
            var day = LocalDate.of(2026, 12, 1).plusDays(7L * i);
            var values = new LinkedHashMap<String, Object>();
            values.put("title", one(List.of("Hedge laying", "Painting the railings", "Clearing the bank")) + " " + i);
            values.put("begins", day + "T09:30");
            values.put("ends", day + "T15:00");
            values.put("leader", some("person"));
            values.put("sign_up_limit", "12");
            values.put("bring", List.of("gloves", "boots"));
            values.put("lunch", Map.of("provided", "The Trust", "diet", "Vegetarian"));
            values.put("skill", someTerm("skill"));
            add("work_party", values, "published", null);
        }
    }

    private void boats() {
        for (int i = 0; i < BOATS.size(); i++) {
            var values = new LinkedHashMap<String, Object>();
            values.put("title", BOATS.get(i));
            values.put("built", String.valueOf(1880 + 9 * i));
            values.put("livery", one(List.of("#1d5a6b", "#a63a24", "#2f6f4a")));
            values.put("length", "21.9");
            values.put("afloat", i % 2 == 0);
            if (i % 2 == 0) {
                values.put("home_mooring", some("mooring"));
            }
            values.put("former_names", List.of(Map.of("name", "Hopeful", "until", "1912")));
            add("heritage_boat", values, "published", null);
        }
    }
}
