package org.jontrel.core.check;

import com.google.re2j.Pattern;
import com.google.re2j.PatternSyntaxException;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Keys;
import org.jontrel.core.model.Kind;

/** The settings of one field's kind. */
final class KindCheck {
    private static final int MOST_PIXELS = 20_000;
    private final ContentType type;
    private final Field field;
    private final List<Finding> findings = new ArrayList<>();

    KindCheck(ContentType type, Field field) {
        this.type = type;
        this.field = field;
    }

    List<Finding> run() {
        switch (field.kind()) {
            case Kind.Text text -> text(text);
            case Kind.LongText text -> {
                range("max_length", text.maxLength(), 1, Kind.LongText.LONGEST);
                range("rows", text.rows(), 1, 60);
            }
            case Kind.Numeric number -> number(number);
            case Kind.YesNo yesNo -> {
                var names = new NameCheck(findings, this::place);
                names.label("yes", yesNo.yes(), field.label());
                names.label("no", yesNo.no(), field.label());
            }
            case Kind.Date date -> crossed("earliest", date.earliest(), "latest", date.latest());
            case Kind.Time time -> crossed("earliest", time.earliest(), "latest", time.latest());
            case Kind.Email _, Kind.Phone _, Kind.Colour _ -> {}
            case Kind.Choice choice -> choice(choice);
            case Kind.Image image -> {
                range("min_width", image.minWidth(), 1, MOST_PIXELS);
                range("min_height", image.minHeight(), 1, MOST_PIXELS);
                range("max_kilobytes", image.maxKilobytes(), 1, Kind.Image.MOST_KILOBYTES);
            }
        }
        return findings;
    }

    private void text(Kind.Text text) {
        range("min_length", text.minLength(), 0, Kind.Text.LONGEST);
        range("max_length", text.maxLength(), 1, Kind.Text.LONGEST);
        crossed("min_length", text.minLength(), "max_length", text.maxLength());
        try {
            Pattern.compile(text.pattern());
        } catch (PatternSyntaxException e) {
            add("pattern", Code.PATTERN_INVALID, field.label(), text.pattern(), e.getDescription());
        }
        new NameCheck(findings, this::place).prose("pattern", text.pattern());
    }

    private void number(Kind.Numeric number) {
        range("decimals", number.decimals(), 0, Kind.Numeric.MOST_DECIMALS);
        crossed("min", number.min(), "max", number.max());
        bound("min", number.min(), number.decimals());
        bound("max", number.max(), number.decimals());
        new NameCheck(findings, this::place).prose("unit", number.unit());
    }

    private void bound(String name, BigDecimal bound, int decimals) {
        if (bound == null) {
            return;
        }
        if (bound.scale() > decimals) {
            add(name, Code.DECIMALS_EXCEEDED, field.label(), name, bound.toPlainString(), decimals);
        }
        var most = BigDecimal.TEN.pow(Kind.Numeric.MOST_DIGITS).subtract(BigDecimal.ONE);
        if (bound.abs().compareTo(most) > 0) {
            add(name, Code.LIMIT_OUT_OF_RANGE, field.label(), name, bound, most.negate(), most);
        }
    }

    private void choice(Kind.Choice choice) {
        if (choice.options().isEmpty()) {
            add("options", Code.OPTIONS_MISSING, field.label());
            return;
        }
        if (choice.options().stream().allMatch(Kind.Option::retired)) {
            add("options", Code.OPTIONS_ALL_RETIRED, field.label());
        }
        var keys = new HashMap<String, Kind.Option>();
        var names = new NameCheck(findings, this::place);
        for (var option : choice.options()) {
            names.label("options", option.label(), option.key());
            if (!Keys.isKey(option.key())) {
                add("options", Code.KEY_INVALID, option.key(), Keys.fromLabel(option.key()));
            }
            var other = keys.putIfAbsent(option.key(), option);
            if (other != null) {
                add("options", Code.KEY_TWICE, option.key(), other.label(), option.label());
            }
        }
    }

    private void range(String name, Integer value, int least, int most) {
        if (value != null && (value < least || value > most)) {
            add(name, Code.LIMIT_OUT_OF_RANGE, field.label(), name, value, least, most);
        }
    }

    private <C extends Comparable<? super C>> void crossed(String lowName, C low, String highName, C high) {
        if (low != null && high != null && low.compareTo(high) > 0) {
            add(lowName, Code.BOUNDS_CROSSED, field.label(), lowName, low, highName, high);
        }
    }

    private Place place(String property) {
        return Place.field(type.id(), field.id(), property);
    }

    private void add(String property, Code code, Object... arguments) {
        findings.add(Finding.of(code, place(property), arguments));
    }
}
