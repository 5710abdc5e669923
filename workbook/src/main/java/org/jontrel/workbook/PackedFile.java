package org.jontrel.workbook;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Path;
import java.util.Collections;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import org.apache.commons.compress.archivers.zip.ZipArchiveEntry;
import org.apache.commons.compress.archivers.zip.ZipFile;
import org.apache.commons.io.input.BoundedInputStream;
import org.jontrel.core.finding.Code;

/** The parts of a file that is an archive; none is unpacked beyond what a sheet can need. */
final class PackedFile implements AutoCloseable {
    private static final long MEGABYTE = 1 << 20;
    static final long MOST_BYTES = 4_096 * MEGABYTE;
    /** What little data is blown up so much that nobody wrote it by hand. */
    private static final long MOST_TIMES = 150;

    private static final long SMALL = 64 * MEGABYTE;
    private final ZipFile zip;
    private final String name;

    private PackedFile(ZipFile zip, String name) {
        this.zip = zip;
        this.name = name;
    }

    static PackedFile open(Path file, String name) throws IOException {
        try {
            var packed = new PackedFile(ZipFile.builder().setPath(file).get(), name);
            var odd = Collections.list(packed.zip.getEntries()).stream()
                    .filter(each -> each.getMethod() != ZipEntry.STORED && each.getMethod() != ZipEntry.DEFLATED)
                    .findFirst();
            if (odd.isPresent()) {
                packed.close();
                throw new ZipException("its parts are packed in a way that no spreadsheet program uses");
            }
            return packed;
        } catch (IOException | IllegalArgumentException e) {
            throw broken(name, e);
        }
    }

    /** What a failure says of the file; where it is one that was told already, that. */
    static UnreadableWorkbookException broken(String name, Exception cause) {
        for (Throwable each = cause; each != null; each = each.getCause()) {
            if (each instanceof UnreadableWorkbookException told) {
                return told;
            }
        }
        var why = cause.getMessage() == null
                ? cause.getClass().getSimpleName()
                : cause.getMessage().lines().findFirst().orElse("");
        var refused = Workbook.unreadable(Code.WORKBOOK_BROKEN, name, why);
        refused.addSuppressed(cause);
        return refused;
    }

    boolean has(String part) {
        return zip.getEntry(part) != null;
    }

    boolean hasUnder(String folder) {
        return Collections.list(zip.getEntries()).stream()
                .anyMatch(each -> each.getName().startsWith(folder));
    }

    List<String> names() {
        return Collections.list(zip.getEntries()).stream()
                .map(ZipArchiveEntry::getName)
                .toList();
    }

    InputStream stream(String part) throws IOException {
        return stream(part, MOST_BYTES);
    }

    /** @throws UnreadableWorkbookException where there is no such part; and while it is read, where it is larger than can be */
    InputStream stream(String part, long most) throws IOException {
        var entry = zip.getEntry(part);
        if (entry == null) {
            throw Workbook.unreadable(Code.WORKBOOK_BROKEN, name, part + " is missing");
        }
        long packed = Math.max(entry.getCompressedSize(), 0);
        long allowed = Math.min(most, Math.max(SMALL, packed * MOST_TIMES));
        try {
            return BoundedInputStream.builder()
                    .setInputStream(zip.getInputStream(entry))
                    .setMaxCount(allowed)
                    .setPropagateClose(true)
                    .setOnMaxCount((max, _) -> {
                        throw Workbook.unreadable(Code.WORKBOOK_TOO_LARGE, name, part, max / MEGABYTE);
                    })
                    .get();
        } catch (ZipException e) {
            throw broken(name, e);
        }
    }

    /** Reads a part as XML, without what would make it read other files or blow up. */
    XMLStreamReader xml(InputStream in) throws XMLStreamException {
        return factory().createXMLStreamReader(in);
    }

    static XMLInputFactory factory() {
        var factory = new com.fasterxml.aalto.stax.InputFactoryImpl();
        factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
        factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
        factory.setProperty(XMLInputFactory.IS_COALESCING, true);
        return factory;
    }

    @Override
    public void close() throws IOException {
        zip.close();
    }
}
