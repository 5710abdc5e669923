package org.jontrel.core.generate.sql;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.format.DateTimeFormatter;
import java.util.LinkedHashMap;
import java.util.List;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;

/** The columns and tables of fields. */
final class SqlFields {
    private static final DateTimeFormatter TO_THE_SECOND = DateTimeFormatter.ofPattern("HH:mm:ss");
    private final SqlTables tables;

    SqlFields(SqlTables tables) {
        this.tables = tables;
    }

    /** @param before what stands before the names of columns: the keys of groups around */
    void add(TableDraft table, List<Field> fields, String before) {
        fields.stream()
                .filter(field -> field.api() && field.kind().holdsValue())
                .forEach(field -> add(table, field, before + field.key()));
    }

    private void add(TableDraft table, Field field, String name) {
        if (field.kind().amount().many()) {
            var rows = rows(table, field, name);
            value(rows, field, "value", true);
            return;
        }
        switch (field.kind()) {
            case Kind.FieldGroup(List<Field> inner) -> add(table, inner, name + "_");
            case Kind.Repeater repeater -> add(rows(table, field, name), repeater.fields(), "");
            default -> value(table, field, name, false);
        }
    }

    /** A table for what a field has several of. */
    private TableDraft rows(TableDraft table, Field field, String name) {
        var rows = tables.part(table, field, table.name + "_" + name);
        var up = table.key().stream()
                .map(column -> rows.key(
                        column.equals(TableDraft.ID) ? "record_id" : column,
                        column.startsWith("position") ? SqlType.COUNT : SqlType.ID,
                        "What it is part of"))
                .toList();
        rows.key(up.size() == 1 ? "position" : "position_" + up.size(), SqlType.COUNT, "Its place, from 1");
        rows.reference(up, table, SqlConstraint.Deletion.CASCADE);
        return rows;
    }

    /** @param required whether there is no row without it: the row is the value */
    private void value(TableDraft table, Field field, String name, boolean required) {
        switch (field.kind()) {
            case Kind.Text text -> text(table, field, name, text);
            case Kind.LongText text -> {
                var made = column(table, field, name, SqlType.LONG_TEXT, required);
                if (text.maxLength() != null) {
                    table.rule(new SqlRule.Length(made, "<=", text.maxLength()));
                }
            }
            case Kind.Numeric number -> number(table, field, name, number);
            case Kind.Date date -> {
                var made = column(table, field, name, SqlType.DATE, required);
                bound(table, made, ">=", "DATE", date.earliest());
                bound(table, made, "<=", "DATE", date.latest());
            }
            case Kind.Time time -> {
                var made = column(table, field, name, SqlType.TIME, required);
                bound(table, made, ">=", "TIME", text(time.earliest()));
                bound(table, made, "<=", "TIME", text(time.latest()));
            }
            case Kind.DateTime moment -> {
                var made = column(table, field, name, SqlType.DATE_TIME, required);
                bound(table, made, ">=", "TIMESTAMP", text(moment.earliest()));
                bound(table, made, "<=", "TIMESTAMP", text(moment.latest()));
            }
            case Kind.Choice choice -> {
                var made = column(table, field, name, SqlType.WORD, required);
                var words = new LinkedHashMap<String, String>();
                choice.byId().forEach((id, option) -> words.put(id, option.key()));
                if (!words.isEmpty()) {
                    table.rule(new SqlRule.OneOf(made, words));
                }
            }
            case Kind.Coordinates _ -> {
                var latitude = degrees(table, field, name, "latitude", "90");
                var longitude = degrees(table, field, name, "longitude", "180");
                table.rule(new SqlRule.Together(latitude, longitude));
            }
            case Kind.Image _, Kind.File _ -> {
                var made = column(table, field, required ? "media_id" : name + "_id", SqlType.ID, required);
                table.reference(List.of(made), tables.media(), deletion(required));
            }
            case Kind.TermPick pick -> {
                var made = column(table, field, required ? "term_id" : name + "_id", SqlType.ID, required);
                tables.of(pick.taxonomy())
                        .ifPresent(terms -> table.reference(List.of(made), terms, deletion(required)));
            }
            case Kind.Relation relation ->
                tables.leads(
                        table,
                        relation.to(),
                        new SqlColumn(field.id(), required ? "target" : name, SqlType.ID, required, about(field)));
            case Kind.YesNo _ -> column(table, field, name, SqlType.FLAG, required);
            case Kind.RichText _, Kind.Url _ -> column(table, field, name, SqlType.LONG_TEXT, required);
            case Kind.Email _, Kind.Phone _ -> column(table, field, name, SqlType.TEXT, required);
            case Kind.Colour _, Kind.Icon _ -> column(table, field, name, SqlType.WORD, required);
            case Kind.Nested _, Kind.Note _ -> {
                // has no value of its own
            }
        }
    }

    private static void text(TableDraft table, Field field, String name, Kind.Text text) {
        var made = column(table, field, name, SqlType.TEXT, false);
        if (text.minLength() != null) {
            table.rule(new SqlRule.Length(made, ">=", text.minLength()));
        }
        if (text.maxLength() != null && text.maxLength() < Kind.Text.LONGEST) {
            table.rule(new SqlRule.Length(made, "<=", text.maxLength()));
        }
        if (text.unique() && !table.isPart()) {
            table.unique(made);
        }
    }

    private static void number(TableDraft table, Field field, String name, Kind.Numeric number) {
        var made = column(table, field, name, number.decimals() == 0 ? SqlType.WHOLE : SqlType.DECIMAL, false);
        if (number.decimals() > 0 && number.decimals() < Kind.Numeric.MOST_DECIMALS) {
            table.rule(new SqlRule.Decimals(made, number.decimals()));
        }
        bound(table, made, ">=", number.min());
        bound(table, made, "<=", number.max());
    }

    private static String degrees(TableDraft table, Field field, String name, String which, String most) {
        var made = table.column(
                field.id() + ":" + which, name + "_" + which, SqlType.DEGREES, false, about(field) + " WGS 84.");
        table.rule(new SqlRule.Bound(made, ">=", "-" + most));
        table.rule(new SqlRule.Bound(made, "<=", most));
        return made;
    }

    private static String column(TableDraft table, Field field, String name, SqlType type, boolean required) {
        return table.column(field.id(), name, type, required, about(field));
    }

    private static SqlConstraint.Deletion deletion(boolean required) {
        return required ? SqlConstraint.Deletion.CASCADE : SqlConstraint.Deletion.SET_NULL;
    }

    /** What people call it, its unit and its help. */
    private static String about(Field field) {
        var unit =
                field.kind() instanceof Kind.Numeric number && !number.unit().isEmpty() ? ", in " + number.unit() : "";
        var help = field.help().isBlank() ? "" : " " + field.help();
        return field.label() + unit + "." + help + (field.required() ? " Required." : "");
    }

    private static void bound(TableDraft table, String column, String sign, BigDecimal bound) {
        if (bound != null) {
            table.rule(new SqlRule.Bound(column, sign, bound.toPlainString()));
        }
    }

    private static void bound(TableDraft table, String column, String sign, String sort, Object bound) {
        if (bound != null) {
            table.rule(new SqlRule.Bound(column, sign, sort + " '" + bound + "'"));
        }
    }

    private static String text(LocalTime time) {
        return time == null ? null : TO_THE_SECOND.format(time);
    }

    private static String text(LocalDateTime moment) {
        return moment == null ? null : LocalDate.from(moment) + " " + TO_THE_SECOND.format(moment.toLocalTime());
    }
}
