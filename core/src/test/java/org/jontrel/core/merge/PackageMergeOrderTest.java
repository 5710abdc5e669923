package org.jontrel.core.merge;

import static org.testng.Assert.assertEquals;

import java.util.List;
import java.util.regex.Pattern;
import org.jontrel.core.code.PackageReader;
import org.testng.annotations.Test;

/** What is kept of both sides, wherever it stands. */
public class PackageMergeOrderTest extends PackageMerging {
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
}
