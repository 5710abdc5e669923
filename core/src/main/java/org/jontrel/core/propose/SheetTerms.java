package org.jontrel.core.propose;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.model.Term;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.naming.Keys;
import org.jontrel.core.naming.VisibleText;
import org.jontrel.core.propose.kind.GuessedKind;
import org.jontrel.core.propose.word.Spellings;

/** SheetTerms for words: those that a taxonomy has already stay as they are. */
final class SheetTerms {
    /** A term while it is made. */
    private static final class TermNode {
        private final Term there;
        private final String label;
        private final Map<String, String> values;
        private final Map<String, TermNode> below = new LinkedHashMap<>();

        TermNode(Term there, String label, Map<String, String> values) {
            this.there = there;
            this.label = there == null ? VisibleText.of(label) : label;
            this.values = values;
        }
    }

    private final Ids ids;

    SheetTerms(Ids ids) {
        this.ids = ids;
    }

    /** The words of a column, those that {@code >} leads to below one another. */
    Taxonomy with(Taxonomy taxonomy, GuessedKind kind) {
        var root = root(taxonomy);
        for (var word : kind.words()) {
            var at = root;
            for (var level : kind.hierarchical() ? List.of(word.label().split(">")) : List.of(word.label())) {
                if (!level.isBlank()) {
                    at = at.below.computeIfAbsent(
                            Spellings.bare(level), _ -> new TermNode(null, level.strip(), Map.of()));
                }
            }
        }
        return made(taxonomy, root, taxonomy.hierarchical() || kind.hierarchical());
    }

    /**
     * The rows of a sheet.
     *
     * @param rows of a term: its label, the label of the one above it or an empty text, and its values by id of the field
     * @param notes gets what cannot stand where it says
     */
    Taxonomy with(Taxonomy taxonomy, List<SheetTerm> rows, List<String> notes) {
        var parents = new LinkedHashMap<String, SheetTerm>();
        rows.forEach(row -> parents.putIfAbsent(Spellings.bare(row.label()), row));
        var root = root(taxonomy);
        parents.values().forEach(row -> {
            var at = root;
            for (var each : line(row, parents, notes)) {
                at = at.below.computeIfAbsent(
                        Spellings.bare(each.label()), _ -> new TermNode(null, each.label(), each.values()));
            }
        });
        return made(
                taxonomy,
                root,
                taxonomy.hierarchical()
                        || rows.stream().anyMatch(row -> !row.parent().isEmpty()));
    }

    /** A row of a sheet of terms. */
    record SheetTerm(String label, String parent, Map<String, String> values) {}

    /** The terms above a row, the highest first, and the row itself. */
    private static List<SheetTerm> line(SheetTerm row, Map<String, SheetTerm> all, List<String> notes) {
        var line = new ArrayList<SheetTerm>();
        var seen = new HashSet<String>();
        for (var at = row; at != null; at = above(at, all, notes)) {
            if (!seen.add(Spellings.bare(at.label()))) {
                notes.add("“" + row.label() + "” stands under itself; it is put at the top.");
                return List.of(row);
            }
            line.addFirst(at);
        }
        return line;
    }

    private static SheetTerm above(SheetTerm row, Map<String, SheetTerm> all, List<String> notes) {
        if (row.parent().isEmpty()) {
            return null;
        }
        var above = all.get(Spellings.bare(row.parent()));
        if (above == null) {
            var note =
                    "“" + row.label() + "” stands under “" + row.parent() + "”, which no row is; it is put at the top.";
            if (!notes.contains(note)) {
                notes.add(note);
            }
        }
        return above;
    }

    private static TermNode root(Taxonomy taxonomy) {
        var root = new TermNode(null, "", Map.of());
        taxonomy.terms().forEach(each -> take(root, each));
        return root;
    }

    private static void take(TermNode into, Term term) {
        var node = new TermNode(term, term.label(), term.values());
        into.below.put(Spellings.bare(term.label()), node);
        term.children().forEach(each -> take(node, each));
    }

    private Taxonomy made(Taxonomy taxonomy, TermNode root, boolean hierarchical) {
        Set<String> keys = taxonomy.allTerms().map(Term::key).collect(Collectors.toCollection(HashSet::new));
        var terms = terms(root, keys);
        return new Taxonomy(
                taxonomy.id(),
                taxonomy.key(),
                taxonomy.singular(),
                taxonomy.plural(),
                taxonomy.description(),
                taxonomy.path(),
                hierarchical,
                taxonomy.parentsInAddress(),
                taxonomy.fields(),
                taxonomy.sections(),
                terms,
                taxonomy.head());
    }

    private List<Term> terms(TermNode node, Set<String> keys) {
        return node.below.values().stream()
                .map(each -> {
                    if (each.there != null) {
                        return new Term(each.there.id(), each.there.key(), each.label, each.values, terms(each, keys));
                    }
                    var key = Keys.free(Keys.fromLabel(each.label), keys);
                    keys.add(key);
                    return new Term(ids.next('w'), key, each.label, each.values, terms(each, keys));
                })
                .toList();
    }
}
