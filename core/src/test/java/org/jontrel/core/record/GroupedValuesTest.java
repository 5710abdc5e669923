package org.jontrel.core.record;

import static org.testng.Assert.assertEquals;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Part;
import org.jontrel.core.recordtype.RecordType;
import org.testng.annotations.Test;

/** Values of fields at any depth of groups. */
public class GroupedValuesTest {
    private static final RecordType TYPE = type();

    private static RecordType type() {
        var street = new Field("fstreet", "street", "Street", "", false, Kind.Text.PLAIN);
        var town = new Field("ftown", "town", "Town", "", false, Kind.Text.PLAIN);
        var inner = new Field("finner", "inner", "Inner", "", false, new Kind.FieldGroup(List.of(street)));
        var place = new Field("fplace", "place", "Place", "", false, new Kind.FieldGroup(List.of(inner, town)));
        var note = new Field("fnote", "note", "Note", "", false, Kind.Text.PLAIN);
        var definition = new ContentType(
                "tmooring",
                "mooring",
                "Mooring",
                "Moorings",
                "",
                "",
                "moorings",
                Map.of(),
                List.of(Part.TITLE),
                List.of(new Group("gberth", "Berth", "", List.of(place, note))));
        return RecordType.of(definition, List.of(place, note));
    }

    @Test
    public void aValueIsPutAndFoundInItsGroups() {
        var values = Map.<String, Object>of("fnote", "n", "fplace", Map.of("ftown", "T"));
        var all = GroupedValues.with(TYPE, values, "fstreet", "S");
        assertEquals(all, Map.of("fnote", "n", "fplace", Map.of("ftown", "T", "finner", Map.of("fstreet", "S"))));
        assertEquals(GroupedValues.get(TYPE, all, "fstreet"), Optional.of("S"));
        assertEquals(GroupedValues.get(TYPE, values, "fstreet"), Optional.empty());
        assertEquals(GroupedValues.without(TYPE, all, "fstreet"), values, "a group without values is gone with it");
        assertEquals(GroupedValues.without(TYPE, values, "ftown"), Map.of("fnote", "n"));
    }

    @Test
    public void whatStandsInNoGroupIsAtTheTop() {
        var all = GroupedValues.with(TYPE, Map.of(), "fnote", "n");
        assertEquals(all, Map.of("fnote", "n"));
        assertEquals(GroupedValues.get(TYPE, all, "fnote"), Optional.of("n"));
        assertEquals(GroupedValues.without(TYPE, all, "fnote"), Map.of());
        assertEquals(GroupedValues.with(TYPE, all, "fnever", "x"), all, "what is no field of it has no place");
    }
}
