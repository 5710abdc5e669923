package org.jontrel.core.generated;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import org.jontrel.core.model.ChoiceList;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.GroupUse;
import org.jontrel.core.model.Head;
import org.jontrel.core.model.Index;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Nesting;
import org.jontrel.core.model.Part;
import org.jontrel.core.model.Publishing;
import org.jontrel.core.model.Section;
import org.jontrel.core.model.SharedGroup;
import org.jontrel.core.model.SiteValues;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.model.TaxonomyUse;
import org.jontrel.core.model.Term;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.model.condition.RecordState;

/** Makes valid models of the whole language, and single edits of them, from a seed. */
public final class Models {
    private final Draw draw;

    public Models(long seed) {
        draw = new Draw(seed);
    }

    /** A model of one to four types, with everything else there may be, that passes all checks. */
    public Model model() {
        var types = ids('t', 1 + draw.below(4));
        var lists = ids('l', draw.below(3));
        var taxonomies = ids('x', draw.below(3));
        var groups = ids('g', draw.below(3));
        var kinds = new Kinds(draw, types, lists, taxonomies);
        var all = new ArrayList<Definition>();
        lists.forEach(id -> all.add(new ChoiceList(id, "list_" + draw.fresh(), draw.text(), some(), kinds.options())));
        taxonomies.forEach(id -> all.add(taxonomy(id, kinds)));
        groups.forEach(id ->
                all.add(new SharedGroup(id, "group_" + draw.fresh(), draw.text(), some(), kinds.fields(3, 1, false))));
        types.forEach(id -> all.add(type(id, types, taxonomies, groups, kinds)));
        if (draw.chance()) {
            all.add(new SiteValues(
                    draw.id('v'), "values_" + draw.fresh(), draw.text(), some(), sections(kinds, List.of(), false)));
        }
        if (draw.chance()) {
            new Views(draw, new Model(all)).addTo(all);
        }
        return new Model(all);
    }

    private List<String> ids(char letter, int count) {
        var ids = new ArrayList<String>();
        for (int i = 0; i < count; i++) {
            ids.add(draw.id(letter));
        }
        return ids;
    }

    private String some() {
        return draw.chance() ? draw.text() : "";
    }

    private Taxonomy taxonomy(String id, Kinds kinds) {
        int n = draw.fresh();
        boolean hierarchical = draw.chance();
        var fields = kinds.fields(2, 1, false);
        return new Taxonomy(
                id,
                "taxonomy_" + n,
                draw.text(),
                draw.text(),
                some(),
                "terms-" + n,
                hierarchical,
                hierarchical && draw.chance(),
                fields,
                List.of(),
                terms(hierarchical ? 3 : 1));
    }

    private List<Term> terms(int levels) {
        var terms = new ArrayList<Term>();
        for (int i = 0, count = draw.below(4); i < count; i++) {
            terms.add(term(levels > 1 ? terms(levels - 1) : List.of()));
        }
        return terms;
    }

    Term term(List<Term> children) {
        return new Term(draw.id('w'), "term_" + draw.fresh(), draw.text(), Map.of(), children);
    }

    private ContentType type(String id, List<String> types, List<String> taxonomies, List<String> groups, Kinds kinds) {
        int n = draw.fresh();
        var parts = new ArrayList<>(List.of(Part.TITLE));
        Arrays.stream(Part.values())
                .filter(part -> part != Part.TITLE && draw.once(3))
                .forEach(part -> parts.add(draw.below(parts.size() + 1), part));
        var sections = sections(kinds, groups, true);
        var uses = taxonomies.stream()
                .filter(_ -> draw.chance())
                .map(each -> new TaxonomyUse(each, draw.chance(), draw.orNull(3), draw.chance()))
                .toList();
        return new ContentType(
                id,
                "type_" + n,
                draw.text(),
                draw.text(),
                some(),
                draw.chance() ? "anchor" : "",
                "path-" + n,
                draw.chance() ? Map.of("add", draw.text()) : Map.of(),
                parts,
                draw.once(3) ? Map.of("title", draw.text()) : Map.of(),
                sections,
                uses,
                index(uses.stream().map(TaxonomyUse::taxonomy).toList()),
                draw.once(3) ? new Nesting(Set.of(draw.of(types)), false, draw.chance()) : Nesting.NONE,
                draw.chance()
                        ? Publishing.PLAIN
                        : new Publishing(
                                draw.chance(),
                                draw.chance(),
                                draw.chance(),
                                draw.orNull(9),
                                draw.chance(),
                                draw.chance() ? "api-" + n : "",
                                draw.of(List.of(RecordState.values()))),
                List.of(),
                head(draw));
    }

    private static Head head(Draw draw) {
        return draw.chance()
                ? Head.PLAIN
                : new Head(
                        draw.once(3) ? "{part_title} of " + draw.text().replaceAll("[{}]", "") : "",
                        draw.once(3) ? "{part_title}" : "",
                        "",
                        draw.chance() ? "Place" : "",
                        List.of(new Head.HeadProperty("alternateName", "{part_title}")),
                        draw.chance(),
                        draw.once(3)
                                ? new Condition.StateIs(draw.of(List.of(RecordState.values())))
                                : Condition.ALWAYS);
    }

    private Index index(List<String> taxonomies) {
        return draw.chance()
                ? Index.PLAIN
                : new Index(
                        draw.chance(),
                        "part_title",
                        draw.chance(),
                        10 + draw.below(9),
                        draw.of(List.of(Index.ListForm.values())),
                        draw.once(3) ? List.of("part_title") : List.of(),
                        draw.once(3) ? new Index.Across(1, draw.below(4), draw.below(7)) : Index.Across.FITTING,
                        draw.once(3) && !taxonomies.isEmpty() ? draw.of(taxonomies) : "",
                        draw.once(3) ? draw.text() : "",
                        draw.chance() ? taxonomies : List.of(),
                        draw.chance());
    }

    private List<Section> sections(Kinds kinds, List<String> shared, boolean ofRecord) {
        var sections = new ArrayList<Section>();
        for (int i = 0, count = 1 + draw.below(3); i < count; i++) {
            sections.add(new Group(draw.id('g'), draw.text(), some(), kinds.fields(4, 1, ofRecord)));
        }
        shared.stream()
                .filter(_ -> draw.chance())
                .forEach(id -> sections.add(draw.below(sections.size() + 1), new GroupUse(id, Condition.ALWAYS)));
        return sections;
    }

    /** The model with one thing edited, still valid; never equal to the model. */
    public Model edit(Model model) {
        return new Edits(draw).edit(model);
    }

    /** Another valid model, in which some values of records stand elsewhere. */
    public Model reshape(Model model) {
        return new Edits(draw).reshape(model);
    }

    /** Another valid model, with rows or a group more. */
    public Model nest(Model model) {
        return new Edits(draw).nest(model);
    }

    /** Another valid model, in which some rows, a group or some fields are a type of their own. */
    public Model part(Model model) {
        return new Edits(draw).part(model);
    }

    /** A model of which some records become those of a new type, and the other one, which has it. */
    public List<Model> split() {
        return both(new Edits(draw)::split);
    }

    /** A model with a field that goes over a relation, and the model in which it is at the other end. */
    public List<Model> related() {
        return both(new Edits(draw)::related);
    }

    /** A model with texts that are names, and the model in which they are terms of a new taxonomy. */
    public List<Model> named() {
        return both(new Edits(draw)::named);
    }

    /** Not every model has what it takes. */
    private List<Model> both(Function<Model, List<Model>> way) {
        var both = way.apply(model());
        return both.isEmpty() ? both(way) : both;
    }

    /** The text with a few bytes changed, doubled or cut. */
    public byte[] mangle(byte[] bytes) {
        var mangled = bytes.clone();
        for (int i = 0, count = 1 + draw.below(6); i < count; i++) {
            mangled[draw.below(mangled.length)] = (byte) draw.below(256);
        }
        return switch (draw.below(4)) {
            case 0 -> Arrays.copyOf(mangled, draw.below(mangled.length) + 1);
            case 1 -> {
                var doubled = Arrays.copyOf(mangled, mangled.length * 2);
                System.arraycopy(mangled, 0, doubled, mangled.length, mangled.length);
                yield doubled;
            }
            default -> mangled;
        };
    }

    /** A whole number below the bound, from the same seed. */
    public int pick(int bound) {
        return draw.below(bound);
    }
}
