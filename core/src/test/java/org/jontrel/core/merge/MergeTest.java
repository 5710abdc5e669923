package org.jontrel.core.merge;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;
import org.jontrel.core.Samples;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.testng.annotations.Test;

public class MergeTest {
    private static final Model BASE = Samples.MODEL;

    private static Model length(UnaryOperator<Field> edit) {
        return Samples.with(Samples.LENGTH.id(), edit);
    }

    private static Field lengthOf(Model model) {
        return model.types().getFirst().field(Samples.LENGTH.id()).orElseThrow();
    }

    private static Kind.Numeric upTo(String max) {
        return new Kind.Numeric(1, BigDecimal.ZERO, new BigDecimal(max), "m");
    }

    private static Model order(Field... fields) {
        return Samples.withFields(List.of(fields));
    }

    private static List<String> keys(Model model) {
        return model.types().getFirst().fields().map(Field::key).toList();
    }

    @Test
    public void labelHereAndLimitThereGoTogetherInOneField() {
        var merged =
                Merge.merge(BASE, length(f -> f.withLabel("Length of berth")), length(f -> f.withKind(upTo("50"))));
        assertEquals(merged.clashes(), List.of());
        assertEquals(
                lengthOf(merged.model()),
                Samples.LENGTH.withLabel("Length of berth").withKind(upTo("50")));
    }

    @Test
    public void theSameSettingChangedTwiceIsAClashWithAllThreeVersions() {
        var merged = Merge.merge(BASE, length(f -> f.withKind(upTo("50"))), length(f -> f.withKind(upTo("60"))));
        assertEquals(merged.clashes().size(), 1);
        var clash = merged.clashes().getFirst();
        assertEquals(List.of(clash.base(), clash.ours(), clash.theirs()), List.of("99.5", "50", "60"));
        assertEquals(
                clash.sentence(),
                "Mooring: field Length: max was “99.5”; ours makes it “50”, theirs “60”. Choose one.");
        assertEquals(lengthOf(merged.model()).kind(), upTo("50"), "until then ours");
    }

    @Test
    public void twoKindsAreAClashAndOneIsNot() {
        var text = length(f -> f.withKind(Kind.Text.PLAIN));
        assertEquals(
                Merge.merge(BASE, text, length(f -> f.withKind(Kind.Date.PLAIN)))
                        .clashes()
                        .size(),
                1);
        var merged = Merge.merge(BASE, text, length(f -> f.withLabel("L")));
        assertEquals(merged.clashes(), List.of());
        assertEquals(lengthOf(merged.model()), Samples.LENGTH.withLabel("L").withKind(Kind.Text.PLAIN));
    }

    @Test
    public void removedHereAndChangedThereIsAClashThatLosesNothing() {
        var without = new ArrayList<>(Samples.MOORING.fields().toList());
        without.remove(Samples.LENGTH);
        var merged = Merge.merge(BASE, Samples.withFields(without), length(f -> f.withLabel("L")));
        assertEquals(merged.clashes().size(), 1);
        assertEquals(merged.clashes().getFirst().ours(), "");
        assertEquals(lengthOf(merged.model()).label(), "L");
        var clean = Merge.merge(BASE, Samples.withFields(without), BASE);
        assertEquals(clean.clashes(), List.of());
        assertEquals(keys(clean.model()), keys(Samples.withFields(without)));
    }

    @Test
    public void aTypeRemovedHereAndChangedThereIsAClash() {
        var merged = Merge.merge(BASE, Model.EMPTY, length(f -> f.withLabel("L")));
        assertEquals(merged.clashes().size(), 1);
        assertEquals(lengthOf(merged.model()).label(), "L");
        assertEquals(Merge.merge(BASE, Model.EMPTY, BASE).model(), Model.EMPTY);
    }

    @Test
    public void orderMergesByNeighbours() {
        var a = Samples.LENGTH;
        var b = Samples.SURFACE;
        var c = Samples.NAME;
        var x = new Field("fxxxxxxxx", "x", "X", "", false, Kind.Text.PLAIN);
        var y = new Field("fyyyyyyyy", "y", "Y", "", false, Kind.Text.PLAIN);
        var merged = Merge.merge(order(a, b, c), order(a, x, b, c), order(c, a, b, y));
        assertEquals(merged.clashes(), List.of());
        assertEquals(keys(merged.model()), List.of("berth_name", "length_m", "x", "surface", "y"));
    }

    @Test
    public void aFieldMovedHereAndRelabelledThereIsBoth() {
        var rest = new ArrayList<>(Samples.MOORING.fields().toList());
        rest.remove(Samples.LENGTH);
        var moved = new Model(List.of(Samples.MOORING.withSections(List.of(
                Samples.MOORING.groups().getFirst().withFields(rest),
                new Group("gmore", "More", "", List.of(Samples.LENGTH))))));
        var merged = Merge.merge(BASE, moved, length(f -> f.withLabel("L")));
        assertEquals(merged.clashes(), List.of());
        var more = merged.model().types().getFirst().groups().get(1);
        assertEquals(more.fields(), List.of(Samples.LENGTH.withLabel("L")));
    }

    @Test
    public void aGroupRemovedHereThatGotAFieldThereStaysAndNeedsAPerson() {
        var empty = new Group("gmore", "More", "", List.of());
        var two = new Model(List.of(
                Samples.MOORING.withSections(List.of(Samples.MOORING.groups().getFirst(), empty))));
        var field = new Field("fxxxxxxxx", "x", "X", "", false, Kind.Text.PLAIN);
        var filled = new Model(List.of(Samples.MOORING.withSections(
                List.of(Samples.MOORING.groups().getFirst(), empty.withFields(List.of(field))))));
        var merged = Merge.merge(two, BASE, filled);
        assertEquals(
                merged.clashes().stream().map(Clash::sentence).toList(),
                List.of("Mooring: group More was “More”; ours makes it not there, theirs “More with X”. Choose one."));
        assertTrue(merged.model().types().getFirst().field("fxxxxxxxx").isPresent());
    }

    @Test
    public void optionsMergeOneByOne() {
        var grass = new Kind.Option("o1aaaaaaa", "grass", "Grass", false);
        var hard = new Kind.Option("o2aaaaaaa", "hard", "Hard standing", true);
        var mud = new Kind.Option("o3aaaaaaa", "mud", "Mud", false);
        UnaryOperator<Field> ours = f -> f.withKind(new Kind.Choice(List.of(grass, mud, hard)));
        UnaryOperator<Field> theirs =
                f -> f.withKind(new Kind.Choice(List.of(new Kind.Option("o1aaaaaaa", "grass", "Meadow", false), hard)));
        var merged =
                Merge.merge(BASE, Samples.with(Samples.SURFACE.id(), ours), Samples.with(Samples.SURFACE.id(), theirs));
        assertEquals(merged.clashes(), List.of());
        var kind = (Kind.Choice) merged.model()
                .types()
                .getFirst()
                .field(Samples.SURFACE.id())
                .orElseThrow()
                .kind();
        assertEquals(
                kind.options().stream().map(Kind.Option::label).toList(), List.of("Meadow", "Mud", "Hard standing"));
    }

    @Test
    public void whatWouldNotPassTheChecksIsAClash() {
        var field = new Field("fxxxxxxxx", "depth", "Depth", "", false, Kind.Text.PLAIN);
        var mine = new ArrayList<>(Samples.MOORING.fields().toList());
        mine.add(field);
        var other = new ArrayList<>(Samples.MOORING.fields().toList());
        other.add(field.withId("fyyyyyyyy").withLabel("Depth of water"));
        var merged = Merge.merge(BASE, Samples.withFields(mine), Samples.withFields(other));
        assertEquals(merged.clashes().size(), 1);
        assertTrue(
                merged.clashes().getFirst().what().contains("both have the key depth"),
                merged.clashes().toString());
    }

    @Test
    public void wordingsMergeByName() {
        ContentType type = Samples.MOORING;
        var merged = Merge.merge(BASE, worded(type, "add", "Add berth"), worded(type, "empty", "None"));
        assertEquals(
                merged.model().types().getFirst().wordings(), java.util.Map.of("add", "Add berth", "empty", "None"));
        assertEquals(
                Merge.merge(BASE, worded(type, "add", "A"), worded(type, "add", "B"))
                        .clashes()
                        .size(),
                1);
    }

    private static Model worded(ContentType type, String name, String text) {
        var wordings = new java.util.TreeMap<>(type.wordings());
        wordings.put(name, text);
        return new Model(List.of(new ContentType(
                type.id(),
                type.key(),
                type.singular(),
                type.plural(),
                type.description(),
                type.icon(),
                type.path(),
                wordings,
                type.parts(),
                type.groups())));
    }
}
