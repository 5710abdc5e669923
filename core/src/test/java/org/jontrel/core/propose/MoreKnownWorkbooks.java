package org.jontrel.core.propose;

import static org.jontrel.core.propose.MadeUp.decimal;
import static org.jontrel.core.propose.MadeUp.often;
import static org.jontrel.core.propose.MadeUp.one;
import static org.jontrel.core.propose.MadeUp.person;
import static org.jontrel.core.propose.MadeUp.place;
import static org.jontrel.core.propose.MadeUp.sentence;
import static org.jontrel.core.propose.MadeUp.someone;
import static org.jontrel.core.propose.MadeUp.somewhere;
import static org.jontrel.core.propose.MadeUp.whole;

import java.util.List;

/** The other half of them. */
final class MoreKnownWorkbooks {
    private MoreKnownWorkbooks() {}

    static KnownWorkbook clockwork() {
        var book = new KnownWorkbook("clock-collection");
        book.sheet("Clocks", SheetRole.TYPE, 90)
                .column("clock_id", "text", at -> "CL" + (500 + at.row()))
                .column("clock_name", "title", at -> place(at) + " regulator")
                .column("maker", "relation", "Makers", somewhere(18))
                .column("dial_material", "choice", one("brass", "enamel", "silvered", "painted"))
                .column("movement_days", "choice", one("1 day", "8 day", "30 day"))
                .column("height_mm", "number", whole(200, 2500))
                .column("acquired_on", "date", at -> at.from(1, 12) + "/" + at.from(13, 28) + "/" + at.from(1970, 2020))
                .column("on_loan", "yes_no", one("true", "false"))
                .column("insured_for", "number", at -> "£" + at.from(200, 9000));
        book.sheet("Makers", SheetRole.TYPE, 18)
                .column("maker", "title", MadeUp::place)
                .column("active_from", "number", whole(1650, 1800))
                .column("active_to", "number", whole(1801, 1900));
        book.sheet("Repairs", SheetRole.ROWS, 150)
                .column("Clock", "owner", "Clocks", at -> place(at.chance().nextInt(90)) + " regulator")
                .column(
                        "Day",
                        "date",
                        at -> "20%02d-%02d-%02d".formatted(at.from(10, 25), at.from(1, 12), at.from(1, 28)))
                .column("Work done", "choice", one("cleaned", "oiled", "new spring", "case mended"))
                .column("Cost", "number", decimal(10, 400, 2));
        return book;
    }

    static KnownWorkbook seeds() {
        var book = new KnownWorkbook("seed-library");
        book.sheet("Seeds", SheetRole.TYPE, 110)
                .column("Name", "title", MadeUp::place)
                .column(
                        "Family",
                        "terms",
                        "Families",
                        at -> List.of("Roots", "Leaves", "Pods", "Grains")
                                .get(at.chance().nextInt(4)))
                .column("Sow from", "choice", one("March", "April", "May"))
                .column("Days to harvest", "number", whole(30, 180))
                .column("Packets", "number", whole(0, 500))
                .column("Germination rate", "number", at -> at.from(50, 99) + " %")
                .column("Organic", "yes_no", one("Y", "N"))
                .column("Donor e-mail", "email", often(60, at -> "donor" + at.row() + "@seeds.example"))
                .column("Growing notes", "long_text", at -> sentence(at, 25) + "\n" + sentence(at, 12));
        book.sheet("Families", SheetRole.TAXONOMY, 4)
                .column(
                        "Family",
                        "title",
                        at -> List.of("Roots", "Leaves", "Pods", "Grains").get(at.row()))
                .column(
                        "Colour",
                        "colour",
                        at -> List.of("#884400", "#228833", "#66aa22", "#ccaa33")
                                .get(at.row()))
                .column("Description", "text", at -> place(at) + " kind");
        return book;
    }

    static KnownWorkbook ropeways() {
        var book = new KnownWorkbook("ropeway-inspections");
        book.sheet("Ropeways", SheetRole.TYPE, 35)
                .column("Ropeway", "title", at -> place(at) + " line")
                .column("Built", "number", whole(1930, 2015))
                .column("Cable length (m)", "number", at -> at.from(200, 4000) + "," + at.from(1, 9))
                .column("Operator: name", "text", at -> person(at.row()))
                .column("Operator: phone", "phone", at -> "+43 1 555 %04d".formatted(at.row()))
                .column("Operator: e-mail", "email", at -> "op" + at.row() + "@ropeways.example");
        book.sheet("Inspections", SheetRole.TYPE, 140)
                .column("Report no.", "title", at -> "R-%05d".formatted(at.row() * 3 + 11))
                .column(
                        "Ropeway",
                        "relation",
                        "Ropeways",
                        at -> place(at.chance().nextInt(35)) + " line")
                .column(
                        "Inspected on",
                        "date",
                        at -> at.from(1, 28) + " " + at.one("March", "June", "October") + " " + at.from(2010, 2025))
                .column("Result", "choice", one("passed", "passed with remarks", "failed"))
                .column("Load tested (t)", "number", decimal(1, 40, 1))
                .column("Findings", "long_text", often(70, at -> sentence(at, 32)));
        return book;
    }

    static KnownWorkbook kitchens() {
        var book = new KnownWorkbook("community-kitchens");
        book.sheet("Kitchens", SheetRole.TYPE, 45)
                .column("Kitchen", "title", MadeUp::place)
                .column("Street", "text", at -> at.row() + 1 + " " + place(at.row() + 31) + " Street")
                .column("Postcode", "text", at -> "0%04d".formatted(at.row() * 37))
                .column("Open Monday", "row", "Opens", one("11:00", "12:00", "12:30"))
                .column("Open Tuesday", "row", "Opens", one("11:00", "12:00"))
                .column("Open Friday", "row", "Opens", one("10:00", "11:30"))
                .column("Contact 1 name", "row", "Contacts", at -> person(at.row()))
                .column("Contact 1 phone", "row", "Contacts", at -> "+49 30 5550 %03d".formatted(at.row()))
                .column("Contact 2 name", "row", "Contacts", often(50, at -> person(at.row() + 9)))
                .column("Contact 2 phone", "row", "Contacts", often(50, at -> "+49 30 5551 %03d".formatted(at.row())))
                .column("Meals a day", "number", whole(20, 400))
                .column("Step-free", "yes_no", one("yes", "no"));
        book.sheet("Settings", SheetRole.VALUES, 5)
                .column(
                        "Name",
                        "title",
                        at -> List.of("Hotline", "Office e-mail", "Founded", "Web site", "Motto")
                                .get(at.row()))
                .column(
                        "Value",
                        "field",
                        at -> List.of(
                                        "+49 30 5550 000",
                                        "office@kitchens.example",
                                        "1998",
                                        "https://kitchens.example",
                                        "Soup for all")
                                .get(at.row()));
        return book;
    }

    static KnownWorkbook tides() {
        var book = new KnownWorkbook("tide-gauges");
        book.sheet("Gauges", SheetRole.TYPE, 50)
                .column("Gauge", "title", MadeUp::place)
                .column("Code", "text", at -> "%05d".formatted(at.row() * 17 + 4))
                .column("lat", "place", decimal(50, 59, 4))
                .column("lng", "place", at -> "-" + decimal(0, 6, 4).apply(at))
                .column(
                        "Datum (m)",
                        "number",
                        at -> (at.sometimes(50) ? "-" : "") + decimal(0, 4, 3).apply(at))
                .column(
                        "Sea area",
                        "terms",
                        "Sea areas",
                        at -> List.of("Inner sound", "Outer sound", "Long reach", "The narrows")
                                .get(at.chance().nextInt(4)))
                .column(
                        "Instruments",
                        "terms",
                        "Instrument",
                        at -> at.one(
                                "float; radar",
                                "radar",
                                "pressure; float",
                                "bubbler",
                                "acoustic",
                                "stilling well; float",
                                "staff",
                                "camera; staff",
                                "satellite",
                                "laser",
                                "buoy; satellite",
                                "ultrasound",
                                "tide pole",
                                "chart recorder",
                                "siphon",
                                "wave rider; radar",
                                "mercury"))
                .column(
                        "Last visit",
                        "date_time",
                        at -> at.from(13, 28) + "/" + at.from(1, 12) + "/2025 " + at.from(8, 17) + ":"
                                + at.from(10, 59));
        book.sheet("Sea areas", SheetRole.TAXONOMY, 5)
                .column(
                        "Area",
                        "title",
                        at -> List.of("The sea", "Inner sound", "Outer sound", "Long reach", "The narrows")
                                .get(at.row()))
                .column(
                        "Part of",
                        "parent",
                        "Sea areas",
                        at -> at.row() == 0 ? "" : at.row() == 4 ? "Long reach" : "The sea");
        return book;
    }

    static KnownWorkbook workshops() {
        var book = new KnownWorkbook("craft-workshops");
        book.sheet("Workshops", SheetRole.TYPE, 65)
                .column("Workshop", "title", at -> place(at) + " workshop")
                .column("Tutor 1", "row", "Tutors", someone(16))
                .column("Tutor 2", "row", "Tutors", often(40, someone(16)))
                .column("Level", "choice", one("beginner", "advanced", "all"))
                .column("Fee (€)", "number", decimal(20, 300, 2))
                .column("Places", "number", whole(4, 24))
                .column("Begins", "date", at -> "%02d-%02d-2026".formatted(at.from(13, 28), at.from(1, 12)))
                .column("Materials included?", "yes_no", one("Yes", "No"))
                .column("Summary", "long_text", at -> sentence(at, 26));
        book.sheet("Tutors", SheetRole.TYPE, 16)
                .column("Tutor", "title", at -> person(at.row()))
                .column("Mobile", "phone", at -> "07700 900%03d".formatted(at.row()))
                .column("Crafts", "choice", at -> at.one("glass", "glass, clay", "clay", "wood", "wood, clay"));
        book.sheet("Kit", SheetRole.RELATION, 100)
                .column(
                        "Workshop",
                        "owner",
                        "Workshops",
                        at -> place(at.chance().nextInt(65)) + " workshop")
                .column(
                        "Tool",
                        "relation",
                        "Tools",
                        at -> place(100 + at.chance().nextInt(30)) + " tool");
        book.sheet("Tools", SheetRole.TYPE, 30)
                .column("Tool", "title", at -> place(100 + at.row()) + " tool")
                .column("Number in store", "number", whole(1, 40))
                .column("Weight (g)", "number", whole(50, 4000));
        return book;
    }
}
