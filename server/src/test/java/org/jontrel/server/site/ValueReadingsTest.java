package org.jontrel.server.site;

import static org.testng.Assert.assertEquals;

import java.util.List;
import java.util.Optional;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.site.record.read.UnconvertedValues.CountedValue;
import org.jontrel.site.record.read.UnconvertedValues.CountedValues;
import org.testng.annotations.Test;

/** Values that could be read in two ways are told with both, as far as the field can take what they become. */
public class ValueReadingsTest {
    private static String readings(Kind kind, String text) {
        var found = new CountedValues(List.of(new CountedValue(text, 2)), 1, false);
        var field = new Field("fdue", "due", "Due", "", false, kind);
        return SiteViews.values(found, Optional.of(field))
                .values()
                .getFirst()
                .readings()
                .toString()
                .replace("ReadingView", "");
    }

    @Test
    public void bothAreTold() {
        assertEquals(
                readings(Kind.Date.PLAIN, "3/4/2026"),
                "[[as=day_first, becomes=2026-04-03], [as=month_first, becomes=2026-03-04]]");
        assertEquals(
                readings(new Kind.Numeric(3, null, null, "m"), "1,234"),
                "[[as=decimal_comma, becomes=1.234], [as=thousands_comma, becomes=1234]]");
    }

    @Test
    public void nothingIsToldThatTheFieldWouldRefuse() {
        assertEquals(readings(new Kind.Numeric(1, null, null, ""), "1,234"), "[[as=thousands_comma, becomes=1234]]");
        assertEquals(readings(Kind.Date.PLAIN, "soon"), "[]");
        var found = new CountedValues(List.of(new CountedValue("3/4/2026", 2)), 1, false);
        assertEquals(
                SiteViews.values(found, Optional.empty()).values().getFirst().readings(), List.of());
    }
}
