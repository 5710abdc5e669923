package org.jontrel.core.page;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jontrel.core.model.Index;
import org.jontrel.core.page.index.AskedList;
import org.jontrel.core.page.index.IndexFilters;
import org.jontrel.core.page.index.ListFacts;
import org.testng.annotations.Test;

/** What the addresses of lists ask for. */
public class AskedListTest {
    @Test
    public void whatIsAskedStandsInTheAddressAndIsReadFromIt() {
        var model = IndexPageTest.model("index: {filters: [water, q, manned, built, rise], search: true}");
        var filters = IndexFilters.of(model, model.model().types().getFirst());
        var odd = "a&b=c?d#e %ü 😀";
        var asked = AskedList.of(
                filters,
                Map.of(
                        "water", List.of("main/flight", odd),
                        "q_", List.of("good"),
                        "built.from", List.of("2020-01-01"),
                        "q", List.of(odd)));
        var address = asked.after("abc").address("locks");
        var read = AskedList.of(filters, parameters(address));
        assertEquals(read, asked.after("abc"));
        assertFalse(read.isUntidy(parameters(address)));
        assertTrue(AskedList.of(filters, parameters("locks/?rise.from=&q=x"))
                .isUntidy(parameters("locks/?rise.from=&q=x")));
        assertFalse(asked.isUntidy(Map.of("utm", List.of(""))), "what is no filter of this list says nothing");
    }

    @Test
    public void aFieldMayBeCalledAsATaxonomyIs() {
        var model = IndexPageTest.modelOf(
                IndexPageTest.TYPE.formatted("index: {filters: [rise]}").replace("key: manned", "key: water"));
        var type = model.model().types().getFirst();
        var both = type.withIndex(new PageModel(model.model())
                .recordType(type.id()).stream()
                        .flatMap(each -> each.fields())
                        .filter(field -> field.key().equals("water"))
                        .map(field -> field.id())
                        .collect(Collectors.collectingAndThen(Collectors.toList(), AskedListTest::filtered)));
        assertEquals(
                IndexFilters.of(new PageModel(model.model().with(both)), both).accepted().stream()
                        .map(filter -> filter.name())
                        .toList(),
                List.of("water_", "water"));
    }

    private static Index filtered(List<String> filters) {
        return new Index(
                true,
                "part_title",
                false,
                24,
                Index.ListForm.CARDS,
                List.of(),
                Index.Across.FITTING,
                "",
                "",
                filters,
                false);
    }

    private static Map<String, List<String>> parameters(String address) {
        return Arrays.stream(address.substring(address.indexOf('?') + 1).split("&"))
                .map(part -> part.split("=", 2))
                .collect(Collectors.groupingBy(
                        part -> part[0],
                        Collectors.mapping(
                                part -> URLDecoder.decode(part[1], StandardCharsets.UTF_8), Collectors.toList())));
    }

    @Test
    public void anAddressCannotAskForMoreThanALimit() {
        var model = IndexPageTest.model("index: {filters: [water], search: true}");
        var filters = IndexFilters.of(model, model.model().types().getFirst());
        var many = new ArrayList<String>();
        for (int i = 0; i < 1_000; i++) {
            many.add("value-" + i);
        }
        many.add("x".repeat(10_000));
        var asked = AskedList.of(filters, new HashMap<>(Map.of("water", many, "q", List.of("w".repeat(100_000)))));
        assertEquals(asked.chosen().get("water").size(), 50);
        assertTrue(asked.words().length() <= 2_000);
        assertEquals(
                asked.where(ListFacts.NONE, java.util.Optional.empty()).all().count(), 1L);
    }
}
