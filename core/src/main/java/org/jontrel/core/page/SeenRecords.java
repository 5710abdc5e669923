package org.jontrel.core.page;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.core.record.Conditions;
import org.jontrel.core.record.ShownValues;
import org.jontrel.core.record.Surroundings;
import org.jontrel.core.value.Link;

/** The records of a page as their definitions show them: without the fields that conditions hide. */
final class SeenRecords {
    private static final int DEEPEST = 12;
    private final PageModel model;
    private final PageData data;
    private final Optional<FilledTexts> texts;
    private final Map<Link, Optional<PageRecord>> seen = new HashMap<>();

    /** With texts as they are stored. */
    SeenRecords(PageModel model, PageData data) {
        this(model, data, Optional.empty());
    }

    /** With words in the places of the values that texts hold. */
    SeenRecords(PageModel model, PageData data, FilledTexts texts) {
        this(model, data, Optional.of(texts));
    }

    private SeenRecords(PageModel model, PageData data, Optional<FilledTexts> texts) {
        this.model = model;
        this.data = data;
        this.texts = texts;
    }

    Optional<PageRecord> record(Link link) {
        var known = seen.get(link);
        if (known == null) {
            known = data.record(link).map(this::seen);
            seen.put(link, known);
        }
        return known;
    }

    /** A record without what its conditions hide. */
    PageRecord seen(PageRecord record) {
        var type = record.link().type();
        var shown = !model.hides(type)
                ? record
                : record.withValues(new LinkedHashMap<>(
                        ShownValues.of(model.recordType(type).orElseThrow(), record.values(), new Around(record))));
        return texts.map(each -> each.shown(shown)).orElse(shown);
    }

    /** What conditions see of a record. */
    Conditions.Seen conditions(PagePlace place) {
        return place.record() == null
                ? ShownValues.seen(List.of(), Map.of(), Surroundings.NONE)
                : seen(place, new Around(place.record()));
    }

    private Conditions.Seen seen(PagePlace place, Around around) {
        var all = new LinkedHashMap<String, Object>();
        var fields = Stream.<org.jontrel.core.model.Field>builder();
        for (var at = place; at != null; at = at.around()) {
            at.values().forEach(all::putIfAbsent);
            at.fields().forEach(fields::add);
        }
        return ShownValues.seen(fields.build().toList(), all, around);
    }

    /** What is around one record. */
    private final class Around implements Surroundings {
        private final PageRecord record;

        Around(PageRecord record) {
            this.record = record;
        }

        @Override
        public String term(Object value) {
            return model.taxonomiesOf(record.link().type()).stream()
                    .flatMap(taxonomy -> data.record(new Link(taxonomy, (Long) value)).stream())
                    .map(PageRecord::origin)
                    .filter(origin -> !origin.isEmpty())
                    .findFirst()
                    .orElse(String.valueOf(value));
        }

        @Override
        public boolean under(String taxonomyId, String termId, String aboveId) {
            if (termId.equals(aboveId)) {
                return true;
            }
            return model.taxonomiesOf(record.link().type()).stream()
                    .filter(taxonomyId::equals)
                    .flatMap(taxonomy -> terms(taxonomy, termId))
                    .anyMatch(term -> leadsTo(term, aboveId));
        }

        private Stream<PageRecord> terms(String taxonomy, String termId) {
            return ReachedValues.several(record.values().get(taxonomy)).stream()
                    .flatMap(value -> data.record(new Link(taxonomy, (Long) value)).stream())
                    .filter(term -> term.origin().equals(termId)
                            || String.valueOf(term.link().id()).equals(termId));
        }

        private boolean leadsTo(PageRecord term, String aboveId) {
            var at = term.parent();
            for (int depth = 0; depth < DEEPEST && at.isPresent(); depth++) {
                var above = data.record(at.get());
                if (above.filter(each -> each.origin().equals(aboveId)).isPresent()) {
                    return true;
                }
                at = above.flatMap(PageRecord::parent);
            }
            return false;
        }

        @Override
        public Optional<String> parentType() {
            return record.parent().map(Link::type);
        }

        @Override
        public RecordState state() {
            return record.state();
        }

        @Override
        public String slug() {
            return record.slug();
        }
    }
}
