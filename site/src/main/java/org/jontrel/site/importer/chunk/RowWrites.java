package org.jontrel.site.importer.chunk;

import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jontrel.core.importer.BoundColumn;
import org.jontrel.core.importer.BoundSheet;
import org.jontrel.core.importer.CellName;
import org.jontrel.core.importer.ColumnMapping;
import org.jontrel.core.importer.ImportedValues;
import org.jontrel.core.importer.ReadRow;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.core.record.Values;
import org.jontrel.core.value.Link;
import org.jontrel.site.importer.name.FoundName;
import org.jontrel.site.importer.row.StagedRow;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.record.write.Write;

/** What the rows of a sheet make of their records. */
public record RowWrites(BoundSheet sheet, String author) {
    public Write write(StagedRow staged, ReadRow row, Map<CellName, FoundName> found, Optional<StoredRecord> was) {
        var type = sheet.recordType();
        var fields = type.fields().toList();
        var beforeWire = was.map(record -> Values.wire(fields, record.values())).orElseGet(LinkedHashMap::new);
        var publishAt = row.publishAt().map(RowWrites::instant).or(() -> was.flatMap(StoredRecord::publishAt));
        return new Write(
                type.id(),
                Optional.of(staged.record()),
                was.map(StoredRecord::version).orElse(0),
                state(row, was, publishAt),
                publishAt,
                row.retireAt().map(RowWrites::instant).or(() -> was.flatMap(StoredRecord::retireAt)),
                slug(row, was),
                parent(row, found, was),
                Optional.empty(),
                ImportedValues.over(beforeWire, row.raw(), name -> wire(name, found.get(name))),
                true,
                author);
    }

    private static Instant instant(LocalDateTime moment) {
        return moment.toInstant(ZoneOffset.UTC);
    }

    /** What is to appear later is scheduled. */
    private RecordState state(ReadRow row, Optional<StoredRecord> was, Optional<Instant> publishAt) {
        var state = row.state()
                .or(() -> was.map(StoredRecord::state))
                .orElse(sheet.mapping().state());
        boolean later = row.publishAt().isPresent()
                && publishAt.filter(at -> at.isAfter(Instant.now())).isPresent();
        return state == RecordState.PUBLISHED && later ? RecordState.SCHEDULED : state;
    }

    /** The last segment, where a whole address stands there. */
    private static String slug(ReadRow row, Optional<StoredRecord> was) {
        var bare = row.address().replaceFirst("/+$", "");
        var segment = bare.substring(bare.lastIndexOf('/') + 1);
        return was.filter(record -> record.slug().equals(segment)).isPresent() ? "" : segment;
    }

    private Optional<Link> parent(ReadRow row, Map<CellName, FoundName> found, Optional<StoredRecord> was) {
        if (row.parent().isPresent()) {
            return found.get(row.parent().get()) instanceof FoundName.Known(Link link, Set<Link> _)
                    ? Optional.of(link)
                    : Optional.empty();
        }
        boolean empties = sheet.mapping().clears()
                && sheet.column(ColumnMapping.Goal.PARENT).isPresent();
        return empties ? Optional.empty() : was.flatMap(StoredRecord::parent);
    }

    public Object wire(CellName name, FoundName found) {
        if (!(found instanceof FoundName.Known(Link link, Set<Link> _))) {
            return null;
        }
        boolean bare = name.targets().isEmpty()
                || sheet.columns().stream()
                        .filter(each -> each.index() == name.column() && each.goal() == ColumnMapping.Goal.FIELD)
                        .map(BoundColumn::field)
                        .anyMatch(each -> each.kind() instanceof Kind.TermPick);
        return bare ? (Object) link.id() : Map.of("type", link.type(), "id", link.id());
    }
}
