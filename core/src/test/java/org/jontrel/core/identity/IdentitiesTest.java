package org.jontrel.core.identity;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.compare.Comparison;
import org.jontrel.core.compare.Sentences;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Model;
import org.jontrel.core.naming.Ids;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What was written without ids is found again by what its file says, whatever the order. */
public class IdentitiesTest {
    private static PackageReader.Result read(List<String> fields) {
        var text = new StringBuilder(
                "key: lock\nsingular: Lock\nplural: Locks\npath: locks\ngroups:\n  - title: Size\n    fields:\n");
        fields.forEach(field -> text.append("      - {").append(field).append(", kind: text}\n"));
        var files = new TreeMap<String, byte[]>();
        files.put("package.yaml", "name: tessel\nversion: 1.0.0\n".getBytes());
        files.put("types/lock.yaml", text.toString().getBytes(StandardCharsets.UTF_8));
        var read = PackageReader.read(files, List.of());
        assertTrue(read.content().isPresent(), read.findings().toString());
        return read;
    }

    /** By the key of now, the key that each field is taken to have had; empty for a new one. */
    private static Map<String, String> found(List<String> before, List<String> after) {
        var first = read(before);
        var second = read(after);
        var ids = new Ids(new Random(1));
        var root = new Identities(Model.EMPTY, ids)
                .complete(first.content().orElseThrow().model());
        var model = new Identities(root, ids)
                .complete(second.content().orElseThrow().model(), second.was());
        var was = new HashMap<String, String>();
        root.types().getFirst().fields().forEach(field -> was.put(field.id(), field.key()));
        var found = new TreeMap<String, String>();
        model.types()
                .getFirst()
                .fields()
                .forEach((Field field) -> found.put(field.key(), was.getOrDefault(field.id(), "")));
        return found;
    }

    @DataProvider
    public Object[][] renames() {
        return new Object[][] {
            {"a b", "c:a b", "{b=b, c=a}"},
            {"a b", "b:a a:b", "{a=b, b=a}"},
            {"a b", "b:a c:b", "{b=a, c=b}"},
            {"a b c", "b:a c:b a:c", "{a=c, b=a, c=b}"},
            {"length_m length", "length_m:length length", "{length=length, length_m=length_m}"},
            {"a b", "a b c:zzz", "{a=a, b=b, c=}"},
            {"a", "b:a a", "{a=, b=a}"},
        };
    }

    private static List<String> fields(String words) {
        var fields = new ArrayList<String>();
        for (var word : words.split(" ")) {
            var key = word.split(":")[0];
            fields.add("key: " + key + ", label: L" + key + (word.contains(":") ? ", was: " + word.split(":")[1] : ""));
        }
        return fields;
    }

    @Test(dataProvider = "renames")
    public void earlierKeysHoldInAnyOrder(String before, String after, String expected) {
        var fields = fields(after);
        for (int i = 0; i < 6; i++) {
            assertEquals(found(fields(before), fields).toString(), expected, fields.toString());
            Collections.shuffle(fields, new Random(i));
        }
    }

    private static List<String> compared(PackageReader.Result before, PackageReader.Result after) {
        var alignment = Alignment.of(
                new Alignment.Side(before.content().orElseThrow().model(), before.was()),
                new Alignment.Side(after.content().orElseThrow().model(), after.was()),
                new Ids(new Random(1)));
        return Comparison.of(alignment.sides().get(0), alignment.sides().get(1)).changes().stream()
                .map(Sentences::of)
                .toList();
    }

    @Test
    public void idsOnEitherSideAreNoChange() {
        var bare = read(List.of("key: a, label: A", "key: b, label: B"));
        var some = read(List.of("key: a, label: A, id: f00000001", "key: b, label: B"));
        var other = read(List.of("key: b, label: B, id: f00000002", "key: a, label: A, id: f00000001"));
        assertEquals(compared(bare, some), List.of());
        assertEquals(compared(some, bare), List.of());
        assertEquals(compared(some, other).size(), 1);
        assertEquals(compared(bare, other), compared(some, other));
        var renamed = read(List.of("key: c, label: A, id: f00000001", "key: b, label: B"));
        assertEquals(compared(some, renamed), List.of("Lock: field A renamed from a to c"));
    }
}
