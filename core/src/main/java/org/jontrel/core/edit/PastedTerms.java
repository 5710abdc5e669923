package org.jontrel.core.edit;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.model.Term;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.naming.Keys;

/** Terms from an indented list: one label a line, spaces or tabs before it say how far below it stands. */
public final class PastedTerms {
    private static final int MOST = 2_000;
    private final Set<String> taken;
    private final Ids ids;

    /** @param taxonomy whose keys the new ones must not meet */
    public PastedTerms(Taxonomy taxonomy, Ids ids) {
        this.taken = new HashSet<>();
        taxonomy.allTerms().forEach(term -> taken.add(term.key()));
        this.ids = ids;
    }

    /** A line, and what stands below it. */
    private record IndentedLine(int indent, String label, List<IndentedLine> below) {}

    /**
     * The terms, in order.
     *
     * @param hierarchical whether lines further in stand below those before; else all stand side by side
     */
    public List<Term> read(String text, boolean hierarchical) {
        var roots = new ArrayList<IndentedLine>();
        var open = new ArrayDeque<IndentedLine>();
        text.lines().filter(line -> !line.isBlank()).limit(MOST).forEach(raw -> {
            var line = new IndentedLine(indent(raw), raw.strip().replaceFirst("^[-*•–]\\s+", ""), new ArrayList<>());
            while (!open.isEmpty() && (!hierarchical || open.peek().indent() >= line.indent())) {
                open.pop();
            }
            (open.isEmpty() ? roots : open.peek().below()).add(line);
            open.push(line);
        });
        return terms(roots);
    }

    private static int indent(String line) {
        int indent = 0;
        for (int i = 0; i < line.length() && Character.isWhitespace(line.charAt(i)); i++) {
            indent += line.charAt(i) == '\t' ? 4 : 1;
        }
        return indent;
    }

    private List<Term> terms(List<IndentedLine> lines) {
        var terms = new ArrayList<Term>();
        for (var line : lines) {
            var key = Keys.free(Keys.fromLabel(line.label()), taken);
            taken.add(key);
            terms.add(new Term(ids.next('w'), key, line.label(), Map.of(), terms(line.below())));
        }
        return terms;
    }
}
