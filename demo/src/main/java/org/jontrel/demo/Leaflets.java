package org.jontrel.demo;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;

/** Makes leaflets of one page for the demo's downloads. */
final class Leaflets {
    private static final List<String> WORDS = List.of(
            "From the Tessel Navigation Trust.",
            "",
            "Please keep to the path, close gates behind you,",
            "and leave paddles as you find them.",
            "",
            "Front desk: +44 20 7946 0011");

    private Leaflets() {}

    /** As PDF. */
    static byte[] about(String title) {
        try (var document = new PDDocument()) {
            var page = new PDPage();
            document.addPage(page);
            document.getDocumentInformation().setTitle(title);
            try (var pen = new PDPageContentStream(document, page)) {
                pen.beginText();
                pen.newLineAtOffset(72, 700);
                pen.setLeading(20);
                pen.setFont(new PDType1Font(Standard14Fonts.FontName.HELVETICA_BOLD), 22);
                pen.showText(title);
                pen.newLine();
                pen.setFont(new PDType1Font(Standard14Fonts.FontName.HELVETICA), 12);
                for (var line : WORDS) {
                    pen.newLine();
                    pen.showText(line);
                }
                pen.endText();
            }
            var bytes = new ByteArrayOutputStream();
            document.save(bytes);
            return bytes.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
