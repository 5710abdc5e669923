package org.jontrel.core.code;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.SequencedMap;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Kind;

/** Properties of definitions as data, from the same description that reads and writes them. */
public final class Settings {
    private Settings() {}

    /**
     * A property that differs.
     *
     * @param before as written in a file, or {@code null} where it was left out
     * @param after as written in a file, or {@code null} where it is left out
     */
    public record Difference(String name, Sense sense, Object before, Object after, boolean afterIsDefault) {}

    public static List<Difference> differences(ContentType before, ContentType after) {
        return differences(Shapes.TYPE, before, after);
    }

    public static List<Difference> differences(Group before, Group after) {
        return differences(Shapes.GROUP, before, after);
    }

    public static List<Difference> differences(Field before, Field after) {
        return differences(FieldShape.COMMON, before, after);
    }

    public static List<Difference> differences(Kind.Option before, Kind.Option after) {
        return differences(KindShapes.OPTION, before, after);
    }

    /** The settings of two kinds that are the same; nothing where the kinds differ. */
    public static List<Difference> differences(Kind before, Kind after) {
        return Kind.same(before, after) ? differences(KindShapes.of(before), before, after) : List.of();
    }

    private static <T> List<Difference> differences(ObjectShape<T> shape, T before, T after) {
        var differences = new ArrayList<Difference>();
        for (var property : shape.properties()) {
            if (property.sense() == Sense.PARTS || property.sense() == Sense.IDENTITY) {
                continue;
            }
            var was = property.written(before);
            var is = property.written(after);
            if (!Objects.equals(was, is)) {
                differences.add(new Difference(property.name(), property.sense(), was, is, property.isDefault(after)));
            }
        }
        return differences;
    }

    /** For each kind, its settings with what they are for: the words of the interface's help. */
    public static SequencedMap<String, SequencedMap<String, String>> help() {
        var kinds = new LinkedHashMap<String, SequencedMap<String, String>>();
        KindShapes.BY_CODE.forEach((code, shape) -> {
            var settings = new LinkedHashMap<String, String>();
            shape.properties().forEach(property -> settings.put(property.name(), property.about()));
            kinds.put(code, settings);
        });
        return kinds;
    }

    /** Decides on one property of a merge: its name, and its values before (or null), here and there. */
    public interface Choice {
        Object of(String name, Object before, Object ours, Object theirs);
    }

    /** A content type from three; {@code parts} are its parts, wordings and groups as the caller has merged them. */
    public static ContentType merged(
            ContentType before, ContentType ours, ContentType theirs, Map<String, Object> parts, Choice choose) {
        return Shapes.TYPE.merged(before, ours, theirs, parts, choose::of);
    }

    /** A group from three; {@code fields} are brought together by the caller. */
    public static Group merged(Group before, Group ours, Group theirs, List<Field> fields, Choice choose) {
        return Shapes.GROUP.merged(before, ours, theirs, Map.of("fields", fields), choose::of);
    }

    /** What all fields have from three, with the kind that the caller has chosen. */
    public static Field merged(Field before, Field ours, Field theirs, Kind kind, Choice choose) {
        return FieldShape.COMMON
                .merged(before, ours, theirs, Map.of("kind", kind.code()), choose::of)
                .withKind(kind);
    }

    public static Kind.Option merged(Kind.Option before, Kind.Option ours, Kind.Option theirs, Choice choose) {
        return KindShapes.OPTION.merged(before, ours, theirs, Map.of(), choose::of);
    }

    /** Settings of one kind from three of it. */
    public static <K extends Kind> K merged(K before, K ours, K theirs, Map<String, Object> parts, Choice choose) {
        return KindShapes.of(ours).merged(before, ours, theirs, parts, choose::of);
    }
}
