package org.jontrel.core.check;

import java.util.HashSet;
import java.util.List;
import java.util.function.Predicate;
import org.jontrel.core.finding.Code;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Index;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Layout;
import org.jontrel.core.model.Listing;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.page.index.IndexFilter;
import org.jontrel.core.reach.ModelNames;
import org.jontrel.core.reach.ValueScope;
import org.jontrel.core.reach.ValueStep;

/** A listing, or the index of a type: what it lists, filters, sorts by and shows is there. */
record ListingCheck(ModelIndex known, ModelNames names, DefinitionFindings report) {
    void run(Listing listing) {
        if (names.records(listing.type()).isEmpty()) {
            report.addUnknown(
                    "type", "type", listing.title(), "content type", listing.type(), known.keys(Definition.Sort.TYPE));
            return;
        }
        if (listing.limit() < 1 || listing.limit() > Listing.MOST) {
            report.addFixed(
                    "limit", 10, Code.LIMIT_OUT_OF_RANGE, listing.title(), "limit", listing.limit(), 1, Listing.MOST);
        }
        var fields = new FieldsCheck(known, listing, report);
        listing.order().forEach(order -> fields.sortable("order", order.field(), listing.title()));
        var ways = new WayCheck(report, listing.title());
        var scope =
                ValueScope.records(names, names.records(listing.type()).stream().toList());
        listing.fields().forEach(field -> ways.last("fields", field, scope));
        if (!listing.about().isEmpty()) {
            ways.last("about", listing.about(), scope)
                    .filter(step -> !(step instanceof ValueStep.OfTerms)
                            && !(step instanceof ValueStep.OfField(Field field)
                                    && field.kind() instanceof Kind.Relation))
                    .ifPresent(step -> report.add("about", Code.ABOUT_UNFIT, listing.title(), step.label()));
        }
        if (!listing.where().equals(Condition.ALWAYS)) {
            new ConditionCheck(known, report, "where", listing.title(), true)
                    .run(
                            listing.where(),
                            new ConditionCheck.VisibleFields(fields.all(), null),
                            fields.everywhere(),
                            "",
                            listing);
            fields.possible(report, "where", listing.where(), listing.title());
        }
        layout(listing);
    }

    void index(ContentType type) {
        var index = type.index();
        var owner = type.singular();
        var ways = new WayCheck(report, owner);
        var scope = ValueScope.records(names, List.of(type));
        for (int i = 0; i < index.columns().size(); i++) {
            ways.last("index.columns." + i, index.columns().get(i), scope);
        }
        var seen = new HashSet<String>();
        for (int i = 0; i < index.filters().size(); i++) {
            var property = "index.filters." + i;
            var id = index.filters().get(i);
            var step = ways.last(property, id, scope);
            if (step.isPresent() && !seen.add(id)) {
                report.add(property, Code.FILTER_TWICE, owner, step.get().label());
            }
            step.filter(found ->
                            !holds(id, found, field -> IndexFilter.kindOf(field).isPresent()))
                    .ifPresent(found -> report.add(property, Code.FILTER_UNFIT, owner, found.label()));
        }
        if (!index.group().isEmpty()) {
            ways.last("index.group_by", index.group(), scope)
                    .filter(step -> !holds(index.group(), step, IndexFilter::groups))
                    .ifPresent(step -> report.add("index.group_by", Code.GROUP_UNFIT, owner, step.label()));
        }
        across("index.across.narrow", index.across().narrow(), owner);
        across("index.across.medium", index.across().medium(), owner);
        across("index.across.wide", index.across().wide(), owner);
        new NameCheck(report).prose("index.intro", index.intro());
    }

    /** Whether a way of one step is a taxonomy, or such a field. */
    private static boolean holds(String way, ValueStep step, Predicate<Field> wanted) {
        return !way.contains(".")
                && (step instanceof ValueStep.OfTerms
                        || step instanceof ValueStep.OfField(Field field) && wanted.test(field));
    }

    private void across(String property, int cards, String owner) {
        if (cards < 0 || cards > Index.Across.MOST) {
            report.addFixed(property, 0, Code.LIMIT_OUT_OF_RANGE, owner, property, cards, 1, Index.Across.MOST);
        }
    }

    private void layout(Listing listing) {
        boolean due = listing.shown() == Listing.ResultStyle.LAYOUT;
        if (due != !listing.layout().isEmpty()) {
            report.add("layout", due ? Code.LAYOUT_MISSING : Code.LAYOUT_IDLE, listing.title());
        }
        if (listing.layout().isEmpty()) {
            return;
        }
        var layout = known.find(Layout.class, listing.layout());
        if (layout.isEmpty()) {
            report.addUnknown(
                    "layout",
                    "layout",
                    listing.title(),
                    "layout",
                    listing.layout(),
                    known.keys(Definition.Sort.LAYOUT));
        } else if (!layout.get().type().equals(listing.type())) {
            report.add(
                    "layout",
                    Code.LAYOUT_OF_OTHER,
                    listing.title(),
                    layout.get().title());
        }
    }
}
