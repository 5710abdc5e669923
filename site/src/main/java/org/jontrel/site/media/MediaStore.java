package org.jontrel.site.media;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javax.imageio.ImageIO;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.value.Picture;
import org.jontrel.core.value.Values;
import org.jontrel.site.table.Database;
import org.jontrel.site.table.RecordIds;

/** Pictures of a site, in its database in pieces of one MiB. What they are is read from their bytes, never their name. */
public final class MediaStore {
    /** Bytes of an upload at most. */
    public static final int MOST_BYTES = 20 << 20;

    private static final int PIECE = 1 << 20;
    private static final long MOST_PIXELS = 60_000_000;
    private static final List<String> FORMATS = List.of("jpeg", "png", "gif");
    private final Database database;
    private final RecordIds ids;

    public MediaStore(Database database, RecordIds ids) {
        this.database = database;
        this.ids = ids;
        database.use(MediaMapper.class);
    }

    /** What came of an upload. */
    public sealed interface Uploaded {
        record Stored(StoredPicture picture) implements Uploaded {}

        record Refused(List<Finding> findings) implements Uploaded {}
    }

    /** Checks an upload for an image field and stores it. */
    public Uploaded upload(Field field, String name, String alt, byte[] bytes, String author) {
        var read = inspect(name, bytes);
        if (read.finding().isPresent()) {
            return new Uploaded.Refused(List.of(read.finding().get()));
        }
        var facts = new Picture(read.width(), read.height(), bytes.length, alt);
        var findings = Values.checkPicture(field, facts);
        if (!findings.isEmpty()) {
            return new Uploaded.Refused(findings);
        }
        var picture = new StoredPicture(
                ids.next(), read.format(), read.width(), read.height(), bytes.length, shortened(name), alt.strip());
        database.transaction(session -> {
            var mapper = session.getMapper(MediaMapper.class);
            mapper.insert(picture, sha256(bytes), author);
            for (int seq = 0; seq * PIECE < bytes.length; seq++) {
                mapper.insertPiece(
                        picture.id(),
                        seq,
                        Arrays.copyOfRange(bytes, seq * PIECE, Math.min(bytes.length, (seq + 1) * PIECE)));
            }
            return null;
        });
        return new Uploaded.Stored(picture);
    }

    public Optional<StoredPicture> find(long id) {
        return database.transaction(session ->
                Optional.ofNullable(session.getMapper(MediaMapper.class).find(id)));
    }

    /** What keeps a picture or file from being a field's value, within a transaction of another store. */
    public List<Finding> check(Connection connection, Field field, long id) throws SQLException {
        var sql = "SELECT format, width, height, bytes, name, alt FROM jontrel_media WHERE id = ?";
        try (var statement = connection.prepareStatement(sql)) {
            statement.setLong(1, id);
            try (var row = statement.executeQuery()) {
                boolean image = field.kind() instanceof Kind.Image;
                if (!row.next() || image && row.getInt(2) == 0) {
                    var code = image ? Code.VALUE_NOT_IMAGE : Code.VALUE_NOT_FILE;
                    return List.of(Finding.of(code, Place.field("", field.id(), ""), field.label()));
                }
                return image
                        ? Values.checkPicture(
                                field, new Picture(row.getInt(2), row.getInt(3), row.getLong(4), row.getString(6)))
                        : Values.checkFile(field, row.getString(5), row.getString(1), row.getLong(4));
            }
        }
    }

    public byte[] bytes(long id) {
        var out = new ByteArrayOutputStream();
        database.transaction(session -> {
            out.reset();
            session.getMapper(MediaMapper.class).pieces(id).forEach(out::writeBytes);
            return null;
        });
        return out.toByteArray();
    }

    private record Inspected(String format, int width, int height, Optional<Finding> finding) {
        static Inspected refused(Code code, Object... arguments) {
            return new Inspected("", 0, 0, Optional.of(Finding.of(code, Place.NOWHERE, arguments)));
        }
    }

    /** Format and size from the header, then the whole picture decoded, so that a cut-off or false one is refused. */
    private static Inspected inspect(String name, byte[] bytes) {
        if (bytes.length > MOST_BYTES) {
            return Inspected.refused(Code.IMAGE_TOO_HEAVY, name, bytes.length / 1024, MOST_BYTES / 1024);
        }
        try (var in = ImageIO.createImageInputStream(new ByteArrayInputStream(bytes))) {
            var readers = ImageIO.getImageReaders(in);
            if (!readers.hasNext()) {
                return Inspected.refused(Code.IMAGE_NOT_A_PICTURE, name);
            }
            var reader = readers.next();
            try {
                var format = reader.getFormatName().toLowerCase(Locale.ROOT);
                reader.setInput(in);
                int width = reader.getWidth(0);
                int height = reader.getHeight(0);
                if (!FORMATS.contains(format)) {
                    return Inspected.refused(Code.IMAGE_NOT_A_PICTURE, name);
                }
                if ((long) width * height > MOST_PIXELS) {
                    return Inspected.refused(
                            Code.IMAGE_TOO_MANY_PIXELS,
                            name,
                            (long) width * height / 1_000_000,
                            MOST_PIXELS / 1_000_000);
                }
                reader.read(0);
                return new Inspected(format, width, height, Optional.empty());
            } finally {
                reader.dispose();
            }
        } catch (IOException | RuntimeException _) {
            return Inspected.refused(Code.IMAGE_NOT_A_PICTURE, name);
        }
    }

    private static String shortened(String name) {
        return name.codePointCount(0, name.length()) > 255 ? name.substring(0, name.offsetByCodePoints(0, 255)) : name;
    }

    private static String sha256(byte[] bytes) {
        try {
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }
}
