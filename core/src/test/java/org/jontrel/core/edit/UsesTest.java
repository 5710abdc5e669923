package org.jontrel.core.edit;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jontrel.core.Examples;
import org.jontrel.core.check.ModelCheck;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Look;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.PagePart;
import org.jontrel.core.model.SiteValues;
import org.jontrel.core.model.block.Block;
import org.jontrel.core.model.block.BlockKind;
import org.jontrel.core.model.block.Presentation;
import org.testng.annotations.Test;

/** Which definitions refer to which, and so what goes along with some of them. */
public class UsesTest {
    private static final Model MODEL = Examples.seedBank();

    @Test
    public void usesAndNeedsFollowReferences() {
        var uses = Uses.of(MODEL);
        var conditions = MODEL.definitions().stream()
                .filter(each -> each.key().equals("conditions"))
                .findFirst()
                .orElseThrow();
        var accession = MODEL.typeByKey("accession").orElseThrow();
        assertEquals(List.copyOf(uses.get(conditions.id())), List.of(accession.id()));
        var opening = MODEL.all(SiteValues.class).getFirst();
        var desk = MODEL.all(PagePart.class).getFirst();
        var look = MODEL.all(Look.class).getFirst();
        assertEquals(
                Set.copyOf(uses.get(opening.id())),
                Set.of(desk.id(), look.id()),
                "texts on pages and around them name its values");
        var closes = opening.sections().stream()
                .flatMap(section -> section instanceof Group group ? group.fields().stream() : Stream.<Field>empty())
                .filter(field -> field.key().equals("closes"))
                .findFirst()
                .orElseThrow();
        assertEquals(List.copyOf(Uses.onPages(MODEL).get(closes.id())), List.of(look.id()));
        assertTrue(Uses.onPages(MODEL).values().stream()
                .flatMap(java.util.Collection::stream)
                .allMatch(id -> MODEL.definition(id).orElseThrow().isOfPages()));
        var species = MODEL.typeByKey("species").orElseThrow();
        var inverse = ((Kind.Relation) accession
                        .fields()
                        .filter(field -> field.key().equals("species"))
                        .findFirst()
                        .orElseThrow()
                        .kind())
                .inverse();
        var page = new PagePart(
                "ppart0001",
                "lots",
                "Lots",
                "",
                species.id(),
                List.of(new Block("blots0001", new BlockKind.FieldValue(inverse.id(), Presentation.USUAL))));
        assertTrue(Uses.of(MODEL.with(page)).get(accession.id()).contains(page.id()), "it lists what leads there");
        var trip = MODEL.typeByKey("trip").orElseThrow();
        var part = Dependencies.of(MODEL, List.of(trip.id()));
        assertEquals(
                part.definitions().stream().map(Definition::key).collect(Collectors.toSet()),
                Set.of("trip", "person", "origin"));
        assertFalse(
                Finding.blocks(ModelCheck.check(part)), ModelCheck.check(part).toString());
        assertEquals(Dependencies.of(MODEL, List.of()), Model.EMPTY);
    }
}
