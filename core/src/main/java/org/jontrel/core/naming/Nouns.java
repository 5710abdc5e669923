package org.jontrel.core.naming;

import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.atteo.evo.inflector.English;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Part;

/** Everything that derives from one noun, so that no screen ever says the wrong one. */
public final class Nouns {
    /** Where the library keeps to the formal plural and people do not. */
    private static final Map<String, String> EVERYDAY = Map.of("person", "people");

    /** What a noun can be followed by, such as the "of" of "Clapper of brass": the noun before it becomes many. */
    private static final Pattern WITH_MORE =
            Pattern.compile("(?i)(?<=\\S)\\s++(?:of|for|from|per|with|without)\\s++\\S");

    private Nouns() {}

    /** "Stoppage notice" gives "Stoppage notices", and "Clapper of brass" gives "Clappers of brass". */
    public static String plural(String singular) {
        var noun = singular.strip();
        if (noun.isEmpty()) {
            return "";
        }
        var more = WITH_MORE.matcher(noun);
        if (more.find()) {
            return plural(noun.substring(0, more.start())) + noun.substring(more.start());
        }
        int cut = noun.lastIndexOf(' ') + 1;
        return noun.substring(0, cut) + pluralOfWord(noun.substring(cut));
    }

    private static String pluralOfWord(String word) {
        if (word.length() > 1 && word.chars().allMatch(Character::isUpperCase)) {
            return word + "s";
        }
        boolean capital = Character.isUpperCase(word.charAt(0));
        var small = capital ? Character.toLowerCase(word.charAt(0)) + word.substring(1) : word;
        var plural = EVERYDAY.getOrDefault(small, English.plural(small));
        return capital ? Character.toUpperCase(plural.charAt(0)) + plural.substring(1) : plural;
    }

    /** The noun as it stands within a sentence: its first letter small, unless it is an abbreviation. */
    public static String inSentence(String noun) {
        if (noun.isEmpty() || (noun.length() > 1 && Character.isUpperCase(noun.charAt(1)))) {
            return noun;
        }
        return Character.toLowerCase(noun.charAt(0)) + noun.substring(1);
    }

    /** A new type from its singular name alone, without fields but with a group to put them in. */
    public static ContentType type(String singular, Ids ids) {
        var noun = singular.strip();
        var plural = plural(noun);
        return new ContentType(
                ids.next('t'),
                Keys.fromLabel(noun),
                noun,
                plural,
                "",
                "",
                Keys.pathFrom(plural),
                Map.of(),
                List.of(Part.TITLE),
                List.of(new Group(ids.next('g'), "Details", "", List.of())));
    }
}
