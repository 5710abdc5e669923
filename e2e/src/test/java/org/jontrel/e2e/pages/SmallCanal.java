package org.jontrel.e2e.pages;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import javax.imageio.ImageIO;

/** A flight with one lock, its keeper, a notice that it is closed, and a boat with papers. */
record SmallCanal(PagesDesk pages) {
    void fill() throws IOException {
        pages.desk.api.put(
                "/api/sites/bench/values/opening/records/1",
                Map.of("version", 0, "state", "published", "values", Map.of("desk", "+44 20 7946 0011")));
        long keeper = pages.record(
                "person",
                Map.of("title", "Kit Marsh", "email", "kit@tessel.example", "phone", "+44 20 7946 0077"),
                "published");
        var water = List.of(pages.term("waterway", "tarn-flight"));
        long flight = pages.record(
                "structure", Map.of("title", "Tarn Flight", "sort", "flight", "waterway", water), "published");
        long picture = pages.upload("structure", "lead_image", "gates.png", picture(), Map.of("alt", "Closed gates"));
        pages.below(
                flight,
                Map.of(
                        "title",
                        "Low Lock",
                        "sort",
                        "lock",
                        "keeper",
                        keeper,
                        "inspected",
                        "2026-05-12",
                        "built",
                        "1796",
                        "lead_image",
                        picture,
                        "waterway",
                        water));
        pages.record(
                "stoppage_notice",
                Map.of(
                        "title",
                        "Low Lock closed",
                        "reference",
                        "S-0001",
                        "severity",
                        "closed",
                        "starts",
                        "2026-12-01",
                        "towpath_open",
                        true,
                        "severity_of_notice",
                        List.of(pages.term("severity_of_notice", "closed"))),
                "published");
        long papers = pages.upload(
                "heritage_boat",
                "papers",
                "survey.pdf",
                ("%PDF-1.4\n" + "x".repeat(3_000)).getBytes(StandardCharsets.US_ASCII),
                Map.of());
        pages.record(
                "heritage_boat",
                Map.of(
                        "title",
                        "Kestrel",
                        "built",
                        "1911",
                        "papers",
                        List.of(papers),
                        "former_names",
                        List.of(Map.of("name", "Ann", "until", "1920"), Map.of("name", "Ruth", "until", "1950"))),
                "published");
    }

    private static byte[] picture() throws IOException {
        var bytes = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(960, 640, BufferedImage.TYPE_INT_RGB), "png", bytes);
        return bytes.toByteArray();
    }
}
