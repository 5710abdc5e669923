package org.jontrel.bench.record;

import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;

/** Made-up surveys, the same for the same number. */
final class Surveys {
    static final List<String> RATINGS = List.of("sound", "fair", "worn", "poor", "closed");
    private static final String[] PLACES = {
        "Alder",
        "Birch",
        "Copper",
        "Drover",
        "Elm",
        "Ferry",
        "Gorse",
        "Heron",
        "Ivy",
        "Juniper",
        "Kestrel",
        "Linden",
        "Maredale",
        "Nettle",
        "Orrin",
        "Plover",
        "Quarry",
        "Rowan",
        "Sallow",
        "Tessel"
    };
    private static final String[] KINDS = {
        "basin", "bridge", "cut", "flight", "landing", "lock", "pound", "quay", "reach", "wharf"
    };
    private static final String[] WORDS = {
        "bollard", "cleat", "coping", "depth", "edge", "fender", "grass", "iron", "ladder", "mud", "paint", "piling",
        "ring", "rope", "sign", "silt", "stone", "timber", "towpath", "water", "weed", "winding"
    };
    private final List<Long> people;
    private final List<Long> terms;

    Surveys(List<Long> people, List<Long> terms) {
        this.people = people;
        this.terms = terms;
    }

    private static String pick(String[] of, Random random) {
        return of[random.nextInt(of.length)];
    }

    private static String number(double value) {
        return String.format(Locale.ROOT, "%.2f", value);
    }

    /** As a form sends it. */
    Map<String, Object> raw(long number) {
        var random = new Random(number * 7919 + 17);
        var raw = new LinkedHashMap<String, Object>();
        raw.put("title", pick(PLACES, random) + " " + pick(KINDS, random) + " " + number);
        raw.put("code", "S" + number);
        raw.put("rating", RATINGS.get(random.nextInt(RATINGS.size())));
        raw.put("length", number(10 + random.nextDouble() * 90));
        raw.put("width", number(2 + random.nextDouble() * 8));
        raw.put("depth", number(random.nextDouble() * 4));
        raw.put("berths", String.valueOf(random.nextInt(30)));
        raw.put("day", LocalDate.of(2015, 1, 1).plusDays(random.nextInt(4000)).toString());
        raw.put(
                "seen",
                LocalDateTime.of(2020, 1, 1, 8, 0)
                        .plusMinutes(random.nextInt(3_000_000))
                        .toString());
        raw.put("open", random.nextBoolean());
        raw.put("email", "warden" + random.nextInt(900) + "@tessel.example");
        raw.put("phone", "+44 20 7946 0" + (100 + random.nextInt(900)));
        raw.put("site", "https://tessel.example/moorings/" + number);
        raw.put("colour", String.format("#%06x", random.nextInt(1 << 24)));
        raw.put(
                "spot",
                Map.of(
                        "latitude", number(50 + random.nextDouble() * 5),
                        "longitude", number(-3 + random.nextDouble() * 3)));
        raw.put("notes", notes(random));
        raw.put("charges", charges(random, 1 + random.nextInt(7)));
        raw.put("keeper", people.get(random.nextInt(people.size())));
        var picked = new LinkedHashSet<Long>();
        while (picked.size() < 3) {
            picked.add(terms.get(random.nextInt(terms.size())));
        }
        raw.put("waterway", List.copyOf(picked));
        return raw;
    }

    private static String notes(Random random) {
        var words = new ArrayList<String>();
        for (int i = 0; i < 12; i++) {
            words.add(pick(WORDS, random));
        }
        return String.join(" ", words);
    }

    static List<Map<String, Object>> charges(Random random, int rows) {
        var charges = new ArrayList<Map<String, Object>>();
        for (int i = 0; i < rows; i++) {
            charges.add(Map.of(
                    "season",
                    "Season " + (2015 + i),
                    "amount",
                    number(5 + random.nextDouble() * 60),
                    "from",
                    (2015 + i) + "-04-01"));
        }
        return charges;
    }
}
