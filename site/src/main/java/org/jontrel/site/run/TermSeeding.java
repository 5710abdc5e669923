package org.jontrel.site.run;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.apache.ibatis.session.SqlSession;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.model.Term;
import org.jontrel.core.record.Values;
import org.jontrel.site.record.write.TermSeeds;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.Bindings;

/**
 * The terms that taxonomies begin with: made where they are missing, and given the label of the newer definitions where
 * nobody has changed it. What people made or changed stays theirs.
 */
final class TermSeeding {
    private final Bindings bindings;
    private final Model from;
    private final Model to;

    TermSeeding(Bindings bindings, Model from, Model to) {
        this.bindings = bindings;
        this.from = from;
        this.to = to;
    }

    void make(SqlSession session, String taxonomyId) throws SQLException {
        var table = bindings.current(session).table(taxonomyId);
        if (table.isPresent()) {
            make(session.getConnection(), table.get());
        }
    }

    /** In the tables of the taxonomy, wherever they are by now. */
    void make(Connection connection, Binding.BoundTables table) throws SQLException {
        var taxonomyId = table.recordType().id();
        var taxonomy = to.find(Taxonomy.class, taxonomyId);
        if (taxonomy.isEmpty()) {
            return;
        }
        var labels = new HashMap<String, String>();
        from.find(Taxonomy.class, taxonomyId)
                .ifPresent(was -> was.allTerms().forEach(term -> labels.put(term.id(), term.label())));
        var seeds = new TermSeeds(connection, table);
        below(connection, taxonomy.get(), taxonomy.get().terms(), 0, seeds, labels);
    }

    /**
     * Takes the terms away again that the run which is undone made, where nobody has changed or used them since: deepest
     * first, so that none is left under nothing.
     */
    void retire(SqlSession session, String taxonomyId) throws SQLException {
        var made = from.find(Taxonomy.class, taxonomyId);
        var table = bindings.current(session).table(taxonomyId);
        if (made.isEmpty() || table.isEmpty()) {
            return;
        }
        var kept = to.find(Taxonomy.class, taxonomyId).stream()
                .flatMap(Taxonomy::allTerms)
                .map(Term::id)
                .collect(Collectors.toSet());
        var seeds = new TermSeeds(session.getConnection(), table.get());
        for (var term : made.get().allTerms().toList().reversed()) {
            if (!kept.contains(term.id())) {
                seeds.retire(term.id());
            }
        }
    }

    private static void below(
            Connection connection,
            Taxonomy taxonomy,
            List<Term> terms,
            long parent,
            TermSeeds seeds,
            Map<String, String> labels)
            throws SQLException {
        int position = 0;
        for (var term : terms) {
            long id = seeds.put(
                    term.id(),
                    term.key(),
                    term.label(),
                    labels.get(term.id()),
                    parent,
                    position++,
                    values(taxonomy, term));
            below(connection, taxonomy, term.children(), id, seeds, labels);
        }
    }

    /** What a starter term holds, by field id; what cannot be read is left empty. */
    private static Map<String, Object> values(Taxonomy taxonomy, Term term) {
        var values = new LinkedHashMap<String, Object>();
        for (var field : taxonomy.fields()) {
            var text = term.values().get(field.id());
            if (text != null) {
                Values.parse(field, text).value().ifPresent(value -> values.put(field.id(), value));
            }
        }
        return values;
    }
}
