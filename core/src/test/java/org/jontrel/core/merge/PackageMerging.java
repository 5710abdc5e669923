package org.jontrel.core.merge;

import static org.testng.Assert.assertTrue;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Random;
import java.util.TreeMap;
import java.util.regex.Pattern;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.naming.Ids;
import org.testng.annotations.DataProvider;

/** Two edits of one package's files. */
abstract class PackageMerging {
    static final String TYPE = """
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
    static final String LAYOUT = """
            key: page
            title: Page
            type: lock
            blocks:
              - {block: text, text: Welcome}
              - {block: field, field: rise}
              - {block: field, field: width}
            """;
    static final String MANIFEST = "format: 3\nname: tessel\nversion: \"1.0.0\"\n";

    static PackageReader.Result read(String... namesAndTexts) {
        var files = new TreeMap<String, byte[]>();
        files.put("package.yaml", MANIFEST.getBytes());
        for (int i = 0; i < namesAndTexts.length; i += 2) {
            files.put(namesAndTexts[i], namesAndTexts[i + 1].getBytes(StandardCharsets.UTF_8));
        }
        var read = PackageReader.read(files, List.of());
        assertTrue(read.content().isPresent(), read.findings().toString());
        return read;
    }

    static PackageReader.Result model(String type, String layout) {
        return read("types/lock.yaml", type, "layouts/page.yaml", layout);
    }

    static PackageMerge.MergedPackage merge(
            PackageReader.Result base, PackageReader.Result ours, PackageReader.Result theirs) {
        return PackageMerge.merge(base, ours, theirs, true, new Ids(new Random(7)));
    }

    static String edited(String text, String... pairs) {
        for (int i = 0; i < pairs.length; i += 2) {
            assertTrue(text.contains(pairs[i]), pairs[i]);
            text = text.replace(pairs[i], pairs[i + 1]);
        }
        return text;
    }

    static String text(PackageMerge.MergedPackage merged, String name) {
        return new String(merged.files().get(name), StandardCharsets.UTF_8);
    }

    static final String ROWS = "kind: repeater\n        fields:\n          - {key: day, label: Day, kind: date}\n";
    static final String PHONE = "          - {key: phone, label: Phone, kind: phone}\n".substring(4);

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

    static final Pattern MADE_UP = Pattern.compile("\\b[a-z][a-z0-9]{8}\\b");

    static void noIds(PackageMerge.MergedPackage merged) {
        var known = List.of("different");
        for (var clash : merged.clashes()) {
            MADE_UP.matcher(clash.sentence())
                    .results()
                    .map(found -> found.group())
                    .filter(word -> word.matches(".*[0-9].*"))
                    .forEach(word -> assertTrue(known.contains(word), clash.sentence()));
        }
    }

    static PackageReader.Result withManifest(String manifest) {
        var files = new TreeMap<String, byte[]>();
        files.put("package.yaml", manifest.getBytes(StandardCharsets.UTF_8));
        return PackageReader.read(files, List.of());
    }
}
