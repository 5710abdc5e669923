package org.jontrel.site.page;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.page.PageModel;
import org.jontrel.site.Site;

/** Conditions of definitions, which know starter terms, as the lists of a site want them: with the numbers of its terms. */
final class SiteTerms {
    private final Site site;
    private final PageModel model;

    SiteTerms(Site site, PageModel model) {
        this.site = site;
        this.model = model;
    }

    Condition numbered(Condition condition) {
        return switch (condition) {
            case Condition.All(List<Condition> of) ->
                new Condition.All(of.stream().map(this::numbered).toList());
            case Condition.Any(List<Condition> of) ->
                new Condition.Any(of.stream().map(this::numbered).toList());
            case Condition.Not(Condition of) -> new Condition.Not(numbered(of));
            case Condition.TermIs is
            when is.test() != Condition.Test.FILLED ->
                new Condition.TermIs(is.taxonomy(), is.test(), numbers(is.taxonomy(), is.values()));
            case Condition.FieldIs is
            when is.test() != Condition.Test.FILLED && !taxonomy(is.field()).isEmpty() ->
                new Condition.FieldIs(is.field(), is.test(), numbers(taxonomy(is.field()), is.values()));
            case Condition.TermIs _,
                    Condition.FieldIs _,
                    Condition.ParentIs _,
                    Condition.StateIs _,
                    Condition.AddressIs _ -> condition;
        };
    }

    /** The taxonomy whose terms a field holds; empty for other fields. */
    private String taxonomy(String fieldId) {
        return model.model().types().stream()
                .flatMap(type -> model.recordType(type.id()).stream())
                .flatMap(recordType -> recordType.field(fieldId).stream())
                .map(Field::kind)
                .filter(Kind.TermPick.class::isInstance)
                .map(kind -> ((Kind.TermPick) kind).taxonomy())
                .findFirst()
                .orElse("");
    }

    /** A term that the site does not have is a number that none has. */
    private List<String> numbers(String taxonomy, List<String> starters) {
        Map<String, Long> found = new HashMap<>(site.records().termsByOrigin(taxonomy, starters));
        return starters.stream()
                .map(starter -> String.valueOf(found.getOrDefault(starter, 0L)))
                .toList();
    }
}
