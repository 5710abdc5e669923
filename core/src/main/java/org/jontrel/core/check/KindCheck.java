package org.jontrel.core.check;

import com.google.re2j.PatternSyntaxException;
import java.math.BigDecimal;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Set;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Nearest;
import org.jontrel.core.model.ChoiceList;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.value.Patterns;

/** The settings of one field's kind. */
final class KindCheck {
    private static final int MOST_PIXELS = 20_000;
    private static final int MOST_MARKS = 10;
    private static final int MOST_VALUES = 1_000;

    /** Addresses that run code where they are opened. */
    private static final Set<String> UNSAFE_SCHEMES = Set.of("javascript", "data", "vbscript", "file", "blob");

    private final ModelIndex known;
    private final Field field;
    private final DefinitionFindings report;
    private final boolean inner;
    private final Definition definition;

    /** @param inner whether the field stands within another */
    KindCheck(ModelIndex known, Field field, DefinitionFindings report, boolean inner, Definition definition) {
        this.known = known;
        this.field = field;
        this.report = report;
        this.inner = inner;
        this.definition = definition;
    }

    void run() {
        switch (field.kind()) {
            case Kind.Text text -> text(text);
            case Kind.LongText text -> {
                range("max_length", text.maxLength(), 1, Kind.LongText.LONGEST);
                range("rows", text.rows(), 1, 60);
            }
            case Kind.RichText text -> range("max_length", text.maxLength(), 1, Kind.LongText.LONGEST);
            case Kind.Numeric number -> number(number);
            case Kind.YesNo yesNo -> {
                new NameCheck(report).label("yes", yesNo.yes(), field.label());
                new NameCheck(report).label("no", yesNo.no(), field.label());
            }
            case Kind.Date date -> crossed("earliest", date.earliest(), "latest", date.latest());
            case Kind.Time time -> crossed("earliest", time.earliest(), "latest", time.latest());
            case Kind.DateTime moment -> crossed("earliest", moment.earliest(), "latest", moment.latest());
            case Kind.Url url -> url(url);
            case Kind.Choice choice -> choice(choice);
            case Kind.Image image -> image(image);
            case Kind.File file -> {
                range("max_kilobytes", file.maxKilobytes(), 1, Kind.File.MOST_KILOBYTES);
                file.formats().stream()
                        .filter(format -> !format.matches("[a-z0-9]{1,10}"))
                        .forEach(format -> report.add("formats", Code.FORMAT_UNKNOWN, field.label(), format, ""));
                amount(file.amount());
            }
            case Kind.Relation relation -> relation(relation);
            case Kind.TermPick pick -> {
                if (known.find(Taxonomy.class, pick.taxonomy()).isEmpty()) {
                    unknown("taxonomy", Definition.Sort.TAXONOMY, pick.taxonomy());
                }
                amount(pick.amount());
            }
            case Kind.FieldGroup(List<Field> fields) -> filled(fields);
            case Kind.Repeater repeater -> repeater(repeater);
            case Kind.Note(String text) -> {
                new NameCheck(report).prose("text", text);
                if (text.isBlank()) {
                    report.add("text", Code.LABEL_MISSING, field.label(), "text");
                }
            }
            case Kind.Email _, Kind.Phone _, Kind.Colour _, Kind.Icon _, Kind.Coordinates _ -> {}
        }
    }

    private void text(Kind.Text text) {
        range("min_length", text.minLength(), 0, Kind.Text.LONGEST);
        range("max_length", text.maxLength(), 1, Kind.Text.LONGEST);
        crossed("min_length", text.minLength(), "max_length", text.maxLength());
        try {
            Patterns.of(text.pattern());
        } catch (PatternSyntaxException e) {
            report.add("pattern", Code.PATTERN_INVALID, field.label(), text.pattern(), e.getDescription());
        }
        var names = new NameCheck(report);
        names.prose("pattern", text.pattern());
        names.prose("pattern_message", text.patternMessage());
        names.prose("prefix", text.prefix());
        names.prose("suffix", text.suffix());
        if (text.unique() && inner) {
            report.addFixed("unique", null, Code.UNIQUE_IN_ROWS, field.label());
        } else if (text.unique() && !field.fallback().isEmpty()) {
            report.addFixed("default", null, Code.DEFAULT_UNIQUE, field.label(), field.fallback());
        }
    }

    private void number(Kind.Numeric number) {
        range("decimals", number.decimals(), 0, Kind.Numeric.MOST_DECIMALS);
        crossed("min", number.min(), "max", number.max());
        bound("min", number.min(), number.decimals());
        bound("max", number.max(), number.decimals());
        bound("step", number.step(), number.decimals());
        if (number.step() != null && number.step().signum() <= 0) {
            report.addFixed(
                    "step",
                    null,
                    Code.STEP_NOT_POSITIVE,
                    field.label(),
                    number.step().toPlainString());
        }
        new NameCheck(report).prose("unit", number.unit());
        switch (number.shown()) {
            case BOX -> {}
            case SLIDER -> {
                if (number.min() == null || number.max() == null) {
                    report.addFixed("shown", null, Code.SLIDER_WITHOUT_ENDS, field.label());
                }
            }
            case MARKS -> {
                var max = number.max();
                if (max == null
                        || number.decimals() != 0
                        || max.signum() <= 0
                        || max.compareTo(BigDecimal.valueOf(MOST_MARKS)) > 0) {
                    report.addFixed("shown", null, Code.MARKS_WITHOUT_MAX, field.label(), MOST_MARKS);
                }
            }
        }
    }

    private void bound(String name, BigDecimal bound, int decimals) {
        if (bound == null) {
            return;
        }
        if (bound.scale() > decimals) {
            report.add(name, Code.DECIMALS_EXCEEDED, field.label(), name, bound.toPlainString(), decimals);
        }
        var most = BigDecimal.TEN.pow(Kind.Numeric.MOST_DIGITS).subtract(BigDecimal.ONE);
        if (bound.abs().compareTo(most) > 0) {
            report.add(name, Code.LIMIT_OUT_OF_RANGE, field.label(), name, bound, most.negate(), most);
        }
    }

    private void url(Kind.Url url) {
        if (url.schemes().isEmpty()) {
            report.addFixed("schemes", null, Code.SCHEMES_MISSING, field.label());
        }
        for (var scheme : url.schemes()) {
            if (UNSAFE_SCHEMES.contains(scheme) || !scheme.matches("[a-z][a-z0-9+.-]{0,29}")) {
                report.addRemovable("schemes", scheme, Code.SCHEME_UNSAFE, field.label(), scheme);
            }
        }
    }

    private void choice(Kind.Choice choice) {
        amount(choice.amount());
        int options = known.options(choice).size();
        if (choice.amount().min() != null && options > 0 && choice.amount().min() > options) {
            report.add(
                    "min_count",
                    Code.OPTIONS_TOO_FEW,
                    field.label(),
                    choice.amount().min(),
                    options);
        }
        if (choice.list().isEmpty()) {
            NameCheck.OptionCheck.run(choice.options(), field.label(), report);
            return;
        }
        if (!choice.options().isEmpty()) {
            report.addFixed("list", null, Code.OPTIONS_AND_LIST, field.label());
        }
        if (known.find(ChoiceList.class, choice.list()).isEmpty()) {
            unknown("list", Definition.Sort.LIST, choice.list());
        }
    }

    private void image(Kind.Image image) {
        range("min_width", image.minWidth(), 1, MOST_PIXELS);
        range("min_height", image.minHeight(), 1, MOST_PIXELS);
        range("max_width", image.maxWidth(), 1, MOST_PIXELS);
        range("max_height", image.maxHeight(), 1, MOST_PIXELS);
        crossed("min_width", image.minWidth(), "max_width", image.maxWidth());
        crossed("min_height", image.minHeight(), "max_height", image.maxHeight());
        range("max_kilobytes", image.maxKilobytes(), 1, Kind.Image.MOST_KILOBYTES);
        image.widths().forEach(width -> range("widths", width, 16, MOST_PIXELS));
        for (var format : image.formats()) {
            if (!Kind.Image.FORMATS.contains(format)) {
                var words = new LinkedHashMap<String, String>();
                Kind.Image.FORMATS.forEach(each -> words.put(each, each));
                image.formats().forEach(words::remove);
                report.addMeant(
                        Finding.of(
                                Code.FORMAT_UNKNOWN,
                                report.place("formats." + format),
                                field.label(),
                                format,
                                Nearest.hint(format, Kind.Image.FORMATS)),
                        "formats",
                        format,
                        words);
            }
        }
        amount(image.amount());
    }

    private void relation(Kind.Relation relation) {
        amount(relation.amount());
        if (relation.to().isEmpty()) {
            report.add("to", Code.TARGETS_MISSING, field.label());
        }
        for (var target : relation.to()) {
            if (known.find(ContentType.class, target).isEmpty()) {
                report.addUnknown(
                        "to",
                        "to." + target,
                        field.label(),
                        "content type",
                        target,
                        known.keys(Definition.Sort.TYPE, relation.to()));
            }
        }
        if (relation.ordered() && !relation.amount().many()) {
            report.addFixed("ordered", null, Code.ORDERED_ONE, field.label());
        }
        boolean record = definition instanceof ContentType && !inner;
        if (relation.inverse() != null) {
            inverse(relation, record);
        }
        if (relation.symmetric() && (!record || !relation.to().equals(Set.of(definition.id())))) {
            report.addFixed("symmetric", null, Code.SYMMETRIC_ELSEWHERE, field.label());
        }
    }

    private void inverse(Kind.Relation relation, boolean record) {
        var inverse = relation.inverse();
        if (!record) {
            report.addFixed("inverse", null, Code.INVERSE_IN_ROWS, field.label());
        }
        if (relation.symmetric()) {
            report.addFixed("inverse", null, Code.INVERSE_AND_SYMMETRIC, field.label());
        }
        var at = report.of(inverse.id());
        var names = new NameCheck(at);
        names.label("label", inverse.label(), field.label());
        names.key(inverse.key(), inverse.label());
    }

    private void repeater(Kind.Repeater repeater) {
        filled(repeater.fields());
        range("min_rows", repeater.minRows(), 0, MOST_VALUES);
        range("max_rows", repeater.maxRows(), 1, MOST_VALUES);
        crossed("min_rows", repeater.minRows(), "max_rows", repeater.maxRows());
        if (!repeater.rowName().isEmpty()) {
            var named = repeater.fields().stream()
                    .filter(each -> each.id().equals(repeater.rowName()))
                    .findFirst();
            if (named.isEmpty()) {
                report.addUnknown(
                        "row_name",
                        "row_name",
                        field.label(),
                        "field within it",
                        repeater.rowName(),
                        ModelIndex.keys(repeater.fields()));
            } else if (!named.get().inner().isEmpty() || !named.get().kind().holdsValue()) {
                report.addFixed(
                        "row_name",
                        null,
                        Code.ROW_NAME_UNFIT,
                        field.label(),
                        named.get().label());
            }
        }
    }

    private void filled(List<Field> fields) {
        if (fields.stream().noneMatch(each -> each.kind().holdsValue())) {
            report.add("fields", Code.FIELDS_MISSING, field.label());
        }
    }

    private void amount(Kind.Amount amount) {
        range("min_count", amount.min(), 1, MOST_VALUES);
        range("max_count", amount.max(), 1, MOST_VALUES);
        crossed("min_count", amount.min(), "max_count", amount.max());
        if (!amount.many() && amount.min() != null) {
            report.addFixed("min_count", null, Code.COUNT_OF_ONE, field.label(), "min_count");
        }
        if (!amount.many() && amount.max() != null) {
            report.addFixed("max_count", null, Code.COUNT_OF_ONE, field.label(), "max_count");
        }
    }

    private void unknown(String property, Definition.Sort sort, String word) {
        report.addUnknown(property, property, field.label(), sort.noun(), word, known.keys(sort));
    }

    private void range(String name, Integer value, int least, int most) {
        if (value != null && (value < least || value > most)) {
            report.addFixed(
                    name,
                    Math.clamp(value, least, most),
                    Code.LIMIT_OUT_OF_RANGE,
                    field.label(),
                    name,
                    value,
                    least,
                    most);
        }
    }

    private <C extends Comparable<? super C>> void crossed(String lowName, C low, String highName, C high) {
        if (low != null && high != null && low.compareTo(high) > 0) {
            report.add(lowName, Code.BOUNDS_CROSSED, field.label(), lowName, low, highName, high);
        }
    }
}
