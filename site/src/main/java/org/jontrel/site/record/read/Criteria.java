package org.jontrel.site.record.read;

import static org.mybatis.dynamic.sql.SqlBuilder.and;
import static org.mybatis.dynamic.sql.SqlBuilder.constant;
import static org.mybatis.dynamic.sql.SqlBuilder.exists;
import static org.mybatis.dynamic.sql.SqlBuilder.group;
import static org.mybatis.dynamic.sql.SqlBuilder.isEqualTo;
import static org.mybatis.dynamic.sql.SqlBuilder.isIn;
import static org.mybatis.dynamic.sql.SqlBuilder.not;
import static org.mybatis.dynamic.sql.SqlBuilder.or;
import static org.mybatis.dynamic.sql.SqlBuilder.select;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Stream;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.record.Conditions;
import org.jontrel.core.recordtype.FieldStorage;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.ColumnValues;
import org.jontrel.site.table.PhysicalNames;
import org.mybatis.dynamic.sql.AndOrCriteriaGroup;
import org.mybatis.dynamic.sql.BasicColumn;
import org.mybatis.dynamic.sql.SqlBuilder;
import org.mybatis.dynamic.sql.SqlColumn;
import org.mybatis.dynamic.sql.SqlCriterion;
import org.mybatis.dynamic.sql.SqlTable;
import org.mybatis.dynamic.sql.VisitableCondition;

/** Conditions as criteria of a statement. Names come from the binding; values are always parameters. */
final class Criteria {
    private final Binding binding;
    private final Binding.BoundTables table;
    private final SqlTable main;
    private final SqlColumn<Object> id;
    private final Audience audience;

    Criteria(Binding binding, Binding.BoundTables table, SqlTable main, Audience audience) {
        this.audience = audience;
        this.binding = binding;
        this.table = table;
        this.main = main;
        this.id = column(main, "id");
    }

    static SqlColumn<Object> column(SqlTable table, String name) {
        return SqlColumn.of(PhysicalNames.quoted(name), table);
    }

    /** What visitors may see. */
    static SqlCriterion visible(SqlTable records) {
        return group(published(records), or(due(records)));
    }

    static SqlCriterion published(SqlTable records) {
        return group(column(records, "state"), isEqualTo((Object) "published"), and(notRetired(records)));
    }

    /** Scheduled, and the moment has come. */
    static SqlCriterion due(SqlTable records) {
        return group(
                column(records, "state"),
                isEqualTo((Object) "scheduled"),
                and(column(records, "publish_at"), SqlBuilder.isLessThanOrEqualTo(now())),
                and(notRetired(records)));
    }

    /** The moment at which it retires by itself has not come, if there is one. */
    private static SqlCriterion notRetired(SqlTable records) {
        var at = column(records, "retire_at");
        return group(at, SqlBuilder.isNull(), or(at, SqlBuilder.isGreaterThan(now())));
    }

    private static BasicColumn now() {
        return constant("UTC_TIMESTAMP()");
    }

    /** Whatever its state, unless it was deleted. */
    static SqlCriterion present(SqlTable records) {
        return group(column(records, "state"), SqlBuilder.isNotEqualTo((Object) RecordLoader.DELETED));
    }

    /** The criterion; empty where the condition holds for everything. */
    Optional<SqlCriterion> of(Condition condition) {
        return switch (condition) {
            case Condition.All(List<Condition> of) -> joined(of, false);
            case Condition.Any(List<Condition> of) -> of.isEmpty() ? Optional.of(never()) : joined(of, true);
            case Condition.Not(Condition of) ->
                Optional.of(of(of).<SqlCriterion>map(each -> not(each)).orElse(never()));
            case Condition.StateIs(var state) ->
                Optional.of(group(column(main, "state"), isEqualTo((Object) state.code())));
            case Condition.AddressIs(List<String> slugs) ->
                Optional.of(group(column(main, "slug"), isIn(List.<Object>copyOf(slugs))));
            case Condition.ParentIs(List<String> types) -> Optional.of(parent(types));
            case Condition.TermIs is -> Optional.of(terms(is.taxonomy(), is.test(), is.values()));
            case Condition.FieldIs is -> Optional.of(field(is));
        };
    }

    private SqlCriterion parent(List<String> types) {
        if (audience == Audience.PEOPLE) {
            return types.isEmpty()
                    ? group(column(main, "parent_id"), SqlBuilder.isNotEqualTo((Object) 0))
                    : group(column(main, "parent_type"), isIn(List.<Object>copyOf(types)));
        }
        return readable(
                column(main, "parent_type"),
                column(main, "parent_id"),
                types.isEmpty() ? List.copyOf(binding.tables().keySet()) : types);
    }

    /** That what is pointed at is there for the audience. */
    private SqlCriterion readable(SqlColumn<Object> type, SqlColumn<Object> target, Collection<String> types) {
        var each = types.stream()
                .flatMap(recordTypeId -> binding.table(recordTypeId).stream())
                .filter(pointed -> audience.reads(pointed.recordType()))
                .map(pointed -> {
                    var there = there(target, pointed);
                    return type == null
                            ? there
                            : (SqlCriterion) group(
                                    type,
                                    isEqualTo((Object) pointed.recordType().id()),
                                    and(there));
                })
                .toList();
        return each.isEmpty() ? never() : alternatives(each);
    }

    private SqlCriterion there(SqlColumn<Object> target, Binding.BoundTables pointed) {
        var records = SqlTable.of(PhysicalNames.quoted(pointed.name()));
        return group(exists(select(constant("1"))
                .from(records, "t")
                .where(column(records, "id"), isEqualTo(target))
                .and(audience.everyState() ? present(records) : visible(records))));
    }

    /** Of links and terms, those that lead to what the audience may read; of anything else all. */
    private Optional<SqlCriterion> readable(SqlTable rows, Kind kind) {
        return switch (kind) {
            case Kind.Relation relation
            when audience != Audience.PEOPLE ->
                Optional.of(readable(column(rows, "target_type"), column(rows, "target_id"), relation.to()));
            case Kind.TermPick pick -> readable(rows, pick.taxonomy());
            case Kind.Plain _, Kind.Reference _, Kind.Nested _, Kind.Note _ -> Optional.empty();
        };
    }

    /** Of rows with terms, those whose term the audience may read. */
    Optional<SqlCriterion> readable(SqlTable rows, String taxonomyId) {
        return audience == Audience.PEOPLE
                ? Optional.empty()
                : Optional.of(readable(null, column(rows, "term_id"), List.of(taxonomyId)));
    }

    private SqlCriterion never() {
        return group(id, isEqualTo((Object) 0L));
    }

    private Optional<SqlCriterion> joined(List<Condition> of, boolean any) {
        var parts = new ArrayList<SqlCriterion>();
        for (var each : of) {
            var part = of(each);
            if (part.isPresent()) {
                parts.add(part.get());
            } else if (any) {
                return Optional.empty();
            }
        }
        if (parts.isEmpty()) {
            return Optional.empty();
        }
        List<AndOrCriteriaGroup> rest =
                parts.stream().skip(1).map(part -> any ? or(part) : and(part)).toList();
        return Optional.of(group(parts.getFirst(), rest));
    }

    private SqlCriterion field(Condition.FieldIs is) {
        var own = SystemField.of(is.field());
        if (own.isPresent()) {
            var field = own.get().field();
            return compared(column(main, own.get().column()), field, is.test(), is.values());
        }
        var field = table.recordType()
                .field(is.field())
                .orElseThrow(() -> new BadQuery("There is no field " + is.field() + " in "
                        + table.recordType().singular() + "."));
        return switch (field.kind()) {
            case Kind.TermPick pick
            when pick.taxonomy().equals(field.id()) -> terms(field.id(), is.test(), is.values());
            case Kind.Repeater _, Kind.Relation _, Kind.TermPick _ -> entries(field, is);
            case Kind.Plain _, Kind.Image _, Kind.File _, Kind.FieldGroup _, Kind.Note _ ->
                FieldStorage.of(field.kind()) == FieldStorage.TABLE ? entries(field, is) : inColumn(field, is);
        };
    }

    private SqlCriterion inColumn(Field field, Condition.FieldIs is) {
        if (FieldStorage.of(field.kind()) == FieldStorage.NOT) {
            throw new BadQuery(field.label() + " holds no value that can be compared.");
        }
        var home = table.recordType().home(field.id()).table();
        if (home.isEmpty()) {
            return compared(column(main, nameOf(table.own(), field)), field, is.test(), is.values());
        }
        var place = table.fields().get(home);
        var rows = SqlTable.of(PhysicalNames.quoted(place.name()));
        boolean negative = is.test() == Condition.Test.IS_NOT || filledNot(is);
        var test = negative ? positive(is) : is;
        var within = within(rows, compared(column(rows, nameOf(place, field)), field, test.test(), test.values()));
        return negative ? not(within) : within;
    }

    private static boolean filledNot(Condition.FieldIs is) {
        return is.test() == Condition.Test.FILLED && !is.values().equals(List.of("true"));
    }

    private static Condition.FieldIs positive(Condition.FieldIs is) {
        return is.test() == Condition.Test.FILLED
                ? new Condition.FieldIs(is.field(), Condition.Test.FILLED, List.of("true"))
                : new Condition.FieldIs(is.field(), Condition.Test.IS, is.values());
    }

    private static String nameOf(Binding.ValueTable place, Field field) {
        var name = place.columns().get(field.id());
        if (name == null) {
            throw new BadQuery(field.label() + " is just being changed on this site. Try again in a moment.");
        }
        return name;
    }

    private SqlCriterion within(SqlTable rows, SqlCriterion criterion) {
        return within(rows, List.of(criterion));
    }

    private SqlCriterion within(SqlTable rows, List<SqlCriterion> criteria) {
        return group(exists(select(constant("1"))
                .from(rows, "r")
                .where(column(rows, "record_id"), isEqualTo(id))
                .and(criteria.stream().map(SqlBuilder::and).toList())));
    }

    /** Rows, links, terms or several values in a table of the field's own. */
    private SqlCriterion entries(Field field, Condition.FieldIs is) {
        var place = Optional.ofNullable(table.fields().get(field.id()))
                .orElseThrow(() -> new BadQuery(field.label() + " is just being changed on this site."));
        var rows = SqlTable.of(PhysicalNames.quoted(place.name()));
        boolean negative = is.test() == Condition.Test.IS_NOT || filledNot(is);
        var test = negative ? positive(is) : is;
        SqlCriterion found;
        var readable = readable(rows, field.kind());
        if (test.test() == Condition.Test.FILLED) {
            found = within(rows, readable.stream().toList());
        } else if (test.test() != Condition.Test.IS) {
            throw new BadQuery(field.label() + " can be compared with is, is not and filled.");
        } else {
            var column =
                    switch (field.kind()) {
                        case Kind.Relation _ -> column(rows, "target_id");
                        case Kind.TermPick _ -> column(rows, "term_id");
                        case Kind.Repeater _ ->
                            throw new BadQuery(field.label() + " has rows: compare a field of them, or filled.");
                        case Kind.Plain _, Kind.Image _, Kind.File _, Kind.FieldGroup _, Kind.Note _ ->
                            column(rows, nameOf(place, field));
                    };
            var values = field.kind() instanceof Kind.Choice
                    ? List.<Object>copyOf(optionKeys(field, test.values()))
                    : numbers(field.label(), test.values());
            found = within(rows, with(readable, group(column, isIn(values))));
        }
        return negative ? not(found) : found;
    }

    private static List<SqlCriterion> with(Optional<SqlCriterion> first, SqlCriterion second) {
        return Stream.concat(first.stream(), Stream.of(second)).toList();
    }

    private static List<Object> numbers(String label, List<String> values) {
        return values.stream()
                .map(value -> {
                    if (!value.matches("[0-9]{1,18}")) {
                        throw new BadQuery(
                                label + " is compared with numbers of records or terms, not with \"" + value + "\".");
                    }
                    return (Object) Long.valueOf(value);
                })
                .toList();
    }

    private static List<String> optionKeys(Field field, List<String> values) {
        var options = ((Kind.Choice) field.kind()).byId();
        return values.stream()
                .map(value -> options.containsKey(value) ? options.get(value).key() : value)
                .toList();
    }

    private SqlCriterion terms(String taxonomyId, Condition.Test test, List<String> values) {
        var place = table.fields().get(taxonomyId);
        if (place == null) {
            throw new BadQuery(table.recordType().plural() + " are not classified by this taxonomy.");
        }
        var rows = SqlTable.of(PhysicalNames.quoted(place.name()));
        return switch (test) {
            case FILLED -> {
                var any = within(rows, readable(rows, taxonomyId).stream().toList());
                yield values.equals(List.of("true")) ? any : not(any);
            }
            case IS -> termIn(rows, taxonomyId, values, false);
            case IS_NOT -> not(termIn(rows, taxonomyId, values, false));
            case UNDER -> termIn(rows, taxonomyId, values, true);
            case ABOVE, AT_LEAST, BELOW, AT_MOST, HAS ->
                throw new BadQuery("Terms can be compared with is, is not, under and filled.");
        };
    }

    private SqlCriterion termIn(SqlTable rows, String taxonomyId, List<String> values, boolean under) {
        var wanted = numbers("A taxonomy", values);
        var above = under
                ? binding.table(taxonomyId)
                        .map(each -> each.fields().get(PhysicalNames.ABOVE))
                        .orElse(null)
                : null;
        if (above == null) {
            return within(rows, with(readable(rows, taxonomyId), group(column(rows, "term_id"), isIn(wanted))));
        }
        var tree = SqlTable.of(PhysicalNames.quoted(above.name()));
        // the database begins with the terms, which a condition on each row would keep it from
        var below = group(
                column(rows, "term_id"),
                isIn(select(column(tree, "term_id")).from(tree, "a").where(column(tree, "above_id"), isIn(wanted))));
        return within(rows, with(readable(rows, taxonomyId), below));
    }

    private static SqlCriterion compared(
            SqlColumn<Object> column, Field field, Condition.Test test, List<String> values) {
        return switch (test) {
            case FILLED -> group(column, values.equals(List.of("true")) ? SqlBuilder.isNotNull() : SqlBuilder.isNull());
            case IS -> filled(column, group(column, isIn(read(field, values))));
            case IS_NOT -> group(column, SqlBuilder.isNull(), or(column, SqlBuilder.isNotIn(read(field, values))));
            case ABOVE -> any(column, field, values, SqlBuilder::isGreaterThan);
            case AT_LEAST -> any(column, field, values, SqlBuilder::isGreaterThanOrEqualTo);
            case BELOW -> any(column, field, values, SqlBuilder::isLessThan);
            case AT_MOST -> any(column, field, values, SqlBuilder::isLessThanOrEqualTo);
            case HAS ->
                filled(
                        column,
                        alternatives(values.stream()
                                .map(value ->
                                        (SqlCriterion) group(column, SqlBuilder.isLike((Object) containing(value))))
                                .toList()));
            case UNDER -> throw new BadQuery(field.label() + " is not a taxonomy, so nothing is below it.");
        };
    }

    private static SqlCriterion any(
            SqlColumn<Object> column,
            Field field,
            List<String> values,
            Function<Object, VisitableCondition<Object>> test) {
        if (!Conditions.isOrdered(field.kind())) {
            throw new BadQuery(field.label() + " has no order: compare it with is, is not, has or filled.");
        }
        return filled(
                column,
                alternatives(read(field, values).stream()
                        .map(value -> (SqlCriterion) group(column, test.apply(value)))
                        .toList()));
    }

    /** What is empty compares with nothing: not even unknown, or the opposite would not hold either. */
    private static SqlCriterion filled(SqlColumn<Object> column, SqlCriterion compared) {
        return group(column, SqlBuilder.isNotNull(), and(compared));
    }

    private static SqlCriterion alternatives(List<SqlCriterion> of) {
        if (of.isEmpty()) {
            throw new BadQuery("A comparison needs something to compare with.");
        }
        List<AndOrCriteriaGroup> rest = of.stream().skip(1).map(SqlBuilder::or).toList();
        return group(of.getFirst(), rest);
    }

    private static String containing(String text) {
        return "%" + text.strip().replaceAll("([\\\\%_])", "\\\\$1") + "%";
    }

    private static List<Object> read(Field field, List<String> values) {
        if (values.isEmpty()) {
            throw new BadQuery(field.label() + " needs something to compare with.");
        }
        if (field.kind() instanceof Kind.Choice) {
            return List.copyOf(optionKeys(field, values));
        }
        var own = SystemField.of(field.id());
        return values.stream()
                .map(value -> (own.isPresent()
                                ? own.get().cell(value)
                                : Conditions.read(field.kind(), value).map(ColumnValues::toColumn))
                        .orElseThrow(() -> new BadQuery(field.label() + " cannot be compared with \"" + value
                                + "\": it is of kind " + field.kind().code().replace('_', ' ') + ".")))
                .toList();
    }
}
