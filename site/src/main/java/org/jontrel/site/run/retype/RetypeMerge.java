package org.jontrel.site.run.retype;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import org.jontrel.core.move.EnteredValues;
import org.jontrel.core.move.Move;
import org.jontrel.core.move.MoveLosses;
import org.jontrel.core.move.MovedValues;
import org.jontrel.core.move.NameLookup;
import org.jontrel.core.move.ValueShapes;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.site.record.read.StoredRecord;

/**
 * What is held of a record and what was entered into it since as one of another type.
 *
 * @param forth whether the newer type is the one that comes back
 */
record RetypeMerge(RetypeWay way, boolean forth) {
    /** What is held, with what was changed since; a value that the other type never had stays, whatever came in its place. */
    Map<String, Object> entered(Map<String, Object> kept, Map<String, Object> now) {
        if (forth) {
            return merged(kept, way.again(way.back(kept)), way.there(now), way.reached());
        }
        var seen = way.view().seen(kept);
        var fields = way.view().type().fields().map(each -> each.id()).collect(Collectors.toSet());
        return way.view().own(merged(seen, way.back(way.there(kept)), way.back(now), fields), kept);
    }

    /** Each field for itself: one whose value cannot be taken over keeps no other from it. */
    private static Map<String, Object> merged(
            Map<String, Object> held, Map<String, Object> came, Map<String, Object> now, Set<String> fields) {
        var all = held;
        for (var field : fields) {
            all = new EnteredValues(all, came, now).merged(Set.of(field)).orElse(all);
        }
        return all;
    }

    /** Whether what is held is just what the record says, as far as anything of it comes there. */
    boolean says(Map<String, Object> kept, Map<String, Object> now) {
        var type = way.newer();
        if (!forth) {
            return ValueShapes.same(whole(type, way.there(kept)), whole(type, now));
        }
        var mine = new HashMap<>(kept);
        mine.keySet().retainAll(way.reached());
        return ValueShapes.same(whole(type, way.there(now)), whole(type, mine));
    }

    /** Values in one shape, however they were read. */
    private static Map<String, Object> whole(RecordType type, Map<String, Object> values) {
        var moves = type.fields().map(each -> Move.own(each.id(), List.of())).toList();
        return new MovedValues(type, type, moves, NameLookup.NONE, MoveLosses.UNTOLD).apply(values);
    }

    /** Whether records are the same but for their values. */
    static boolean isSame(StoredRecord a, StoredRecord b) {
        return a.slug().equals(b.slug())
                && a.parent().equals(b.parent())
                && a.position() == b.position()
                && a.state() == b.state()
                && a.deleted() == b.deleted()
                && a.publishAt().equals(b.publishAt())
                && a.retireAt().equals(b.retireAt())
                && Objects.equals(a.origin(), b.origin());
    }
}
