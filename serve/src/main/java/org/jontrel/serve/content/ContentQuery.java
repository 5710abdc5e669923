package org.jontrel.serve.content;

import java.util.Arrays;
import java.util.List;
import org.jontrel.core.format.Shapes;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.site.record.read.BadQuery;
import org.jontrel.site.record.read.ListQuery;
import org.jontrel.site.record.read.SystemField;
import tools.jackson.core.JacksonException;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** The query of a request for records, as the engine is asked. */
final class ContentQuery {
    private static final int MOST = 100;
    private static final JsonMapper JSON = JsonMapper.builder().build();

    private ContentQuery() {}

    static List<ListQuery.SortOrder> sorts(RecordType recordType, String sort) {
        return Arrays.stream(sort.split(","))
                .filter(each -> !each.isBlank())
                .map(each -> {
                    var key = each.replaceFirst("^-", "");
                    var id = key.equals("updated_at")
                            ? SystemField.UPDATED_AT.field().id()
                            : ContentController.field(recordType, key).id();
                    return new ListQuery.SortOrder(id, each.startsWith("-"));
                })
                .toList();
    }

    static int number(String text) {
        if (!text.matches("[0-9]{1,4}") || Integer.parseInt(text) < 1 || Integer.parseInt(text) > MOST) {
            throw new BadQuery("A page has 1 to " + MOST + " records.");
        }
        return Integer.parseInt(text);
    }

    /** A condition with keys of fields, as people write it; only over what the API gives. */
    static Condition condition(RecordType recordType, String text) {
        if (text.isBlank()) {
            return Condition.ALWAYS;
        }
        if (text.length() > 20_000) {
            throw new BadQuery("The filter is too long: it can have at most 20,000 characters.");
        }
        try {
            return Shapes.condition(JSON.readValue(text, new TypeReference<Object>() {}))
                    .map(condition -> resolved(recordType, condition))
                    .orElseThrow(() ->
                            new BadQuery("The filter is not a condition. Write it as a condition in a definition."));
        } catch (JacksonException e) {
            throw new BadQuery("The filter is not JSON: " + e.getOriginalMessage());
        }
    }

    static Condition resolved(RecordType recordType, Condition condition) {
        return switch (condition) {
            case Condition.All(List<Condition> of) ->
                new Condition.All(
                        of.stream().map(each -> resolved(recordType, each)).toList());
            case Condition.Any(List<Condition> of) ->
                new Condition.Any(
                        of.stream().map(each -> resolved(recordType, each)).toList());
            case Condition.Not(Condition of) -> new Condition.Not(resolved(recordType, of));
            case Condition.FieldIs is ->
                new Condition.FieldIs(
                        ContentController.field(recordType, is.field()).id(), is.test(), is.values());
            case Condition.TermIs is ->
                new Condition.TermIs(
                        ContentController.field(recordType, is.taxonomy()).id(), is.test(), is.values());
            case Condition.ParentIs _, Condition.AddressIs _ -> condition;
            case Condition.StateIs _ -> throw new BadQuery("The API returns published records only.");
        };
    }
}
