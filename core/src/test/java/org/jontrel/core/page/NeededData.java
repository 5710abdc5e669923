package org.jontrel.core.page;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jontrel.core.model.Kind;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.value.Leaves;
import org.jontrel.core.value.Link;
import org.jontrel.core.value.kind.Insertions;

/** Of made-up data only what a page said that it needs, gathered level by level as a site does. */
final class NeededData implements PageData {
    private static final int ROUNDS = 3;
    private final PageModel model;
    private final PageData all;
    private final Map<Link, PageRecord> records = new HashMap<>();
    private final Map<String, List<Link>> lists = new HashMap<>();
    /** Questions that a database would be asked. */
    private int questions;

    NeededData(PageModel model, PageData all, PageNeeds needs, Set<Link> roots) {
        this.model = model;
        this.all = all;
        load(roots, needs.fields());
        level(needs, roots);
        for (int round = 0; round < ROUNDS; round++) {
            inTexts();
        }
    }

    /** What the texts read so far hold. */
    private void inTexts() {
        for (var record : List.copyOf(records.values())) {
            var type = record.link().type();
            Leaves.of(model.recordType(type).orElseThrow().fields().toList(), record.values(), (field, value) -> {
                if (field.kind() instanceof Kind.RichText) {
                    var held = model.needs(type, Insertions.of((String) value));
                    load(Set.of(record.link()), held.fields());
                    level(held, Set.of(record.link()));
                }
            });
        }
    }

    int questions() {
        return questions;
    }

    private void load(Set<Link> links, Set<String> fields) {
        questions += links.isEmpty() ? 0 : 1;
        links.forEach(link -> all.record(link).ifPresent(record -> {
            var kept = new LinkedHashMap<>(record.values());
            kept.keySet().retainAll(fields);
            records.merge(link, record.withValues(kept), (before, now) -> {
                var both = new LinkedHashMap<>(before.values());
                both.putAll(now.values());
                return now.withValues(both);
            });
        }));
    }

    private void level(PageNeeds needs, Set<Link> links) {
        needs.over().forEach((field, of) -> {
            var wanted = new LinkedHashSet<Link>();
            links.forEach(link -> record(link).ifPresent(record -> linked(record, field, wanted)));
            load(wanted, of.fields());
            level(of, wanted);
        });
        needs.lists().values().forEach(list -> {
            var found = new LinkedHashSet<Link>();
            var owners = new LinkedHashSet<>(links);
            owners.add(NOWHERE);
            owners.forEach(owner -> {
                var some = all.list(owner, list.name());
                lists.put(owner + list.name(), some);
                found.addAll(some);
            });
            load(found, list.needs().fields());
            level(list.needs(), found);
        });
        needs.siteValues().forEach((values, of) -> {
            var one = Set.of(new Link(values, SINGLE));
            load(one, of.fields());
            level(of, one);
        });
    }

    private void linked(PageRecord record, String fieldId, Set<Link> wanted) {
        var fields = model.recordType(record.link().type())
                .map(RecordType::fields)
                .orElseThrow()
                .toList();
        Leaves.of(fields, record.values(), (field, value) -> {
            if (field.id().equals(fieldId) && value instanceof Link link) {
                wanted.add(link);
            } else if (field.id().equals(fieldId) && field.kind() instanceof Kind.TermPick pick) {
                wanted.add(new Link(pick.taxonomy(), (Long) value));
            }
        });
    }

    @Override
    public String siteName() {
        return all.siteName();
    }

    @Override
    public Optional<PageRecord> record(Link link) {
        return Optional.ofNullable(records.get(link));
    }

    @Override
    public List<Link> list(Link of, String list) {
        return lists.getOrDefault(of + list, List.of());
    }

    @Override
    public Optional<PageFile> file(long id) {
        return all.file(id);
    }
}
