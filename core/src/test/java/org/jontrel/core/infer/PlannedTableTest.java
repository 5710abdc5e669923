package org.jontrel.core.infer;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.jontrel.core.model.Kind;
import org.testng.annotations.Test;

/** A pasted table that plans fields is read as fields. */
public class PlannedTableTest extends Inferring {
    @Test
    public void aTableThatPlansFieldsIsReadAsFields() {
        var found = infer(SHEET, "story");
        assertEquals(
                found.stream()
                        .map(each -> each.field().label() + "|" + each.field().key() + "|"
                                + each.field().kind().code() + "|"
                                + each.field().required() + "|"
                                + each.field().help())
                        .toList(),
                List.of(
                        "Rise|rise|number|true|From sill to sill",
                        "Surface|surface|choice|false|What one walks on",
                        "Facilities|facilities|choice|false|",
                        "Story|story_2|long_text|false|",
                        "Photos|photos|image|false|",
                        "Open|open|yes_no|true|",
                        "Keeper|keeper|relation|false|",
                        "Inspections|inspections|repeater|false|",
                        "Colour scheme|colour_scheme|choice|false|",
                        "Warden's e-mail|wardens_e_mail|email|false|"));
        var rise = (Kind.Numeric) found.get(0).field().kind();
        assertEquals(List.of(rise.decimals(), rise.unit()), List.of(2, "m"));
        var surface = (Kind.Choice) found.get(1).field().kind();
        assertEquals(
                surface.options().stream().map(Kind.Option::label).toList(),
                List.of("Grass", "Hard standing", "Timber"));
        assertTrue(((Kind.Choice) found.get(2).field().kind()).amount().many());
        assertEquals(
                ((Kind.Relation) found.get(6).field().kind()).to(),
                Set.of(MODEL.typeByKey("person").orElseThrow().id()));
        assertEquals(
                found.get(7).field().inner().stream()
                        .map(inner -> inner.key() + ":" + inner.kind().code())
                        .toList(),
                List.of("day_date:date", "faults:text"));
        assertEquals(found.get(9).why(), "its name: “carrier pigeon” is no kind of field here");
    }

    @Test(dataProvider = "tables")
    public void aTableIsAPlanWhereItsRowsAreFields(String table, String fields) {
        assertEquals(
                infer(table).stream()
                        .map(each -> each.field().label() + ":" + each.field().required())
                        .collect(Collectors.joining(" ")),
                fields);
    }

    @Test
    public void keysOfAPlanAreTakenWhereTheyAreKeys() {
        var found = infer("Key\tLabel\tKind\nthe_rise\tRise\tnumber\nBad Key\tSill\ttext\n");
        assertEquals(found.stream().map(each -> each.field().key()).toList(), List.of("the_rise", "sill"));
    }

    @Test
    public void aChoiceOfAListIsThatList() {
        var kind = (Kind.Choice)
                infer("State choice from conditions").getFirst().field().kind();
        assertEquals(kind.options(), List.of());
        assertTrue(MODEL.definition(kind.list()).isPresent());
        var habitat = (Kind.TermPick)
                infer("Habitat term of habitat many").getFirst().field().kind();
        assertTrue(
                habitat.amount().many() && MODEL.definition(habitat.taxonomy()).isPresent());
    }
}
