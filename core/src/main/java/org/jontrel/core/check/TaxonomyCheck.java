package org.jontrel.core.check;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Nearest;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.model.Term;

/** A taxonomy, what its terms hold, and its starter terms. */
final class TaxonomyCheck {
    private static final int DEEPEST = 10;
    private final ModelIndex known;
    private final Taxonomy taxonomy;
    private final DefinitionFindings report;
    private final FieldsCheck fields;
    private final Map<String, Field> byId = new HashMap<>();

    TaxonomyCheck(ModelIndex known, Taxonomy taxonomy, DefinitionFindings report, FieldsCheck fields) {
        this.known = known;
        this.taxonomy = taxonomy;
        this.report = report;
        this.fields = fields;
        fields.all().forEach(field -> byId.putIfAbsent(field.id(), field));
    }

    void run() {
        var names = new NameCheck(report);
        names.given("singular", taxonomy.singular(), "taxonomy");
        names.given("plural", taxonomy.plural(), "taxonomy");
        names.prose("description", taxonomy.description());
        names.nouns(taxonomy.singular(), taxonomy.plural());
        if (taxonomy.parentsInAddress() && !taxonomy.hierarchical()) {
            report.addFixed("parents_in_address", null, Code.PARENTS_IN_FLAT, taxonomy.singular());
        }
        fields.run(taxonomy.fields());
        fields.runSections(taxonomy.sections());
        report.fits(fields.all(), taxonomy.singular());
        var keys = new NameCheck.Keyed();
        terms(taxonomy.terms(), keys, 1);
    }

    /** Terms side by side, which people tell apart by their labels. */
    private void terms(List<Term> terms, NameCheck.Keyed keys, int depth) {
        var labels = new HashSet<String>();
        for (var term : terms) {
            if (!term.label().isBlank() && !labels.add(term.label().strip().toLowerCase(Locale.ROOT))) {
                report.of(term.id())
                        .add("label", Code.OPTION_LABEL_TWICE, taxonomy.singular(), term.label(), "terms side by side");
            }
            term(term, keys, depth);
        }
    }

    private void term(Term term, NameCheck.Keyed keys, int depth) {
        var at = report.of(term.id());
        var names = new NameCheck(at);
        names.label("label", term.label(), term.key());
        names.key(term.key(), term.label());
        keys.claim(term.key(), term.label(), at);
        term.values().forEach((fieldId, value) -> value(term, fieldId, value, at));
        if (term.children().isEmpty()) {
            return;
        }
        if (!taxonomy.hierarchical()) {
            report.addFixed("hierarchical", true, Code.TERMS_BELOW_IN_FLAT, term.label(), taxonomy.singular());
        }
        if (depth >= DEEPEST) {
            at.add("children", Code.NESTED_TOO_DEEP, term.label(), depth + 1, DEEPEST);
            return;
        }
        terms(term.children(), keys, depth + 1);
    }

    private void value(Term term, String fieldId, String value, DefinitionFindings at) {
        var field = Optional.ofNullable(byId.get(fieldId));
        if (field.isPresent()) {
            new DefaultCheck(known, at)
                    .check(field.get(), value, "values." + field.get().key());
            return;
        }
        List<String> keys = fields.all().stream().map(Field::key).toList();
        at.add(
                "values." + fieldId,
                Code.REFERENCE_UNKNOWN,
                term.label(),
                "field",
                fieldId,
                Nearest.hint(fieldId, keys));
    }
}
