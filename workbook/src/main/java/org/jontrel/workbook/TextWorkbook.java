package org.jontrel.workbook;

import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvReader;
import java.io.BufferedReader;
import java.io.FilterReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.Reader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import java.util.regex.Pattern;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.sheet.Cell;
import org.jontrel.core.sheet.Sheet;
import org.jontrel.core.sheet.SheetRow;

/** One table as text: cells with a sign between them, rows on lines. Encoding and sign are found out. */
final class TextWorkbook extends Workbook {
    /** Most letters of one cell; a quote that is never closed would make a cell of the whole file. */
    static final int LONGEST_CELL = 1_000_000;

    static final int MOST_COLUMNS = 16_384;
    private static final int START = 1 << 16;
    private static final Pattern SAID = Pattern.compile("(?i)sep=(.)\\R");
    private static final Pattern ENDING = Pattern.compile("(?i)\\.(csv|tsv|tab|txt)$");

    private final Path file;
    private final String name;
    private final TextEncoding encoding;
    private char delimiter;
    private int skipped;

    private TextWorkbook(Path file, String name, TextEncoding encoding) {
        this.file = file;
        this.name = name;
        this.encoding = encoding;
    }

    static TextWorkbook of(Path file, String name) throws IOException {
        var text = new TextWorkbook(file, name, TextEncoding.of(file));
        text.begin();
        return text;
    }

    private void begin() throws IOException {
        var buffer = new char[START];
        int length;
        try (var reader = reader()) {
            length = Math.max(0, reader.read(buffer));
            for (int more = 0; more >= 0 && length < START; length += Math.max(0, more)) {
                more = reader.read(buffer, length, START - length);
            }
        }
        var start = new String(buffer, 0, length);
        if (start.indexOf('\0') >= 0) {
            throw unreadable(Code.WORKBOOK_NONE, name);
        }
        if (encoding.guessed()) {
            findings.add(Finding.of(
                    Code.WORKBOOK_ENCODING,
                    Place.file(name),
                    name,
                    encoding.charset().displayName()));
        }
        var said = SAID.matcher(start);
        boolean says = said.lookingAt();
        skipped = says ? said.end() : 0;
        // the last line may be cut off
        int end = length < START ? length : Math.max(start.lastIndexOf('\n'), start.lastIndexOf('\r'));
        sheets.add(new TextSheet());
        delimiter = says ? said.group(1).charAt(0) : Delimiter.of(end <= 0 ? start : start.substring(0, end));
    }

    private Reader reader() throws IOException {
        InputStream in = Files.newInputStream(file);
        in.skipNBytes(encoding.mark());
        return new BufferedReader(new InputStreamReader(in, encoding.charset()), START);
    }

    @Override
    public void close() {
        // each reading closes its own
    }

    /** Remembers with which letter a text ended. */
    private static final class LastLetter extends FilterReader {
        private char last;

        LastLetter(Reader in) {
            super(in);
        }

        @Override
        public int read(char[] buffer, int offset, int length) throws IOException {
            int read = in.read(buffer, offset, length);
            for (int i = offset + read - 1; i >= offset; i--) {
                if (!Character.isWhitespace(buffer[i])) {
                    last = buffer[i];
                    break;
                }
            }
            return read;
        }
    }

    private final class TextSheet implements Sheet {
        @Override
        public String file() {
            return name;
        }

        @Override
        public String name() {
            return ENDING.matcher(name).replaceFirst("");
        }

        @Override
        public boolean hidden() {
            return false;
        }

        @Override
        public void read(Consumer<SheetRow> rows) throws IOException {
            int line = skipped > 0 ? 1 : 0;
            long last = 1;
            boolean open = false;
            try (var reader = new LastLetter(reader())) {
                reader.skip(skipped);
                var records = CsvReader.builder()
                        .fieldSeparator(delimiter)
                        .allowExtraCharsAfterClosingQuote(true)
                        .allowExtraFields(true)
                        .allowMissingFields(true)
                        .maxBufferSize(Math.max(LONGEST_CELL, START) * 2)
                        .ofCsvRecord(reader);
                for (var record : records) {
                    last = record.getStartingLineNumber() + line;
                    var row = row((int) last, record.getFields());
                    open = record.getFields().getLast().indexOf('\n') >= 0;
                    if (!row.isEmpty()) {
                        rows.accept(row);
                    }
                }
                if (open && reader.last != '"') {
                    throw unreadable(Code.WORKBOOK_QUOTE, name, last);
                }
            } catch (CsvParseException e) {
                boolean wide = (e.getMessage() + " " + e.getCause()).contains(" fields");
                var refused = wide
                        ? unreadable(Code.WORKBOOK_TOO_WIDE, name, name(), last)
                        : unreadable(Code.WORKBOOK_QUOTE, name, last + 1);
                refused.addSuppressed(e);
                throw refused;
            }
        }

        private SheetRow row(int number, List<String> fields) throws IOException {
            if (fields.size() > MOST_COLUMNS) {
                throw unreadable(Code.WORKBOOK_TOO_WIDE, name, name(), number);
            }
            int width = fields.size();
            while (width > 0 && fields.get(width - 1).isBlank()) {
                width--;
            }
            var cells = new ArrayList<Cell>(width);
            for (var each : fields.subList(0, width)) {
                if (each.length() > LONGEST_CELL) {
                    throw unreadable(Code.WORKBOOK_QUOTE, name, number);
                }
                cells.add(each.isEmpty() ? Cell.EMPTY : Cell.text(each));
            }
            return new SheetRow(number, cells);
        }
    }
}
