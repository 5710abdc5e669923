package org.jontrel.workbook;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.sheet.Sheet;

/** A file that a spreadsheet program wrote: text with separators, XLSX or ODS. Which of them is seen from what is in it. */
public abstract class Workbook implements AutoCloseable {
    private static final byte[] ZIP = {'P', 'K', 3, 4};
    private static final byte[] EMPTY_ZIP = {'P', 'K', 5, 6};
    private static final byte[] COMPOUND = {(byte) 0xD0, (byte) 0xCF, 0x11, (byte) 0xE0};

    final List<Sheet> sheets = new ArrayList<>();
    final List<Finding> findings = new ArrayList<>();

    /**
     * @param name of the file, as people know it
     * @throws UnreadableWorkbookException where it is no such file, or is broken, protected or far too large
     */
    public static Workbook open(Path file, String name) throws IOException {
        var start = start(file);
        if (begins(start, COMPOUND)) {
            throw unreadable(Code.WORKBOOK_OLD, name);
        }
        if (!begins(start, ZIP) && !begins(start, EMPTY_ZIP)) {
            return TextWorkbook.of(file, name);
        }
        var packed = PackedFile.open(file, name);
        try {
            if (packed.has("xl/workbook.xml")) {
                return XlsxWorkbook.of(packed, file, name);
            }
            if (packed.has("xl/workbook.bin")) {
                throw unreadable(Code.WORKBOOK_BINARY, name);
            }
            if (packed.has("content.xml")) {
                return OdsWorkbook.of(packed, name);
            }
            throw unreadable(Code.WORKBOOK_NONE, name);
        } catch (IOException | RuntimeException e) {
            packed.close();
            throw PackedFile.broken(name, e);
        }
    }

    private static byte[] start(Path file) throws IOException {
        try (InputStream in = Files.newInputStream(file)) {
            return in.readNBytes(COMPOUND.length);
        }
    }

    private static boolean begins(byte[] start, byte[] with) {
        return Arrays.equals(start, with);
    }

    static UnreadableWorkbookException unreadable(Code code, String file, Object... more) {
        var arguments = new Object[more.length + 1];
        arguments[0] = file;
        System.arraycopy(more, 0, arguments, 1, more.length);
        return new UnreadableWorkbookException(Finding.of(code, Place.file(file), arguments));
    }

    /** The sheets, in order. */
    public List<Sheet> sheets() {
        return List.copyOf(sheets);
    }

    /** What somebody should know of the file; more may be added while its sheets are read. */
    public List<Finding> findings() {
        return List.copyOf(findings);
    }

    @Override
    public abstract void close() throws IOException;
}
