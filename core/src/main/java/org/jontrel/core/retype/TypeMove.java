package org.jontrel.core.retype;

import java.util.List;
import java.util.Map;
import org.jontrel.core.move.Move;

/**
 * That records of one content type are records of another from now on. They keep their ids, their states and what is under them.
 *
 * @param from id of the content type that they were of
 * @param to id of the other; the same for records that stay, in tables that are made anew for those that come
 * @param when which of them; those that an earlier way takes are not asked about
 * @param matched by the ids of the fields that they had, those of the other type that say the same
 * @param moves what becomes of the values; fields that are matched go by the ids of their matches
 */
public record TypeMove(String from, String to, TypeCondition when, Map<String, String> matched, List<Move> moves) {
    public TypeMove {
        matched = Map.copyOf(matched);
        moves = List.copyOf(moves);
    }

    /** Records that stay what they are. */
    static TypeMove staying(String type) {
        return new TypeMove(type, type, TypeCondition.ALL, Map.of(), List.of());
    }

    public TypeMove moving(List<Move> values) {
        return new TypeMove(from, to, when, matched, values);
    }

    /** Whether the records stay what they are. */
    public boolean stays() {
        return from.equals(to);
    }
}
