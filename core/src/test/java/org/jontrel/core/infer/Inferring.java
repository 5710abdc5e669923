package org.jontrel.core.infer;

import java.util.List;
import java.util.Set;
import org.jontrel.core.Examples;
import org.jontrel.core.format.Things;
import org.jontrel.core.model.Model;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.shape.WriteContext;
import org.testng.annotations.DataProvider;

/** Fields inferred from what people paste. */
abstract class Inferring {
    static final Model MODEL = Examples.seedBank();

    static List<Proposal> infer(String text, String... taken) {
        return new Infer(MODEL, Set.of(taken), new Ids(new java.util.Random(3))).fields(text);
    }

    /** A field as a file has it, without its id and with references by key. */
    static String written(Proposal proposal) {
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

    static final String SHEET = """
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
}
