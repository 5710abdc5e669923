package org.jontrel.workbook;

import java.io.IOException;
import java.util.HashSet;
import java.util.Set;
import java.util.function.Consumer;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.sheet.Sheet;
import org.jontrel.core.sheet.SheetRow;

/** OpenDocument spreadsheets (ISO/IEC 26300). Of formulas the results are read as they were saved. */
final class OdsWorkbook extends Workbook {
    private static final String CONTENT = "content.xml";
    private static final int MOST_SHEETS = 1_000;
    private final PackedFile packed;
    private final String name;

    private OdsWorkbook(PackedFile packed, String name) {
        this.packed = packed;
        this.name = name;
    }

    static OdsWorkbook of(PackedFile packed, String name) throws IOException {
        var workbook = new OdsWorkbook(packed, name);
        if (packed.has("META-INF/manifest.xml") && workbook.isProtected()) {
            throw unreadable(Code.WORKBOOK_OLD, name);
        }
        workbook.begin();
        return workbook;
    }

    private boolean isProtected() throws IOException {
        try (var in = packed.stream("META-INF/manifest.xml", 16L << 20)) {
            var xml = packed.xml(in);
            while (xml.hasNext()) {
                if (xml.next() == XMLStreamConstants.START_ELEMENT
                        && xml.getLocalName().equals("encryption-data")) {
                    return true;
                }
            }
            return false;
        } catch (IOException | XMLStreamException e) {
            throw PackedFile.broken(name, e);
        }
    }

    private void begin() throws IOException {
        var hiddenStyles = new HashSet<String>();
        boolean[] links = {false};
        walk((xml, tag) -> {
            switch (tag) {
                case "style" -> hiddenStyles.add("?" + attribute(xml, "name"));
                case "table-properties" -> hide(xml, hiddenStyles);
                case "table" -> {
                    if (sheets.size() < MOST_SHEETS) {
                        boolean hidden = hiddenStyles.contains(String.valueOf(attribute(xml, "style-name")));
                        sheets.add(new OdsSheet(sheets.size(), String.valueOf(attribute(xml, "name")), hidden));
                    }
                }
                case "table-source", "cell-range-source" -> links[0] = true;
                default -> {
                    // rows are read later
                }
            }
            return true;
        });
        if (packed.hasUnder("Basic/") || packed.hasUnder("Scripts/")) {
            findings.add(Finding.of(Code.WORKBOOK_MACROS, Place.file(name), name));
        }
        if (links[0]) {
            findings.add(Finding.of(Code.WORKBOOK_LINKS, Place.file(name), name));
        }
    }

    /** A style that hides tables holds a remark that says so, directly behind its name. */
    private static void hide(XMLStreamReader xml, Set<String> styles) {
        boolean hidden = "false".equals(attribute(xml, "display"));
        var last = styles.stream().filter(each -> each.startsWith("?")).findFirst();
        last.ifPresent(each -> {
            styles.remove(each);
            if (hidden) {
                styles.add(each.substring(1));
            }
        });
        styles.removeIf(each -> each.startsWith("?"));
    }

    private interface TagVisitor {
        /** Whether to go on. */
        boolean visit(XMLStreamReader xml, String tag) throws XMLStreamException;
    }

    private void walk(TagVisitor visitor) throws IOException {
        try (var in = packed.stream(CONTENT)) {
            var xml = packed.xml(in);
            boolean on = true;
            while (on && xml.hasNext()) {
                if (xml.next() == XMLStreamConstants.START_ELEMENT) {
                    on = visitor.visit(xml, xml.getLocalName());
                }
            }
        } catch (IOException | XMLStreamException e) {
            throw PackedFile.broken(name, e);
        }
    }

    /** By its name alone: the parts of the format use no name twice in one place. */
    static String attribute(XMLStreamReader xml, String local) {
        for (int i = 0; i < xml.getAttributeCount(); i++) {
            if (xml.getAttributeLocalName(i).equals(local)) {
                return xml.getAttributeValue(i);
            }
        }
        return null;
    }

    @Override
    public void close() throws IOException {
        packed.close();
    }

    private final class OdsSheet implements Sheet {
        private final int index;
        private final String title;
        private final boolean hidden;
        private boolean told;

        OdsSheet(int index, String title, boolean hidden) {
            this.index = index;
            this.title = title;
            this.hidden = hidden;
        }

        @Override
        public String file() {
            return name;
        }

        @Override
        public String name() {
            return title;
        }

        @Override
        public boolean hidden() {
            return hidden;
        }

        @Override
        public void read(Consumer<SheetRow> rows) throws IOException {
            var reading = new OdsRows(name, title, rows);
            int[] seen = {-1};
            walk((xml, tag) -> {
                if (tag.equals("table")) {
                    seen[0]++;
                } else if (tag.equals("table-row") && seen[0] == index) {
                    reading.row(xml);
                }
                return seen[0] <= index;
            });
            if (!told) {
                told = true;
                findings.addAll(reading.findings());
            }
        }
    }
}
