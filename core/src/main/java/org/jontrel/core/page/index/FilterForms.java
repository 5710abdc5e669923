package org.jontrel.core.page.index;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Kind;
import org.jontrel.core.naming.Nouns;
import org.jontrel.core.naming.Wording;
import org.jontrel.core.page.PageModel;
import org.jontrel.core.page.node.FilterForm;
import org.jontrel.core.page.node.PageAddress;
import org.jontrel.core.recordtype.RecordType;

/** Makes the form that a list is narrowed by. */
final class FilterForms {
    private final PageModel model;
    private final ContentType type;
    private final AskedList asked;
    private final ListFacts facts;

    FilterForms(PageModel model, ContentType type, AskedList asked, ListFacts facts) {
        this.model = model;
        this.type = type;
        this.asked = asked;
        this.facts = facts;
    }

    PageAddress address(AskedList list) {
        return new PageAddress.InsideSite(list.address(type.path()));
    }

    FilterForm of(FoundList found) {
        var filters = asked.filters();
        return new FilterForm(
                address(AskedList.nothing(filters)),
                summary(found),
                filters.words()
                        ? Optional.of(new FilterForm.WordControl(Wording.SEARCH.of(type), asked.words()))
                        : Optional.empty(),
                filters.shown().stream()
                        .flatMap(filter -> control(filter).stream())
                        .toList(),
                kept(),
                narrowed(),
                asked.problems(facts));
    }

    private String summary(FoundList found) {
        var noun = Nouns.inSentence(found.count() == 1 ? type.singular() : type.plural());
        var count = String.format(java.util.Locale.ENGLISH, "%,d", found.count());
        return (found.isExact() ? count : "More than " + count) + " " + noun;
    }

    private List<FilterForm.KeptValue> kept() {
        return asked.filters().accepted().stream()
                .flatMap(filter -> asked.values(filter).stream()
                        .filter(value -> value.equals(IndexFilter.NONE)
                                || !asked.filters().shown().contains(filter))
                        .map(value -> new FilterForm.KeptValue(filter.name(), value)))
                .toList();
    }

    // What was chosen

    private List<FilterForm.NarrowedBy> narrowed() {
        var all = new ArrayList<FilterForm.NarrowedBy>();
        for (var filter : asked.filters().accepted()) {
            asked.values(filter).stream()
                    .filter(value -> AskedList.means(filter, value, facts))
                    .forEach(value -> all.add(new FilterForm.NarrowedBy(
                            value.equals(IndexFilter.NONE)
                                    ? filter.without()
                                    : noun(filter) + ": " + FilterTicks.label(filter, value, facts),
                            address(asked.without(filter.name(), value)))));
            bound(all, filter, filter.name() + IndexFilter.FROM, asked.from(filter), " from ");
            bound(all, filter, filter.name() + IndexFilter.TO, asked.to(filter), " up to ");
        }
        if (!asked.words().isEmpty()) {
            all.add(new FilterForm.NarrowedBy("“" + asked.words() + "”", address(asked.withoutWords())));
        }
        return all;
    }

    /** What one value is: a term is one of its taxonomy. */
    private String noun(IndexFilter filter) {
        return filter.ofUse()
                ? model.recordType(filter.taxonomy()).map(RecordType::singular).orElse(filter.label())
                : filter.label();
    }

    private void bound(List<FilterForm.NarrowedBy> all, IndexFilter filter, String name, String value, String between) {
        if (AskedList.isBound(filter, value)) {
            var unit = unit(filter).isEmpty() ? "" : " " + unit(filter);
            all.add(new FilterForm.NarrowedBy(
                    filter.label() + between + value.replace('T', ' ') + unit, address(asked.without(name, value))));
        }
    }

    // Controls

    private Optional<FilterForm.FilterControl> control(IndexFilter filter) {
        return filter.kind() == IndexFilter.FilterKind.RANGE
                ? Optional.of(range(filter))
                : new FilterTicks(model, asked, facts).of(filter);
    }

    private FilterForm.RangeControl range(IndexFilter filter) {
        var bounds = facts.bounds().getOrDefault(filter.id(), new ListFacts.ValueBounds("", ""));
        return new FilterForm.RangeControl(
                filter.name(),
                filter.label(),
                switch (filter.field().kind()) {
                    case Kind.Date _ -> "date";
                    case Kind.DateTime _ -> "datetime-local";
                    case Kind.Time _ -> "time";
                    default -> "text";
                },
                unit(filter),
                typed(filter, asked.from(filter)),
                typed(filter, asked.to(filter)),
                bounds.least(),
                bounds.most());
    }

    /** Numbers are corrected where they were typed; a control for days can hold nothing but a day. */
    private static String typed(IndexFilter filter, String value) {
        return filter.field().kind() instanceof Kind.Numeric || AskedList.isBound(filter, value) ? value : "";
    }

    private static String unit(IndexFilter filter) {
        return filter.field().kind() instanceof Kind.Numeric number ? number.unit() : "";
    }
}
