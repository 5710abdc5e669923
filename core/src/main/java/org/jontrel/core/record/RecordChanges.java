package org.jontrel.core.record;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.BiFunction;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.recordtype.RecordType;

/** What differs between two states of a record, field by field, and what three states make together. */
public final class RecordChanges {
    private RecordChanges() {}

    /**
     * A field with another value.
     *
     * @param path keys to the field, groups first, as {@code bark.tone}
     * @param before as a reader sees it; empty for nothing
     */
    public record FieldDifference(String fieldId, String path, String label, String before, String after) {}

    /**
     * A field that both changed, each to something else.
     *
     * @param mine as a form sends it; {@code null} for nothing
     */
    public record FieldClash(
            String path, String label, Object mine, Object theirs, String mineShown, String theirsShown) {}

    /**
     * @param values by field id, with theirs where only they changed something, and mine elsewhere
     */
    public record MergedRecord(Map<String, Object> values, List<FieldClash> clashes) {}

    /** Values of two states, which may have been written under different definitions; fields are one by their ids. */
    public static List<FieldDifference> between(
            RecordType older,
            Map<String, Object> before,
            RecordType newer,
            Map<String, Object> after,
            BiFunction<Field, Object, String> show) {
        var differences = new ArrayList<FieldDifference>();
        var fields = new LinkedHashMap<String, Field>();
        newer.fields().forEach(field -> fields.put(field.id(), field));
        older.fields().forEach(field -> fields.putIfAbsent(field.id(), field));
        fields.values()
                .forEach(field -> compare(
                        older.field(field.id()).orElse(field),
                        before.get(field.id()),
                        field,
                        after.get(field.id()),
                        "",
                        show,
                        differences));
        return differences;
    }

    private static void compare(
            Field was,
            Object before,
            Field is,
            Object after,
            String path,
            BiFunction<Field, Object, String> show,
            List<FieldDifference> differences) {
        if (Objects.equals(before, after)) {
            return;
        }
        if (is.kind() instanceof Kind.FieldGroup && was.kind() instanceof Kind.FieldGroup) {
            for (var inner : is.inner()) {
                var old = was.inner().stream()
                        .filter(each -> each.id().equals(inner.id()))
                        .findFirst()
                        .orElse(inner);
                compare(old, in(before, inner), inner, in(after, inner), path + is.key() + ".", show, differences);
            }
            return;
        }
        var a = before == null ? "" : show.apply(was, before);
        var b = after == null ? "" : show.apply(is, after);
        if (!a.equals(b)) {
            differences.add(new FieldDifference(is.id(), path + is.key(), is.label(), a, b));
        }
    }

    private static Object in(Object group, Field inner) {
        return group instanceof Map<?, ?> map ? map.get(inner.id()) : null;
    }

    /** Mine and theirs over what both began with; where both changed a field to different values, mine stands and it is a clash. */
    public static MergedRecord merge(
            RecordType recordType,
            Map<String, Object> base,
            Map<String, Object> mine,
            Map<String, Object> theirs,
            BiFunction<Field, Object, String> show) {
        var clashes = new ArrayList<FieldClash>();
        var merged = merge(recordType.fields().toList(), base, mine, theirs, "", show, clashes);
        return new MergedRecord(merged, clashes);
    }

    private static Map<String, Object> merge(
            List<Field> fields,
            Map<?, ?> base,
            Map<?, ?> mine,
            Map<?, ?> theirs,
            String path,
            BiFunction<Field, Object, String> show,
            List<FieldClash> clashes) {
        var merged = new LinkedHashMap<String, Object>();
        for (var field : fields) {
            var was = base.get(field.id());
            var my = mine.get(field.id());
            var their = theirs.get(field.id());
            Object value;
            if (field.kind() instanceof Kind.FieldGroup) {
                var inner =
                        merge(field.inner(), map(was), map(my), map(their), path + field.key() + ".", show, clashes);
                value = inner.isEmpty() ? null : inner;
            } else if (Objects.equals(my, was) || Objects.equals(my, their)) {
                value = their;
            } else {
                value = my;
                if (!Objects.equals(their, was)) {
                    clashes.add(new FieldClash(
                            path + field.key(),
                            field.label(),
                            Values.wire(field.kind(), my),
                            Values.wire(field.kind(), their),
                            my == null ? "" : show.apply(field, my),
                            their == null ? "" : show.apply(field, their)));
                }
            }
            if (value != null) {
                merged.put(field.id(), value);
            }
        }
        return merged;
    }

    private static Map<?, ?> map(Object group) {
        return group instanceof Map<?, ?> map ? map : Map.of();
    }
}
