package org.jontrel.site.table;

import java.util.Locale;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;

/**
 * The one place that decides physical names. Tables and columns are named by keys; keys never have a doubled
 * underscore, so the names that runs make for themselves ({@code next__…}, {@code held__…}) never meet a key.
 */
public final class Names {
    /** Columns that every record has; a field with such a key gets a name of its own. */
    static final Set<String> OWN = Set.of(
            "id",
            "slug",
            "state",
            "version",
            "complete",
            "created_at",
            "updated_at",
            "created_by",
            "updated_by",
            "fts_doc_id");

    private static final Pattern SAFE = Pattern.compile("[a-z][a-z0-9_]{0,63}");
    private static final String NEXT = "next__";
    private static final String HELD = "held__";

    private Names() {}

    public static String table(ContentType type) {
        return type.key();
    }

    /** The key; behind the key of an own column {@code _value}, as often as needed to meet no other field. */
    public static String column(ContentType type, Field field) {
        if (!OWN.contains(field.key())) {
            return field.key();
        }
        var keys = type.allFields().map(Field::key).collect(Collectors.toSet());
        var name = field.key() + "_value";
        while (keys.contains(name)) {
            name += "_value";
        }
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

    static boolean inUse(String name) {
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

    /** Ids and short names stand in comments and names; anything else never reaches a statement. */
    public static String comment(String id) {
        if (!SAFE.matcher(id).matches()) {
            throw new IllegalArgumentException("Not an id: " + id);
        }
        return "'" + id + "'";
    }
}
