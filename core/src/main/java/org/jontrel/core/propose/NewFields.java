package org.jontrel.core.propose;

import java.util.Arrays;
import java.util.HashSet;
import java.util.Set;
import java.util.stream.Stream;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Part;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.naming.Keys;
import org.jontrel.core.propose.kind.ColumnKinds;
import org.jontrel.core.propose.kind.GuessedKind;
import org.jontrel.core.propose.word.Header;
import org.jontrel.core.propose.word.Spellings;
import org.jontrel.core.sheet.ColumnFacts;

/** Makes fields that stand beside each other, each with a key and a label of its own. */
final class NewFields {
    private static final int FEWEST_TO_REQUIRE = 5;
    private final Ids ids;
    private final Set<String> keys = new HashSet<>();
    private final Set<String> labels = new HashSet<>();

    /** Whether values can be held to come once over all records; those within rows cannot. */
    private final boolean canBeUnique;

    NewFields(Ids ids, Stream<Field> beside) {
        this(ids, beside, true);
    }

    private NewFields(Ids ids, Stream<Field> beside, boolean canBeUnique) {
        this.ids = ids;
        this.canBeUnique = canBeUnique;
        Arrays.stream(Part.values()).map(Part::code).forEach(keys::add);
        beside.forEach(each -> {
            keys.add(each.key());
            labels.add(Spellings.bare(each.label()));
        });
    }

    /** Those of the rows of a repeater. */
    static NewFields ofRows(Ids ids) {
        return new NewFields(ids, Stream.empty(), false);
    }

    void takeKey(String key) {
        keys.add(key);
    }

    Field field(String wanted, String help, boolean required, Kind kind) {
        var label = wanted;
        for (int n = 2; !labels.add(Spellings.bare(label)); n++) {
            label = wanted + " " + n;
        }
        var key = Keys.free(Keys.fromLabel(label), keys);
        keys.add(key);
        return new Field(ids.next('f'), key, label, help, required, kind);
    }

    Field field(ColumnFacts facts, GuessedKind kind, Choices.ColumnChoice choice) {
        var header = Header.of(facts.title());
        var label = choice.label() == null || choice.label().isBlank()
                ? header.label()
                : choice.label().strip();
        return field(label, header.help(), isRequired(facts, header, kind.kind(), choice), unique(facts, kind.kind()));
    }

    /** What never was empty is required, once there are enough rows to tell. */
    static boolean isRequired(ColumnFacts facts, Header header, Kind kind, Choices.ColumnChoice choice) {
        if (choice.required() != null) {
            return choice.required();
        }
        boolean never = facts.filled() >= FEWEST_TO_REQUIRE
                && facts.empty() == 0
                && facts.nothing() == 0
                && facts.errors() == 0;
        return header.required() && facts.empty() == 0 || never && !(kind instanceof Kind.YesNo);
    }

    /** A number or code by which people know a row is never given twice. */
    private Kind unique(ColumnFacts facts, Kind kind) {
        boolean unique = canBeUnique
                && kind instanceof Kind.Text
                && facts.isUnique()
                && facts.filled() >= FEWEST_TO_REQUIRE
                && ColumnKinds.isCode(facts);
        return unique ? new Kind.Text(null, null, "", "", "", "", true) : kind;
    }
}
