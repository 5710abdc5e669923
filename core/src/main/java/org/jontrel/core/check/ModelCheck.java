package org.jontrel.core.check;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.finding.Severity;
import org.jontrel.core.format.Things;
import org.jontrel.core.model.ChoiceList;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.GroupUse;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Layout;
import org.jontrel.core.model.Listing;
import org.jontrel.core.model.Look;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.PagePart;
import org.jontrel.core.model.SharedGroup;
import org.jontrel.core.model.SiteValues;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.model.TaxonomyUse;
import org.jontrel.core.model.block.Block;
import org.jontrel.core.model.block.BlockKind;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.reach.ModelNames;
import org.jontrel.core.shape.ReadContext;

/** Whether a model holds together: everything that would break a form, a page or a site later, said now. */
public final class ModelCheck {
    private final Model model;
    private final ModelIndex known;
    private final ModelNames names;
    private final List<Finding> findings = new ArrayList<>();
    private final Map<String, String> idOwners = new HashMap<>();
    private final Set<String> used = new HashSet<>();

    private ModelCheck(Model model) {
        this.model = model;
        this.known = new ModelIndex(model);
        this.names = new ModelNames(model);
    }

    /** What blocks a model and did not block it before, in whatever definition it was. */
    public static List<Finding> newBlockers(Model before, Model after) {
        var known = check(before).stream().map(Finding::sentence).collect(Collectors.toSet());
        return check(after).stream()
                .filter(finding -> finding.severity() == Severity.BLOCKER)
                .filter(finding -> !known.contains(finding.sentence()))
                .toList();
    }

    /** All findings, worst first. */
    public static List<Finding> check(Model model) {
        return new ModelCheck(model).run();
    }

    private List<Finding> run() {
        var keys = new HashMap<Definition.Sort, NameCheck.Keyed>();
        var paths = new PathCheck();
        for (var definition : model.definitions()) {
            var report = new DefinitionFindings(findings, definition.id(), "");
            keys.computeIfAbsent(definition.sort(), _ -> new NameCheck.Keyed())
                    .claim(definition.key(), definition.name(), report);
            new NameCheck(report).key(definition.key(), definition.name());
            paths.claim(definition, report);
            claim(definition, definition);
            Things.within(definition, thing -> claim(definition, thing));
            check(definition, report);
            HiddenCharacters.check(definition, report);
        }
        new InverseCheck(known, findings).run(model);
        new NestingCheck(known, findings).run(model);
        new LayoutCycleCheck(known, findings).run(model);
        unused();
        findings.sort(Finding.WORST_FIRST);
        return List.copyOf(findings);
    }

    private void check(Definition definition, DefinitionFindings report) {
        var fields = new FieldsCheck(known, definition, report);
        switch (definition) {
            case ContentType type -> {
                new TypeCheck(known, type, report, fields).run();
                new ListingCheck(known, names, report).index(type);
                new LayoutCheck(known, names, report).head(type, type.head());
            }
            case Taxonomy taxonomy -> {
                new TaxonomyCheck(known, taxonomy, report, fields).run();
                new LayoutCheck(known, names, report).head(taxonomy, taxonomy.head());
            }
            case SharedGroup group -> {
                titled(report, group.title(), group.description());
                fields.run(group.fields());
            }
            case ChoiceList list -> {
                titled(report, list.title(), list.description());
                NameCheck.OptionCheck.run(list.options(), list.title(), report);
            }
            case SiteValues values -> {
                titled(report, values.title(), values.description());
                fields.runSections(values.sections());
            }
            case Layout layout -> {
                titled(report, layout.title(), layout.description());
                new LayoutCheck(known, names, report).run(layout);
            }
            case Listing listing -> {
                titled(report, listing.title(), listing.description());
                new ListingCheck(known, names, report).run(listing);
            }
            case Look look -> {
                titled(report, look.title(), look.description());
                new LookCheck(known, names, report).run(look);
            }
            case PagePart part -> {
                titled(report, part.title(), part.description());
                new LayoutCheck(known, names, report).run(part);
            }
        }
    }

    private static void titled(DefinitionFindings report, String title, String description) {
        var names = new NameCheck(report);
        names.label("title", title, "A definition");
        names.prose("description", description);
    }

    /** Notes an id, and what refers to other definitions. */
    private void claim(Definition definition, Object thing) {
        switch (thing) {
            case TaxonomyUse use -> used.add(use.taxonomy());
            case Block block when block.kind() instanceof BlockKind.PartUse(String part) -> used.add(part);
            case GroupUse use -> used.add(use.group());
            case Field field when field.kind() instanceof Kind.Choice choice -> used.add(choice.list());
            case Field field when field.kind() instanceof Kind.TermPick pick -> used.add(pick.taxonomy());
            default -> {}
        }
        var shape = Things.shape(thing);
        if (shape.scoped(thing)) {
            return;
        }
        var id = shape.id(thing);
        var label = shape.label(thing);
        var place = Place.field(definition.id(), thing == definition ? "" : id, "id");
        if (!Ids.isId(id) && !id.startsWith(ReadContext.GIVEN_HERE)) {
            findings.add(Finding.of(Code.ID_INVALID, place, id));
        }
        var other = idOwners.putIfAbsent(id, label);
        if (other != null) {
            findings.add(Finding.of(Code.ID_TWICE, place, id, other, label));
        }
    }

    private void unused() {
        for (var definition : model.definitions()) {
            boolean usable = definition instanceof SharedGroup
                    || definition instanceof ChoiceList
                    || definition instanceof PagePart
                    || definition instanceof Taxonomy;
            if (usable && !used.contains(definition.id())) {
                findings.add(Finding.of(
                        Code.DEFINITION_UNUSED,
                        Place.definition(definition.id(), ""),
                        definition.sort().noun(),
                        definition.name()));
            }
        }
    }
}
