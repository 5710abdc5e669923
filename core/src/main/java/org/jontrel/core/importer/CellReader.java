package org.jontrel.core.importer;

import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.BiPredicate;
import org.jontrel.core.finding.Code;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.core.propose.kind.CellTexts;
import org.jontrel.core.propose.word.Spellings;
import org.jontrel.core.record.CellForms;

/** Reads the cells of rows as the mapping of their sheet says. */
public final class CellReader {
    /** What stands before the text of a cell that has an error in place of a value. */
    public static final String ERROR = "\u0001";

    private static final Map<String, RecordState> STATES = Map.ofEntries(
            Map.entry("draft", RecordState.DRAFT),
            Map.entry("unpublished", RecordState.DRAFT),
            Map.entry("hidden", RecordState.DRAFT),
            Map.entry("offline", RecordState.DRAFT),
            Map.entry("no", RecordState.DRAFT),
            Map.entry("published", RecordState.PUBLISHED),
            Map.entry("live", RecordState.PUBLISHED),
            Map.entry("online", RecordState.PUBLISHED),
            Map.entry("public", RecordState.PUBLISHED),
            Map.entry("yes", RecordState.PUBLISHED),
            Map.entry("scheduled", RecordState.SCHEDULED),
            Map.entry("retired", RecordState.RETIRED),
            Map.entry("archived", RecordState.RETIRED));

    private final BoundSheet sheet;

    public CellReader(BoundSheet sheet) {
        this.sheet = sheet;
    }

    /** @param cells texts from the first column on */
    public ReadRow read(List<String> cells) {
        return read(cells, (_, _) -> false);
    }

    /**
     * @param cells texts from the first column on
     * @param isSame whether the cell of a column says what its record has already: nothing is read of it
     */
    public ReadRow read(List<String> cells, BiPredicate<BoundColumn, String> isSame) {
        return new OneRow(cells, isSame).read();
    }

    /** The text of a cell, where it is to be read as another, as that. */
    public static String text(BoundColumn column, List<String> cells) {
        var text = column.index() < cells.size() ? cells.get(column.index()).strip() : "";
        return CellForms.meant(
                column.mapping().replace().getOrDefault(text, text).strip());
    }

    private final class OneRow {
        private final List<String> cells;
        private final BiPredicate<BoundColumn, String> isSame;
        private final Map<String, Object> raw = new LinkedHashMap<>();
        private final List<CellProblem> problems = new ArrayList<>();
        private Optional<Long> number = Optional.empty();
        private Optional<CellName> parent = Optional.empty();
        private Optional<CellName> owner = Optional.empty();
        private String address = "";
        private Optional<RecordState> state = Optional.empty();
        private Optional<LocalDateTime> publishAt = Optional.empty();
        private Optional<LocalDateTime> retireAt = Optional.empty();

        OneRow(List<String> cells, BiPredicate<BoundColumn, String> isSame) {
            this.cells = cells;
            this.isSame = isSame;
        }

        ReadRow read() {
            sheet.columns().forEach(this::read);
            return new ReadRow(
                    raw, key(), number, parent, owner, address, state, publishAt, retireAt, List.copyOf(problems));
        }

        private String text(BoundColumn column) {
            return CellReader.text(column, cells);
        }

        private String key() {
            return sheet.key()
                    .map(this::text)
                    .filter(text -> !text.startsWith(ERROR))
                    .orElse("");
        }

        private void read(BoundColumn column) {
            var text = text(column);
            if (text.startsWith(ERROR)) {
                cell(column).problem(text.substring(1), Code.IMPORT_CELL_ERROR, text.substring(1));
                return;
            }
            if (text.isEmpty() && column.goal() != ColumnMapping.Goal.FIELD) {
                return;
            }
            switch (column.goal()) {
                case FIELD -> {
                    if (!isSame.test(column, text)) {
                        field(column, text);
                    }
                }
                case NUMBER -> number = number(column, text);
                case ADDRESS -> address = text;
                case STATE -> state = state(column, text);
                case PARENT -> parent = Optional.of(cell(column).name(text));
                case OWNER -> owner = Optional.of(cell(column).name(text));
                case PUBLISH_AT -> publishAt = moment(column, text);
                case RETIRE_AT -> retireAt = moment(column, text);
                case SKIP -> {}
            }
        }

        private Optional<Long> number(BoundColumn column, String text) {
            if (!text.matches("[1-9][0-9]{0,15}")) {
                cell(column).problem(text, Code.IMPORT_NUMBER, text);
                return Optional.empty();
            }
            return Optional.of(Long.valueOf(text));
        }

        private Optional<RecordState> state(BoundColumn column, String text) {
            var read = Optional.ofNullable(STATES.get(Spellings.bare(text)));
            if (read.isEmpty()) {
                cell(column).problem(text, Code.IMPORT_STATE, text);
            }
            return read;
        }

        private Optional<LocalDateTime> moment(BoundColumn column, String text) {
            var reading = cell(column).reading();
            var read = CellTexts.read(Kind.DateTime.PLAIN, reading, text)
                    .map(LocalDateTime.class::cast)
                    .or(() -> CellTexts.read(Kind.Date.PLAIN, reading, text)
                            .map(date -> ((LocalDate) date).atStartOfDay()));
            if (read.isEmpty()) {
                cell(column).problem(text, Code.IMPORT_MOMENT, text);
            }
            return read;
        }

        private void field(BoundColumn column, String text) {
            if (text.isEmpty()) {
                if (sheet.mapping().clears()) {
                    put(column, null);
                }
                return;
            }
            cell(column).value(text).ifPresent(value -> put(column, value));
        }

        /** Into the maps and rows that the fields around it are. */
        @SuppressWarnings("unchecked") // what was put there before
        private void put(BoundColumn column, Object value) {
            var into = raw;
            var fields = column.fields();
            for (int i = 0; i < fields.size() - 1; i++) {
                var outer = fields.get(i);
                if (outer.kind() instanceof Kind.Repeater && column.mapping().row() > 0) {
                    into = (Map<String, Object>) rows(into, outer)
                            .computeIfAbsent(column.mapping().row(), _ -> new LinkedHashMap<String, Object>());
                } else {
                    into = (Map<String, Object>)
                            into.computeIfAbsent(outer.key(), _ -> new LinkedHashMap<String, Object>());
                }
            }
            var field = column.field();
            boolean one = column.mapping().row() > 0
                    && field.kind().amount().many()
                    && fields.stream().noneMatch(each -> each.kind() instanceof Kind.Repeater);
            if (one) {
                rows(into, field).put(column.mapping().row(), value);
            } else if (value instanceof Map<?, ?> part && into.get(field.key()) instanceof Map<?, ?> other) {
                // the other coordinate of a place
                var both = new LinkedHashMap<Object, Object>(other);
                both.putAll(part);
                into.put(field.key(), both);
            } else {
                into.put(field.key(), value);
            }
        }

        private static Map<Integer, Object> rows(Map<String, Object> into, Field field) {
            var known = (ReadRow.NumberedValues)
                    into.computeIfAbsent(field.key(), _ -> new ReadRow.NumberedValues(new TreeMap<>()));
            return known.rows();
        }

        private FieldCell cell(BoundColumn column) {
            return new FieldCell(sheet, column, problems);
        }
    }
}
