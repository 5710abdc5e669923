package org.jontrel.core.sample;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SequencedMap;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.model.Term;
import org.jontrel.core.naming.Nouns;

/** Values that satisfy a definition's limits where that can be told, in the form that forms send; always the same. */
public final class SampleValues {
    private final Model model;

    public SampleValues(Model model) {
        this.model = model;
    }

    /** Values by key for fields and groups of fields; notes have none. */
    public SequencedMap<String, Object> of(List<Field> first, List<Group> groups, int number) {
        var values = new LinkedHashMap<String, Object>();
        first.forEach(field -> put(field, number, values));
        groups.forEach(group -> group.fields().forEach(field -> put(field, number, values)));
        return values;
    }

    private void put(Field field, int number, Map<String, Object> values) {
        var value = value(field, number);
        if (value != null) {
            values.put(field.key(), value);
        }
    }

    private Object value(Field field, int number) {
        var one = one(field, number);
        return one != null && field.kind().amount().many() ? List.of(one) : one;
    }

    private Object one(Field field, int number) {
        var label = Nouns.inSentence(field.label());
        return switch (field.kind()) {
            case Kind.Text text -> cut("Some " + label, text.maxLength() == null ? 60 : text.maxLength());
            case Kind.LongText text ->
                cut("A few sentences about the " + label + ". They say what matters.", text.maxLength());
            case Kind.RichText _ ->
                "<p>A few <strong>formatted</strong> sentences about the " + escaped(label) + ".</p>";
            case Kind.Numeric kind -> number(kind, number).toPlainString();
            case Kind.YesNo _ -> number % 2 == 1;
            case Kind.Date kind ->
                kind.earliest() != null ? kind.earliest().toString() : "2026-05-%02d".formatted(number % 28 + 1);
            case Kind.Time kind -> kind.earliest() != null ? kind.earliest().toString() : "09:30";
            case Kind.DateTime kind ->
                kind.earliest() != null ? kind.earliest().toString() : "2026-05-%02dT09:30".formatted(number % 28 + 1);
            case Kind.Email _ -> "someone" + number + "@example.org";
            case Kind.Url kind ->
                (kind.schemes().contains("https")
                                ? "https"
                                : kind.schemes().stream().findFirst().orElse("https")) + "://example.org/";
            case Kind.Phone _ -> "+44 20 7946 00%02d".formatted(number % 100);
            case Kind.Colour _ -> number % 2 == 1 ? "#1d5a6b" : "#9a6412";
            case Kind.Icon _ -> "anchor";
            case Kind.Choice choice -> option(choice, number);
            case Kind.TermPick pick -> term(pick.taxonomy(), number);
            case Kind.Relation relation ->
                relation.to().stream()
                        .findFirst()
                        .flatMap(model::type)
                        .map(type -> type.singular() + " " + number)
                        .orElse(null);
            case Kind.FieldGroup(List<Field> fields) -> of(fields, List.of(), number);
            case Kind.Repeater rows -> rows(rows, number);
            case Kind.Coordinates _ -> {
                var place = new LinkedHashMap<String, Object>();
                place.put("latitude", "53.4%02d".formatted(number % 100));
                place.put("longitude", "-1.9%02d".formatted(number % 100));
                yield place;
            }
            case Kind.File _ -> "document-" + number + ".pdf";
            case Kind.Image _, Kind.Note _ -> null;
        };
    }

    private static String cut(String text, Integer most) {
        return most == null || text.length() <= most ? text : text.substring(0, Math.max(most, 0));
    }

    private static String escaped(String text) {
        return text.replace("&", "&amp;").replace("<", "&lt;");
    }

    private static BigDecimal number(Kind.Numeric kind, int number) {
        var least = kind.min() == null ? BigDecimal.ONE : kind.min();
        var value = kind.max() == null
                ? least.add(BigDecimal.valueOf(number * 7L % 40))
                : least.add(kind.max()).divide(BigDecimal.TWO, kind.decimals(), RoundingMode.DOWN);
        return value.setScale(kind.decimals(), RoundingMode.UP)
                .min(kind.max() == null ? value.add(BigDecimal.ONE) : kind.max());
    }

    private static String option(Kind.Choice choice, int number) {
        var open = choice.options().stream().filter(option -> !option.retired()).toList();
        return open.isEmpty()
                ? null
                : open.get(Math.floorMod(number, open.size())).key();
    }

    private String term(String taxonomyId, int number) {
        var terms = model.find(Taxonomy.class, taxonomyId).stream()
                .flatMap(Taxonomy::allTerms)
                .map(Term::key)
                .toList();
        return terms.isEmpty() ? null : terms.get(Math.floorMod(number, terms.size()));
    }

    private List<Object> rows(Kind.Repeater rows, int number) {
        int count = Math.clamp(rows.minRows() == null ? 2 : rows.minRows(), 1, 4);
        if (rows.maxRows() != null) {
            count = Math.min(count, Math.max(rows.maxRows(), 0));
        }
        var made = new ArrayList<Object>();
        for (int i = 0; i < count; i++) {
            made.add(of(rows.fields(), List.of(), number + i));
        }
        return made;
    }

    /** The title of a made-up record. */
    public static String title(ContentType type, int number) {
        return type.singular() + " " + number;
    }
}
