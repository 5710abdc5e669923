package org.jontrel.server.record;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import org.jontrel.serve.record.ReferenceNames;
import org.jontrel.site.media.StoredFile;

/** An uploaded picture or file; width and height are 0 for what is no picture. */
@Schema(requiredProperties = {"id", "format", "width", "height", "bytes", "name", "alt", "address", "focusX", "focusY"})
record FileView(
        long id,
        String format,
        int width,
        int height,
        long bytes,
        String name,
        String alt,
        String address,

        @Schema(description = "What matters most in a picture, in hundredths of its width from the left")
        int focusX,

        int focusY) {
    static List<FileView> of(String site, ReferenceNames names) {
        return names.files().stream().map(file -> of(site, file)).toList();
    }

    static FileView of(String site, StoredFile file) {
        return new FileView(
                file.id(),
                file.format(),
                file.width(),
                file.height(),
                file.bytes(),
                file.name(),
                file.alt(),
                "/at/" + site + "/media/" + file.id(),
                file.focusX(),
                file.focusY());
    }
}
