package org.jontrel.core.record;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNull;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.value.Row;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Values of a field as it was go to the field as it is, and what cannot is told. */
public class CarriedTest {
    private static final Kind NUMBER = new Kind.Numeric(1, null, null, "");
    private static final Kind.Amount MANY = new Kind.Amount(true, null, null);

    private static Field field(String id, Kind kind) {
        return new Field(id, id, "Field " + id, "", false, kind);
    }

    private static Kind photos(Kind.Amount amount) {
        var one = Kind.Image.PLAIN;
        return new Kind.Image(null, null, null, null, null, false, one.formats(), one.widths(), amount);
    }

    private static Kind rows(Field... fields) {
        return new Kind.Repeater(List.of(fields), null, null, "", Kind.Repeater.RowStyle.TABLE);
    }

    @DataProvider
    public Object[][] single() {
        return new Object[][] {
            {Kind.Text.PLAIN, NUMBER, "2.5", new BigDecimal("2.5")},
            {Kind.Text.PLAIN, NUMBER, "two", null},
            {Kind.Text.PLAIN, Kind.Text.PLAIN, "two", "two"},
            {photos(Kind.Amount.ONE), photos(MANY), 7L, List.of(7L)},
            {photos(MANY), photos(Kind.Amount.ONE), List.of(7L), 7L},
            {photos(MANY), photos(Kind.Amount.ONE), List.of(7L, 8L), null},
            {Kind.Text.PLAIN, rows(field("a", Kind.Text.PLAIN)), "two", null},
            {rows(field("a", Kind.Text.PLAIN)), Kind.Text.PLAIN, List.of(new Row(1, Map.of("a", "x"))), null},
        };
    }

    @Test(dataProvider = "single")
    public void aValueGoesWhereItFits(Kind from, Kind to, Object value, Object expected) {
        var carried = CarriedValues.of(field("f", from), field("f", to), value);
        assertEquals(carried.value(), expected);
        assertEquals(carried.lost(), expected == null ? List.of("Field f") : List.of());
    }

    @Test
    public void nothingStaysNothing() {
        var carried = CarriedValues.of(field("f", Kind.Text.PLAIN), field("f", NUMBER), null);
        assertNull(carried.value());
        assertEquals(carried.lost(), List.of());
    }

    @Test
    public void rowsGoFieldByField() {
        var from = field("f", rows(field("a", Kind.Text.PLAIN), field("b", Kind.Text.PLAIN)));
        var to = field("f", rows(field("a", NUMBER), field("c", Kind.Text.PLAIN)));
        var value = List.of(
                new Row(1, Map.of("a", "2")), new Row(2, Map.of("a", "x", "b", "y")), new Row(3, Map.of("b", "z")));
        var carried = CarriedValues.of(from, to, value);
        assertEquals(carried.value(), List.of(new Row(1, Map.of("a", new BigDecimal("2")))));
        assertEquals(carried.lost(), List.of("Field a", "Field b"));
    }
}
