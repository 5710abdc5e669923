package org.jontrel.core.check;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Nearest;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Index;
import org.jontrel.core.model.Part;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.model.TaxonomyUse;
import org.jontrel.core.naming.Keys;
import org.jontrel.core.naming.Wording;

/** What a content type says of itself; its fields are checked by {@link FieldsCheck}. */
final class TypeCheck {
    private static final int MOST_FIELDS = 400;
    private static final int MOST_TERMS = 1_000;

    /** The label of the link to the record above, beside those of the standard parts. */
    private static final String PARENT = "parent";

    private final ModelIndex known;
    private final ContentType type;
    private final DefinitionFindings report;
    private final FieldsCheck fields;

    TypeCheck(ModelIndex known, ContentType type, DefinitionFindings report, FieldsCheck fields) {
        this.known = known;
        this.type = type;
        this.report = report;
        this.fields = fields;
    }

    void run() {
        var names = new NameCheck(report);
        names.given("singular", type.singular(), "content type");
        names.given("plural", type.plural(), "content type");
        names.prose("description", type.description());
        names.nouns(type.singular(), type.plural());
        if (type.key().startsWith(Keys.RESERVED_KEY)) {
            report.add("key", Code.KEY_RESERVED, type.key());
        }
        parts();
        var wordings = Arrays.stream(Wording.values()).map(Wording::code).toList();
        texts("wordings", type.wordings(), wordings, Code.WORDING_UNKNOWN);
        var parts = new ArrayList<>(Arrays.stream(Part.values()).map(Part::code).toList());
        parts.add(PARENT);
        texts("part_labels", type.partLabels(), parts, Code.PART_UNKNOWN);
        index();
        columns();
        taxonomies();
        fields.runSections(type.sections());
        counts();
    }

    private void parts() {
        if (!type.has(Part.TITLE)) {
            report.add("parts", Code.PART_TITLE_MISSING, type.singular());
        }
        var seen = new HashSet<Part>();
        type.parts().stream()
                .filter(part -> !seen.add(part))
                .forEach(part -> report.add("parts", Code.PART_TWICE, part.code(), type.singular()));
    }

    private void texts(String property, Map<String, String> texts, List<String> valid, Code unknown) {
        var names = new NameCheck(report);
        texts.forEach((name, text) -> {
            if (!valid.contains(name)) {
                report.add(property, unknown, name, Nearest.hint(name, valid));
            }
            names.label(property, text, name);
        });
    }

    private void index() {
        int size = type.index().pageSize();
        if (size < 1 || size > Index.MOST) {
            report.addFixed(
                    "index.page_size", 24, Code.LIMIT_OUT_OF_RANGE, type.singular(), "page_size", size, 1, Index.MOST);
        }
        fields.sortable("index.order", type.index().order(), type.singular());
    }

    private void columns() {
        var seen = new HashSet<String>();
        for (var column : type.columns()) {
            if (!seen.add(column)) {
                report.add("columns", Code.COLUMN_TWICE, fields.label(column), type.singular());
            }
            fields.known("columns", "columns." + column, column);
        }
    }

    private void taxonomies() {
        var seen = new HashSet<String>();
        for (int i = 0; i < type.taxonomies().size(); i++) {
            var use = type.taxonomies().get(i);
            var taxonomy = known.find(Taxonomy.class, use.taxonomy());
            var name = taxonomy.map(Taxonomy::singular).orElse(use.taxonomy());
            if (taxonomy.isEmpty()) {
                report.addUnknown(
                        "taxonomies",
                        "taxonomies." + i + ".use",
                        type.singular(),
                        "taxonomy",
                        use.taxonomy(),
                        known.keys(
                                Definition.Sort.TAXONOMY,
                                type.taxonomies().stream()
                                        .map(TaxonomyUse::taxonomy)
                                        .toList()));
            }
            if (!seen.add(use.taxonomy())) {
                report.add("taxonomies." + i + ".use", Code.USE_TWICE, type.singular(), "taxonomy", name);
            }
            if (use.max() != null && (use.max() < 1 || use.max() > MOST_TERMS)) {
                report.add("taxonomies." + i + ".max", Code.LIMIT_OUT_OF_RANGE, name, "max", use.max(), 1, MOST_TERMS);
            }
        }
    }

    private void counts() {
        var all = known.fields(type);
        int own = all.size() - type.parts().size();
        if (own == 0) {
            report.add("groups", Code.TYPE_WITHOUT_FIELDS, type.singular());
        }
        if (own > MOST_FIELDS) {
            report.add("groups", Code.FIELDS_TOO_MANY, type.singular(), own, MOST_FIELDS);
        }
        report.fits(all, type.singular());
    }
}
