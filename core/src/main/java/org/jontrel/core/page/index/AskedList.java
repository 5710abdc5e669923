package org.jontrel.core.page.index;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.page.node.ListAddress;
import org.jontrel.core.record.Conditions;

/**
 * What somebody asks of a list by its address. What no filter has is passed over.
 *
 * @param chosen values by the name of the parameter, in the order of the filters
 * @param words what is looked for; empty for nothing
 * @param after where the page before ended; empty for the first page
 */
public record AskedList(IndexFilters filters, Map<String, List<String>> chosen, String words, String after) {
    private static final int MOST_VALUES = 50;
    private static final int LONGEST = 200;

    public static AskedList nothing(IndexFilters filters) {
        return new AskedList(filters, Map.of(), "", "");
    }

    public static AskedList of(IndexFilters filters, Map<String, List<String>> parameters) {
        var chosen = new LinkedHashMap<String, List<String>>();
        filters.accepted().stream().flatMap(AskedList::names).forEach(name -> {
            var values = parameters.getOrDefault(name, List.of()).stream()
                    .map(String::strip)
                    .filter(value -> !value.isEmpty() && value.length() <= LONGEST)
                    .distinct()
                    .limit(isRange(name) ? 1 : MOST_VALUES)
                    .toList();
            if (!values.isEmpty()) {
                chosen.put(name, values);
            }
        });
        return new AskedList(
                filters,
                chosen,
                filters.words() ? first(parameters, ListAddress.WORDS) : "",
                first(parameters, ListAddress.AFTER));
    }

    private static boolean isRange(String name) {
        return name.endsWith(IndexFilter.FROM) || name.endsWith(IndexFilter.TO);
    }

    private static String first(Map<String, List<String>> parameters, String name) {
        return parameters.getOrDefault(name, List.of()).stream()
                .map(String::strip)
                .filter(value -> !value.isEmpty())
                .map(value -> value.substring(0, Math.min(value.length(), LONGEST * 10)))
                .findFirst()
                .orElse("");
    }

    private static Stream<String> names(IndexFilter filter) {
        return filter.kind() == IndexFilter.FilterKind.RANGE
                ? Stream.of(filter.name() + IndexFilter.FROM, filter.name() + IndexFilter.TO)
                : Stream.of(filter.name());
    }

    /** Whether forms were sent with inputs left empty, so that the address says more than was asked. */
    public boolean isUntidy(Map<String, List<String>> parameters) {
        return Stream.concat(
                        filters.accepted().stream().flatMap(AskedList::names),
                        Stream.of(ListAddress.WORDS, ListAddress.AFTER))
                .flatMap(name -> parameters.getOrDefault(name, List.of()).stream())
                .anyMatch(String::isBlank);
    }

    /** Whether the list is narrowed at all. */
    public boolean narrows() {
        return !chosen.isEmpty() || !words.isEmpty();
    }

    public List<String> values(IndexFilter filter) {
        return chosen.getOrDefault(filter.name(), List.of());
    }

    String from(IndexFilter filter) {
        return value(filter.name() + IndexFilter.FROM);
    }

    String to(IndexFilter filter) {
        return value(filter.name() + IndexFilter.TO);
    }

    private String value(String name) {
        return chosen.getOrDefault(name, List.of("")).getFirst();
    }

    AskedList without(String name, String value) {
        var rest = new LinkedHashMap<>(chosen);
        rest.computeIfPresent(name, (_, values) -> {
            var others = values.stream().filter(each -> !each.equals(value)).toList();
            return others.isEmpty() ? null : others;
        });
        return new AskedList(filters, rest, words, "");
    }

    /** The same with another name for a value, such as the present address of a term for one that it had before. */
    public AskedList renamed(IndexFilter filter, String value, String other) {
        var all = new LinkedHashMap<>(chosen);
        all.computeIfPresent(
                filter.name(),
                (_, values) -> values.stream()
                        .map(each -> each.equals(value) ? other : each)
                        .distinct()
                        .toList());
        return new AskedList(filters, all, words, after);
    }

    AskedList withoutWords() {
        return new AskedList(filters, chosen, "", "");
    }

    /** The same with one value of a filter alone, from the first page. */
    AskedList with(IndexFilter filter, String value) {
        var more = new LinkedHashMap<>(chosen);
        more.put(filter.name(), List.of(value));
        return new AskedList(filters, more, words, "");
    }

    public AskedList after(String cursor) {
        return new AskedList(filters, chosen, words, cursor);
    }

    /** Its address below the site. @param path of the list */
    public String address(String path) {
        var parts = new ArrayList<String>();
        chosen.forEach((name, values) -> values.forEach(value -> parts.add(ListAddress.part(name, value))));
        if (!words.isEmpty()) {
            parts.add(ListAddress.part(ListAddress.WORDS, words));
        }
        if (!after.isEmpty()) {
            parts.add(ListAddress.part(ListAddress.AFTER, after));
        }
        return ListAddress.of(path, parts);
    }

    // Which records are meant

    /** Which records are meant: all filters, except one where its own values are counted. */
    public Condition where(ListFacts facts, Optional<IndexFilter> except) {
        var all = new ArrayList<Condition>();
        for (var filter : filters.accepted()) {
            if (except.filter(filter::equals).isEmpty()) {
                add(all, filter, facts);
            }
        }
        except.map(IndexFilter::shownWhen)
                .filter(shown -> !shown.equals(Condition.ALWAYS))
                .ifPresent(all::add);
        return all.isEmpty() ? Condition.ALWAYS : new Condition.All(all);
    }

    private void add(List<Condition> all, IndexFilter filter, ListFacts facts) {
        if (filter.kind() == IndexFilter.FilterKind.RANGE) {
            bound(filter, from(filter), Condition.Test.AT_LEAST).ifPresent(all::add);
            bound(filter, to(filter), Condition.Test.AT_MOST).ifPresent(all::add);
            return;
        }
        var stored = values(filter).stream()
                .flatMap(value -> facts.stored(filter, value).stream())
                .toList();
        var any = new ArrayList<Condition>();
        if (!stored.isEmpty()) {
            any.add(filter.shown(filter.is(stored)));
        }
        if (values(filter).contains(IndexFilter.NONE)) {
            any.add(filter.isEmpty());
        }
        if (!any.isEmpty()) {
            all.add(any.size() == 1 ? any.getFirst() : new Condition.Any(any));
        }
    }

    private static Optional<Condition> bound(IndexFilter filter, String value, Condition.Test test) {
        return isBound(filter, value)
                ? Optional.of(filter.shown(new Condition.FieldIs(filter.id(), test, List.of(value))))
                : Optional.empty();
    }

    /** Whether a value is one that those of a filter can be compared with. */
    static boolean isBound(IndexFilter filter, String value) {
        return !value.isEmpty() && Conditions.read(filter.field().kind(), value).isPresent();
    }

    /** Whether a value of the address means something here. */
    static boolean means(IndexFilter filter, String value, ListFacts facts) {
        return value.equals(IndexFilter.NONE) || facts.stored(filter, value).isPresent();
    }

    /** What of the address means nothing here, as sentences. */
    List<String> problems(ListFacts facts) {
        var problems = new ArrayList<String>();
        for (var filter : filters.accepted()) {
            values(filter).stream()
                    .filter(value -> !means(filter, value, facts))
                    .map(value -> "“" + value + "” under " + filter.label() + " is not known, so it was left out.")
                    .forEach(problems::add);
            Stream.of(from(filter), to(filter))
                    .filter(value -> !value.isEmpty() && !isBound(filter, value))
                    .map(value -> "“" + value + "” cannot be compared with " + filter.label() + ", so it was left out.")
                    .forEach(problems::add);
        }
        return problems;
    }
}
