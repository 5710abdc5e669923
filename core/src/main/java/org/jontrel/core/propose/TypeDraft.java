package org.jontrel.core.propose;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.GroupUse;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Nesting;
import org.jontrel.core.model.Section;
import org.jontrel.core.model.SharedGroup;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.model.TaxonomyUse;
import org.jontrel.core.propose.word.Header;
import org.jontrel.core.propose.word.Spellings;
import org.jontrel.core.sheet.ColumnFacts;

/** A content type while a sheet makes it, or adds to it. */
final class TypeDraft {
    final Proposing making;
    final SheetPlan plan;
    final ContentType there;
    final boolean isNew;
    final NewFields fields;
    final Map<Integer, ProposedColumn> done = new TreeMap<>();
    private final Map<String, Integer> named = new HashMap<>();
    private final Set<String> met = new HashSet<>();
    final Map<String, List<Field>> byGroup = new LinkedHashMap<>();
    final List<Field> changed = new ArrayList<>();
    final List<TaxonomyUse> taxonomies = new ArrayList<>();
    final Set<String> under = new TreeSet<>();

    TypeDraft(Proposing making, SheetPlan plan, Model existing) {
        this.making = making;
        this.plan = plan;
        this.there = making.model().type(making.definitionOf(plan.index)).orElseThrow();
        // several sheets may be of one type: the second adds to what the first made
        this.isNew = existing.type(there.id()).isEmpty()
                && there.fields().findAny().isEmpty()
                && there.taxonomies().isEmpty();
        this.fields = new NewFields(making.ids, ownFields());
        there.taxonomies()
                .forEach(use -> making.model()
                        .find(Taxonomy.class, use.taxonomy())
                        .ifPresent(each -> fields.takeKey(each.key())));
    }

    /** Those of shared groups too. */
    Stream<Field> ownFields() {
        return there.sections().stream().flatMap(section -> switch (section) {
            case Group group -> group.fields().stream();
            case GroupUse use ->
                making.model().find(SharedGroup.class, use.group()).stream()
                        .flatMap(shared -> shared.fields().stream());
        });
    }

    /** The field that a column is for, where the type has it already; of two columns with one name each has its own. */
    Optional<Field> fieldOf(ColumnFacts column, String label) {
        if (isNew) {
            return Optional.empty();
        }
        int n = named.merge(Spellings.bare(label), 1, Integer::sum);
        var wanted = n == 1 ? label : label + " " + n;
        return Existing.field(
                        ownFields().filter(each -> !met.contains(each.id())), n == 1 ? column.header() : wanted, wanted)
                .filter(each -> met.add(each.id()));
    }

    boolean isOpen(ColumnFacts column) {
        return !done.containsKey(column.index());
    }

    Choices.ColumnChoice choice(ColumnFacts column) {
        return making.choices.column(plan.index, column.index());
    }

    boolean chose(ColumnFacts column, ColumnUse use) {
        return use.code().equals(choice(column).use());
    }

    boolean choseNothing(ColumnFacts column) {
        return choice(column).use() == null && choice(column).kind() == null;
    }

    void put(ProposedColumn column) {
        done.put(column.column(), column);
    }

    void add(ColumnFacts column, Field field) {
        byGroup.computeIfAbsent(column.group(), _ -> new ArrayList<>()).add(field);
    }

    String label(ColumnFacts column) {
        var chosen = choice(column).label();
        var header = Header.of(column.title()).label();
        // "keeper_id" points at a keeper
        var bare = plan.links.containsKey(column.index())
                ? header.replaceFirst("(?i)[ _](id|no\\.?|code|ref|key)$", "")
                : header;
        return chosen == null || chosen.isBlank() ? bare : chosen.strip();
    }

    ContentType whole() {
        var sections = new ArrayList<Section>(there.sections());
        changed.forEach(field -> sections.replaceAll(section -> section instanceof Group group
                ? group.withFields(group.fields().stream()
                        .map(each -> each.id().equals(field.id()) ? field : each)
                        .toList())
                : section));
        if (isNew && !byGroup.isEmpty()) {
            sections.clear(); // the group that every new type has
        }
        byGroup.forEach((title, added) -> add(sections, title, added));
        var uses = new ArrayList<>(there.taxonomies());
        uses.addAll(taxonomies);
        var above = new TreeSet<>(there.nesting().under());
        above.addAll(under);
        return new ContentType(
                there.id(),
                there.key(),
                there.singular(),
                there.plural(),
                there.description(),
                there.icon(),
                there.path(),
                there.wordings(),
                there.parts(),
                there.partLabels(),
                sections,
                uses,
                there.index(),
                new Nesting(above, there.nesting().required(), there.nesting().parentsInAddress()),
                there.publishing(),
                there.columns(),
                there.head());
    }

    /** Fields without a group of their own go to the first group, those of another to the one with its title. */
    private void add(List<Section> sections, String title, List<Field> added) {
        for (int i = 0; i < sections.size() && !added.isEmpty(); i++) {
            if (sections.get(i) instanceof Group group
                    && (title.isEmpty() && !isNew
                            || Spellings.bare(group.title()).equals(Spellings.bare(title)))) {
                var all = new ArrayList<>(group.fields());
                all.addAll(added);
                sections.set(i, group.withFields(all));
                return;
            }
        }
        if (!added.isEmpty()) {
            var name = title.isEmpty() ? "Details" : Header.label(title);
            sections.add(new Group(making.ids.next('g'), name, "", added));
        }
    }
}
