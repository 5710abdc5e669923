package org.jontrel.core.identity;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.shape.Mapper;

/** Puts other ids in the place of some, wherever they stand. */
record Renaming(Map<String, String> ids) implements Mapper {
    @Override
    public String id(String id) {
        return ids.getOrDefault(id, id);
    }

    @Override
    public String reference(Mapper.ReferenceTarget target, String word) {
        return target == ReferenceTarget.VALUE
                ? Arrays.stream(word.split("\\.", -1)).map(this::id).collect(Collectors.joining("."))
                : id(word);
    }

    @Override
    public Condition comparison(Condition comparison) {
        return switch (comparison) {
            case Condition.FieldIs(String field, Condition.Test test, List<String> values) ->
                new Condition.FieldIs(id(field), test, all(values));
            case Condition.TermIs(String taxonomy, Condition.Test test, List<String> values) ->
                new Condition.TermIs(id(taxonomy), test, all(values));
            case Condition.ParentIs(List<String> types) -> new Condition.ParentIs(all(types));
            case Condition.All _, Condition.Any _, Condition.Not _, Condition.StateIs _, Condition.AddressIs _ ->
                comparison;
        };
    }

    private List<String> all(List<String> words) {
        return words.stream().map(this::id).toList();
    }

    @Override
    public String fallback(Field field) {
        return id(field.fallback());
    }

    @Override
    public Map<String, String> values(Map<String, String> values) {
        var renamed = new TreeMap<String, String>();
        values.forEach((field, value) -> renamed.put(id(field), id(value)));
        return renamed;
    }
}
