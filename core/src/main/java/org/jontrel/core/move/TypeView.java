package org.jontrel.core.move;

import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jontrel.core.model.Field;
import org.jontrel.core.recordtype.FieldStorage;
import org.jontrel.core.recordtype.RecordType;

/** Records of one content type seen as if they were of another: their fields have the ids of those they are matched with. */
public final class TypeView {
    private final RecordType own;
    private final MatchedFields match;
    private final Set<String> hidden = new HashSet<>();
    private final RecordType type;

    /**
     * @param own the content type that the records are of
     * @param matched by the ids of its fields, those of the other type; fields of the same id need not be named
     */
    public TypeView(RecordType own, Map<String, String> matched) {
        this.own = own;
        this.match = new MatchedFields(matched);
        // another field stands for it
        matched.forEach((id, other) -> {
            if (!id.equals(other) && !matched.containsKey(other)) {
                hidden.add(other);
            }
        });
        this.type = matched.isEmpty()
                ? own
                : RecordType.of(
                        own.definition(), shown().stream().map(match::seen).toList());
    }

    /** By the ids of the fields of one content type, those of another that say the same: of one key, and of kinds that go over. */
    public static Map<String, String> match(RecordType from, RecordType to) {
        return match(from, to, Map.of());
    }

    /** @param given ids that a person matched */
    public static Map<String, String> match(RecordType from, RecordType to, Map<String, String> given) {
        return FieldMatch.ofTypes(from.fields().toList(), to.fields().toList(), given);
    }

    private List<Field> shown() {
        return own.fields().filter(each -> !hidden.contains(each.id())).toList();
    }

    /** The fields of such records, those that are matched under the ids of their matches. */
    public RecordType type() {
        return type;
    }

    /** The values of a record under the ids of {@link #type}. */
    public Map<String, Object> seen(Map<String, Object> values) {
        return match.matched().isEmpty() ? values : match.seen(shown(), values);
    }

    /** The other way round, with the values that such a record has and nobody sees. */
    public Map<String, Object> own(Map<String, Object> seen, Map<String, Object> before) {
        if (match.matched().isEmpty()) {
            return seen;
        }
        var all = new LinkedHashMap<>(match.own(shown(), seen));
        hidden.stream().filter(before::containsKey).forEach(id -> all.put(id, before.get(id)));
        return all;
    }

    /**
     * Moves by which the values of such records come back from records of the other type.
     *
     * @param moves those by which they went there
     */
    public List<Move> back(RecordType other, List<Move> moves) {
        var fields = type.byId().values().stream()
                .filter(each -> FieldStorage.of(each.kind()) != FieldStorage.NOT)
                .filter(each -> type.home(each.id()).table().isEmpty())
                .map(Field::id)
                .collect(Collectors.toCollection(LinkedHashSet::new));
        return Move.back(moves, fields, type, other);
    }
}
