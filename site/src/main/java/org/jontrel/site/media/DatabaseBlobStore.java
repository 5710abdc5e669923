package org.jontrel.site.media;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Objects;
import java.util.Optional;
import org.jontrel.site.table.Database;
import org.jontrel.site.table.Jdbc;

/** Bytes in the site's own database, in pieces of one MiB. */
final class DatabaseBlobStore implements BlobStore {
    private static final int PIECE = 1 << 20;
    private final Database database;

    DatabaseBlobStore(Database database) {
        this.database = database;
    }

    @Override
    public boolean has(String name) {
        return size(name) >= 0;
    }

    /** -1 where there are no such bytes. */
    private long size(String name) {
        var sql = "SELECT COALESCE(SUM(OCTET_LENGTH(content)), -1) FROM jontrel_content WHERE name = ?";
        return database.transaction(session -> Jdbc.number(session.getConnection(), sql, name));
    }

    @Override
    public void put(String name, Bytes bytes) {
        database.transaction(session -> {
            var sql = "INSERT IGNORE INTO jontrel_content (name, seq, content) VALUES (?, ?, ?)";
            try (var in = bytes.open()) {
                var piece = in.readNBytes(PIECE);
                for (int seq = 0; seq == 0 || piece.length > 0; seq++) {
                    Jdbc.update(session.getConnection(), sql, name, seq, piece);
                    piece = in.readNBytes(PIECE);
                }
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
            return null;
        });
    }

    @Override
    public Optional<Bytes> get(String name) {
        long size = size(name);
        return size < 0
                ? Optional.empty()
                : Optional.of(new Bytes() {
                    @Override
                    public long size() {
                        return size;
                    }

                    @Override
                    public InputStream open() {
                        return new Pieces(name, size);
                    }
                });
    }

    private byte[] piece(String name, long seq) throws IOException {
        var sql = "SELECT content FROM jontrel_content WHERE name = ? AND seq = ?";
        return database.transaction(
                        session -> Jdbc.first(session.getConnection(), sql, row -> row.getBytes(1), name, seq))
                .orElseThrow(() -> new IOException("The bytes were removed while they were read"));
    }

    @Override
    public void remove(String name) {
        database.transaction(
                session -> Jdbc.update(session.getConnection(), "DELETE FROM jontrel_content WHERE name = ?", name));
    }

    /** Holds one piece at a time, and no connection while its reader is slow. */
    private final class Pieces extends InputStream {
        private final String name;
        private final long size;
        private long position;
        private long held = -1;
        private byte[] piece;

        Pieces(String name, long size) {
            this.name = name;
            this.size = size;
        }

        @Override
        public int read() throws IOException {
            var one = new byte[1];
            return read(one, 0, 1) < 0 ? -1 : one[0] & 0xff;
        }

        @Override
        public int read(byte[] into, int offset, int length) throws IOException {
            Objects.checkFromIndexSize(offset, length, into.length);
            if (position >= size) {
                return -1;
            }
            if (held != position / PIECE) {
                held = position / PIECE;
                piece = piece(name, held);
            }
            int from = (int) (position % PIECE);
            int count = Math.min(length, piece.length - from);
            System.arraycopy(piece, from, into, offset, count);
            position += count;
            return count;
        }

        @Override
        public long skip(long count) {
            long skipped = Math.clamp(count, 0, size - position);
            position += skipped;
            return skipped;
        }
    }
}
