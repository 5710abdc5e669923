package org.jontrel.server.publicsite;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.sample.SampleValues;
import org.springframework.stereotype.Component;

/** Public pages of a type that is still being defined, with made-up values; by the templates that sites use. */
@Component
public class ProofPages {
    private static final int CARDS = 6;
    private final PageWriter pages;

    ProofPages(PageWriter pages) {
        this.pages = pages;
    }

    /** @param groups with everything in place; @param values as forms send them, by key */
    public String page(String site, Model model, ContentType type, List<Group> groups, Map<String, ?> values) {
        return pages.record(
                frame(site, model), type, card(type, values, 1), text(values, "body"), sections(groups, values));
    }

    public String index(String site, Model model, ContentType type) {
        var samples = new SampleValues(model);
        var parts = type.parts().stream().map(type::partField).toList();
        var cards = IntStream.rangeClosed(1, CARDS)
                .mapToObj(number -> card(type, samples.of(parts, List.of(), number), number))
                .toList();
        return pages.index(frame(site, model), type, cards, "", true, null);
    }

    private static PageFrame frame(String site, Model model) {
        return PageFrame.of(site, "proof", model);
    }

    private static PublicPages.Card card(ContentType type, Map<String, ?> values, int number) {
        return new PublicPages.Card(SampleValues.title(type, number), text(values, "summary"), "", null, List.of());
    }

    private static String text(Map<String, ?> values, String key) {
        var value = values.get(key);
        return value == null ? "" : value.toString();
    }

    private static List<PublicPages.PageSection> sections(List<Group> groups, Map<String, ?> values) {
        var sections = new ArrayList<PublicPages.PageSection>();
        for (var group : groups) {
            var lines = group.fields().stream()
                    .filter(field -> values.get(field.key()) != null)
                    .map(field -> line(field, values.get(field.key())))
                    .toList();
            if (!lines.isEmpty()) {
                sections.add(new PublicPages.PageSection(group.title(), lines));
            }
        }
        return sections;
    }

    private static PageField line(Field field, Object value) {
        var text = shown(field, value);
        return switch (field.kind()) {
            case Kind.Colour _ -> PageField.items(field.label(), List.of(new PageField.Item(text, null, text)));
            case Kind.LongText _ -> PageField.prose(field.label(), text);
            case Kind.RichText _ -> PageField.html(field.label(), String.valueOf(value));
            case Kind.Repeater rows
            when value instanceof List<?> list -> PageField.rows(field.label(), table(rows, list));
            case Kind.Plain _, Kind.Reference _, Kind.Nested _, Kind.Note _ -> PageField.text(field.label(), text);
        };
    }

    private static PageField.Cell table(Kind.Repeater kind, List<?> rows) {
        return new PageField.Cell(
                "",
                kind.fields().stream().map(Field::label).toList(),
                rows.stream()
                        .filter(Map.class::isInstance)
                        .map(row -> kind.fields().stream()
                                .map(inner -> cell(inner, ((Map<?, ?>) row).get(inner.key())))
                                .toList())
                        .toList());
    }

    private static PageField.Cell cell(Field field, Object value) {
        return switch (field.kind()) {
            case Kind.Repeater inner when value instanceof List<?> rows -> table(inner, rows);
            case Kind.Plain _, Kind.Reference _, Kind.Nested _, Kind.Note _ ->
                value == null ? PageField.Cell.EMPTY : PageField.Cell.text(shown(field, value));
        };
    }

    private static String shown(Field field, Object value) {
        return switch (field.kind()) {
            case Kind.Numeric number -> value + (number.unit().isEmpty() ? "" : " " + number.unit());
            case Kind.YesNo yesNo -> Boolean.TRUE.equals(value) ? yesNo.yes() : yesNo.no();
            case Kind.RichText _ ->
                value.toString().replaceAll("<[^>]*>", "").replace("&lt;", "<").replace("&amp;", "&");
            case Kind.Choice choice
            when value instanceof List<?> several ->
                several.stream().map(each -> option(choice, each)).collect(Collectors.joining(", "));
            case Kind.Choice choice -> option(choice, value);
            case Kind.FieldGroup(List<Field> fields) when value instanceof Map<?, ?> row -> row(fields, row);
            case Kind.Repeater rows
            when value instanceof List<?> list ->
                list.stream()
                        .filter(Map.class::isInstance)
                        .map(row -> row(rows.fields(), (Map<?, ?>) row))
                        .collect(Collectors.joining("\n"));
            case Kind.Coordinates _
            when value instanceof Map<?, ?> place -> place.get("latitude") + ", " + place.get("longitude");
            case Kind.Plain _, Kind.Reference _, Kind.Nested _, Kind.Note _ ->
                value instanceof List<?> list
                        ? list.stream().map(String::valueOf).collect(Collectors.joining(", "))
                        : value.toString();
        };
    }

    private static String option(Kind.Choice choice, Object key) {
        return choice.options().stream()
                .filter(option -> option.key().equals(key))
                .map(Kind.Option::label)
                .findFirst()
                .orElse(String.valueOf(key));
    }

    private static String row(List<Field> fields, Map<?, ?> row) {
        return fields.stream()
                .filter(field -> row.get(field.key()) != null)
                .map(field -> field.label() + " " + shown(field, row.get(field.key())))
                .collect(Collectors.joining(", "));
    }
}
