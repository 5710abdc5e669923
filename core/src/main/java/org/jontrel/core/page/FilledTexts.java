package org.jontrel.core.page;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.page.text.TextWords;
import org.jontrel.core.reach.ValueWay;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.value.Leaves;
import org.jontrel.core.value.Row;
import org.jontrel.core.value.kind.Insertions;

/** Formatted texts with words in the places of the values that editors have put into them. */
public final class FilledTexts {
    private final PageModel model;
    private final SeenRecords seen;
    private final ReachedValues reached;
    private final ValueWords words;

    private FilledTexts(PageModel model, PageData data, LocalDate today) {
        this.model = model;
        this.seen = new SeenRecords(model, data);
        this.reached = new ReachedValues(model, data, seen);
        this.words = new ValueWords(reached, data, today);
    }

    /** @param data with what {@link PageModel#needs(String, Insertions)} says */
    public static FilledTexts of(PageModel model, PageData data, LocalDate today) {
        return new FilledTexts(model, data, today);
    }

    /** A record as pages show it: lines whose values are all empty are gone, and so are texts of which nothing is left. */
    PageRecord shown(PageRecord record) {
        return with(record, record, (html, place) -> TextWords.shown(html, path -> words(path, place), record.link()));
    }

    /**
     * A record as programs get it: words and titles stand within the references, so that a program can send the text back and
     * nothing is lost. Lines whose values are all empty are marked {@code hidden}.
     *
     * @param site what the addresses of pages begin with
     */
    public PageRecord marked(PageRecord record, String site) {
        return with(
                record,
                seen.seen(record),
                (html, place) -> TextWords.marked(
                        html, path -> words(path, place), listing -> titles(listing, place.record(), site)));
    }

    /** The values and listings in the texts of a record, whatever its fields may hold now: those saved before keep theirs. */
    public static Insertions held(RecordType recordType, Map<?, ?> values) {
        var ways = new LinkedHashSet<String>();
        var listings = new LinkedHashSet<String>();
        Leaves.of(recordType.fields().toList(), values, (field, value) -> {
            if (field.kind() instanceof Kind.RichText && Insertions.any((String) value)) {
                var held = Insertions.of((String) value);
                ways.addAll(held.values());
                listings.addAll(held.listings());
            }
        });
        return ways.isEmpty() && listings.isEmpty() ? Insertions.NONE : new Insertions(ways, listings);
    }

    private interface Filling {
        String of(String html, PagePlace place);
    }

    /** @param from the record as its conditions show it */
    private PageRecord with(PageRecord record, PageRecord from, Filling filling) {
        var recordType = model.recordType(record.link().type()).orElseThrow();
        if (!model.hasTexts(recordType.id())
                || held(recordType, record.values()).equals(Insertions.NONE)) {
            return record;
        }
        var place = reached.place(from);
        return record.withValues(filled(place.fields(), record.values(), html -> filling.of(html, place)));
    }

    private interface TextFilling {
        String of(String html);
    }

    private static Map<String, Object> filled(List<Field> fields, Map<?, ?> values, TextFilling filling) {
        var all = new LinkedHashMap<String, Object>();
        values.forEach((id, value) -> all.put((String) id, value));
        for (var field : fields) {
            var value = all.get(field.id());
            if (value != null && field.withInner().anyMatch(inner -> inner.kind() instanceof Kind.RichText)) {
                all.computeIfPresent(field.id(), (_, was) -> filled(field, was, filling));
            }
        }
        return all;
    }

    /** {@code null} where nothing is left. */
    private static Object filled(Field field, Object value, TextFilling filling) {
        return switch (value) {
            case List<?> list -> {
                var left = list.stream()
                        .map(each -> filled(field, each, filling))
                        .filter(Objects::nonNull)
                        .toList();
                yield left.isEmpty() ? null : new ArrayList<Object>(left);
            }
            case Row row -> new Row(row.id(), filled(field.inner(), row.values(), filling));
            case Map<?, ?> group -> filled(field.inner(), group, filling);
            case String html
            when field.kind() instanceof Kind.RichText && Insertions.any(html) -> {
                var text = filling.of(html);
                yield text.isEmpty() ? null : text;
            }
            default -> value;
        };
    }

    private String words(String path, PagePlace place) {
        return ValueWay.of(model.scope(List.of(place.record().link().type())), path)
                .filter(ValueWay::fitsIntoText)
                .map(way -> words.of(reached.follow(way.path(), place)))
                .orElse("");
    }

    private List<TextWords.Title> titles(String listing, PageRecord record, String site) {
        return model.listing(listing).stream()
                .flatMap(each -> reached.list(each.about().isEmpty() ? PageData.NOWHERE : record.link(), each.id()))
                .map(found ->
                        new TextWords.Title(found.title(), found.address().isEmpty() ? "" : site + found.address()))
                .toList();
    }
}
