package org.jontrel.site.table;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.recordtype.RecordType;

/** Indexes for lists and filters. */
public final class IndexDdl {
    private static final int MOST_INDEXES = 16;

    private IndexDdl() {}

    /** Columns of the indexes that lists want: what they show and sort by, and what must be unique. */
    public static List<List<String>> wantedIndexes(RecordType recordType) {
        var columns = PhysicalNames.columns(recordType, "");
        var wanted = new LinkedHashSet<List<String>>();
        recordType.columns("").stream()
                .filter(field -> field.kind() instanceof Kind.Text text && text.unique())
                .forEach(field -> wanted.add(List.of(columns.get(field.id()))));
        if (recordType.definition() instanceof ContentType type) {
            sortable(recordType, type.index().order()).ifPresent(id -> wanted.add(List.of("state", columns.get(id))));
            type.columns().stream()
                    .flatMap(id -> sortable(recordType, id).stream())
                    .limit(MOST_INDEXES)
                    .forEach(id -> wanted.add(List.of(columns.get(id))));
        }
        return List.copyOf(wanted);
    }

    static String indexed(List<String> columns) {
        return columns.stream().map(PhysicalNames::quoted).collect(Collectors.joining(", "));
    }

    static Optional<String> sortable(RecordType recordType, String fieldId) {
        return recordType.columns("").stream()
                .filter(field -> field.id().equals(fieldId))
                .filter(field -> switch (field.kind()) {
                    case Kind.LongText _, Kind.RichText _, Kind.Url _, Kind.Coordinates _ -> false;
                    case Kind.Plain _, Kind.Reference _, Kind.Nested _, Kind.Note _ -> true;
                })
                .map(Field::id)
                .findFirst();
    }

    /** Nobody waits for it. */
    public static String addIndex(String table, List<String> columns) {
        return "ALTER TABLE %s ADD KEY (%s), ALGORITHM=INPLACE, LOCK=NONE"
                .formatted(PhysicalNames.quoted(table), indexed(columns));
    }
}
