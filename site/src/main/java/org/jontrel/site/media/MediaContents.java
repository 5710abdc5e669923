package org.jontrel.site.media;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.SequenceInputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.Enumeration;
import java.util.NoSuchElementException;
import java.util.Optional;
import javax.sql.DataSource;
import org.jontrel.site.table.Database;
import org.jontrel.site.table.DatabaseException;
import org.jontrel.site.table.Jdbc;

/** All bytes of a site's pictures and files, wherever they are kept, by the names that follow from them. */
public final class MediaContents {
    private final BlobStore store;

    /** @param folder where they are kept; empty for the database */
    public MediaContents(DataSource site, Optional<Path> folder) {
        this.store =
                folder.<BlobStore>map(FolderBlobStore::new).orElseGet(() -> new DatabaseBlobStore(new Database(site)));
    }

    /** Is shown one after another. */
    public interface ContentVisitor {
        void content(String name, InputStream bytes) throws IOException;
    }

    /**
     * All of them, by their names.
     *
     * @param connection to the site, which reads the moment that counts; what a folder has beside is no harm
     */
    public static void each(Connection connection, Optional<Path> folder, ContentVisitor visitor)
            throws SQLException, IOException {
        if (folder.isPresent()) {
            inFolder(folder.get(), visitor);
            return;
        }
        var names = Jdbc.query(
                connection, "SELECT DISTINCT name FROM jontrel_content ORDER BY name", row -> row.getString(1));
        for (var name : names) {
            long pieces = Jdbc.number(connection, "SELECT COUNT(*) FROM jontrel_content WHERE name = ?", name);
            try (var in = new SequenceInputStream(new StoredPieces(connection, name, pieces))) {
                visitor.content(name, in);
            }
        }
    }

    private static void inFolder(Path folder, ContentVisitor visitor) throws IOException {
        if (!Files.isDirectory(folder)) {
            return;
        }
        try (var all = Files.walk(folder)) {
            for (var file :
                    (Iterable<Path>) all.filter(FolderBlobStore::isContent).sorted()::iterator) {
                try (var in = Files.newInputStream(file)) {
                    visitor.content(file.getFileName().toString(), in);
                }
            }
        }
    }

    /** Puts what is not there yet. */
    public void put(String name, Bytes bytes) throws IOException {
        store.put(name, bytes);
    }

    /** One after another, so that a file of any length is never whole in memory. */
    private static final class StoredPieces implements Enumeration<InputStream> {
        private final Connection connection;
        private final String name;
        private final long pieces;
        private long next;

        StoredPieces(Connection connection, String name, long pieces) {
            this.connection = connection;
            this.name = name;
            this.pieces = pieces;
        }

        @Override
        public boolean hasMoreElements() {
            return next < pieces;
        }

        @Override
        public InputStream nextElement() {
            try {
                var piece = Jdbc.first(
                        connection,
                        "SELECT content FROM jontrel_content WHERE name = ? ORDER BY seq LIMIT 1 OFFSET ?",
                        row -> row.getBytes(1),
                        name,
                        next++);
                return new ByteArrayInputStream(piece.orElseThrow(NoSuchElementException::new));
            } catch (SQLException e) {
                throw new DatabaseException(e);
            }
        }
    }
}
