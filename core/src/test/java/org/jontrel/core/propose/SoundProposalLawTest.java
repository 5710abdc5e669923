package org.jontrel.core.propose;

import static org.testng.Assert.assertEquals;

import java.io.IOException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jontrel.core.check.ModelCheck;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Severity;
import org.jontrel.core.generated.Models;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Section;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.sheet.WorkbookProfile;
import org.jontrel.core.sheet.WrittenSheet;
import org.testng.annotations.Test;

/**
 * Whatever sheets and columns are called and hold, and whatever model is there: what is proposed can be taken, breaks nothing of the
 * model, and once it is taken there is nothing more to take.
 */
public class SoundProposalLawTest {
    private static final int CASES = Integer.getInteger("sound.cases", 80);
    private static final int FROM = Integer.getInteger("sound.from", 1);
    private static final List<String> NAMES = List.of(
            "Sheet1",
            "Sheet1",
            "Data",
            "Boats",
            "boats",
            "Boat",
            "Keepers",
            "People",
            "Kategorie ÄÖ",
            "税",
            "a".repeat(120),
            "Jontrel",
            "Type",
            "Notes & more",
            "  ",
            "Fees 2024",
            "title",
            "x" + "🚤".repeat(100),
            "nul\0",
            "123",
            "Public",
            "API");
    private static final List<String> HEADERS = List.of(
            "Name",
            "Title",
            "Summary",
            "Body",
            "Author",
            "Position",
            "Lead image",
            "id",
            "ID",
            "type",
            "Parent",
            "Boat",
            "Keeper",
            "Keepers",
            "Key",
            "",
            " ",
            "Length (m)",
            "Length (m)",
            "Length",
            "Photo 1",
            "Photo 2",
            "Fee summer",
            "Fee winter",
            "Status",
            "Published on",
            "slug",
            "Category",
            "Tags",
            "Latitude",
            "Longitude",
            "x".repeat(300),
            "Ünïcode • ✓",
            "שם",
            "Part of",
            "Colour",
            "Notes",
            "Term",
            "Label",
            "Row",
            "Contact 1 name",
            "Contact 2 name",
            "Contact 1 phone",
            "Contact 2 phone",
            "select",
            "order",
            "1st",
            "%",
            "a/b: c",
            "Contact: name",
            "Contact: phone",
            "state",
            "path",
            "\u202Eevil",
            "x" + "🚤".repeat(120),
            "x" + "🚤".repeat(30),
            "nul\0sign",
            "\uD83D",
            "Tab\there");
    private static final List<String> WORDS =
            List.of("North", "South", "Mill", "Gate", "Hill", "Vale", "Brook", "Weir", "Lock", "Bank");

    @Test
    public void whatIsProposedCanBeTakenAndThenNothingIsLeft() throws IOException {
        for (int i = FROM; i < FROM + CASES; i++) {
            var chance = new Random(i * 104_729L);
            var existing = chance.nextInt(3) == 0 ? Model.EMPTY : new Models(i).model();
            var sheets = sheets(chance, existing);
            var facts = WorkbookProfile.of(sheets);
            var ids = new Ids(new Random(-i - 7_777L));
            var proposed = Proposing.of(facts, Choices.NONE, existing, ids);
            var model = existing;
            for (var each : proposed.definitions()) {
                model = model.with(each);
            }
            assertEquals(blockers(model, blockers(existing, Set.of())).toString(), "[]", "case " + i);
            assertEquals(lost(existing, model), List.of(), "case " + i);
            var again = Proposing.of(facts, Choices.NONE, model, ids);
            assertEquals(String.join("\n", left(again)), "", "case " + i);
        }
    }

    /** What would be taken another time. */
    private static List<String> left(ProposedModel again) {
        return again.definitions().stream()
                .map(each -> each.sort() + " " + each.name() + ": "
                        + again.sheets().stream()
                                .filter(sheet -> sheet.definition().equals(each.id()))
                                .flatMap(sheet -> sheet.columns().stream()
                                        .filter(column -> column.use() != ColumnUse.SKIP)
                                        .map(column -> sheet.role() + " " + column.use() + " " + column.state() + " "
                                                + column.label() + " "
                                                + (column.field() == null
                                                        ? ""
                                                        : column.field().kind().code()) + ", " + column.why()))
                                .toList())
                .toList();
    }

    private static Set<String> blockers(Model model, Set<String> known) {
        var found = ModelCheck.check(model).stream()
                .filter(each -> each.severity() == Severity.BLOCKER)
                .map(Finding::sentence)
                .collect(Collectors.toCollection(HashSet::new));
        found.removeAll(known);
        return found;
    }

    /** Ids of fields and definitions that were there and are gone. */
    private static List<String> lost(Model before, Model after) {
        var there = ids(after).collect(Collectors.toSet());
        return ids(before).filter(id -> !there.contains(id)).toList();
    }

    private static Stream<String> ids(Model model) {
        return model.definitions().stream()
                .flatMap(each -> Stream.concat(
                        Stream.of(each.id()),
                        each instanceof ContentType type
                                ? Section.own(type.sections()).stream()
                                        .flatMap(group -> group.fields().stream())
                                        .flatMap(Field::withInner)
                                        .map(Field::id)
                                : Stream.empty()));
    }

    private static List<WrittenSheet> sheets(Random chance, Model existing) {
        var sheets = new ArrayList<WrittenSheet>();
        int count = 1 + chance.nextInt(4);
        for (int s = 0; s < count; s++) {
            var names = new ArrayList<>(NAMES);
            existing.definitions().forEach(each -> names.add(each.name()));
            var headers = new ArrayList<>(HEADERS);
            existing.types().stream().flatMap(ContentType::fields).forEach(each -> headers.add(each.label()));
            sheets.add(new WrittenSheet(
                    "file " + chance.nextInt(2) + ".xlsx",
                    names.get(chance.nextInt(names.size())),
                    chance.nextInt(12) == 0,
                    rows(chance, headers)));
        }
        return sheets;
    }

    private static List<List<String>> rows(Random chance, List<String> headers) {
        int columns = 1 + chance.nextInt(8);
        int rows = chance.nextInt(20);
        var table = new ArrayList<List<String>>();
        var sorts = new ArrayList<Integer>();
        var header = new ArrayList<String>();
        for (int c = 0; c < columns; c++) {
            sorts.add(chance.nextInt(9));
            header.add(headers.get(chance.nextInt(headers.size())));
        }
        if (chance.nextInt(8) > 0) {
            table.add(header);
        }
        for (int r = 0; r < rows; r++) {
            var row = new ArrayList<String>();
            for (int sort : sorts) {
                row.add(chance.nextInt(10) == 0 ? "" : cell(chance, sort, r));
            }
            table.add(row);
        }
        return table;
    }

    private static String cell(Random chance, int sort, int row) {
        return switch (sort) {
            case 0 -> WORDS.get(row % WORDS.size()) + (row >= WORDS.size() ? " " + row : "");
            case 1 -> WORDS.get(chance.nextInt(WORDS.size()));
            case 2 -> String.valueOf(chance.nextInt(90));
            case 3 -> chance.nextInt(50) + "." + chance.nextInt(100);
            case 4 -> chance.nextBoolean() ? "yes" : "no";
            case 5 -> WORDS.get(chance.nextInt(3)) + " > " + WORDS.get(3 + chance.nextInt(3));
            case 6 -> WORDS.get(chance.nextInt(4)) + "; " + WORDS.get(chance.nextInt(4));
            case 7 -> "p" + chance.nextInt(900) + ".jpg";
            default -> "20%02d-%02d-%02d".formatted(chance.nextInt(30), 1 + chance.nextInt(12), 1 + chance.nextInt(28));
        };
    }
}
