package org.jontrel.core.merge;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Random;
import java.util.TreeMap;
import java.util.regex.Pattern;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.naming.Ids;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Merges of whole packages lose nothing: what either side did is in the result, or in a clash in plain words. */
public class PackageMergeTest {
    private static final String TYPE = """
            key: lock
            singular: Lock
            plural: Locks
            path: locks
            groups:
              - title: Size
                fields:
                  - {key: rise, label: Rise, kind: number, max: 30}
                  - {key: width, label: Width, kind: number}
                  - {key: sort, label: Sort, kind: choice, options: [{key: single, label: Single}]}
                  - key: visits
                    label: Visits
                    kind: repeater
                    fields:
                      - {key: day, label: Day, kind: date}
              - title: Keeper
                fields:
                  - {key: keeper, label: Keeper, kind: text}
                  - {key: phone, label: Phone, kind: phone}
            """;
    private static final String LAYOUT = """
            key: page
            title: Page
            type: lock
            blocks:
              - {block: text, text: Welcome}
              - {block: field, field: rise}
              - {block: field, field: width}
            """;
    private static final String MANIFEST = "format: 2\nname: tessel\nversion: \"1.0.0\"\n";

    private static PackageReader.Result read(String... namesAndTexts) {
        var files = new TreeMap<String, byte[]>();
        files.put("package.yaml", MANIFEST.getBytes());
        for (int i = 0; i < namesAndTexts.length; i += 2) {
            files.put(namesAndTexts[i], namesAndTexts[i + 1].getBytes(StandardCharsets.UTF_8));
        }
        var read = PackageReader.read(files, List.of());
        assertTrue(read.content().isPresent(), read.findings().toString());
        return read;
    }

    private static PackageReader.Result model(String type, String layout) {
        return read("types/lock.yaml", type, "layouts/page.yaml", layout);
    }

    private static PackageMerge.MergedPackage merge(
            PackageReader.Result base, PackageReader.Result ours, PackageReader.Result theirs) {
        return PackageMerge.merge(base, ours, theirs, true, new Ids(new Random(7)));
    }

    private static String edited(String text, String... pairs) {
        for (int i = 0; i < pairs.length; i += 2) {
            assertTrue(text.contains(pairs[i]), pairs[i]);
            text = text.replace(pairs[i], pairs[i + 1]);
        }
        return text;
    }

    private static String text(PackageMerge.MergedPackage merged, String name) {
        return new String(merged.files().get(name), StandardCharsets.UTF_8);
    }

    private static final String ROWS =
            "kind: repeater\n        fields:\n          - {key: day, label: Day, kind: date}\n";
    private static final String PHONE = "          - {key: phone, label: Phone, kind: phone}\n".substring(4);

    @DataProvider
    public Object[][] lost() {
        var visitsText = edited(TYPE, ROWS, "kind: text\n");
        return new Object[][] {
            {
                visitsText,
                edited(TYPE, ROWS, ROWS + "          - {key: note, label: Note, kind: text}\n"),
                "Lock: field Visits: kind was “repeater with Day”; ours makes it “text”, theirs “repeater with Note”. Choose one."
                        .replace(" with Day", "")
            },
            {
                visitsText,
                edited(TYPE, PHONE, "", ROWS, ROWS + "          - {key: phone, label: Phone, kind: phone}\n"),
                "Lock: field Visits: kind was “repeater”; ours makes it “text”, theirs “repeater with Phone”. Choose one."
            },
            {
                edited(TYPE, "kind: choice, options: [{key: single, label: Single}]", "kind: text"),
                edited(TYPE, "{key: single, label: Single}", "{key: single, label: Single}, {key: pair, label: Pair}"),
                "Lock: field Sort: kind was “choice”; ours makes it “text”, theirs “choice with Pair”. Choose one."
            },
            {
                edited(TYPE, "max: 30", "max: 25"),
                edited(TYPE, "kind: number, max: 30", "kind: text"),
                "Lock: field Rise: kind was “number”; ours makes it “number, max 25”, theirs “text”. Choose one."
            },
            {
                edited(TYPE, "key: rise, label: Rise", "key: rise_m, label: Rise in metres"),
                edited(TYPE, "key: rise, label: Rise", "key: lift, label: Lift"),
                "Lock: field Rise: name was “Rise”; ours makes it “Rise in metres”, theirs “Lift”. Choose one."
            },
            {
                edited(TYPE, "key: width, label: Width", "key: breadth, label: Breadth"),
                edited(TYPE, "label: Width, kind: number", "label: Width, kind: number, min: 1"),
                "Lock: field Width was “Width”; ours makes it not there, theirs “Width (min)”. Choose one."
            },
        };
    }

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

    private static final Pattern MADE_UP = Pattern.compile("\\b[a-z][a-z0-9]{8}\\b");

    private static void noIds(PackageMerge.MergedPackage merged) {
        var known = List.of("different");
        for (var clash : merged.clashes()) {
            MADE_UP.matcher(clash.sentence())
                    .results()
                    .map(found -> found.group())
                    .filter(word -> word.matches(".*[0-9].*"))
                    .forEach(word -> assertTrue(known.contains(word), clash.sentence()));
        }
    }

    @Test
    public void bothOrdersAreKeptWhereTheyCanBe() {
        var fields = "abcdef"
                .chars()
                .mapToObj(c -> "  - {key: " + (char) c + ", label: " + (char) c + "}\n")
                .toList();
        var list = "key: seasons\ntitle: Seasons\noptions:\n";
        java.util.function.Function<String, PackageReader.Result> order = keys -> {
            var text = new StringBuilder(list);
            keys.chars().forEach(c -> text.append(fields.get(c - 'a')));
            return read("lists/seasons.yaml", text.toString());
        };
        java.util.function.Function<PackageMerge.MergedPackage, String> keys =
                merged -> Pattern.compile("key: ([a-z]),")
                        .matcher(text(merged, "lists/seasons.yaml"))
                        .results()
                        .map(found -> found.group(1))
                        .reduce("", String::concat);
        for (var each : new String[][] {
            {"bacdef", "abcdfe", "bacdfe"}, {"fabcde", "bacdef", "fbacde"}, {"bcdefa", "abcfde", "bcfdea"}
        }) {
            var merged = merge(order.apply("abcdef"), order.apply(each[0]), order.apply(each[1]));
            assertEquals(merged.clashes(), List.of());
            assertEquals(keys.apply(merged), each[2]);
            assertEquals(keys.apply(merge(order.apply("abcdef"), order.apply(each[1]), order.apply(each[0]))), each[2]);
        }
        var merged = merge(order.apply("abcdef"), order.apply("bcafde"), order.apply("dabcef"));
        assertEquals(keys.apply(merged).length(), 6);
        var apart = merge(order.apply("abc"), order.apply("cab"), order.apply("bca"));
        assertEquals(
                apart.clashes().size() + (keys.apply(apart).equals("cba") ? 1 : 0),
                1,
                apart.clashes().toString());
    }

    @Test
    public void withoutIdsAnEditLandsOnItsOwnBlockAndGroup() {
        var inserted = edited(
                LAYOUT,
                "  - {block: field, field: rise}\n",
                "  - {block: text, text: Opening}\n  - {block: field, field: rise}\n");
        var shown = edited(
                LAYOUT,
                "{block: field, field: rise}",
                "{block: field, field: rise, show_when: {field: width, above: 3}}");
        for (var sides : new String[][] {{inserted, shown}, {shown, inserted}}) {
            var merged = merge(model(TYPE, LAYOUT), model(TYPE, sides[0]), model(TYPE, sides[1]));
            assertEquals(merged.clashes(), List.of());
            assertEquals(
                    text(merged, "layouts/page.yaml"),
                    edited(
                            inserted,
                            "{block: field, field: rise}",
                            "{block: field, field: rise, show_when: {field: width, above: 3}}"));
        }
        var retitled = edited(TYPE, "title: Keeper", "title: Who keeps it");
        var described = edited(TYPE, "title: Keeper\n", "title: Keeper\n    description: On duty\n");
        var merged = merge(model(TYPE, LAYOUT), model(retitled, LAYOUT), model(described, LAYOUT));
        assertEquals(merged.clashes(), List.of());
        assertEquals(
                text(merged, "types/lock.yaml"),
                edited(retitled, "title: Who keeps it\n", "title: Who keeps it\n    description: On duty\n"));
        var twice = edited(LAYOUT, "  - {block: field, field: rise}\n", "  - {block: text, text: Welcome}\n");
        var second = "key: page\ntitle: Page\ntype: lock\nblocks:\n  - {block: text, text: Welcome}\n"
                + "  - {block: text, text: Welcome, show_when: {field: width, above: 3}}\n  - {block: field, field: width}\n";
        var more = edited(twice, "title: Page", "title: The page");
        var both = merge(model(TYPE, twice), model(TYPE, second), model(TYPE, more));
        assertEquals(text(both, "layouts/page.yaml"), edited(second, "title: Page", "title: The page"));
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

    private static PackageReader.Result withManifest(String manifest) {
        var files = new TreeMap<String, byte[]>();
        files.put("package.yaml", manifest.getBytes(StandardCharsets.UTF_8));
        return PackageReader.read(files, List.of());
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
    public void commentsOfBothSidesAreThere() {
        var ours = edited(TYPE, "      - {key: rise", "      # how far\n      - {key: rise");
        var theirs = edited(
                TYPE,
                PHONE,
                "",
                "  - title: Keeper",
                "  # who\n  - title: Keeper",
                "      - {key: width, label: Width, kind: number}",
                "      # moved here\n      - {key: phone, label: Phone, kind: phone}\n      - {key: width, label: Width, kind: number} # metres");
        var merged = merge(model(TYPE, LAYOUT), model(ours, LAYOUT), model(theirs, LAYOUT));
        assertEquals(merged.clashes(), List.of());
        assertEquals(
                text(merged, "types/lock.yaml"),
                edited(theirs, "      - {key: rise", "      # how far\n      - {key: rise"));
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
