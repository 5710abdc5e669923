package org.jontrel.server.publicsite;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.record.Values;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.value.Leaves;
import org.jontrel.core.value.Link;
import org.jontrel.core.value.Row;
import org.jontrel.server.record.ReferenceNames;
import org.jontrel.site.Site;
import org.jontrel.site.media.StoredFile;
import org.jontrel.site.record.read.Audience;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.record.write.Write;
import org.springframework.web.util.UriUtils;

/** What pages of one site show of its records: every filled field that is shown, and no empty one. */
public final class PublicPages {
    private final String path;
    private final Site site;
    private final Audience audience;

    PublicPages(String path, Site site, Audience audience) {
        this.audience = audience;
        this.path = path;
        this.site = site;
    }

    public record PageSection(String title, List<PageField> lines) {}

    /**
     * A record in a list.
     *
     * @param items its terms, with their colours
     */
    public record Card(String title, String summary, String address, StoredFile picture, List<PageField.Item> items) {}

    /** A term with those below it. */
    public record Branch(Card term, List<Branch> below) {}

    /** The fields that a card shows. */
    static Set<String> onCards(RecordType recordType) {
        var fields = recordType.groups().stream()
                .filter(group -> group.id().equals(RecordType.CLASSIFIED))
                .flatMap(group -> group.fields().stream())
                .map(Field::id)
                .collect(Collectors.toCollection(HashSet::new));
        fields.addAll(List.of("part_title", "part_summary", "part_lead_image"));
        return fields;
    }

    /** Cards of records, in their order. */
    List<Card> cards(RecordType recordType, Collection<StoredRecord> stored) {
        var names = ReferenceNames.of(path, site, recordType, stored, audience);
        var addresses = site.records().addresses(recordType.id(), stored);
        var records =
                stored.stream().map(record -> names.seen(recordType, record)).toList();
        var terms = terms(recordType, records);
        return records.stream()
                .map(record -> new Card(
                        record.title().isEmpty() ? record.slug() : record.title(),
                        String.valueOf(record.values().getOrDefault("part_summary", "")),
                        address(recordType, addresses.get(record.id())),
                        record.values().get("part_lead_image") instanceof Long id ? names.file(id) : null,
                        classified(recordType, record, terms)))
                .toList();
    }

    /** Terms as the tree that they are; one below a term that is not among them stands at the top. */
    List<Branch> tree(RecordType taxonomy, List<StoredRecord> terms) {
        var cards = cards(taxonomy, terms);
        var there = terms.stream().map(StoredRecord::id).collect(Collectors.toSet());
        var below = new HashMap<Long, List<Integer>>();
        for (int i = 0; i < terms.size(); i++) {
            long parent =
                    terms.get(i).parent().map(Link::id).filter(there::contains).orElse(0L);
            below.computeIfAbsent(parent, _ -> new ArrayList<>()).add(i);
        }
        return branches(0, terms, cards, below);
    }

    private static List<Branch> branches(
            long parent, List<StoredRecord> terms, List<Card> cards, Map<Long, List<Integer>> below) {
        return below.getOrDefault(parent, List.of()).stream()
                .map(at -> new Branch(cards.get(at), branches(terms.get(at).id(), terms, cards, below)))
                .toList();
    }

    String address(RecordType recordType, String below) {
        return "/at/" + encoded(path) + "/" + encoded(recordType.path()) + "/" + below;
    }

    static String encoded(String segment) {
        return UriUtils.encodePathSegment(segment, StandardCharsets.UTF_8);
    }

    private List<PageField.Item> classified(
            RecordType recordType, StoredRecord record, Map<Link, PageField.Item> terms) {
        return recordType.groups().stream()
                .filter(group -> group.id().equals(RecordType.CLASSIFIED))
                .flatMap(group -> group.fields().stream())
                .filter(field -> record.values().get(field.id()) instanceof List<?>)
                .flatMap(field -> ((List<?>) record.values().get(field.id()))
                        .stream().map(term -> terms.get(new Link(field.id(), (Long) term))))
                .filter(Objects::nonNull)
                .toList();
    }

    /** The terms that records have, with the first colour that each term holds. */
    private Map<Link, PageField.Item> terms(RecordType recordType, Collection<StoredRecord> records) {
        var wanted = new HashMap<String, Set<Long>>();
        var fields = recordType.fields().toList();
        records.forEach(record -> Leaves.of(fields, record.values(), (field, value) -> {
            if (field.kind() instanceof Kind.TermPick pick && value instanceof Long term) {
                wanted.computeIfAbsent(pick.taxonomy(), _ -> new HashSet<>()).add(term);
            }
        }));
        var items = new LinkedHashMap<Link, PageField.Item>();
        var installed = site.installed();
        wanted.forEach((taxonomy, ids) -> installed.table(taxonomy).ifPresent(table -> {
            var terms = site.records().byIds(taxonomy, ids);
            var addresses = site.records().addresses(taxonomy, terms);
            terms.forEach(term -> items.put(
                    new Link(taxonomy, term.id()),
                    new PageField.Item(
                            term.title(),
                            address(table.recordType(), addresses.get(term.id())),
                            colour(table.recordType(), term))));
        }));
        return items;
    }

    private static String colour(RecordType taxonomy, StoredRecord term) {
        return taxonomy.byId().values().stream()
                .filter(field ->
                        field.kind() instanceof Kind.Colour && term.values().get(field.id()) != null)
                .map(field -> String.valueOf(term.values().get(field.id())))
                .findFirst()
                .orElse(null);
    }

    /** The sections of a record's page. */
    List<PageSection> sections(RecordType recordType, StoredRecord stored) {
        var names = ReferenceNames.of(path, site, recordType, List.of(stored), audience);
        var record = names.seen(recordType, stored);
        var terms = terms(recordType, List.of(record));
        var hidden = hidden(recordType, record);
        var links = links(recordType, record);
        var sections = new ArrayList<PageSection>();
        for (var group : recordType.groups()) {
            if (hidden.contains(group.id())) {
                continue;
            }
            var lines = new ArrayList<PageField>();
            group.fields().stream()
                    .filter(field -> !hidden.contains(field.key()))
                    .forEach(field -> lines(field, record.values().get(field.id()), names, terms, links, lines));
            if (!lines.isEmpty()) {
                sections.add(new PageSection(group.id().equals(RecordType.CLASSIFIED) ? "" : group.title(), lines));
            }
        }
        pointers(recordType, record).ifPresent(sections::add);
        return sections;
    }

    private Set<String> hidden(RecordType recordType, StoredRecord record) {
        var write = Write.fresh(
                recordType.id(), record.state(), Values.wire(recordType.fields().toList(), record.values()), "");
        return site.records()
                .check(record.parent().map(write::under).orElse(write))
                .map(checked -> checked.hidden())
                .orElse(Set.of());
    }

    /** Where the relations of a record lead, for what visitors may see. */
    private Map<Link, PageField.Item> links(RecordType recordType, StoredRecord record) {
        var wanted = new HashSet<Link>();
        Leaves.of(recordType.fields().toList(), record.values(), (_, value) -> {
            if (value instanceof Link link) {
                wanted.add(link);
            }
        });
        return items(wanted);
    }

    private Map<Link, PageField.Item> items(Set<Link> wanted) {
        var byType = new HashMap<String, Set<Long>>();
        wanted.forEach(link ->
                byType.computeIfAbsent(link.type(), _ -> new HashSet<>()).add(link.id()));
        var items = new HashMap<Link, PageField.Item>();
        var installed = site.installed();
        var now = java.time.Instant.now();
        byType.forEach((type, ids) -> installed.table(type).ifPresent(table -> {
            var records = site.records().byIds(type, ids, Set.of("part_title")).stream()
                    .filter(each -> audience.reads(each, now))
                    .toList();
            var addresses = site.records().addresses(type, records);
            boolean pages = table.recordType().definition() instanceof ContentType is
                    && is.publishing().visible();
            records.forEach(each -> items.put(
                    new Link(type, each.id()),
                    new PageField.Item(
                            each.title().isEmpty() ? each.slug() : each.title(),
                            pages ? address(table.recordType(), addresses.get(each.id())) : null,
                            null)));
        }));
        return items;
    }

    /** What leads here, by relations whose other end is shown. */
    private java.util.Optional<PageSection> pointers(RecordType recordType, StoredRecord record) {
        var lines = new ArrayList<PageField>();
        var installed = site.installed();
        for (var pointers : site.records().pointers(recordType.id(), record.id())) {
            var field = installed
                    .table(pointers.recordTypeId())
                    .flatMap(table -> table.recordType().field(pointers.fieldId()))
                    .orElseThrow();
            if (field.kind() instanceof Kind.Relation relation
                    && relation.inverse() != null
                    && relation.inverse().shown()) {
                var links = new HashSet<Link>();
                pointers.records().forEach(id -> links.add(new Link(pointers.recordTypeId(), id)));
                var items = items(links).values().stream()
                        .sorted(java.util.Comparator.comparing(PageField.Item::text))
                        .toList();
                if (!items.isEmpty()) {
                    lines.add(PageField.items(relation.inverse().label(), items));
                }
            }
        }
        return lines.isEmpty() ? java.util.Optional.empty() : java.util.Optional.of(new PageSection("", lines));
    }

    private void lines(
            Field field,
            Object value,
            ReferenceNames names,
            Map<Link, PageField.Item> terms,
            Map<Link, PageField.Item> links,
            List<PageField> lines) {
        if (value == null) {
            return;
        }
        var several = value instanceof List<?> list ? list : List.of(value);
        switch (field.kind()) {
            case Kind.FieldGroup group -> {
                var values = (Map<?, ?>) value;
                group.fields().forEach(inner -> lines(inner, values.get(inner.id()), names, terms, links, lines));
            }
            case Kind.Repeater rows -> lines.add(PageField.rows(field.label(), table(rows, several, names)));
            case Kind.LongText _ -> lines.add(PageField.prose(field.label(), names.show(field, value)));
            case Kind.RichText _ -> lines.add(PageField.html(field.label(), (String) value));
            case Kind.Image _ -> {
                var pictures = several.stream()
                        .map(id -> names.file((Long) id))
                        .filter(Objects::nonNull)
                        .toList();
                if (!pictures.isEmpty()) {
                    lines.add(PageField.pictures(field.label(), pictures));
                }
            }
            case Kind.File _ ->
                add(
                        lines,
                        field,
                        several.stream()
                                .map(id -> names.file((Long) id))
                                .filter(Objects::nonNull)
                                .map(file -> new PageField.Item(
                                        file.name(), "/at/" + encoded(path) + "/media/" + file.id(), null))
                                .toList());
            case Kind.Relation _ ->
                add(
                        lines,
                        field,
                        several.stream()
                                .map(links::get)
                                .filter(Objects::nonNull)
                                .toList());
            case Kind.TermPick pick ->
                add(
                        lines,
                        field,
                        several.stream()
                                .map(term -> terms.get(new Link(pick.taxonomy(), (Long) term)))
                                .filter(Objects::nonNull)
                                .toList());
            case Kind.Email _ -> lines.add(one(field, names.show(field, value), "mailto:" + encoded((String) value)));
            case Kind.Phone _ ->
                lines.add(one(field, names.show(field, value), "tel:" + ((String) value).replaceAll("[^0-9+]", "")));
            case Kind.Url _ -> lines.add(one(field, names.show(field, value), (String) value));
            case Kind.Colour _ ->
                lines.add(PageField.items(
                        field.label(), List.of(new PageField.Item((String) value, null, (String) value))));
            case Kind.Text _,
                    Kind.Numeric _,
                    Kind.YesNo _,
                    Kind.Date _,
                    Kind.Time _,
                    Kind.DateTime _,
                    Kind.Icon _,
                    Kind.Choice _,
                    Kind.Coordinates _,
                    Kind.Note _ -> lines.add(PageField.text(field.label(), names.show(field, value)));
        }
    }

    private static void add(List<PageField> lines, Field field, List<PageField.Item> items) {
        if (!items.isEmpty()) {
            lines.add(PageField.items(field.label(), items));
        }
    }

    private static PageField one(Field field, String text, String href) {
        return PageField.items(field.label(), List.of(new PageField.Item(text, href, null)));
    }

    /** Only columns that some row fills. */
    private static PageField.Cell table(Kind.Repeater kind, List<?> rows, ReferenceNames names) {
        var filled = kind.fields().stream()
                .filter(inner ->
                        rows.stream().anyMatch(row -> ((Row) row).values().containsKey(inner.id())))
                .toList();
        return new PageField.Cell(
                "",
                filled.stream().map(Field::label).toList(),
                rows.stream()
                        .map(row -> filled.stream()
                                .map(inner -> cell(inner, ((Row) row).values().get(inner.id()), names))
                                .toList())
                        .toList());
    }

    private static PageField.Cell cell(Field field, Object value, ReferenceNames names) {
        return switch (field.kind()) {
            case Kind.Repeater inner when value instanceof List<?> rows -> table(inner, rows, names);
            case Kind.Plain _, Kind.Reference _, Kind.Nested _, Kind.Note _ ->
                value == null ? PageField.Cell.EMPTY : PageField.Cell.text(names.show(field, value));
        };
    }
}
