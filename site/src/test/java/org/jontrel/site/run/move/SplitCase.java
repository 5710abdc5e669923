package org.jontrel.site.run.move;

import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jontrel.core.code.Decision;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.value.Link;

/** Gates are to be a type of their own, and no longer a sort of moorings. */
abstract class SplitCase extends TypesCase {
    static final Field SORT = own(MOORING, "sort", new Kind.Choice(SORTS));
    static final Field NEXT_TO = own(MOORING, "next_to", new Kind.Relation(Set.of(MOORING), MANY, false, true, null));
    static final Model ALL = model(mooring(SORT, NEXT_TO), inspection(MOORING));
    static final Model SPLIT =
            model(mooring(SORT, NEXT_TO), gate(own(GATE, "lifts", Kind.YesNo.PLAIN)), inspection(MOORING, GATE));
    static final Decision PART =
            decide(GATE, Decision.Topic.RECORD_TYPE, Decision.Action.MOVE, "mooring where sort = gate");
    long north;
    long south;
    long weir;
    long look;

    static ContentType gate(Field... more) {
        var fields = new Field[more.length + 1];
        fields[0] = own(GATE, "length", Kind.Text.PLAIN);
        System.arraycopy(more, 0, fields, 1, more.length);
        return type(GATE, Set.of(), fields);
    }

    void records() {
        test.install("1.0.0", ALL);
        north = save(MOORING, "North", Map.of("length", "4", "sort", "gate"));
        weir = save(MOORING, "Weir", Map.of("length", "30", "sort", "weir"));
        south = save(MOORING, "South", Map.of("length", "5", "sort", "gate"));
        var plain = save(MOORING, "Plain", Map.of("next_to", List.of(weir)));
        look = save(
                INSPECTION,
                "Look",
                Map.of("of", link(MOORING, north), "near", List.of(link(MOORING, weir), link(MOORING, south))));
        under(INSPECTION, "Below", new Link(MOORING, south));
        assertTrue(plain > 0);
    }
}
