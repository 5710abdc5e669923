package org.jontrel.site.media;

import java.io.ByteArrayOutputStream;
import java.util.Arrays;
import java.util.Optional;
import org.jontrel.site.table.Database;

/** Bytes in the site's own database, in pieces of one MiB. */
final class DatabaseContents implements Contents {
    private static final int PIECE = 1 << 20;
    private final Database database;

    DatabaseContents(Database database) {
        this.database = database;
    }

    @Override
    public boolean has(String name) {
        return database.transaction(session -> {
            try (var statement = session.getConnection()
                    .prepareStatement("SELECT 1 FROM jontrel_content WHERE name = ? AND seq = 0")) {
                statement.setString(1, name);
                try (var rows = statement.executeQuery()) {
                    return rows.next();
                }
            }
        });
    }

    @Override
    public void put(String name, byte[] bytes) {
        database.transaction(session -> {
            var sql = "INSERT IGNORE INTO jontrel_content (name, seq, content) VALUES (?, ?, ?)";
            try (var statement = session.getConnection().prepareStatement(sql)) {
                for (int seq = 0; seq == 0 || seq * PIECE < bytes.length; seq++) {
                    statement.setString(1, name);
                    statement.setInt(2, seq);
                    statement.setBytes(
                            3, Arrays.copyOfRange(bytes, seq * PIECE, Math.min(bytes.length, (seq + 1) * PIECE)));
                    statement.executeUpdate();
                }
            }
            return null;
        });
    }

    @Override
    public Optional<byte[]> get(String name) {
        return database.transaction(session -> {
            var sql = "SELECT content FROM jontrel_content WHERE name = ? ORDER BY seq";
            try (var statement = session.getConnection().prepareStatement(sql)) {
                statement.setString(1, name);
                try (var rows = statement.executeQuery()) {
                    var out = new ByteArrayOutputStream();
                    boolean any = false;
                    while (rows.next()) {
                        out.writeBytes(rows.getBytes(1));
                        any = true;
                    }
                    return any ? Optional.of(out.toByteArray()) : Optional.<byte[]>empty();
                }
            }
        });
    }

    @Override
    public void remove(String name) {
        database.transaction(session -> {
            try (var statement =
                    session.getConnection().prepareStatement("DELETE FROM jontrel_content WHERE name = ?")) {
                statement.setString(1, name);
                return statement.executeUpdate();
            }
        });
    }
}
