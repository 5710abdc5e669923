package org.jontrel.serve.record;

import java.util.Collection;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.record.ValueTexts;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.value.Leaves;
import org.jontrel.core.value.Link;
import org.jontrel.core.value.Row;
import org.jontrel.site.Site;
import org.jontrel.site.media.StoredFile;
import org.jontrel.site.record.RecordStore;
import org.jontrel.site.record.read.Audience;
import org.jontrel.site.record.read.StoredRecord;

/** What the values of some records lead to, by the names people know it by; asked for once for all of them. */
public final class ReferenceNames {
    private final Audience audience;
    private final Map<Link, RecordStore.Named> links;
    private final Map<Long, StoredFile> files;

    private ReferenceNames(Audience audience, Map<Link, RecordStore.Named> links, Map<Long, StoredFile> files) {
        this.audience = audience;
        this.links = links;
        this.files = files;
    }

    public static ReferenceNames of(
            Site engine, RecordType recordType, Collection<? extends Map<String, Object>> records) {
        return of(engine, recordType, records, Set.of(), Audience.PEOPLE);
    }

    /** What an audience may read of what records lead to; {@link #seen} gives the records without the rest. */
    public static ReferenceNames of(
            Site engine, RecordType recordType, Collection<StoredRecord> records, Audience audience) {
        var parents =
                records.stream().flatMap(record -> record.parent().stream()).collect(Collectors.toSet());
        return of(engine, recordType, records.stream().map(StoredRecord::values).toList(), parents, audience);
    }

    private static ReferenceNames of(
            Site engine,
            RecordType recordType,
            Collection<? extends Map<String, Object>> records,
            Set<Link> parents,
            Audience audience) {
        var links = new LinkedHashSet<>(parents);
        var files = new LinkedHashSet<Long>();
        var fields = recordType.fields().toList();
        records.forEach(values -> Leaves.of(fields, values, (field, value) -> {
            switch (field.kind()) {
                case Kind.Relation _ when value instanceof Link link -> links.add(link);
                case Kind.TermPick pick when value instanceof Long term -> links.add(new Link(pick.taxonomy(), term));
                case Kind.Image _, Kind.File _ -> files.add((Long) value);
                case Kind.Plain _, Kind.Relation _, Kind.TermPick _, Kind.Nested _, Kind.Note _ -> {}
            }
        }));
        return new ReferenceNames(
                audience,
                engine.records().named(links, audience),
                engine.media().find(files));
    }

    /**
     * The record as the audience may read it: without the fields kept from it, and without links, terms and a parent that
     * lead to nothing it may read.
     */
    public StoredRecord seen(RecordType recordType, StoredRecord record) {
        return record.with(
                record.parent().filter(links::containsKey),
                seen(recordType.fields().toList(), record.values()));
    }

    private Map<String, Object> seen(List<Field> fields, Map<?, ?> values) {
        var seen = new LinkedHashMap<String, Object>();
        int left = values.size();
        for (int i = 0; i < fields.size() && left > 0; i++) {
            var field = fields.get(i);
            var value = values.get(field.id());
            left -= value == null ? 0 : 1;
            var readable = value == null || !audience.reads(field) ? null : seen(field, value);
            if (readable != null) {
                seen.put(field.id(), readable);
            }
        }
        return seen;
    }

    /** {@code null} where nothing is left. */
    private Object seen(Field field, Object value) {
        return switch (value) {
            case List<?> list -> {
                var left = list.stream()
                        .map(each -> seen(field, each))
                        .filter(Objects::nonNull)
                        .toList();
                yield left.isEmpty() ? null : left;
            }
            case Row row -> {
                var left = seen(field.inner(), row.values());
                yield left.isEmpty() ? null : new Row(row.id(), left);
            }
            case Map<?, ?> group -> {
                var left = seen(field.inner(), group);
                yield left.isEmpty() ? null : left;
            }
            case Link link -> links.containsKey(link) ? link : null;
            case Long term
            when field.kind() instanceof Kind.TermPick pick ->
                links.containsKey(new Link(pick.taxonomy(), term)) ? term : null;
            default -> value;
        };
    }

    public static ReferenceNames of(Site engine, Set<Link> links) {
        return new ReferenceNames(Audience.PEOPLE, engine.records().named(links), new HashMap<>());
    }

    public Map<Link, RecordStore.Named> links() {
        return Collections.unmodifiableMap(links);
    }

    /** A picture or file; {@code null} where it is not there. */
    public StoredFile file(long id) {
        return files.get(id);
    }

    public Collection<StoredFile> files() {
        return Collections.unmodifiableCollection(files.values());
    }

    /** What people call a record or term; {@code null} where it is not there. */
    public RecordStore.Named named(Link link) {
        return links.get(link);
    }

    /** A value as a visitor reads it, records and terms by their names. */
    public String show(Field field, Object value) {
        return ValueTexts.text(field, value, this::name);
    }

    /** What people call what a value leads to; empty where it leads nowhere. */
    public String name(Field field, Object reference) {
        return switch (reference) {
            case Link link -> title(link);
            case Long term when field.kind() instanceof Kind.TermPick pick -> title(new Link(pick.taxonomy(), term));
            case Long file when files.containsKey(file) -> files.get(file).name();
            default -> "";
        };
    }

    private String title(Link link) {
        return links.containsKey(link) ? links.get(link).title() : "";
    }
}
