package org.jontrel.core.page.index;

import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What was counted for the filters of a list.
 *
 * @param terms of each taxonomy, by its id, in their order
 * @param counts by the id of the filter and the value: the key of an option, the number of a term, yes or no
 * @param bounds the lowest and the highest value, by the id of the filter
 */
public record ListFacts(
        Map<String, List<FilterTerm>> terms, Map<String, Map<String, Long>> counts, Map<String, ValueBounds> bounds) {
    public static final ListFacts NONE = new ListFacts(Map.of(), Map.of(), Map.of());

    /** As they stand in addresses. */
    public record ValueBounds(String least, String most) {}

    long count(IndexFilter filter, String value) {
        return counts.getOrDefault(filter.id(), Map.of()).getOrDefault(value, 0L);
    }

    List<FilterTerm> terms(IndexFilter filter) {
        return terms.getOrDefault(filter.taxonomy(), List.of());
    }

    Optional<FilterTerm> term(IndexFilter filter, String address) {
        return terms(filter).stream()
                .filter(term -> term.address().equals(address))
                .findFirst();
    }

    /** A value of an address as it is counted and compared; empty where it is none. */
    Optional<String> stored(IndexFilter filter, String value) {
        return switch (filter.kind()) {
            case TERMS -> term(filter, value).map(term -> String.valueOf(term.id()));
            case OPTIONS ->
                filter.options().stream()
                        .map(option -> option.key())
                        .filter(value::equals)
                        .findFirst();
            case YES_NO ->
                switch (value) {
                    case IndexFilter.YES -> Optional.of("true");
                    case IndexFilter.NO -> Optional.of("false");
                    default -> Optional.empty();
                };
            case RANGE -> Optional.of(value);
        };
    }
}
