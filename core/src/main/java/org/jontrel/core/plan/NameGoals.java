package org.jontrel.core.plan;

import java.util.HashSet;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.recordtype.RecordType;

/**
 * What values that are names can lead to, where something can be made for a name that nothing has yet.
 *
 * @param beginning ids of the taxonomies that begin with terms which are not there yet
 * @param titled ids of the taxonomies and content types whose records have a title
 * @param trees ids of the taxonomies whose terms can stand under one another
 */
record NameGoals(Set<String> beginning, Set<String> titled, Set<String> trees) {
    static NameGoals of(Model from, Model to) {
        var beginning = new HashSet<String>();
        to.all(Taxonomy.class).stream()
                .filter(is -> !is.terms().isEmpty()
                        && from.find(Taxonomy.class, is.id())
                                .filter(was -> was.terms().equals(is.terms()))
                                .isEmpty())
                .forEach(each -> beginning.add(each.id()));
        var titled = new HashSet<String>();
        RecordType.all(to).stream().filter(each -> each.title().isPresent()).forEach(each -> titled.add(each.id()));
        var trees = to.all(Taxonomy.class).stream()
                .filter(Taxonomy::hierarchical)
                .map(Taxonomy::id)
                .collect(Collectors.toSet());
        return new NameGoals(beginning, titled, trees);
    }

    /** The taxonomy or content type in which something is made for a name; empty where nothing can be, or in several. */
    Optional<String> of(Field field) {
        return goal(field).filter(titled::contains);
    }

    /** Whether what is made for a name can stand under others. */
    boolean nests(Field field) {
        return field.kind() instanceof Kind.TermPick term && trees.contains(term.taxonomy());
    }

    private static Optional<String> goal(Field field) {
        return switch (field.kind()) {
            case Kind.TermPick term -> Optional.of(term.taxonomy());
            case Kind.Relation relation
            when relation.to().size() == 1 ->
                Optional.of(relation.to().iterator().next());
            default -> Optional.empty();
        };
    }

    /** Whether values can name terms that the definition begins with and that are not there yet. */
    boolean begins(Field field) {
        return field.kind() instanceof Kind.TermPick term && beginning.contains(term.taxonomy());
    }
}
