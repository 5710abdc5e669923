package org.jontrel.core.edit;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNotEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.jontrel.core.Examples;
import org.jontrel.core.check.ModelCheck;
import org.jontrel.core.compare.Change;
import org.jontrel.core.compare.Comparison;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.format.Things;
import org.jontrel.core.generated.Models;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.SharedGroup;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.model.Term;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.naming.Keys;
import org.jontrel.core.regroup.Regroup;
import org.testng.annotations.Test;

/** Edits that are more than one property. */
public class EditTest {
    private static final Model MODEL = Examples.seedBank();

    private static Ids ids() {
        return new Ids(new java.util.Random(9));
    }

    private static void sound(Model model) {
        assertFalse(
                Finding.blocks(ModelCheck.check(model)), ModelCheck.check(model).toString());
    }

    @Test
    public void aGroupMadeSharedKeepsItsFieldsAndComesBackTheSame() {
        var vault = MODEL.typeByKey("vault").orElseThrow();
        var group = vault.groups().getFirst();
        // a condition on the parent means nothing in a shared group
        var plain = MODEL.with(
                vault.withSections(List.of(group.withFields(group.fields().subList(0, 2)))));
        var shared = new Regroup(ids()).share(plain, vault.id(), group.id()).orElseThrow();
        sound(shared);
        var changes = Comparison.of(plain, shared).changes();
        assertTrue(changes.stream().anyMatch(Change.Shared.class::isInstance), changes.toString());
        assertTrue(changes.stream()
                .noneMatch(change -> change instanceof Change.Removed removed && removed.content() instanceof Field));
        var made = shared.all(SharedGroup.class).stream()
                .filter(each -> each.title().equals("Climate"))
                .findFirst()
                .orElseThrow();
        var own = new Regroup(ids()).own(shared, vault.id(), made.id()).orElseThrow();
        assertEquals(
                own.typeByKey("vault").orElseThrow().groups().getFirst().fields(),
                group.fields().subList(0, 2));
        assertTrue(own.definition(made.id()).isEmpty());
        sound(own);
    }

    /** What no shared group can have stays behind: a release is never in the way of that, and no field is lost. */
    @Test
    public void anyGroupBecomesSharedWithoutABlocker() {
        int whole = 0;
        int split = 0;
        for (long seed = 0; seed < Integer.getInteger("laws", 120); seed++) {
            var model = new Models(seed).model();
            for (var type : model.types()) {
                for (var group : type.groups()) {
                    var changed = new Regroup(ids())
                            .share(model, type.id(), group.id())
                            .orElseThrow();
                    var made = changed.all(SharedGroup.class).stream()
                            .filter(each -> model.definition(each.id()).isEmpty())
                            .findFirst()
                            .orElseThrow();
                    if (!ModelCheck.newBlockers(model, changed).isEmpty()) {
                        assertEquals(made.fields(), group.fields(), "seed " + seed + ": only where nothing can move");
                        continue;
                    }
                    var own = ((ContentType) changed.definition(type.id()).orElseThrow())
                            .groups().stream()
                                    .filter(each -> each.id().equals(group.id()))
                                    .flatMap(each -> each.fields().stream())
                                    .toList();
                    var together = new ArrayList<>(made.fields());
                    together.addAll(own);
                    assertEquals(Set.copyOf(together), Set.copyOf(group.fields()), "seed " + seed);
                    assertEquals(together.size(), group.fields().size(), "seed " + seed);
                    whole += own.isEmpty() ? 1 : 0;
                    split += own.isEmpty() ? 0 : 1;
                    var back = new Regroup(ids())
                            .own(changed, type.id(), made.id())
                            .orElseThrow();
                    assertEquals(ModelCheck.newBlockers(model, back), List.of(), "seed " + seed);
                }
            }
        }
        assertTrue(whole > 300 && split > 10, whole + " whole, " + split + " split");
    }

    @Test
    public void aSharedGroupThatOthersUseIsCopied() {
        var provenance = MODEL.all(SharedGroup.class).getFirst();
        var accession = MODEL.typeByKey("accession").orElseThrow();
        var vault = MODEL.typeByKey("vault").orElseThrow();
        var sections = new ArrayList<>(vault.sections());
        sections.add(new org.jontrel.core.model.GroupUse(provenance.id(), Condition.ALWAYS));
        var both = MODEL.with(vault.withSections(sections));
        var own = new Regroup(ids()).own(both, accession.id(), provenance.id()).orElseThrow();
        assertTrue(own.definition(provenance.id()).isPresent());
        var copied = own.typeByKey("accession").orElseThrow().groups().getLast();
        assertEquals(
                copied.fields().stream().map(Field::key).toList(),
                provenance.fields().stream().map(Field::key).toList());
        assertNotEquals(
                copied.fields().getFirst().id(), provenance.fields().getFirst().id());
        assertEquals(
                ((Condition.FieldIs) copied.fields().get(1).showWhen()).field(),
                copied.fields().getFirst().id());
        sound(own);
        assertTrue(new Regroup(ids()).own(MODEL, vault.id(), provenance.id()).isEmpty());
        assertTrue(new Regroup(ids()).share(MODEL, vault.id(), "gnothing").isEmpty());
    }

    @Test
    public void copiesShareNoIdentity() {
        var accession = MODEL.typeByKey("accession").orElseThrow();
        for (var field : accession.fields().toList()) {
            var copy = new Copies(ids()).field(field, Set.of(field.key()));
            assertEquals(copy.key(), Keys.free(field.key(), Set.of(field.key())));
            var before = idsWithin(field);
            before.retainAll(idsWithin(copy));
            assertEquals(before, Set.of(), field.key());
            assertEquals(copy.kind().code(), field.kind().code());
        }
    }

    private static Set<String> idsWithin(Object thing) {
        var found = new HashSet<String>(Set.of(Things.shape(thing).id(thing)));
        Things.within(thing, each -> found.add(Things.shape(each).id(each)));
        return found;
    }

    @Test
    public void newDefinitionsDeriveFromTheirNameAndMeetNothing() {
        var type = MODEL.typeByKey("vault").orElseThrow();
        for (var sort : Definition.Sort.values()) {
            var one = new NewDefinitions(MODEL, ids()).definition(sort, " Wild  species ", type.id());
            var model = MODEL.with(one);
            var other = new NewDefinitions(model, new Ids(new java.util.Random(10)))
                    .definition(sort, " Wild  species ", type.id());
            assertNotEquals(one.key(), other.key(), sort.toString());
            var found = ModelCheck.check(model.with(other)).stream()
                    .filter(finding -> finding.place().definition().equals(other.id()))
                    .filter(finding -> finding.severity() == org.jontrel.core.finding.Severity.BLOCKER)
                    .map(Finding::code)
                    // a list begins without options
                    .filter(code -> code != org.jontrel.core.finding.Code.OPTIONS_MISSING)
                    .toList();
            assertEquals(found, List.of(), sort.toString());
        }
    }

    @Test
    public void wordsThatTheSiteHasForItselfAreNoKeysOrAddresses() {
        for (var noun :
                List.of("Jontrel", "Jontrel " + "x".repeat(50), "Media", "API", "Search", "Feed", "Asset", "Assets")) {
            for (var sort : List.of(Definition.Sort.TYPE, Definition.Sort.TAXONOMY)) {
                var made = new NewDefinitions(MODEL, ids()).definition(sort, noun, "");
                var found = ModelCheck.check(MODEL.with(made)).stream()
                        .filter(finding -> finding.place().definition().equals(made.id()))
                        .filter(finding -> finding.severity() == org.jontrel.core.finding.Severity.BLOCKER)
                        .map(Finding::sentence)
                        .toList();
                assertEquals(found, List.of(), noun);
            }
        }
    }

    @Test
    public void anIndentedListBecomesTerms() {
        var origin = MODEL.all(Taxonomy.class).stream()
                .filter(each -> each.key().equals("origin"))
                .findFirst()
                .orElseThrow();
        var text = "Lowlands\n\t- Marsh\n\t\tReed bed\n\tHeath\n  \nNorth Fells\n";
        var terms = new PastedTerms(origin, ids()).read(text, true);
        assertEquals(tree(terms), "lowlands(marsh(reed_bed) heath) north_fells_2");
        assertEquals(
                tree(new PastedTerms(origin, ids()).read(text, false)), "lowlands marsh reed_bed heath north_fells_2");
        sound(MODEL.with(origin.withTerms(java.util.stream.Stream.concat(origin.terms().stream(), terms.stream())
                .toList())));
    }

    private static String tree(List<Term> terms) {
        return terms.stream()
                .map(term -> term.key() + (term.children().isEmpty() ? "" : "(" + tree(term.children()) + ")"))
                .collect(Collectors.joining(" "));
    }

    @Test
    public void formsHaveSharedGroupsAndListsInTheirPlaces() {
        var groups = new ResolvedDefinition(MODEL)
                .groups(MODEL.typeByKey("accession").orElseThrow());
        assertEquals(
                groups.stream().map(each -> each.title()).toList(),
                List.of("Where it comes from", "The lot", "Provenance"));
        var condition = groups.get(1).fields().stream()
                .filter(each -> each.key().equals("condition"))
                .findFirst()
                .orElseThrow();
        assertEquals(((Kind.Choice) condition.kind()).options().size(), 4);
        for (var definition : MODEL.definitions()) {
            new ResolvedDefinition(MODEL).groups(definition);
        }
    }
}
