package org.jontrel.core.model.block;

import java.util.List;

/**
 * How a list of records looks, and in which order.
 *
 * @param columns ways to the values of a table; the columns of the type's lists where empty
 * @param order by what, first things first; as they are linked where empty
 * @param limit most records shown
 */
public record RecordsForm(Arrangement as, List<String> columns, List<Order> order, int limit) {
    public static final int MOST = 200;
    public static final RecordsForm PLAIN = new RecordsForm(Arrangement.NAMES, List.of(), List.of(), MOST);

    public RecordsForm {
        columns = List.copyOf(columns);
        order = List.copyOf(order);
    }

    /** @param field id of the field to sort by */
    public record Order(String field, boolean descending) {}
}
