package org.jontrel.core.page;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.regex.Pattern;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Head;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.model.block.Presentation;
import org.jontrel.core.model.block.ValueText;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.page.node.PageAddress;
import org.jontrel.core.page.node.PageNode;
import org.jontrel.core.page.node.RecordHead;
import org.jontrel.core.record.Conditions;
import org.jontrel.core.value.GeoPoint;

/** Makes the head of a record's page out of what its definition says of it. */
final class HeadMaker {
    private static final Pattern SPACES = Pattern.compile("\\s+");
    private final PageModel model;
    private final PageData data;
    private final SeenRecords seen;
    private final ReachedValues reached;
    private final ValueWords words;

    HeadMaker(PageModel model, PageData data, SeenRecords seen, ReachedValues reached, ValueWords words) {
        this.model = model;
        this.data = data;
        this.seen = seen;
        this.reached = reached;
        this.words = words;
    }

    RecordHead of(PageRecord record) {
        var head = model.head(record.link().type());
        var place = reached.place(seen.seen(record));
        var title = line(head.title(), place).orElse(record.title());
        var description = line(head.description().isEmpty() ? "{part_summary}" : head.description(), place)
                .orElseGet(() -> description(record));
        var picture = picture(head.picture().isEmpty() ? "part_lead_image" : head.picture(), place);
        return new RecordHead(
                title, description, picture, linked(head, record, place, description, picture), hidden(head, place));
    }

    /** Terms that say nothing of themselves are described by their taxonomy. */
    private String description(PageRecord record) {
        return model.model()
                .find(Taxonomy.class, record.link().type())
                .map(Taxonomy::description)
                .orElse("");
    }

    private Optional<String> line(String text, PagePlace place) {
        return text.isEmpty()
                ? Optional.empty()
                : words.text(text, place)
                        .map(each -> SPACES.matcher(each).replaceAll(" ").strip())
                        .filter(each -> !each.isEmpty());
    }

    private Optional<PageNode.PictureFacts> picture(String path, PagePlace place) {
        return reached.follow(path, place) instanceof ReachedValues.FoundValues found
                        && found.field().kind() instanceof Kind.Image
                ? found.values().stream()
                        .flatMap(id -> data.file((Long) id).stream())
                        .map(PageFile::picture)
                        .filter(Objects::nonNull)
                        .findFirst()
                : Optional.empty();
    }

    private boolean hidden(Head head, PagePlace place) {
        return head.hidden()
                || !head.hiddenWhen().equals(Condition.ALWAYS)
                        && Conditions.holds(head.hiddenWhen(), seen.conditions(place));
    }

    // Data for programs

    private Map<String, Object> linked(
            Head head,
            PageRecord record,
            PagePlace place,
            String description,
            Optional<PageNode.PictureFacts> picture) {
        if (head.schema().isEmpty()) {
            return Map.of();
        }
        var thing = new LinkedHashMap<String, Object>();
        thing.put("@context", "https://schema.org");
        thing.put("@type", head.schema());
        thing.put("name", record.title());
        if (!record.address().isEmpty()) {
            thing.put("url", new PageAddress.InsideSite(record.address()));
        }
        if (!description.isEmpty()) {
            thing.put("description", description);
        }
        picture.ifPresent(facts -> thing.put("image", new PageAddress.OfFile(facts.file())));
        for (var property : head.properties()) {
            value(property.value(), place)
                    .ifPresent(value -> put(thing, List.of(property.name().split("\\.")), value));
        }
        return thing;
    }

    @SuppressWarnings("unchecked") // what stands under a name with dots is made here
    private static void put(Map<String, Object> thing, List<String> name, Object value) {
        if (name.size() == 1) {
            thing.put(name.getFirst(), value);
            return;
        }
        var inner = thing.get(name.getFirst()) instanceof Map<?, ?> known
                ? (Map<String, Object>) known
                : new LinkedHashMap<String, Object>();
        thing.put(name.getFirst(), inner);
        put(inner, name.subList(1, name.size()), value);
    }

    /** One value alone as it is; of anything else the words. */
    private Optional<Object> value(String text, PagePlace place) {
        var pieces = ValueText.of(text).pieces();
        if (pieces.size() == 1
                && pieces.getFirst() instanceof ValueText.FirstFilled first
                && first.otherwise().isEmpty()) {
            return first.paths().stream()
                    .map(path -> reached.follow(path, place))
                    .filter(found -> !found.isEmpty())
                    .findFirst()
                    .map(this::values);
        }
        return line(text, place).map(each -> (Object) each);
    }

    private Object values(ReachedValues.Reached found) {
        var all =
                switch (found) {
                    case ReachedValues.FoundWords(String text) -> List.<Object>of(text);
                    case ReachedValues.FoundRecords(var records) ->
                        records.stream().map(HeadMaker::thing).toList();
                    case ReachedValues.FoundValues values -> {
                        var several = new ArrayList<Object>();
                        values.values()
                                .forEach(value -> value(values.field(), value).ifPresent(several::add));
                        yield several;
                    }
                };
        return all.size() == 1 ? all.getFirst() : all;
    }

    private Optional<Object> value(Field field, Object value) {
        return switch (field.kind()) {
            case Kind.Numeric _, Kind.YesNo _ -> Optional.of(value);
            case Kind.Date _, Kind.DateTime _, Kind.Time _, Kind.Email _, Kind.Phone _, Kind.Url _ ->
                Optional.of(value.toString());
            case Kind.Image _, Kind.File _ -> data.file((Long) value).map(file -> new PageAddress.OfFile(file.id()));
            case Kind.Coordinates _ -> {
                var point = (GeoPoint) value;
                var place = new LinkedHashMap<String, Object>();
                place.put("@type", "GeoCoordinates");
                place.put("latitude", point.latitude());
                place.put("longitude", point.longitude());
                yield Optional.of(place);
            }
            case Kind.Relation _, Kind.TermPick _ ->
                reached.record(field, value).map(HeadMaker::thing);
            case Kind.Plain _, Kind.Nested _, Kind.Note _ ->
                Optional.<Object>of(words.of(field, value, Presentation.USUAL)).filter(text -> !text.equals(""));
        };
    }

    private static Map<String, Object> thing(PageRecord record) {
        var thing = new LinkedHashMap<String, Object>();
        thing.put("@type", "Thing");
        thing.put("name", record.title());
        if (!record.address().isEmpty()) {
            thing.put("url", new PageAddress.InsideSite(record.address()));
        }
        return thing;
    }
}
