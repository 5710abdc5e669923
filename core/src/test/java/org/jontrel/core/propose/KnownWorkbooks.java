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

/** Twelve workbooks as clients send them, each written from a model that is known. All of it is made up. */
public final class KnownWorkbooks {
    private KnownWorkbooks() {}

    public static List<KnownWorkbook> all() {
        return List.of(
                foundry(),
                ferries(),
                orchards(),
                tapestries(),
                huts(),
                lectures(),
                MoreKnownWorkbooks.clockwork(),
                MoreKnownWorkbooks.seeds(),
                MoreKnownWorkbooks.ropeways(),
                MoreKnownWorkbooks.kitchens(),
                MoreKnownWorkbooks.tides(),
                MoreKnownWorkbooks.workshops());
    }

    private static KnownWorkbook foundry() {
        var book = new KnownWorkbook("bell-register");
        book.sheet("Bells", SheetRole.TYPE, 80)
                .column("Bell", "title", MadeUp::place)
                .column("Inventory no.", "text", at -> "B-%04d".formatted(at.row() * 7 + 3))
                .column("Weight (kg)", "number", whole(80, 4000))
                .column("Diameter (cm)", "number", decimal(40, 190, 1))
                .column(
                        "Cast on",
                        "date",
                        at -> "%04d-%02d-%02d".formatted(at.from(1700, 1990), at.from(1, 12), at.from(1, 28)))
                .column("Note struck", "choice", one("C", "D", "E", "F sharp", "G", "A"))
                .column("Cracked", "yes_no", one("yes", "no"))
                .column("Tower", "relation", "Towers", somewhere(30))
                .column("Inscription", "long_text", at -> sentence(at, 30));
        book.sheet("Towers", SheetRole.TYPE, 30)
                .column("Tower", "title", MadeUp::place)
                .column("Latitude", "place", decimal(50, 58, 3))
                .column("Longitude", "place", at -> "-" + decimal(0, 5, 3).apply(at))
                .column("Open to visitors", "yes_no", one("Yes", "No"))
                .column("Steps", "number", whole(40, 400))
                .column("Warden's e-mail", "email", often(70, at -> "warden" + at.row() + "@towers.example"));
        return book;
    }

    private static KnownWorkbook ferries() {
        var book = new KnownWorkbook("ferry-lines");
        book.sheet("Crossings", SheetRole.TYPE, 40)
                .groups("", "", "Fares", "", "", "Boat", "")
                .column("Crossing", "title", at -> place(at.row()) + " to " + place(at.row() + 9))
                .column(
                        "Line",
                        "terms",
                        "Line",
                        one(
                                "Coast > North coast > Skerry run",
                                "Coast > North coast",
                                "Coast > South coast",
                                "Lakes > Upper lake",
                                "Lakes > Lower lake"))
                .column("Fare adult", "row", "Fares", decimal(2, 9, 2))
                .column("Fare child", "row", "Fares", decimal(1, 4, 2))
                .column("Fare senior", "row", "Fares", decimal(1, 5, 2))
                .column("Length (m)", "number", decimal(10, 60, 1))
                .column("Registered", "date", at -> at.from(1, 28) + "/" + at.from(1, 12) + "/" + at.from(1980, 2020));
        book.sheet("Landings", SheetRole.TYPE, 25)
                .column("Name", "title", MadeUp::place)
                .column("Phone", "phone", at -> "+44 20 7946 %04d".formatted(at.row() * 13))
                .column("First boat", "time", at -> "%02d:%02d".formatted(at.from(5, 9), at.from(0, 59)))
                .column("Photo 1", "row", "Photos", at -> "landing" + at.row() + "a.jpg")
                .column("Photo 2", "row", "Photos", often(60, at -> "landing" + at.row() + "b.jpg"))
                .column("Photo 3", "row", "Photos", often(30, at -> "landing" + at.row() + "c.jpg"));
        book.sheet("Calls", SheetRole.RELATION, 90)
                .column("Crossing", "owner", "Crossings", at -> {
                    int n = at.chance().nextInt(40);
                    return place(n) + " to " + place(n + 9);
                })
                .column("Landing", "relation", "Landings", somewhere(25));
        return book;
    }

    private static KnownWorkbook orchards() {
        var book = new KnownWorkbook("orchard-survey");
        book.sheet("Trees", SheetRole.TYPE, 200)
                .column("Tag", "title", at -> "T" + (1000 + at.row()))
                .column("Variety", "relation", "Varieties", somewhere(24))
                .column("Girth (cm)", "number", whole(20, 300))
                .column("Health", "choice", one("good", "fair", "poor", "dead"))
                .column("Uses", "choice", at -> at.one("cider, table", "table", "cider", "perry", "table, perry"))
                .column(
                        "Last pruned",
                        "date",
                        often(80, at -> at.from(13, 28) + "." + at.from(1, 12) + "." + at.from(2015, 2025)))
                .column("Position", "place", at -> "51.%d, -2.%d".formatted(at.from(1000, 9999), at.from(1000, 9999)))
                .column("Remarks", "long_text", often(40, at -> sentence(at, 28)));
        book.sheet("Varieties", SheetRole.TYPE, 24)
                .column("Variety", "title", MadeUp::place)
                .column("Ripens", "choice", one("August", "September", "October"))
                .column("Blossom colour", "colour", one("#ffc0cb", "#ffffff", "#ff99aa"))
                .column("Parent", "parent", "Varieties", often(40, somewhere(24)))
                .column("Reference", "url", at -> "https://varieties.example/" + at.row());
        return book;
    }

    private static KnownWorkbook tapestries() {
        var book = new KnownWorkbook("woven-works");
        book.sheet("Works", SheetRole.TYPE, 120)
                .column("Title", "title", at -> "The " + place(at))
                .column("Accession number", "text", at -> "%04d.%03d".formatted(1950 + at.row() % 60, at.row()))
                .column("Weavers", "relation", "Weavers", at -> person(at.from(0, 19)) + "; " + person(at.from(20, 35)))
                .column(
                        "Materials",
                        "terms",
                        "Material",
                        at -> at.one(
                                "wool; silk",
                                "wool",
                                "silk; gilt thread",
                                "linen",
                                "wool; linen",
                                "cotton; wool",
                                "hemp",
                                "flax; silk",
                                "nettle",
                                "mohair; silk",
                                "camel hair",
                                "horsehair",
                                "metal strip; silk",
                                "jute",
                                "ramie",
                                "goat hair; wool"))
                .column("Height (cm)", "number", whole(50, 400))
                .column("Width (cm)", "number", whole(50, 700))
                .column("Value (GBP)", "number", at -> at.from(1, 90) + "," + at.from(100, 999))
                .column("On show", "yes_no", often(30, at -> "x"))
                .column("Image", "image", at -> "work_" + at.row() + ".png");
        book.sheet("Weavers", SheetRole.TYPE, 36)
                .column("Name", "title", at -> person(at.row()))
                .column("Born", "number", whole(1850, 1980))
                .column("Biography", "long_text", at -> sentence(at, 40))
                .column("Web site", "url", often(50, at -> "https://weaver" + at.row() + ".example"));
        return book;
    }

    private static KnownWorkbook huts() {
        var book = new KnownWorkbook("mountain-huts");
        book.sheet("Huts", SheetRole.TYPE, 60)
                .column("Hut name", "title", at -> place(at) + " hut")
                .column(
                        "Region",
                        "terms",
                        "Region",
                        one("North ridge", "South ridge", "Lake side", "Great moor", "Upper glen"))
                .column("Altitude (m)", "number", whole(600, 2800))
                .column("Beds", "number", whole(4, 90))
                .column("Price summer", "row", "Prices", decimal(20, 60, 2))
                .column("Price winter", "row", "Prices", decimal(15, 50, 2))
                .column(
                        "Facilities",
                        "choice",
                        at -> at.one("stove|water", "stove", "water|light|stove", "light", "water|light"))
                .column("Keeper", "relation", "People", someone(20))
                .column("Deputy", "relation", "People", often(60, someone(20)))
                .column("Description", "long_text", at -> sentence(at, 35))
                .column("Opened", "number", whole(1900, 2015));
        book.sheet("People", SheetRole.TYPE, 20)
                .column("Name", "title", at -> person(at.row()))
                .column("Telephone", "phone", at -> "0%d %d".formatted(at.from(1000, 9999), at.from(100000, 999999)))
                .column("E-mail", "email", at -> "p" + at.row() + "@huts.example");
        return book;
    }

    private static KnownWorkbook lectures() {
        var book = new KnownWorkbook("evening-lectures");
        book.sheet("Lectures", SheetRole.TYPE, 70)
                .column("Title", "title", at -> "On " + place(at) + " and its past")
                .column("Speaker", "relation", "Speakers", someone(15))
                .column("Starts", "date_time", at -> "2026-%02d-%02d 19:30".formatted(at.from(1, 12), at.from(1, 28)))
                .column("Hall", "choice", "Halls", one("Great hall", "Small hall", "Library"))
                .column(
                        "Topics",
                        "terms",
                        "Topic",
                        at -> at.one("history, maps", "maps", "history", "plants, maps", "plants"))
                .column("Seats left (%)", "number", at -> at.from(0, 100) + "%")
                .column("Abstract", "rich_text", at -> "<p>" + sentence(at, 20) + " <em>Not to be missed.</em></p>")
                .column("Slides", "file", often(70, at -> "slides-" + at.row() + ".pdf"))
                .column("Slug", "address", at -> "lecture-" + at.row())
                .column("Status", "state", one("published", "draft"));
        book.sheet("Speakers", SheetRole.TYPE, 15)
                .column("Speaker", "title", at -> person(at.row()))
                .column("Portrait", "image", at -> "speaker" + at.row() + ".jpg");
        book.sheet("Halls", SheetRole.LIST, 3)
                .column(
                        "Hall",
                        "title",
                        at -> List.of("Great hall", "Small hall", "Library").get(at.row()));
        return book;
    }
}
