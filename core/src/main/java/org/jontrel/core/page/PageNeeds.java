package org.jontrel.core.page;

import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jontrel.core.model.Listing;
import org.jontrel.core.model.block.RecordsForm;
import org.jontrel.core.reach.ValueStep;

/**
 * What a page needs of the records of one level: which of their fields, and the same of what is reached from them. As many
 * questions must be asked of a site as there are levels and lists in here, however many records there are.
 */
public final class PageNeeds {
    private final Set<String> fields = new LinkedHashSet<>();
    private final Map<String, PageNeeds> over = new LinkedHashMap<>();
    private final Map<String, ListNeeds> lists = new LinkedHashMap<>();
    private final Map<String, PageNeeds> siteValues = new LinkedHashMap<>();
    private PageNeeds above;

    /** What a list is made of. */
    public sealed interface ListSource {}

    /** Records that lead here by a relation. */
    public record LeadingHere(ValueStep.Leading relation) implements ListSource {}

    /** Records that stand under this one. @param types ids of their types */
    public record StandingBelow(List<String> types) implements ListSource {
        public StandingBelow {
            types = List.copyOf(types);
        }
    }

    /** Records that have this term, or one under it. @param type id of their type */
    public record HavingTerm(String type) implements ListSource {}

    /** What a listing finds. */
    public record FoundBy(Listing listing) implements ListSource {}

    /** The one before and the one after in the order of the index; of the two, one may be missing. */
    public record OneBefore() implements ListSource {}

    public record OneAfter() implements ListSource {}

    /**
     * A list that belongs to each record of the level.
     *
     * @param name tells it apart from others of the page
     * @param order by what, first things first; as they are linked where empty
     */
    public record ListNeeds(
            String name, ListSource source, List<RecordsForm.Order> order, int limit, PageNeeds needs) {}

    /** Ids of fields that are shown or compared. */
    public Set<String> fields() {
        return fields;
    }

    /** What is needed of the records and terms that a field leads to, by its id. */
    public Map<String, PageNeeds> over() {
        return over;
    }

    public Map<String, ListNeeds> lists() {
        return lists;
    }

    /** What is needed of site values, by their id. */
    public Map<String, PageNeeds> siteValues() {
        return siteValues;
    }

    /** What is needed of the records above, of each one up to the outermost; {@code null} for nothing. */
    public PageNeeds above() {
        return above;
    }

    PageNeeds over(String field) {
        fields.add(field);
        return over.computeIfAbsent(field, _ -> new PageNeeds());
    }

    PageNeeds parent() {
        if (above == null) {
            above = new PageNeeds();
        }
        return above;
    }

    PageNeeds ofSite(String values) {
        return siteValues.computeIfAbsent(values, _ -> new PageNeeds());
    }

    PageNeeds list(String name, ListSource source, List<RecordsForm.Order> order, int limit) {
        return lists.computeIfAbsent(name, _ -> new ListNeeds(name, source, order, limit, new PageNeeds()))
                .needs();
    }
}
