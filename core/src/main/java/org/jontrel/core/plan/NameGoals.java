package org.jontrel.core.plan;

import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
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
 * @param keys keys of the fields of each taxonomy and content type, by its id
 * @param trees ids of the taxonomies whose terms can stand under one another
 */
record NameGoals(Set<String> beginning, Set<String> titled, Map<String, Set<String>> keys, Set<String> trees) {
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
        var keys = new HashMap<String, Set<String>>();
        RecordType.all(from)
                .forEach(each -> keys.put(
                        each.id(), each.columns("").stream().map(Field::key).collect(Collectors.toSet())));
        var trees = to.all(Taxonomy.class).stream()
                .filter(Taxonomy::hierarchical)
                .map(Taxonomy::id)
                .collect(Collectors.toSet());
        return new NameGoals(beginning, titled, keys, trees);
    }

    /** The taxonomy or content type in which something is made for a name; empty where nothing can be, or in several. */
    Optional<String> of(Field field) {
        return goal(field).filter(titled::contains);
    }

    /** Whether something that a relation leads to has a field with this key. */
    boolean has(Field field, String key) {
        return field.kind() instanceof Kind.Relation relation
                && relation.to().stream()
                        .anyMatch(each -> keys.getOrDefault(each, Set.of()).contains(key));
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
