package org.jontrel.workbook;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jontrel.core.sheet.Cell;
import org.jontrel.core.sheet.SheetRow;

/** Gives each row what a cell holds that stretches over several rows. */
final class Merging {
    private record HeldCell(SheetOutline.Merged over, Cell cell) {}

    private final Map<Integer, List<SheetOutline.Merged>> downwards;
    private final Map<Integer, Map<Integer, Integer>> spans;
    private final List<HeldCell> held = new ArrayList<>();
    private long filled;

    Merging(SheetOutline outline) {
        this.downwards = outline.downwards();
        this.spans = outline.spans();
    }

    SheetRow row(int number, List<Cell> cells) {
        int at = number - 1;
        held.removeIf(each -> each.over().bottom() < at);
        var all = held.isEmpty() ? cells : filled(cells);
        for (var each : downwards.getOrDefault(at, List.of())) {
            if (each.left() < all.size() && !all.get(each.left()).isEmpty()) {
                held.add(new HeldCell(each, all.get(each.left())));
            }
        }
        return new SheetRow(number, all, spans.getOrDefault(at, Map.of()));
    }

    private List<Cell> filled(List<Cell> cells) {
        var all = new ArrayList<>(cells);
        for (var each : held) {
            int column = each.over().left();
            while (all.size() <= column) {
                all.add(Cell.EMPTY);
            }
            if (all.get(column).isEmpty()) {
                all.set(column, each.cell());
                filled++;
            }
        }
        return all;
    }

    /** How many cells were given a value so. */
    long filled() {
        return filled;
    }
}
