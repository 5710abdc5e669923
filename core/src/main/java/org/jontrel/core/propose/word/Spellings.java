package org.jontrel.core.propose.word;

import java.text.Normalizer;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.apache.commons.text.similarity.LevenshteinDistance;
import org.jontrel.core.sheet.CountedText;

/** Texts that are one and the same word, written in several ways. */
public final class Spellings {
    private static final int SHORTEST = 5;
    private static final int RARE = 4;
    private static final int MOST_COMPARED = 200;
    private static final LevenshteinDistance ONE_LETTER = new LevenshteinDistance(1);

    private Spellings() {}

    /** What is left of a text without what makes no other word of it. */
    public static String bare(String text) {
        var folded = Normalizer.normalize(text.toLowerCase(Locale.ROOT), Normalizer.Form.NFKD)
                .replaceAll("\\p{M}+", "")
                .replaceAll("[\\s_\u00a0./-]+", " ")
                .replaceAll("[^\\p{L}\\p{N} +#&%<>=]", "")
                .strip();
        return folded.isEmpty() ? text.strip().toLowerCase(Locale.ROOT) : folded;
    }

    /** The words in the order of how many rows have them. */
    public static List<SpelledWord> words(List<CountedText> texts) {
        var together = new LinkedHashMap<String, List<CountedText>>();
        texts.forEach(each -> together.computeIfAbsent(bare(each.text()), _ -> new ArrayList<>())
                .add(each));
        var words = new ArrayList<SpelledWord>();
        for (var spelled : together.values()) {
            words.add(new SpelledWord(spelled.getFirst(), spelled.subList(1, spelled.size()), List.of()));
        }
        words.sort(Comparator.comparing(SpelledWord::times).reversed());
        return words.size() > MOST_COMPARED ? words : withDoubts(words);
    }

    private static List<SpelledWord> withDoubts(List<SpelledWord> words) {
        var doubts = new LinkedHashMap<SpelledWord, List<CountedText>>();
        for (var rare : words) {
            words.stream()
                    .filter(each -> each != rare && each.times() >= rare.times() * RARE && isNear(each, rare))
                    .findFirst()
                    .ifPresent(each ->
                            doubts.computeIfAbsent(each, _ -> new ArrayList<>()).add(rare.text()));
        }
        return words.stream()
                .map(each -> new SpelledWord(each.text(), each.others(), doubts.getOrDefault(each, List.of())))
                .toList();
    }

    private static boolean isNear(SpelledWord word, SpelledWord rare) {
        var a = bare(word.text().text());
        var b = bare(rare.text().text());
        // figures are no slips: room 101 is not room 102
        return a.length() >= SHORTEST
                && ONE_LETTER.apply(a, b) == 1
                && a.replaceAll("\\D", "").equals(b.replaceAll("\\D", ""));
    }

    /** The words with those joined that somebody has said are the same. */
    public static List<SpelledWord> joined(List<SpelledWord> words, Map<String, String> joins) {
        if (joins.isEmpty()) {
            return words;
        }
        var kept = new LinkedHashMap<String, SpelledWord>();
        words.forEach(each -> kept.put(each.text().text(), each));
        joins.forEach((from, to) -> {
            var gone = kept.get(from);
            var stays = kept.get(to);
            if (gone != null && stays != null && gone != stays) {
                kept.remove(from);
                var others = new ArrayList<>(stays.others());
                others.add(gone.text());
                others.addAll(gone.others());
                kept.put(
                        to,
                        new SpelledWord(
                                stays.text(),
                                others,
                                stays.perhaps().stream()
                                        .filter(each -> !each.text().equals(from))
                                        .toList()));
            }
        });
        return List.copyOf(kept.values());
    }
}
