package org.jontrel.site.page;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Set;
import org.jontrel.core.page.FilledTexts;
import org.jontrel.core.page.PageModel;
import org.jontrel.core.page.PageRecord;
import org.jontrel.core.value.Link;
import org.jontrel.core.value.kind.Insertions;

/** The values and listings in the texts of what was read, noted once for each record. */
final class TextInsertions {
    private final PageModel model;
    private final Map<Link, Insertions> known = new HashMap<>();

    TextInsertions(PageModel model) {
        this.model = model;
    }

    /**
     * What the texts of some records of a type hold, all of them together.
     *
     * @param holders the records
     */
    record TypeInsertions(Insertions insertions, Set<Link> holders) {
        private TypeInsertions with(Link holder, Insertions more) {
            var values = new LinkedHashSet<>(insertions.values());
            values.addAll(more.values());
            var listings = new LinkedHashSet<>(insertions.listings());
            listings.addAll(more.listings());
            var all = new LinkedHashSet<>(holders);
            all.add(holder);
            return new TypeInsertions(new Insertions(values, listings), all);
        }
    }

    /** What is new since the last time, by the type of the records. */
    Map<String, TypeInsertions> next(Iterable<PageRecord> records) {
        var found = new LinkedHashMap<String, TypeInsertions>();
        records.forEach(record -> {
            if (model.hasTexts(record.link().type())) {
                var here = of(record);
                var before = known.put(record.link(), here);
                if (!here.equals(before) && !here.equals(Insertions.NONE)) {
                    found.merge(
                            record.link().type(),
                            new TypeInsertions(here, Set.of(record.link())),
                            (held, _) -> held.with(record.link(), here));
                }
            }
        });
        return found;
    }

    private Insertions of(PageRecord record) {
        return FilledTexts.held(model.recordType(record.link().type()).orElseThrow(), record.values());
    }
}
