package org.jontrel.core.infer;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.jontrel.core.Examples;
import org.jontrel.core.check.ModelCheck;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.format.Things;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.shape.WriteContext;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Lines and pasted rows, and the fields that come of them. */
public class InferTest {
    private static final Model MODEL = Examples.seedBank();

    private static List<Proposal> infer(String text, String... taken) {
        return new Infer(MODEL, Set.of(taken), new Ids(new java.util.Random(3))).fields(text);
    }

    /** A field as a file has it, without its id and with references by key. */
    private static String written(Proposal proposal) {
        var tree =
                new java.util.LinkedHashMap<>(Things.of(proposal.field()).write(proposal.field(), WriteContext.PLAIN));
        tree.remove("id");
        return tree.toString().replaceAll("\\{id=\\w+, ", "{");
    }

    @DataProvider
    public Object[][] lines() {
        var person = MODEL.typeByKey("person").orElseThrow().id();
        var vault = MODEL.typeByKey("vault").orElseThrow().id();
        return new Object[][] {
            {
                "Rise number 2 decimals m required",
                "{key=rise, label=Rise, kind=number, required=true, decimals=2, unit=m}"
            },
            {"Berths number min 1 max 40", "{key=berths, label=Berths, kind=number, min=1, max=40}"},
            {
                "Width of the gate number 1 decimal in m",
                "{key=width_of_the_gate, label=Width of the gate, kind=number, decimals=1, unit=m}"
            },
            {
                "Surface: Grass, Hard standing; Timber",
                "{key=surface, label=Surface, kind=choice, options=[{key=grass, label=Grass}, {key=hard_standing, label=Hard standing}, {key=timber, label=Timber}]}"
            },
            {
                "Surface: Grass, Gravel required",
                "{key=surface, label=Surface, kind=choice, required=true, options=[{key=grass, label=Grass}, {key=gravel, label=Gravel}]}"
            },
            {"Keeper relation to people", "{key=keeper, label=Keeper, kind=relation, to=[" + person + "]}"},
            {
                "Seen at relation many to vault",
                "{key=seen_at, label=Seen at, kind=relation, to=[" + vault + "], many=true}"
            },
            {"Reference text unique max 12", "{key=reference, label=Reference, kind=text, max_length=12, unique=true}"},
            {"Open yes/no", "{key=open, label=Open, kind=yes_no}"},
            {"Story rich text", "{key=story, label=Story, kind=rich_text}"},
            {"Begins date and time required", "{key=begins, label=Begins, kind=date_time, required=true}"},
            {"Photos image many", "{key=photos, label=Photos, kind=image, many=true}"},
            {"Legs repeater", "{key=legs, label=Legs, kind=repeater, fields=[]}"},
            {"Warden's e-mail", "{key=wardens_e_mail, label=Warden's e-mail, kind=email}"},
            {"Start date required", "{key=start_date, label=Start date, kind=date, required=true}"},
            {"Length (m)", "{key=length, label=Length, kind=number, decimals=2, unit=m}"},
            {"Is it open", "{key=is_it_open, label=Is it open, kind=yes_no}"},
            {"Something", "{key=something, label=Something, kind=text}"},
            {"text", "{key=text, label=text, kind=text}"},
            {"Text number", "{key=text, label=Text, kind=number}"},
            {"rating 1 to 5", "{key=rating, label=rating, kind=number, min=1, max=5}"},
            {"Rating: 1–5", "{key=rating, label=Rating, kind=number, min=1, max=5}"},
            {"Humidity 0 to 100 %", "{key=humidity, label=Humidity, kind=number, min=0, max=100, unit=%}"},
            {"Score number 1 to 5 required", "{key=score, label=Score, kind=number, required=true, min=1, max=5}"},
            {"Strike note text", "{key=strike_note, label=Strike note, kind=text}"},
            {"File number text", "{key=file_number, label=File number, kind=text}"},
            {"Cast: date", "{key=cast, label=Cast, kind=date}"},
            {
                "Cast: number 1 decimal t required",
                "{key=cast, label=Cast, kind=number, required=true, decimals=1, unit=t}"
            },
            {
                "Inspections repeater: a, b",
                "{key=inspections, label=Inspections, kind=repeater, fields=[{key=a, label=a, kind=text}, {key=b, label=b, kind=text}], shown=table}"
            },
            {
                "Inspections repeater: day date required, faults long text, score 1 to 5",
                "{key=inspections, label=Inspections, kind=repeater, fields=[{key=day_date, label=day date, kind=date, required=true}, {key=faults, label=faults, kind=long_text}, {key=score, label=score, kind=number, min=1, max=5}], shown=table}"
            },
            {"Opened on required", "{key=opened_on, label=Opened on, kind=date, required=true}"},
            {"https://example.org, a, b", "{key=https_example_org_a_b, label=https://example.org, a, b, kind=text}"},
        };
    }

    @Test(dataProvider = "lines")
    public void aLineSaysLabelKindAndSettings(String line, String field) {
        assertEquals(infer(line).stream().map(InferTest::written).toList(), List.of(field));
    }

    private static final String SHEET = """
            Label\tType\tRequired\tHelp\tOptions
            Rise\tNumber (2 decimals m)\tyes\tFrom sill to sill\t
            Surface\tDropdown\tno\tWhat one walks on\tGrass; Hard standing; Timber
            Facilities\tCheckboxes\t\t\tWater, Power
            Story\tParagraph\t\t\t
            Photos\tGallery\t\t\t
            Open\tBoolean\tY\t\t
            Keeper\tReference\t\t\tPerson
            Inspections\tRepeater\t\t\tday date, faults
            Colour scheme\t\t\t\tLight / Dark
            Warden's e-mail\tcarrier pigeon\t\t\t
            """;

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

    @DataProvider
    public Object[][] tables() {
        return new Object[][] {
            {"Field name\tMandatory\tNotes\nRise*\t\tx\nBuilt on\tyes\t\n", "Rise:true Built on:true"},
            {"Key\tLabel\tKind\nthe_rise\tRise\tnumber\nBad Key\tSill\ttext\n", "Rise:false Sill:false"},
            {"Label\tType\n\ttext\nSill\ttext\n", "Sill:false"},
            // data that happens to have such headings
            {"Name\tType\tNotes\nAshlow\tflight\told\nTarn\tsingle\tnew\n", "Name:false Type:false Notes:false"},
            {"Name\tDescription\nAshlow\tA lock\n", "Name:false Description:false"},
            {"Label\tType\n", "Label:false Type:false"},
        };
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

    @Test
    public void aListOfNamesLosesItsBulletsAndKeysMeetNothing() {
        var found = infer("- Name\n• Name\n3. Date of birth\n\n   \nname", "name");
        assertEquals(
                found.stream()
                        .map(each ->
                                each.field().key() + ":" + each.field().kind().code())
                        .toList(),
                List.of("name_2:text", "name_3:text", "date_of_birth:date", "name_4:text"));
    }

    @DataProvider
    public Object[][] columns() {
        return new Object[][] {
            {"Rise\n2,59\n3,1\n", "number decimals=2"},
            {"Rise\n2.5 m\n3 m\n12.25 m\n", "number decimals=2 unit=m"},
            {"Rise (ft)\n8\n9\n", "number decimals=0 unit=ft"},
            {"Rise\n8 ft\n2.5 m\n", "text"},
            {"Visits\n1,204\n980\n", "number decimals=0"},
            {"Opened\n2026-05-01\n2025-12-31\n", "date"},
            {"Opened\n1.5.2026\n31.12.2025\n", "date"},
            {"Opened\n1 May 2026\n", "date"},
            {"Begins\n2026-05-01 09:30\n", "date_time"},
            {"Opens\n9:30\n10:00\n", "time"},
            {"Open\nyes\nno\nYes\n", "yes_no"},
            {"Write\na@example.org\nb@example.org\n", "email"},
            {"See\nhttps://example.org\n", "url"},
            {"Call\n+44 20 7946 0000\n020 7946 0001\n", "phone"},
            {"Tint\n#1d5a6b\n", "colour"},
            {"Surface\nGrass\nHard\ngrass\nHard\nGrass\nHard\n", "choice options=2"},
            {"Name\nAshlow\nTarn\nMill\nOrrin\n", "text"},
            {"Story\n" + "word ".repeat(40) + "\n", "long_text"},
        };
    }

    @Test(dataProvider = "columns")
    public void samplesSayWhatAColumnHolds(String column, String expected) {
        var text = column.lines().map(line -> line + "\tx").collect(Collectors.joining("\n"));
        var field = infer(text).getFirst().field();
        var said =
                switch (field.kind()) {
                    case Kind.Numeric number ->
                        "number decimals=" + number.decimals()
                                + (number.unit().isEmpty() ? "" : " unit=" + number.unit());
                    case Kind.Choice choice ->
                        "choice options=" + choice.options().size();
                    default -> field.kind().code();
                };
        assertEquals(said, expected);
    }

    @Test
    public void columnsHaveReasonsAndSamplesAndOddRowsDoNoHarm() {
        var found = infer("Name\tDepth\t\nA\t2.5\tz\nB\nC\t3\n\"D\nE\"\t4\n");
        assertEquals(found.stream().map(each -> each.field().label()).toList(), List.of("Name", "Depth", "Column 3"));
        assertEquals(found.get(1).why(), "its 3 samples, all numbers");
        assertEquals(found.get(1).samples(), List.of("2.5", "3", "4"));
        assertEquals(infer("\t\n"), List.of());
        assertEquals(infer("  \n"), List.of());
        assertEquals(infer("a\n".repeat(1_000)).size(), Infer.MOST);
    }

    @Test
    public void whatIsInferredPassesTheChecksInAType() {
        var lines =
                "Rise number 2 decimals m required\nSurface: Grass, Hard\nOpen yes/no\nBegins date and time\nKeeper relation to person\nStory rich text";
        var type = MODEL.typeByKey("vault").orElseThrow();
        var group = type.groups().getFirst();
        var fields = new java.util.ArrayList<>(group.fields());
        infer(lines).forEach(each -> fields.add(each.field()));
        var model = MODEL.with(type.withSections(List.of(group.withFields(fields))));
        assertTrue(
                !Finding.blocks(ModelCheck.check(model)),
                ModelCheck.check(model).toString());
        assertTrue(PackageWriter.text(model, model.typeByKey("vault").orElseThrow())
                .contains("key: rise"));
    }

    /** Rows within rows go as deep as they may; what is deeper is a word like any other. */
    @Test
    public void rowsWithinRowsAreNoDeeperThanTheyMayBe() {
        var kind = infer("a repeater: ".repeat(50_000)).getFirst().field().kind();
        int depth = 0;
        for (; kind instanceof Kind.Repeater rows && !rows.fields().isEmpty(); depth++) {
            kind = rows.fields().getFirst().kind();
        }
        assertTrue(depth <= Kind.Repeater.DEEPEST, depth + " deep");
        assertEquals(written(infer("Score 5 to 1").getFirst()), "{key=score_5_to_1, label=Score 5 to 1, kind=text}");
    }

    /** A line as long as a book is one field, whose label is cut; its words are looked at once. */
    @Test
    public void aVeryLongLineHoldsNobodyUp() {
        var fields = new Infer(Model.EMPTY, Set.of(), Ids.secure()).fields("word ".repeat(400_000));
        assertEquals(fields.size(), 1);
    }
}
