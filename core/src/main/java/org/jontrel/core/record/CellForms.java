package org.jontrel.core.record;

import java.util.regex.Pattern;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;

/** Values as they stand in the cells of exported lists, and what such cells mean when they come back. */
public final class CellForms {
    /** Characters that a cell of a spreadsheet holds. */
    private static final int MOST = 32_767;
    /** Numbers and telephone numbers. */
    private static final Pattern NUMBERS = Pattern.compile("[-+]?[0-9 ()./-]+");
    /** What a formula needs to call something: a function, another program, another sheet. */
    private static final Pattern DOING = Pattern.compile("[(|!=\\[]");

    private CellForms() {}

    /** A value in one cell; numbers without their unit, so that they stay numbers. */
    public static String text(Field field, Object value, ValueTexts.Naming naming) {
        return field.kind() instanceof Kind.Numeric
                ? String.valueOf(Values.wire(field.kind(), value))
                : ValueTexts.text(field, value, naming);
    }

    /**
     * A cell that a spreadsheet would take for a formula that does something gets an apostrophe before it, and stays text.
     * Everything else is data and stays as it is: telephone numbers, names with @, lists with dashes.
     */
    public static String harmless(String text) {
        if (text.isEmpty()
                || "=+-@\t\r".indexOf(text.charAt(0)) < 0
                || NUMBERS.matcher(text).matches()) {
            return text;
        }
        return text.charAt(0) == '=' || DOING.matcher(text).find() ? "'" + text : text;
    }

    /** What a cell means that {@link #harmless} may have made. */
    public static String meant(String cell) {
        return cell.startsWith("'") && harmless(cell.substring(1)).equals(cell) ? cell.substring(1) : cell;
    }

    public static String shortened(String text) {
        return text.length() > MOST ? text.substring(0, MOST - 1) + "…" : text;
    }

    /** Whether a cell still says what was exported for a value; spaces around it and the sort of line breaks are no difference. */
    public static boolean same(String cell, String exported) {
        var bare = bare(cell);
        return bare.equals(bare(exported))
                || bare.equals(bare(harmless(exported)))
                || exported.length() > MOST && bare.equals(bare(shortened(exported)));
    }

    private static String bare(String text) {
        return text.replace("\r\n", "\n").replace('\r', '\n').strip();
    }
}
