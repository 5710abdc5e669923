package org.jontrel.core.page;

import java.util.List;
import java.util.Optional;
import org.jontrel.core.value.Link;

/** What was read of a site for a page, as {@link PageNeeds} said; only what the reader of the page may see. */
public interface PageData {
    /** The one record that site values are. */
    long SINGLE = 1;

    /** What lists that belong to no record are asked by. */
    Link NOWHERE = new Link("", 0);

    String siteName();

    /** Empty where it may not be seen, or was not asked for. */
    Optional<PageRecord> record(Link link);

    /**
     * What a list shows, in its order.
     *
     * @param of the record that the list belongs to; {@link #NOWHERE} for none
     * @param list as {@link PageNeeds.ListNeeds#name} names it
     */
    List<Link> list(Link of, String list);

    Optional<PageFile> file(long id);
}
