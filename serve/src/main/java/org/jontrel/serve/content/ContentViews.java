package org.jontrel.serve.content;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.record.Values;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.value.GeoPoint;
import org.jontrel.core.value.Leaves;
import org.jontrel.core.value.Link;
import org.jontrel.core.value.Row;
import org.jontrel.serve.record.ReferenceNames;
import org.jontrel.site.Site;
import org.jontrel.site.record.read.Audience;
import org.jontrel.site.record.read.StoredRecord;

/** Records as the content API gives them: without what is kept out of it, numbers as numbers. */
final class ContentViews {
    static final int DEEPEST = 2;
    private final ContentCall call;
    private final String path;
    private final Site site;
    private final Audience audience;
    private final Set<String> include;

    /** @param include keys of relations whose records are given whole, to a depth of two */
    ContentViews(ContentCall call, Set<String> include) {
        this.call = call;
        this.path = call.site();
        this.site = call.engine();
        this.audience = call.audience();
        this.include = include;
    }

    List<Map<String, Object>> of(RecordType recordType, Collection<StoredRecord> records, Set<String> fields) {
        return of(recordType, records, fields, 0);
    }

    private List<Map<String, Object>> of(
            RecordType recordType, Collection<StoredRecord> stored, Set<String> fields, int depth) {
        var names = ReferenceNames.of(site, recordType, stored, audience);
        var addresses = site.records().addresses(recordType.id(), stored);
        var records = ContentTexts.filled(
                call,
                recordType,
                stored.stream().map(record -> names.seen(recordType, record)).toList());
        var included = depth < DEEPEST ? included(recordType, records, depth) : Map.<Link, Map<String, Object>>of();
        return records.stream()
                .map(record -> {
                    var answer = new LinkedHashMap<String, Object>();
                    answer.put("id", record.id());
                    answer.put("slug", record.slug());
                    if (!recordType.path().isEmpty() && visible(recordType)) {
                        answer.put("url", "/at/" + path + "/" + recordType.path() + "/" + addresses.get(record.id()));
                    }
                    record.parent().ifPresent(parent -> answer.put("parent", parent.id()));
                    if (audience.everyState() && !recordType.single()) {
                        answer.put("state", record.state().code());
                        record.publishAt().ifPresent(at -> answer.put("publish_at", at.toString()));
                        record.retireAt().ifPresent(at -> answer.put("retire_at", at.toString()));
                    }
                    if (!recordType.single()) {
                        answer.put("updated_at", record.updatedAt().toString());
                    }
                    answer.putAll(given(
                            recordType
                                    .fields()
                                    .filter(field -> fields.isEmpty() || fields.contains(field.key()))
                                    .toList(),
                            record.values(),
                            names,
                            included));
                    return (Map<String, Object>) answer;
                })
                .toList();
    }

    private static boolean visible(RecordType recordType) {
        return !(recordType.definition() instanceof ContentType type)
                || type.publishing().visible();
    }

    /** The records that the wanted relations lead to. */
    private Map<Link, Map<String, Object>> included(RecordType recordType, Collection<StoredRecord> seen, int depth) {
        var wanted = new LinkedHashMap<String, Set<Long>>();
        var fields = recordType.fields().toList();
        seen.forEach(each -> Leaves.of(fields, each.values(), (field, value) -> {
            if (include.contains(field.key()) && value instanceof Link link) {
                wanted.computeIfAbsent(link.type(), _ -> new HashSet<>()).add(link.id());
            }
        }));
        var found = new LinkedHashMap<Link, Map<String, Object>>();
        wanted.forEach((type, ids) -> site.installed().table(type).ifPresent(table -> {
            var records = site.records().byIds(type, ids);
            var answers = of(table.recordType(), records, Set.of(), depth + 1);
            for (int i = 0; i < records.size(); i++) {
                found.put(new Link(type, records.get(i).id()), answers.get(i));
            }
        }));
        return found;
    }

    private Map<String, Object> given(
            List<Field> fields, Map<?, ?> values, ReferenceNames names, Map<Link, Map<String, Object>> included) {
        var given = new LinkedHashMap<String, Object>();
        for (var field : fields) {
            var value = values.get(field.id());
            if (value != null) {
                var shown = value(field, value, names, included);
                if (shown != null) {
                    given.put(field.key(), shown);
                }
            }
        }
        return given;
    }

    private Object value(Field field, Object value, ReferenceNames names, Map<Link, Map<String, Object>> included) {
        return switch (value) {
            case List<?> list -> {
                var all = new ArrayList<Object>();
                list.stream()
                        .map(each -> value(field, each, names, included))
                        .filter(Objects::nonNull)
                        .forEach(all::add);
                yield all.isEmpty() ? null : all;
            }
            case Row row -> given(field.inner(), row.values(), names, included);
            case Map<?, ?> group -> given(field.inner(), group, names, included);
            case Link link -> included.containsKey(link) ? included.get(link) : link(link, names);
            case Long term
            when field.kind() instanceof Kind.TermPick pick -> term(new Link(pick.taxonomy(), term), names);
            case Long file
            when field.kind() instanceof Kind.Image || field.kind() instanceof Kind.File -> file(file, field, names);
            case GeoPoint spot -> ordered("latitude", spot.latitude(), "longitude", spot.longitude());
            case java.math.BigDecimal number -> number;
            default -> Values.wire(field.kind(), value);
        };
    }

    private static Map<String, Object> ordered(Object... pairs) {
        var map = new LinkedHashMap<String, Object>();
        for (int i = 0; i < pairs.length; i += 2) {
            map.put((String) pairs[i], pairs[i + 1]);
        }
        return map;
    }

    private Object link(Link link, ReferenceNames names) {
        return site.installed()
                .table(link.type())
                .map(target -> ordered(
                        "type",
                        target.recordType().key(),
                        "id",
                        link.id(),
                        "title",
                        names.named(link).title()))
                .orElse(null);
    }

    private static Object term(Link link, ReferenceNames names) {
        return ordered("id", link.id(), "label", names.named(link).title());
    }

    private Object file(long id, Field field, ReferenceNames names) {
        var file = names.file(id);
        if (file == null) {
            return null;
        }
        var url = "/at/" + path + "/media/" + id;
        return field.kind() instanceof Kind.Image
                ? ordered("id", id, "url", url, "alt", file.alt(), "width", file.width(), "height", file.height())
                : ordered("id", id, "url", url, "name", file.name(), "bytes", file.bytes());
    }
}
