package org.jontrel.core.move;

import java.util.List;
import java.util.Map;

/**
 * That rows, a group or fields of one record type and records of a content type are the same things, kept in two ways: one
 * becomes the other.
 *
 * @param records id of the content type whose records they are
 * @param place id of the repeater or group that they are in the other record type; empty for fields of its records themselves
 * @param link id of the relation between both
 * @param linkThere whether the records of the content type hold the relation, rather than the others
 * @param matched by the ids of the fields within the place, those of the records' fields that say the same
 * @param title formula for the titles of records; empty where a field has them
 * @param toRows whether records become rows, rather than rows records
 * @param united name under which it is noted which record stands for all rows that say the same; empty for a record per row
 * @param moves what becomes of the values; fields within the place go by the ids that they are matched with
 */
public record RecordMove(
        String records,
        String place,
        String link,
        boolean linkThere,
        Map<String, String> matched,
        String title,
        boolean toRows,
        String united,
        List<Move> moves) {
    public RecordMove {
        // journals of earlier versions have none
        united = united == null ? "" : united;
        matched = Map.copyOf(matched);
        moves = List.copyOf(moves);
    }

    public RecordMove titled(String formula) {
        return new RecordMove(records, place, link, linkThere, matched, formula, toRows, united, moves);
    }

    public RecordMove moving(List<Move> values) {
        return new RecordMove(records, place, link, linkThere, matched, title, toRows, united, values);
    }

    /** One record for all rows that say the same. */
    public RecordMove uniting(String name) {
        return new RecordMove(records, place, link, linkThere, matched, title, toRows, name, moves);
    }

    /** Whether one record can stand for several rows: where the others hold the relation. */
    public boolean canUnite() {
        return !toRows && !linkThere;
    }

    public boolean unites() {
        return !united.isEmpty();
    }

    /** Whether a field within the place, or the place itself, is one of those that go or come. */
    public boolean has(String fieldId) {
        return fieldId.equals(place) || matched.containsKey(fieldId);
    }
}
