package org.jontrel.site.run.retype;

import java.util.Map;
import java.util.Set;
import java.util.function.LongSupplier;
import java.util.stream.Collectors;
import org.jontrel.core.move.Move;
import org.jontrel.core.move.MoveLosses;
import org.jontrel.core.move.MovedValues;
import org.jontrel.core.move.NameLookup;
import org.jontrel.core.move.TypeView;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.retype.TypeMove;
import org.jontrel.site.run.move.ValueMover;

/** What becomes of the values of records on one way, there and back. */
final class RetypeWay {
    private final TypeMove way;
    private final TypeView view;
    private final RecordType newer;
    private final MovedValues there;
    private final MovedValues back;

    /**
     * @param older the type that records were of
     * @param newer the type that they are of
     * @param after finds names and leads links after the run
     * @param before finds names and leads links after its undo
     */
    RetypeWay(TypeMove way, RecordType older, RecordType newer, NameLookup after, NameLookup before) {
        this.way = way;
        this.newer = newer;
        this.view = new TypeView(older, way.matched());
        this.there = new MovedValues(view.type(), newer, way.moves(), after, MoveLosses.UNTOLD);
        this.back = new MovedValues(newer, view.type(), view.back(newer, way.moves()), before, MoveLosses.UNTOLD);
    }

    TypeMove move() {
        return way;
    }

    RecordType newer() {
        return newer;
    }

    TypeView view() {
        return view;
    }

    /** The values of a record as those of the newer type. */
    Map<String, Object> there(Map<String, Object> values) {
        return there.apply(view.seen(values));
    }

    /** The same, with ids for rows that are new. */
    Map<String, Object> there(Map<String, Object> values, LongSupplier ids) {
        return ValueMover.settled(there(values), ids);
    }

    /** The same from values that are seen as of the older type already. */
    Map<String, Object> again(Map<String, Object> seen) {
        return there.apply(seen);
    }

    /** The values of a record of the newer type, seen as of the older. */
    Map<String, Object> back(Map<String, Object> values) {
        return back.apply(values);
    }

    /** Ids of the fields of newer records that something comes to. */
    Set<String> reached() {
        var targets = way.moves().stream().map(Move::target).collect(Collectors.toSet());
        return newer.fields()
                .filter(each -> each.withInner().anyMatch(inner -> targets.contains(inner.id())))
                .map(each -> each.id())
                .collect(Collectors.toSet());
    }
}
