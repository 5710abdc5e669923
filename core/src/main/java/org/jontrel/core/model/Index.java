package org.jontrel.core.model;

/**
 * The page that lists the records of a type.
 *
 * @param order id of the field or standard part that sorts them
 * @param pageSize records on one page
 */
public record Index(boolean on, String order, boolean descending, int pageSize) {
    public static final int MOST = 200;
    public static final Index PLAIN = new Index(true, "part_title", false, 24);
}
