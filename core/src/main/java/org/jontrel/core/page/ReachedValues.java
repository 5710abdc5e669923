package org.jontrel.core.page;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.block.ValuePath;
import org.jontrel.core.value.Link;
import org.jontrel.core.value.Row;

/** Follows the ways to values, from where a block stands. */
final class ReachedValues {
    private final PageModel model;
    private final PageData data;
    private final SeenRecords seen;

    ReachedValues(PageModel model, PageData data, SeenRecords seen) {
        this.model = model;
        this.data = data;
        this.seen = seen;
    }

    /** What a way leads to. */
    sealed interface Reached {
        boolean isEmpty();
    }

    /**
     * The values of a field; several where it holds several, or the way leads over several records.
     *
     * @param place where the first of them stands
     */
    record FoundValues(Field field, List<Object> values, PagePlace place) implements Reached {
        @Override
        public boolean isEmpty() {
            return values.isEmpty();
        }
    }

    record FoundRecords(List<PageRecord> records) implements Reached {
        @Override
        public boolean isEmpty() {
            return records.isEmpty();
        }
    }

    record FoundWords(String text) implements Reached {
        @Override
        public boolean isEmpty() {
            return text.isEmpty();
        }
    }

    static final Reached NOTHING = new FoundRecords(List.of());

    Reached follow(String path, PagePlace from) {
        var steps = ValuePath.of(path).steps();
        if (steps.getFirst().equals(ValuePath.SITE)) {
            return ofSite(steps.subList(1, steps.size()));
        }
        return follow(steps, List.of(from));
    }

    private Reached ofSite(List<String> steps) {
        if (steps.isEmpty() || steps.getFirst().equals(ValuePath.SITE_NAME)) {
            return new FoundWords(data.siteName());
        }
        var values = seen.record(new Link(steps.getFirst(), PageData.SINGLE));
        return values.isEmpty() || steps.size() == 1
                ? NOTHING
                : follow(
                        steps.subList(1, steps.size()),
                        values.map(this::place).stream().toList());
    }

    private Reached follow(List<String> steps, List<PagePlace> from) {
        var places = from;
        for (var step : steps.subList(0, steps.size() - 1)) {
            places = places.stream().flatMap(place -> beyond(step, place)).toList();
        }
        return last(steps.getLast(), places);
    }

    /** The places from which the last step of a way goes on. */
    Stream<PagePlace> before(String path, PagePlace from) {
        var steps = ValuePath.of(path).steps();
        var places = Stream.of(from);
        for (var step : steps.subList(0, steps.size() - 1)) {
            places = places.flatMap(place -> beyond(step, place));
        }
        return places;
    }

    PagePlace place(PageRecord record) {
        return PagePlace.of(record, model.recordType(record.link().type()).orElseThrow());
    }

    private Reached last(String step, List<PagePlace> places) {
        Field field = null;
        PagePlace first = null;
        var values = new ArrayList<Object>();
        for (var place : places) {
            var held = place.find(step);
            if (held.isPresent()) {
                field = field == null ? held.get().field() : field;
                first = first == null ? held.get().place() : first;
                values.addAll(several(held.get().value()));
            }
        }
        return field == null
                ? new FoundRecords(places.stream()
                        .flatMap(place -> records(step, place))
                        .distinct()
                        .toList())
                : new FoundValues(field, values, first);
    }

    static List<?> several(Object value) {
        return value == null ? List.of() : value instanceof List<?> list ? list : List.of(value);
    }

    /** Where a step leads to. */
    private Stream<PagePlace> beyond(String step, PagePlace place) {
        var held = place.find(step);
        if (held.isEmpty()) {
            return records(step, place).map(this::place);
        }
        var field = held.get().field();
        return several(held.get().value()).stream().flatMap(value -> switch (value) {
            case Row row -> Stream.of(held.get().place().within(row.values(), field.inner()));
            case Map<?, ?> group -> Stream.of(held.get().place().within(inner(group), field.inner()));
            default -> record(field, value).map(this::place).stream();
        });
    }

    @SuppressWarnings("unchecked") // groups are maps by field id
    static Map<String, Object> inner(Map<?, ?> group) {
        return (Map<String, Object>) group;
    }

    /** The record or term that a value leads to; empty where it leads to none that may be seen. */
    Optional<PageRecord> record(Field field, Object value) {
        return switch (value) {
            case Link link -> seen.record(link);
            case Long term
            when field.kind() instanceof Kind.TermPick pick -> seen.record(new Link(pick.taxonomy(), term));
            default -> Optional.empty();
        };
    }

    /** The records of a step that is no field: what is above, or leads here. */
    private Stream<PageRecord> records(String step, PagePlace place) {
        if (place.record() == null) {
            return Stream.empty();
        }
        return step.equals(ValuePath.PARENT)
                ? place.record().parent().flatMap(seen::record).stream()
                : list(place.record().link(), step);
    }

    /** The records of a list. */
    Stream<PageRecord> list(Link of, String name) {
        return data.list(of, name).stream().flatMap(link -> seen.record(link).stream());
    }
}
