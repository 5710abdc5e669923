package org.jontrel.server.record;

import java.io.IOException;
import java.io.OutputStream;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.NoSuchElementException;
import java.util.Optional;
import java.util.function.Function;
import org.jontrel.core.model.Field;
import org.jontrel.core.record.CellForms;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.serve.record.ReferenceNames;
import org.jontrel.serve.web.Refusal;
import org.jontrel.site.Site;
import org.jontrel.site.record.read.ListQuery;
import org.jontrel.site.record.read.StoredRecord;

/** What a list shows, as a file of some format: read page by page, so that it may be of any length. */
public enum ExportFile {
    CSV("text/csv; charset=utf-8") {
        @Override
        public void write(ExportSource source, OutputStream out) throws IOException {
            ExportText.csv(source, out);
        }
    },
    XLSX("application/vnd.openxmlformats-officedocument.spreadsheetml.sheet") {
        @Override
        public void write(ExportSource source, OutputStream out) throws IOException {
            ExportText.xlsx(source, out);
        }
    },
    JSONL("application/jsonl; charset=utf-8") {
        @Override
        public void write(ExportSource source, OutputStream out) throws IOException {
            ExportText.lines(source, out);
        }
    };

    private final String type;

    ExportFile(String type) {
        this.type = type;
    }

    /**
     * What is exported, page by page.
     *
     * @param pages asked one behind the other, while the file is written
     */
    public record ExportSource(RecordType recordType, List<Field> fields, Iterator<ExportPage> pages) {
        /** Some records, and what their values lead to. */
        public record ExportPage(List<StoredRecord> records, ReferenceNames known) {}

        /**
         * What a list shows.
         *
         * @param path of the site
         * @param query whose page length does not matter
         */
        public static ExportSource of(String path, Site site, RecordType recordType, ListQuery query) {
            var fields = recordType
                    .fields()
                    .filter(field -> query.fields() == null || query.fields().contains(field.id()))
                    .filter(field -> field.kind().holdsValue())
                    .toList();
            return new ExportSource(recordType, fields, new Pages<>(query.most(ListQuery.MOST), next -> {
                var list = page(path, site, recordType, next);
                return new Pages.Found<>(list.page(), list.next().map(cursor -> next.after(Optional.of(cursor))));
            }));
        }

        /** What is held under a name; empty where nothing is. */
        static Optional<ExportSource> held(String path, Site site, String name) {
            return site.held()
                    .look(name, 0, 1)
                    .map(first -> new ExportSource(
                            first.recordType(),
                            first.fields(),
                            new Pages<>(
                                    0L,
                                    after -> site.held()
                                            .look(name, after, ListQuery.MOST)
                                            .map(page -> new Pages.Found<>(
                                                    new ExportPage(
                                                            page.records(),
                                                            known(path, site, page.recordType(), page.records())),
                                                    page.next()))
                                            .orElseThrow(() -> Refusal.unavailable(
                                                    "These values were purged while they were exported.")))));
        }
    }

    private static ReferenceNames known(String path, Site site, RecordType recordType, List<StoredRecord> records) {
        return ReferenceNames.of(
                site, recordType, records.stream().map(StoredRecord::values).toList());
    }

    /** Pages that are asked for one behind the other. */
    private static final class Pages<C> implements Iterator<ExportSource.ExportPage> {
        private final Function<C, Found<C>> asking;
        private Optional<C> next;

        Pages(C first, Function<C, Found<C>> asking) {
            this.next = Optional.of(first);
            this.asking = asking;
        }

        private record Found<C>(ExportSource.ExportPage page, Optional<C> next) {}

        @Override
        public boolean hasNext() {
            return next.isPresent();
        }

        @Override
        public ExportSource.ExportPage next() {
            var found = asking.apply(next.orElseThrow(NoSuchElementException::new));
            next = found.next();
            return found.page();
        }
    }

    public abstract void write(ExportSource source, OutputStream out) throws IOException;

    String type() {
        return type;
    }

    /** By its ending: {@code csv}, {@code xlsx} or {@code jsonl}. */
    public static ExportFile of(String ending) {
        return valueOf(ending.toUpperCase(java.util.Locale.ROOT));
    }

    interface Taking {
        void take(StoredRecord record, ReferenceNames known) throws IOException;
    }

    static void each(ExportSource source, Taking taking) throws IOException {
        while (source.pages().hasNext()) {
            var page = source.pages().next();
            for (var record : page.records()) {
                taking.take(record, page.known());
            }
        }
    }

    private record Listed(ExportSource.ExportPage page, Optional<String> next) {}

    /** One file is of one state of the definitions: where they are switched meanwhile, it breaks off and is no whole file. */
    private static Listed page(String path, Site site, RecordType recordType, ListQuery query) {
        return site.together(() -> {
            var fields = recordType.fields().toList();
            boolean same = site.installed()
                    .table(recordType.id())
                    .filter(table -> table.recordType().fields().toList().equals(fields))
                    .isPresent();
            if (!same) {
                throw Refusal.unavailable("The definitions were switched while this was exported. Export it again.");
            }
            var list = site.records().page(recordType.id(), query).orElseThrow();
            return new Listed(
                    new ExportSource.ExportPage(list.records(), known(path, site, recordType, list.records())),
                    list.next());
        });
    }

    static List<String> heads(List<Field> fields) {
        var heads = new ArrayList<>(List.of("Number", "State", "Address"));
        fields.forEach(field -> heads.add(field.label()));
        return heads;
    }

    static List<String> cells(StoredRecord record, List<Field> fields, ReferenceNames known) {
        var cells = new ArrayList<>(
                List.of(String.valueOf(record.id()), record.state().code(), record.slug()));
        for (var field : fields) {
            var value = record.values().get(field.id());
            cells.add(value == null ? "" : CellForms.text(field, value, known::name));
        }
        return cells;
    }
}
