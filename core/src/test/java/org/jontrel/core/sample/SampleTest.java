package org.jontrel.core.sample;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Map;
import org.jontrel.core.Examples;
import org.jontrel.core.edit.ResolvedDefinition;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Model;
import org.jontrel.core.record.FormCheck;
import org.testng.annotations.Test;

/** Made-up values, and what forms and the API make of values. */
public class SampleTest {
    private static final Model MODEL = Examples.seedBank();

    private static List<Group> groups(String key) {
        return new ResolvedDefinition(MODEL).groups(definition(key));
    }

    private static Definition definition(String key) {
        return MODEL.definitions().stream()
                .filter(each -> each.key().equals(key))
                .findFirst()
                .orElseThrow();
    }

    @Test
    public void madeUpValuesSatisfyTheirDefinitions() {
        for (var definition : MODEL.definitions()) {
            var groups = new ResolvedDefinition(MODEL).groups(definition);
            for (int number = 1; number < 30; number++) {
                var values = new SampleValues(MODEL).of(List.of(), groups, number);
                var problems = FormCheck.check(List.of(), groups, values).problems().stream()
                        // a pattern cannot be made up
                        .filter(problem -> !problem.path().equals("number"))
                        .map(problem -> problem.path() + " " + problem.finding().sentence())
                        .toList();
                assertEquals(problems, List.of(), definition.key());
                assertEquals(new SampleValues(MODEL).of(List.of(), groups, number), values, "always the same");
            }
        }
    }

    @Test
    public void formsSayWhereWithinRowsSomethingIsWrong() {
        var rows = List.of(
                Map.of("begun", "2026-01-01", "sown", 10, "readings", List.of(Map.of("day", 0))),
                Map.of("sown", "many", "failed", true, "cause", "rot"));
        var checked = FormCheck.check(List.of(), groups("accession"), Map.of("tests", rows, "wild", true));
        var paths = checked.problems().stream().map(FormCheck.Problem::path).toList();
        assertTrue(
                paths.containsAll(List.of(
                        "tests.0.readings.0.day",
                        "tests.1.begun",
                        "tests.1.sown",
                        "tests.1.cause",
                        "species",
                        "number",
                        "received")),
                paths.toString());
        assertTrue(checked.hidden().contains("donor"), "donor gardens are for what is cultivated");
        assertTrue(checked.hidden().contains("tests.0.cause"), checked.hidden().toString());
        assertFalse(checked.hidden().contains("tests.1.cause"));
        assertFalse(paths.contains("donor"));
    }

    @Test
    public void countsAndPlacesHaveTheirLimits() {
        var many = java.util.stream.IntStream.range(0, 41)
                .mapToObj(i -> Map.of("begun", "2026-01-01", "sown", 1))
                .toList();
        var values = Map.of(
                "tests", many,
                "collectors", List.of("a", "b", "c", "d", "e", "f", "g"),
                "site", Map.of("latitude", "91", "longitude", "x"));
        var found = FormCheck.check(List.of(), groups("accession"), values).problems().stream()
                .filter(problem -> !problem.required())
                .map(problem -> problem.path() + " " + problem.finding().code())
                .toList();
        assertEquals(found, List.of("collectors VALUES_TOO_MANY", "site VALUE_NOT_PLACE", "tests VALUES_TOO_MANY"));
        var hidden = FormCheck.check(List.of(), groups("accession"), Map.of("wild", false))
                .hidden();
        assertTrue(hidden.contains(definition("provenance").id()), "a shared group can be hidden as a whole");
    }

    @Test
    public void whatIsKeptOutOfTheApiStaysOutOfExampleAndSchema() {
        var groups = groups("accession");
        var values = new SampleValues(MODEL).of(List.of(), groups, 1);
        var example = ApiShape.example(List.of(), groups, values);
        var schema = ApiShape.schema("Accession", List.of(), groups);
        assertTrue(values.containsKey("permit"));
        assertFalse(example.containsKey("permit"));
        assertFalse(((Map<?, ?>) schema.get("properties")).containsKey("permit"));
        assertFalse(((Map<?, ?>) schema.get("properties")).containsKey("hints"));
        assertEquals(
                schema.get("required"), List.of("species", "number", "received"), "what may be hidden is not promised");
        assertTrue(example.get("altitude") instanceof java.math.BigDecimal);
        assertTrue(example.get("tests") instanceof List<?> list
                && list.getFirst() instanceof Map<?, ?> row
                && row.containsKey("readings"));
        for (var field : groups.getFirst().fields()) {
            fits(field, example.get(field.key()), (Map<?, ?>) schema.get("properties"));
        }
    }

    private static void fits(Field field, Object value, Map<?, ?> properties) {
        var property = (Map<?, ?>) properties.get(field.key());
        if (value == null || property == null) {
            return;
        }
        var type = property.get("type").toString();
        var expected =
                switch (value) {
                    case List<?> _ -> "array";
                    case Map<?, ?> _ -> "object";
                    case Boolean _ -> "boolean";
                    case Number _ -> type.equals("integer") ? "integer" : "number";
                    default -> "string";
                };
        assertEquals(type, expected, field.key());
    }
}
