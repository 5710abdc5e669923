package org.jontrel.core.page;

import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.block.Presentation;
import org.jontrel.core.model.block.ValueText;
import org.jontrel.core.record.Values;
import org.jontrel.core.value.Row;
import org.jsoup.Jsoup;

/** Values as words of a line. */
final class ValueWords {
    private static final int EXCERPT = 200;
    private static final DateTimeFormatter CLOCK = DateTimeFormatter.ofPattern("HH:mm", Locale.UK);
    private final ReachedValues reached;
    private final PageData data;
    private final LocalDate today;

    ValueWords(ReachedValues reached, PageData data, LocalDate today) {
        this.reached = reached;
        this.data = data;
        this.today = today;
    }

    /** One value of a field; an empty text for nothing that may be seen. */
    String of(Field field, Object value, Presentation as) {
        return switch (value) {
            case null -> "";
            case LocalDate day -> PageDates.show(day, as, today);
            case LocalDateTime moment -> moment(moment, as);
            case Row row -> line(field, row.values());
            case Map<?, ?> group -> line(field, group);
            case Long file
            when field.kind() instanceof Kind.Image || field.kind() instanceof Kind.File ->
                data.file(file).map(PageFile::name).orElse("");
            default -> plain(field, value, as);
        };
    }

    private String plain(Field field, Object value, Presentation as) {
        return switch (field.kind()) {
            case Kind.Relation _, Kind.TermPick _ ->
                reached.record(field, value).map(PageRecord::title).orElse("");
            case Kind.RichText _ ->
                excerpt(Jsoup.parseBodyFragment((String) value).text(), as);
            case Kind.Numeric _ when as != Presentation.PLAIN -> grouped(Values.show(field.kind(), value));
            case Kind.Plain _, Kind.Image _, Kind.File _, Kind.Nested _, Kind.Note _ ->
                excerpt(Values.show(field.kind(), value), as);
        };
    }

    private String moment(LocalDateTime moment, Presentation as) {
        var day = PageDates.show(moment.toLocalDate(), as, today);
        return as == Presentation.RELATIVE ? day : day + ", " + CLOCK.format(moment);
    }

    /** Thin spaces between thousands, from ten thousand on. */
    private static String grouped(String number) {
        int end = 0;
        while (end < number.length() && (Character.isDigit(number.charAt(end)) || number.charAt(end) == '-')) {
            end++;
        }
        var digits = new StringBuilder(number.substring(0, end));
        int first = digits.indexOf("-") + 1;
        if (digits.length() - first > 4) {
            for (int at = digits.length() - 3; at > first; at -= 3) {
                digits.insert(at, '\u202f');
            }
        }
        return digits + number.substring(end);
    }

    static String excerpt(String text, Presentation as) {
        if (as != Presentation.EXCERPT || text.length() <= EXCERPT) {
            return text;
        }
        int end = text.lastIndexOf(' ', EXCERPT);
        int cut = end > EXCERPT / 2 ? end : text.offsetByCodePoints(0, text.codePointCount(0, EXCERPT));
        return text.substring(0, cut) + "…";
    }

    private String line(Field field, Map<?, ?> values) {
        return field.inner().stream()
                .filter(inner -> values.get(inner.id()) != null)
                .map(inner -> {
                    var text = several(inner, values.get(inner.id()), Presentation.USUAL);
                    return text.isEmpty() ? null : inner.label() + " " + text;
                })
                .filter(Objects::nonNull)
                .collect(Collectors.joining(", "));
    }

    String several(Field field, Object value, Presentation as) {
        return ReachedValues.several(value).stream()
                .map(each -> of(field, each, as))
                .filter(text -> !text.isEmpty())
                .collect(Collectors.joining(field.kind() instanceof Kind.Repeater ? "\n" : ", "));
    }

    String of(ReachedValues.Reached found) {
        return switch (found) {
            case ReachedValues.FoundWords(String text) -> text;
            case ReachedValues.FoundRecords(var records) ->
                records.stream().map(PageRecord::title).collect(Collectors.joining(", "));
            case ReachedValues.FoundValues values -> several(values.field(), values.values(), Presentation.USUAL);
        };
    }

    /** A text with its values; empty where it has values within and all of them are empty. */
    Optional<String> text(String text, PagePlace place) {
        if (!text.contains("{") && !text.contains("}")) {
            return Optional.of(text);
        }
        var written = new StringBuilder();
        boolean asks = false;
        boolean filled = false;
        for (var piece : ValueText.of(text).pieces()) {
            switch (piece) {
                case ValueText.Words words -> written.append(words.text());
                case ValueText.FirstFilled first -> {
                    asks = true;
                    var words = first.paths().stream()
                            .map(path -> of(reached.follow(path, place)))
                            .filter(each -> !each.isEmpty())
                            .findFirst();
                    filled |= words.isPresent() || first.otherwise().isPresent();
                    written.append(words.or(first::otherwise).orElse(""));
                }
            }
        }
        return asks && !filled ? Optional.empty() : Optional.of(written.toString());
    }
}
