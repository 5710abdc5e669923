package org.jontrel.site.table;

import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.regex.Pattern;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.recordtype.FieldStorage;
import org.jontrel.core.recordtype.RecordType;

/**
 * The one place that decides physical names. Tables and columns are named by keys; keys never have a doubled
 * underscore, so the names that runs make for themselves ({@code next__…}, {@code held__…}, {@code moving__…}) never meet a key, and what
 * stands within something is named {@code outer__inner}.
 */
public final class PhysicalNames {
    /** Columns that every record has; a field with such a key gets a name of its own. */
    public static final Set<String> OWN = Set.of(
            "id",
            "slug",
            "state",
            "publish_at",
            "retire_at",
            "parent_type",
            "parent_id",
            "position",
            "origin",
            "version",
            "complete",
            "created_at",
            "updated_at",
            "created_by",
            "updated_by",
            "record_id",
            "row_id",
            "fts_doc_id");
    /** Stands for the terms above each term, where a field's id would stand. */
    public static final String ABOVE = "above";

    private static final int LONGEST = 64;
    private static final Pattern SAFE = Pattern.compile("[a-z][a-z0-9_]{0,63}");
    private static final Pattern COMMENT = Pattern.compile("[A-Za-z][A-Za-z0-9_]{0,63}(/[A-Za-z][A-Za-z0-9_]{0,63})?");
    private static final String BETWEEN = "__";
    private static final String NEXT = "next" + BETWEEN;
    private static final String MOVING = "moving" + BETWEEN;
    private static final String HELD = "held" + BETWEEN;

    private PhysicalNames() {}

    /** The table of what a definition holds. */
    public static String table(RecordType recordType) {
        return switch (recordType.definition().sort()) {
            case TAXONOMY -> "terms" + BETWEEN + recordType.key();
            case VALUES -> "values" + BETWEEN + recordType.key();
            default -> recordType.key();
        };
    }

    /** The tables of fields that have one of their own, by field id; {@link #ABOVE} for a taxonomy's tree. */
    public static Map<String, String> tables(RecordType recordType) {
        var names = new LinkedHashMap<String, String>();
        var taken = new HashSet<String>();
        if (recordType.definition().sort() == Definition.Sort.TAXONOMY) {
            names.put(ABOVE, free(table(recordType) + BETWEEN + ABOVE, recordType.id(), taken));
        }
        recordType.byId().values().stream()
                .filter(field -> FieldStorage.of(field.kind()) == FieldStorage.TABLE)
                .forEach(field -> names.put(field.id(), free(own(recordType, field, names), field.id(), taken)));
        return names;
    }

    private static String own(RecordType recordType, Field field, Map<String, String> names) {
        var home = recordType.home(field.id());
        var before = home.table().isEmpty() ? table(recordType) : names.get(home.table());
        var classified = recordType.definition() instanceof ContentType type
                && type.taxonomies().stream().anyMatch(use -> use.taxonomy().equals(field.id()));
        var path = new StringBuilder(before).append(BETWEEN);
        home.groups().forEach(group -> path.append(group).append(BETWEEN));
        return path.append(classified ? "terms" + BETWEEN : "")
                .append(field.key())
                .toString();
    }

    /**
     * The columns of fields in one table, by field id.
     *
     * @param table id of the field whose table it is; empty for that of the records
     */
    public static Map<String, String> columns(RecordType recordType, String table) {
        var names = new LinkedHashMap<String, String>();
        var own = recordType.field(table).orElse(null);
        if (own != null && !(own.kind() instanceof Kind.Repeater)) {
            if (payload(own.kind()).equals("value")) {
                names.put(own.id(), "value");
            }
            return names;
        }
        var taken = new HashSet<>(OWN);
        recordType.columns(table).stream()
                .filter(field -> OWN.contains(field.key()))
                .forEach(field -> taken.remove(field.key() + "_value"));
        var keys = new HashSet<String>();
        recordType.columns(table).forEach(field -> keys.add(path(recordType, field)));
        for (var field : recordType.columns(table)) {
            var name = path(recordType, field);
            if (taken.contains(name) || name.startsWith(NEXT) || name.startsWith(HELD)) {
                UnaryOperator<String> longer = before -> before + "_value";
                name = longer.apply(name.startsWith(NEXT) || name.startsWith(HELD) ? "field_" + name : name);
                while (keys.contains(name)) {
                    name = longer.apply(name);
                }
            }
            names.put(field.id(), free(name, field.id(), taken));
        }
        return names;
    }

    /** What stands in the table of a field beside the record: a value, the id of a term, or where a relation leads. */
    static String payload(Kind kind) {
        return switch (kind) {
            case Kind.Relation _ -> "target_id";
            case Kind.TermPick _ -> "term_id";
            case Kind.Plain _, Kind.Image _, Kind.File _, Kind.Nested _, Kind.Note _ -> "value";
        };
    }

    private static String path(RecordType recordType, Field field) {
        var groups = recordType.home(field.id()).groups();
        return groups.isEmpty() ? field.key() : String.join(BETWEEN, groups) + BETWEEN + field.key();
    }

    /** The name, or where it is too long or taken one that ends in something of the id. */
    private static String free(String wanted, String id, Set<String> taken) {
        var name = wanted;
        if (name.length() > LONGEST || taken.contains(name)) {
            var tail = BETWEEN + Integer.toString(id.hashCode() & 0x7fffffff, 36);
            var head = wanted.substring(0, Math.min(wanted.length(), LONGEST - tail.length()));
            name = head.replaceAll("_+$", "") + tail;
        }
        taken.add(name);
        return name;
    }

    /** The column made beside the field's present one. */
    public static String next(String fieldId) {
        return NEXT + fieldId;
    }

    /** A column or table whose values are held. */
    public static String held(String shortName) {
        return HELD + shortName;
    }

    /** One of several tables that are held together. */
    public static String held(String shortName, int number) {
        return HELD + shortName + BETWEEN + number;
    }

    /** A table in use on its way through a switch. */
    public static String moving(int number) {
        return MOVING + number;
    }

    public static boolean isMoving(String table) {
        return table.startsWith(MOVING);
    }

    /** The short name under which a column or table is held; empty for those in use. */
    public static Optional<String> heldAs(String name) {
        if (!name.startsWith(HELD)) {
            return Optional.empty();
        }
        var rest = name.substring(HELD.length());
        return Optional.of(rest.contains(BETWEEN) ? rest.substring(0, rest.indexOf(BETWEEN)) : rest);
    }

    /** Whether a column or table is held under one of these short names. */
    static boolean isHeldBy(String name, Set<String> shortNames) {
        return shortNames.stream().anyMatch(each -> name.equals(held(each)) || name.startsWith(held(each) + BETWEEN));
    }

    public static boolean inUse(String name) {
        return !name.startsWith(NEXT) && !name.startsWith(HELD);
    }

    /**
     * The name as it stands in a statement.
     *
     * @throws IllegalArgumentException where it is not made of small letters, digits and underscores
     */
    public static String quoted(String name) {
        if (!SAFE.matcher(name).matches() || !name.equals(name.toLowerCase(Locale.ROOT))) {
            throw new IllegalArgumentException("Not a name for a table or column: " + name);
        }
        return "`" + name + "`";
    }

    /** What the comment of a field's own table says. */
    public static String mark(String recordTypeId, String fieldId) {
        return fieldId.isEmpty() ? recordTypeId : recordTypeId + "/" + fieldId;
    }

    /** The record type whose records hold what a table with this mark has. */
    public static String holder(String mark) {
        return mark.split("/", 2)[0];
    }

    /** Ids and short names stand in comments and names; anything else never reaches a statement. */
    public static String comment(String id) {
        if (!COMMENT.matcher(id).matches()) {
            throw new IllegalArgumentException("Not an id: " + id);
        }
        return "'" + id + "'";
    }
}
