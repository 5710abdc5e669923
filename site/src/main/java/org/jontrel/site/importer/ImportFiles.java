package org.jontrel.site.importer;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import org.jontrel.core.finding.Finding;
import org.jontrel.site.importer.name.PictureTexts;
import org.jontrel.site.media.Bytes;
import org.jontrel.site.media.MediaStore;
import org.jontrel.site.table.Database;
import org.jontrel.site.table.Jdbc;

/** Pictures and files that were sent beside the rows of an import; they stand in the library of the site. */
public final class ImportFiles {
    private final Database database;
    private final MediaStore media;
    private final long id;

    ImportFiles(Database database, MediaStore media, long id) {
        this.database = database;
        this.media = media;
        this.id = id;
    }

    /** Keeps a picture or file for the rows that name it; what keeps it from being kept, else nothing. */
    public List<Finding> add(String name, Bytes bytes, String author) throws IOException {
        return switch (media.keep(name, PictureTexts.ofName(name), bytes, author)) {
            case MediaStore.Uploaded.RefusedUpload(var findings) -> findings;
            case MediaStore.Uploaded.StoredUpload(var file) -> {
                database.transaction(session -> Jdbc.update(
                        session.getConnection(), "INSERT INTO jontrel_import_file VALUES (?, ?)", id, file.id()));
                yield List.of();
            }
        };
    }

    public long count() {
        return database.transaction(session -> Jdbc.number(
                session.getConnection(), "SELECT COUNT(*) FROM jontrel_import_file WHERE import_id = ?", id));
    }

    /** Removes those that no record uses; the others stay, and are known as sent with this import no more. */
    void forget() {
        var unused = database.transaction(session -> {
            var all = Jdbc.query(
                    session.getConnection(),
                    "SELECT f.media_id FROM jontrel_import_file f WHERE f.import_id = ? AND NOT EXISTS"
                            + " (SELECT 1 FROM jontrel_media_use u WHERE u.media_id = f.media_id)",
                    row -> row.getLong(1),
                    id);
            return new ArrayList<>(all);
        });
        for (var each : unused) {
            try {
                media.remove(each);
            } catch (IOException e) {
                throw new java.io.UncheckedIOException(e);
            }
        }
        database.transaction(session ->
                Jdbc.update(session.getConnection(), "DELETE FROM jontrel_import_file WHERE import_id = ?", id));
    }
}
