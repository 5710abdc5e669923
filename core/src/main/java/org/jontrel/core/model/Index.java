package org.jontrel.core.model;

import java.util.List;
import java.util.Locale;

/**
 * The page that lists the records of a type.
 *
 * @param order id of the field or standard part that sorts them
 * @param pageSize records on one page, or in one group
 * @param columns ways to the values of a table
 * @param across how many cards stand beside one another
 * @param group id of the choice or taxonomy that the records are grouped by; empty for no groups
 * @param intro words above the list; the description of the type where empty
 * @param filters ids of the fields and taxonomies that visitors narrow the list by
 * @param search whether visitors can look for words in the list
 */
public record Index(
        boolean on,
        String order,
        boolean descending,
        int pageSize,
        ListForm as,
        List<String> columns,
        Across across,
        String group,
        String intro,
        List<String> filters,
        boolean search) {
    public static final int MOST = 200;
    public static final Index PLAIN = new Index(true, "part_title", false, 24);

    public Index {
        columns = List.copyOf(columns);
        filters = List.copyOf(filters);
    }

    /** A list of cards, with everything else as it is by default. */
    public Index(boolean on, String order, boolean descending, int pageSize) {
        this(on, order, descending, pageSize, ListForm.CARDS, List.of(), Across.FITTING, "", "", List.of(), false);
    }

    /** How the records are set on the page. */
    public enum ListForm {
        CARDS,
        LINES,
        TABLE;

        public String code() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** How many cards stand beside one another on narrow, medium and wide screens; as many as fit for 0. */
    public record Across(int narrow, int medium, int wide) {
        public static final int MOST = 6;
        public static final Across FITTING = new Across(0, 0, 0);
    }
}
