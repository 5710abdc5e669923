package org.jontrel.core.merge;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.List;
import org.testng.annotations.Test;

/** Merges of whole packages lose nothing: what either side did is in the result, or in a clash in plain words. */
public class PackageMergeTest extends PackageMerging {
    @Test(dataProvider = "lost")
    public void whatCannotBeKeptIsAClash(String ours, String theirs, String sentence) {
        var layout = edited(LAYOUT, "  - {block: field, field: rise}\n", "", "  - {block: field, field: width}\n", "");
        var merged = merge(model(TYPE, layout), model(ours, layout), model(theirs, layout));
        assertEquals(merged.clashes().stream().map(Clash::sentence).toList(), List.of(sentence));
        var back = merge(model(TYPE, layout), model(theirs, layout), model(ours, layout));
        assertEquals(back.clashes().size(), 1, back.clashes().toString());
        noIds(merged);
        noIds(back);
    }

    @Test
    public void whatPackagesSayOfThemselvesIsMerged() {
        var base = withManifest(MANIFEST + "title: Tessel\nrequires: [{name: places, version: '>=1'}]\n");
        var ours = withManifest(edited(MANIFEST, "1.0.0", "1.1.0")
                + "title: Tessel\nauthors: [Ann]\nrequires: [{name: places, version: '>=1'}]\n");
        var theirs = withManifest(MANIFEST
                + "title: Tessel waters\nauthors: [Bob]\nlicence: CC0-1.0\ndescription: A canal.\nrequires:\n  - {name: places, version: '>=2'}\n"
                + "  - {name: people, version: '>=1'}\n");
        var merged = merge(base, ours, theirs);
        assertEquals(merged.clashes(), List.of());
        assertEquals(
                text(merged, "package.yaml"),
                edited(MANIFEST, "1.0.0", "1.1.0")
                        + "title: Tessel waters\nauthors: [Ann, Bob]\nlicence: CC0-1.0\ndescription: A canal.\nrequires:\n"
                                .replace(
                                        "requires:\n",
                                        "requires: [{name: places, version: '>=2'}, {name: people, version: '>=1'}]\n"));
        var other = withManifest(
                edited(MANIFEST, "1.0.0", "2.0.0") + "title: Tessel\nrequires: [{name: places, version: '>=1'}]\n");
        assertEquals(
                merge(base, ours, other).clashes().stream().map(Clash::sentence).toList(),
                List.of("Package: version was “1.0.0”; ours makes it “1.1.0”, theirs “2.0.0”. Choose one."));
    }

    @Test
    public void answersAreMergedAndRemovedOnesStayRemoved() {
        var first =
                "version: \"1.0.0\"\ndecisions:\n  - {element: f00000001, question: required_empty, answer: leave}\n";
        var more = first + "  - {element: f00000002, question: unconverted, answer: set_aside}\n";
        var old = "version: \"0.9.0\"\ndecisions:\n  - {element: f00000003, question: unconverted, answer: leave}\n";
        var base = read("migrations/1.0.0.yaml", first, "migrations/0.9.0.yaml", old);
        var merged = merge(
                base,
                read("migrations/1.0.0.yaml", first),
                read("migrations/1.0.0.yaml", more, "migrations/0.9.0.yaml", old));
        assertEquals(merged.clashes(), List.of());
        assertFalse(merged.files().containsKey("migrations/0.9.0.yaml"));
        assertEquals(text(merged, "migrations/1.0.0.yaml"), more);
        var filled = edited(first, "answer: leave", "answer: fill, value: a");
        var other = edited(first, "answer: leave", "answer: fill, value: b");
        var clash = merge(
                base,
                read("migrations/1.0.0.yaml", filled, "migrations/0.9.0.yaml", old),
                read("migrations/1.0.0.yaml", other, "migrations/0.9.0.yaml", old));
        assertEquals(clash.clashes().size(), 1);
        assertTrue(
                clash.clashes().getFirst().sentence().contains("“fill a”, theirs “fill b”"),
                clash.clashes().toString());
    }

    @Test
    public void aWordForWhatIsGoneIsNamed() {
        var list = "id: l00000001\nkey: sorts\ntitle: Sorts of lock\noptions: [{key: a, label: A}]\n";
        var used = edited(TYPE, "options: [{key: single, label: Single}]", "list: sorts");
        var base = read("types/lock.yaml", TYPE, "lists/sorts.yaml", list);
        var merged =
                merge(base, read("types/lock.yaml", TYPE), read("types/lock.yaml", used, "lists/sorts.yaml", list));
        assertEquals(
                merged.clashes().stream().map(Clash::sentence).toList(),
                List.of("Sort refers to the choice list Sorts of lock, which does not exist."));
    }
}
