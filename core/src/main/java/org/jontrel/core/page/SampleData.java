package org.jontrel.core.page;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.model.Term;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.core.record.RecordCheck;
import org.jontrel.core.record.Surroundings;
import org.jontrel.core.record.Values;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.sample.SampleValues;
import org.jontrel.core.value.Link;
import org.jontrel.core.value.Row;

/** Made-up records for a page of a model that no site has yet; always the same ones. */
public final class SampleData implements PageData {
    private static final int PER_LIST = 3;
    private final Model model;
    private final PageModel pages;
    private final String siteName;
    private final Map<String, PageNeeds.ListSource> lists = new HashMap<>();
    private final Map<Link, PageRecord> made = new HashMap<>();

    /** @param needs those of the page, for what its lists hold */
    public SampleData(PageModel pages, String siteName, PageNeeds needs) {
        this.pages = pages;
        this.model = pages.model();
        this.siteName = siteName;
        know(needs);
    }

    private void know(PageNeeds needs) {
        needs.lists().values().forEach(list -> {
            lists.put(list.name(), list.source());
            know(list.needs());
        });
        needs.over().values().forEach(this::know);
        if (needs.above() != null) {
            know(needs.above());
        }
    }

    @Override
    public String siteName() {
        return siteName;
    }

    @Override
    public Optional<PageFile> file(long id) {
        return Optional.empty();
    }

    @Override
    public Optional<PageRecord> record(Link link) {
        var known = made.get(link);
        if (known == null) {
            var recordType = pages.recordType(link.type());
            known = recordType.map(each -> make(each, link)).orElse(null);
            made.put(link, known);
        }
        return Optional.ofNullable(known);
    }

    /** Records of one type, from the first. */
    public List<PageRecord> some(String type, int count) {
        return IntStream.rangeClosed(1, count)
                .mapToObj(number -> new Link(type, number))
                .flatMap(link -> record(link).stream())
                .toList();
    }

    @Override
    public List<Link> list(Link of, String list) {
        return switch (lists.get(list)) {
            case null -> List.of();
            case PageNeeds.LeadingHere(var relation) -> links(relation.from().id());
            case PageNeeds.StandingBelow(List<String> types) -> types.isEmpty() ? List.of() : links(types.getFirst());
            case PageNeeds.HavingTerm(String type) -> links(type);
            case PageNeeds.FoundBy(var listing) -> links(listing.type());
            case PageNeeds.OneBefore _ -> List.of();
            case PageNeeds.OneAfter _ -> List.of(new Link(of.type(), of.id() + 1));
        };
    }

    private static List<Link> links(String type) {
        return IntStream.rangeClosed(1, PER_LIST)
                .mapToObj(number -> new Link(type, number))
                .toList();
    }

    private PageRecord make(RecordType recordType, Link link) {
        int number = (int) link.id();
        if (recordType.definition() instanceof Taxonomy taxonomy) {
            return term(recordType, taxonomy, link);
        }
        var raw = new SampleValues(model).of(recordType.first(), recordType.groups(), number);
        var title = recordType.singular();
        if (recordType.definition() instanceof ContentType type) {
            title = SampleValues.title(type, number);
            raw.put("title", title);
        }
        return record(link, title, "", values(recordType, raw, number));
    }

    private PageRecord term(RecordType recordType, Taxonomy taxonomy, Link link) {
        var terms = taxonomy.allTerms().toList();
        if (terms.isEmpty()) {
            return record(link, taxonomy.singular() + " " + link.id(), "", Map.of());
        }
        Term term = terms.get((int) ((link.id() - 1) % terms.size()));
        var values = new LinkedHashMap<String, Object>();
        term.values()
                .forEach((id, text) -> recordType
                        .field(id)
                        .flatMap(field -> Values.parse(field, text).value())
                        .ifPresent(value -> values.put(id, value)));
        return record(link, term.label(), term.id(), values);
    }

    private static PageRecord record(Link link, String title, String origin, Map<String, Object> values) {
        return new PageRecord(
                link, title, "", "", Optional.empty(), RecordState.PUBLISHED, origin, Instant.EPOCH, values);
    }

    private Map<String, Object> values(RecordType recordType, Map<String, Object> raw, int number) {
        var fields = recordType.fields().toList();
        return led(fields, RecordCheck.read(recordType, raw, Surroundings.NONE).values(), number);
    }

    /** Values with something at the other end of what leads elsewhere. */
    private Map<String, Object> led(List<Field> fields, Map<String, Object> values, int number) {
        var all = new LinkedHashMap<String, Object>();
        for (var field : fields) {
            var value = led(field, values.get(field.id()), number);
            if (value != null) {
                all.put(field.id(), value);
            }
        }
        return all;
    }

    private Object led(Field field, Object value, int number) {
        return switch (field.kind()) {
            case Kind.Relation relation ->
                several(
                        field,
                        relation.to().stream()
                                .findFirst()
                                .map(type -> (Object) new Link(type, number + 1))
                                .orElse(null));
            case Kind.TermPick _ -> several(field, (long) number);
            case Kind.Repeater _
            when value instanceof List<?> rows -> {
                var made = new ArrayList<Row>();
                for (int i = 0; i < rows.size(); i++) {
                    made.add(new Row(i + 1, led(field.inner(), ((Row) rows.get(i)).values(), number + i)));
                }
                yield made;
            }
            case Kind.FieldGroup _
            when value instanceof Map<?, ?> group -> led(field.inner(), ReachedValues.inner(group), number);
            case Kind.Image _, Kind.File _ -> null;
            case Kind.Plain _, Kind.Nested _, Kind.Note _ -> value;
        };
    }

    private static Object several(Field field, Object value) {
        return value != null && field.kind().amount().many() ? List.of(value) : value;
    }
}
