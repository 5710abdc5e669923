package org.jontrel.core.generated;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Width;
import org.jontrel.core.model.condition.Condition;

/** Makes fields of every kind that pass all checks within a model that has these types, lists and taxonomies. */
final class Kinds {
    private static final int KINDS = Kind.all().size();
    private final Draw draw;
    private final List<String> types;
    private final List<String> lists;
    private final List<String> taxonomies;

    Kinds(Draw draw, List<String> types, List<String> lists, List<String> taxonomies) {
        this.draw = draw;
        this.types = types;
        this.lists = lists;
        this.taxonomies = taxonomies;
    }

    /** Fields side by side, at the given depth; only those of a type's record may have inverses. */
    List<Field> fields(int most, int depth, boolean ofRecord) {
        var fields = new ArrayList<Field>();
        for (int i = 0, count = draw.below(most + 1); i < count; i++) {
            fields.add(field(depth, ofRecord, fields));
        }
        return fields;
    }

    Field field(int depth, boolean ofRecord, List<Field> beside) {
        var kind = kind(depth, ofRecord);
        return new Field(
                draw.id('f'),
                "field_" + draw.fresh(),
                draw.text(),
                draw.chance() ? draw.text() : "",
                kind.holdsValue() && draw.chance(),
                kind,
                draw.once(4) ? condition(beside) : Condition.ALWAYS,
                draw.once(3) ? draw.of(List.of(Width.values())) : Width.FULL,
                draw.below(6) > 0,
                draw.once(4) ? fallback(kind) : "");
    }

    private String fallback(Kind kind) {
        return switch (kind) {
            case Kind.YesNo _ -> "true";
            case Kind.LongText text -> text.maxLength() == null ? draw.text() : "";
            case Kind.Choice choice
            when !choice.options().isEmpty() -> choice.options().getFirst().id();
            case Kind.Colour _ -> "#11dd55";
            case Kind.Numeric number when number.max() == null && number.min() == null -> "7";
            default -> "";
        };
    }

    /** A comparison of a field that is always shown, so that nothing can contradict. */
    Condition condition(List<Field> beside) {
        var plain = beside.stream()
                .filter(field -> field.showWhen().equals(Condition.ALWAYS))
                .toList();
        if (plain.isEmpty()) {
            return Condition.ALWAYS;
        }
        var field = draw.of(plain);
        var filled =
                new Condition.FieldIs(field.id(), Condition.Test.FILLED, List.of(draw.chance() ? "true" : "false"));
        return switch (field.kind()) {
            case Kind.YesNo _ -> new Condition.FieldIs(field.id(), Condition.Test.IS, List.of("true"));
            case Kind.Numeric _ ->
                new Condition.Not(new Condition.FieldIs(field.id(), Condition.Test.ABOVE, List.of("12.5")));
            case Kind.Choice choice
            when !choice.options().isEmpty() ->
                new Condition.Any(List.of(
                        new Condition.FieldIs(
                                field.id(),
                                Condition.Test.IS,
                                choice.options().stream().map(Kind.Option::id).toList()),
                        new Condition.FieldIs(field.id(), Condition.Test.FILLED, List.of("false"))));
            case Kind.Text _ ->
                new Condition.FieldIs(field.id(), Condition.Test.HAS, List.of("12", "true", draw.text()));
            case Kind.Note _ -> Condition.ALWAYS;
            default -> filled;
        };
    }

    Kind kind(int depth, boolean ofRecord) {
        return switch (draw.below(KINDS)) {
            case 0 -> text(ofRecord);
            case 1 -> new Kind.LongText(draw.orNull(500), 2 + draw.below(8));
            case 2 -> new Kind.RichText(draw.orNull(9_000), set(List.of(Kind.Format.values())));
            case 3 -> number();
            case 4 -> new Kind.YesNo(draw.text(), draw.text());
            case 5 -> new Kind.Date(draw.orNull(LocalDate.of(1800, 1, 1)), draw.orNull(LocalDate.of(2100, 1, 1)));
            case 6 -> new Kind.Time(draw.orNull(LocalTime.of(6, 30)), draw.orNull(LocalTime.of(22, 0, 15)));
            case 7 -> new Kind.DateTime(draw.orNull(LocalDateTime.of(2020, 1, 1, 9, 30)), null);
            case 8 -> Kind.Email.PLAIN;
            case 9 -> new Kind.Url(draw.chance() ? Set.of("https", "mailto") : Kind.Url.PLAIN.schemes());
            case 10 -> Kind.Phone.PLAIN;
            case 11 -> Kind.Colour.PLAIN;
            case 12 -> Kind.Icon.PLAIN;
            case 13 -> choice();
            case 14 ->
                new Kind.Image(
                        draw.orNull(100),
                        null,
                        draw.orNull(5_000),
                        null,
                        draw.orNull(900),
                        draw.chance(),
                        set(Kind.Image.FORMATS),
                        draw.chance() ? List.of(640, 320) : List.of(),
                        amount());
            case 15 -> new Kind.File(set(List.of("pdf", "odt", "csv")), draw.orNull(4_000), amount());
            case 16 -> types.isEmpty() ? Kind.Text.PLAIN : relation(ofRecord);
            case 17 -> taxonomies.isEmpty() ? Kind.Colour.PLAIN : new Kind.TermPick(draw.of(taxonomies), amount());
            case 18 -> depth > 3 ? Kind.YesNo.PLAIN : new Kind.FieldGroup(inner(depth));
            case 19 -> depth > 3 ? Kind.Date.PLAIN : repeater(depth);
            case 20 -> Kind.Coordinates.PLAIN;
            default -> new Kind.Note(draw.text());
        };
    }

    private List<Field> inner(int depth) {
        var inner = new ArrayList<>(fields(3, depth + 1, false));
        inner.add(new Field(draw.id('f'), "field_" + draw.fresh(), draw.text(), "", false, Kind.Text.PLAIN));
        return inner;
    }

    private Kind repeater(int depth) {
        var inner = inner(depth);
        return new Kind.Repeater(
                inner,
                draw.orNull(1),
                draw.orNull(12),
                draw.chance() ? inner.getLast().id() : "",
                draw.of(List.of(Kind.Repeater.RowStyle.values())));
    }

    private <T extends Comparable<T>> Set<T> set(List<T> all) {
        return IntStream.range(0, draw.below(3))
                .mapToObj(_ -> draw.of(all))
                .collect(Collectors.toCollection(TreeSet::new));
    }

    private Kind.Amount amount() {
        return draw.chance() ? Kind.Amount.ONE : new Kind.Amount(true, draw.orNull(1), draw.orNull(5 + draw.below(9)));
    }

    private Kind text(boolean ofRecord) {
        return new Kind.Text(
                draw.orNull(1),
                draw.orNull(20 + draw.below(200)),
                draw.chance() ? "[A-Z].*" : "",
                draw.text(),
                draw.chance() ? draw.text() : "",
                "",
                ofRecord && draw.once(5));
    }

    private Kind number() {
        int decimals = draw.below(4);
        var min = draw.orNull(BigDecimal.valueOf(draw.below(100), decimals));
        var max = draw.orNull(BigDecimal.valueOf(1_000_000L + draw.below(100), decimals));
        boolean slider = min != null && max != null && draw.chance();
        return new Kind.Numeric(
                decimals,
                min,
                max,
                draw.orNull(BigDecimal.ONE),
                draw.chance() ? draw.text() : "",
                slider ? Kind.Numeric.NumberControl.SLIDER : Kind.Numeric.NumberControl.BOX);
    }

    Kind choice() {
        boolean own = lists.isEmpty() || draw.chance();
        return new Kind.Choice(
                own ? options() : List.of(),
                own ? "" : draw.of(lists),
                amount(),
                draw.of(List.of(Kind.Choice.ChoiceControl.values())));
    }

    List<Kind.Option> options() {
        return IntStream.rangeClosed(0, draw.below(4))
                .mapToObj(i -> option(i > 0 && draw.chance()))
                .toList();
    }

    Kind.Option option(boolean retired) {
        return new Kind.Option(draw.id('o'), "option_" + draw.fresh(), draw.text(), retired);
    }

    private Kind relation(boolean ofRecord) {
        var to = new TreeSet<String>();
        for (int i = 0, count = 1 + draw.below(2); i < count; i++) {
            to.add(draw.of(types));
        }
        var amount = amount();
        var inverse = ofRecord && draw.chance()
                ? new Kind.Inverse(draw.id('i'), "inverse_" + draw.fresh(), draw.text(), draw.chance(), draw.chance())
                : null;
        return new Kind.Relation(to, amount, amount.many() && draw.chance(), false, inverse);
    }
}
