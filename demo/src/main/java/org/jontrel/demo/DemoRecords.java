package org.jontrel.demo;

import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;

/** Records of the Trust, the same for the same seed, with the flaws that real content has. */
final class DemoRecords {
    private static final List<String> NAMES = List.of(
            "Abbot's Reach",
            "Alder",
            "Barley",
            "Birk",
            "Copperfield",
            "Cray",
            "Dunmere",
            "Elling",
            "Fallow",
            "Garrow",
            "Hazel",
            "Ibbet",
            "Kestrel",
            "Larch",
            "Maredale",
            "Nettle",
            "Orrin",
            "Pender",
            "Quern",
            "Rook",
            "Sallow",
            "Tessel",
            "Upper Vane",
            "Vane",
            "Withy",
            "Yarrow");
    private static final List<String> WATERS = List.of("Tessel Main Line", "Maredale Branch", "Orrin Cut");
    private static final List<String> RISES = List.of(
            "2.59",
            "3.10",
            "1.85",
            "2.4",
            "8 ft 6 in",
            "2.59 m",
            "about 9ft",
            "2,75",
            "3.05",
            "2.90",
            "not known",
            "1.95");
    /** Two states, each spelt as three surveyors did. */
    private static final List<String> GATES =
            List.of("Good", "good", "GOOD - no leaks", "needs repair", "Needs Repair", "repair needed");

    private static final List<String> SEASONS = List.of("Easter to October", "winter", "Winter", "July and August");
    private static final List<String> STORIES = List.of(
            "Rebuilt after the great flood, with stone from the quarry at Quern.",
            "The keeper's garden is still tended by volunteers.\nPlease keep to the path.",
            "Named after the family that worked it for four generations.",
            "Its balance beams were renewed in green oak.");
    private final Random random;

    DemoRecords(long seed) {
        random = new Random(seed);
    }

    private <T> T one(List<T> of) {
        return of.get(random.nextInt(of.size()));
    }

    private boolean chance(int percent) {
        return random.nextInt(100) < percent;
    }

    /** {@code rise} is text with the older definitions and a number of metres with the newer. */
    Map<String, Object> structure(int number, boolean newer) {
        var sort = one(List.of("lock", "lock", "lock", "bridge", "aqueduct"));
        var name = one(NAMES) + " " + (sort.equals("lock") ? "Lock" : sort.equals("bridge") ? "Bridge" : "Aqueduct");
        var values = new LinkedHashMap<String, Object>();
        values.put("title", name + " " + number);
        values.put("summary", "On the " + one(WATERS) + ".");
        values.put("sort", sort);
        if (sort.equals("lock")) {
            if (newer) {
                values.put("rise_m", "2." + (10 + random.nextInt(90)));
            } else if (chance(92)) {
                values.put("rise", one(RISES));
            }
        }
        put(values, 85, "width_m", (2 + random.nextInt(4)) + "." + (10 + random.nextInt(90)));
        put(values, 80, "built", String.valueOf(1760 + random.nextInt(180)));
        put(values, 75, "condition", one(List.of("good", "good", "fair", "poor")));
        if (sort.equals("lock")) {
            put(values, 70, "gates", one(GATES));
        }
        put(
                values,
                60,
                "inspected",
                LocalDate.of(2018, 1, 1).plusDays(random.nextInt(3_000)).toString());
        put(values, 70, "step_free", chance(40));
        put(values, 35, "story", one(STORIES));
        return values;
    }

    Map<String, Object> mooring(int number, boolean newer) {
        var values = new LinkedHashMap<String, Object>();
        values.put("title", one(NAMES) + " " + one(List.of("Moorings", "Wharf", "Basin", "Quay")) + " " + number);
        values.put(
                "summary",
                one(List.of("Quiet", "Busy in summer", "Shaded", "Near the village")) + ", on the " + one(WATERS)
                        + ".");
        put(values, 90, newer ? "length_m" : "length", (8 + random.nextInt(60)) + "." + random.nextInt(10));
        put(values, 80, "surface", one(List.of("grass", "hard", "timber")));
        put(values, 85, "visitor", chance(60));
        put(values, 50, "per_night", (4 + random.nextInt(14)) + "." + one(List.of("00", "50")));
        int charges = random.nextInt(4);
        for (int i = 1; i <= charges; i++) {
            var season = one(SEASONS);
            var charge = (4 + random.nextInt(14)) + ".50";
            // the newer definitions have rows for them
            if (!newer) {
                values.put("season_" + i, season);
                values.put("charge_" + i, charge);
            }
        }
        put(
                values,
                25,
                "remarks",
                one(List.of("Rings at every 10 m.", "Water point at the north end.", "No fires, please.")));
        if (newer) {
            values.put("depth_m", "1." + random.nextInt(10));
        }
        return values;
    }

    /** @param draft whether what is required may be missing */
    Map<String, Object> notice(int number, boolean draft) {
        var starts = LocalDate.of(2026, 9, 1).plusDays(random.nextInt(200));
        var values = new LinkedHashMap<String, Object>();
        values.put(
                "title",
                one(List.of("Gate repairs at ", "Low water at ", "Dredging near ", "Tree works at ")) + one(NAMES));
        values.put("summary", "Affects the " + one(WATERS) + ".");
        put(values, 60, "body", "Boats can wait above and below.\nThe Trust will lift the stoppage early if it can.");
        values.put("reference", "S-%04d".formatted(number));
        values.put("severity", one(List.of("advice", "delay", "closed")));
        values.put("starts", starts.toString());
        if (draft && chance(50)) {
            values.remove(one(List.of("severity", "starts")));
        }
        put(values, 70, "ends", starts.plusDays(2L + random.nextInt(30)).toString());
        put(values, 80, "towpath_open", chance(70));
        return values;
    }

    private void put(Map<String, Object> values, int percent, String key, Object value) {
        if (chance(percent)) {
            values.put(key, value);
        }
    }
}
