package org.jontrel.site.importer.name;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.Collection;
import org.jontrel.core.naming.VisibleText;
import org.jontrel.core.value.Link;
import org.jontrel.site.table.Jdbc;

/** What pictures that come with rows say to those who do not see them. */
public record PictureTexts(Connection connection, long importId) {
    /** Letters of an alternative text at most. */
    private static final int LONGEST = 1_000;

    /** The words of a file name, as long as nothing better is known. */
    public static String ofName(String name) {
        var bare = name.substring(Math.max(name.lastIndexOf('/'), name.lastIndexOf('\\')) + 1);
        var words =
                bare.replaceFirst("\\.[^.]*$", "").replaceAll("[\\s_-]+", " ").strip();
        return words.isEmpty() ? bare : words;
    }

    /** A picture is of the record that has it, unless somebody said what it shows. */
    public void say(String title, Collection<FoundName> found) throws SQLException {
        if (title.isBlank()) {
            return;
        }
        for (var each : found) {
            if (each instanceof FoundName.Known(Link(String type, long id), var _) && type.isEmpty()) {
                say(title, id);
            }
        }
    }

    private void say(String title, long id) throws SQLException {
        var name = Jdbc.first(
                connection,
                "SELECT m.name FROM jontrel_media m JOIN jontrel_import_file f ON f.media_id = m.id"
                        + " WHERE f.import_id = ? AND m.id = ?",
                row -> row.getString(1),
                importId,
                id);
        if (name.isPresent()) {
            Jdbc.update(
                    connection,
                    "UPDATE jontrel_media SET alt = ? WHERE id = ? AND alt = ?",
                    VisibleText.start(title, LONGEST),
                    id,
                    ofName(name.get()));
        }
    }
}
