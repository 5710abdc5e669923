package org.jontrel.site.media;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.security.SecureRandom;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Semaphore;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.record.Values;
import org.jontrel.core.value.ImageFacts;
import org.jontrel.core.value.Link;
import org.jontrel.site.table.Database;
import org.jontrel.site.table.Gate;
import org.jontrel.site.table.Jdbc;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Pictures and files of a site. What they are is read from their bytes, never their name; the same bytes are kept once,
 * however often they are uploaded; smaller pictures are made once, in the background.
 */
public final class MediaStore {
    /** Bytes of a picture at most. */
    private static final int LONGEST_NAME = 255;

    public static final int MOST_BYTES = Kind.Image.MOST_KILOBYTES << 10;

    private static final Logger LOG = LoggerFactory.getLogger(MediaStore.class);
    private static final String FOUND = "SELECT id, format, width, height, bytes, name, alt, sha256, focus_x, focus_y,"
            + " created_at, created_by FROM jontrel_media";
    private static final SecureRandom RANDOM = new SecureRandom();
    /** Pictures are decoded whole, and each upload has a connection: so many at once, in all sites. */
    private static final Semaphore UPLOADS = new Semaphore(8);

    private final Database database;
    private final BlobStore contents;
    private final ExecutorService background = Executors.newSingleThreadExecutor(
            Thread.ofPlatform().daemon().name("smaller-pictures").factory());

    public MediaStore(Database database, Optional<java.nio.file.Path> folder) {
        this.database = database;
        this.contents = folder.<BlobStore>map(FolderBlobStore::new).orElseGet(() -> new DatabaseBlobStore(database));
    }

    /** What came of an upload. */
    public sealed interface Uploaded {
        record StoredUpload(StoredFile file) implements Uploaded {}

        record RefusedUpload(List<Finding> findings) implements Uploaded {}
    }

    /** Checks an upload for an image or file field and stores it. */
    public Uploaded upload(Field field, String name, String alt, Bytes bytes, String author) throws IOException {
        boolean image = field.kind() instanceof Kind.Image;
        if (image && bytes.size() > MOST_BYTES) {
            return new Uploaded.RefusedUpload(List.of(
                    Finding.of(Code.IMAGE_TOO_HEAVY, Place.NOWHERE, name, bytes.size() / 1024, MOST_BYTES / 1024)));
        }
        UPLOADS.acquireUninterruptibly();
        try {
            return checked(field, name, alt, bytes, author);
        } finally {
            UPLOADS.release();
        }
    }

    /** Stores a picture or file before it is known for which field; each field checks it when a record is to have it. */
    public Uploaded keep(String name, String alt, Bytes bytes, String author) throws IOException {
        UPLOADS.acquireUninterruptibly();
        try {
            var read = Inspection.file(name, bytes);
            if (read.finding().isPresent()) {
                return new Uploaded.RefusedUpload(List.of(read.finding().get()));
            }
            return new Uploaded.StoredUpload(stored(read, name, alt, bytes, author));
        } finally {
            UPLOADS.release();
        }
    }

    private Uploaded checked(Field field, String name, String alt, Bytes bytes, String author) throws IOException {
        boolean image = field.kind() instanceof Kind.Image;
        var read = image ? Inspection.picture(name, bytes) : Inspection.file(name, bytes);
        if (read.finding().isPresent()) {
            return new Uploaded.RefusedUpload(List.of(read.finding().get()));
        }
        var findings = image
                ? Values.checkPicture(field, new ImageFacts(read.width(), read.height(), bytes.size(), alt))
                : Values.checkFile(field, name, read.format(), bytes.size());
        if (!findings.isEmpty()) {
            return new Uploaded.RefusedUpload(findings);
        }
        return new Uploaded.StoredUpload(stored(read, name, alt, bytes, author));
    }

    private StoredFile stored(Inspection.Inspected read, String name, String alt, Bytes bytes, String author)
            throws IOException {
        var file = new StoredFile(
                freshId(),
                read.format(),
                read.width(),
                read.height(),
                bytes.size(),
                named(name),
                alt.strip(),
                sha256(bytes),
                50,
                50,
                Instant.now().truncatedTo(ChronoUnit.MILLIS),
                author);
        alone(file.sha256(), () -> {
            if (!contents.has(file.sha256())) {
                contents.put(file.sha256(), bytes);
            }
            database.transaction(session -> insert(session.getConnection(), file));
        });
        if (file.picture()) {
            background.submit(() -> contents.get(file.sha256()).ifPresent(stored -> derive(file, stored)));
        }
        return file;
    }

    /** Tells nothing of other files, so that nobody counts up to them; JavaScript holds it exactly. */
    private static long freshId() {
        return RANDOM.nextLong(1L << 40, 1L << 53);
    }

    private interface MediaWork {
        void run() throws IOException;
    }

    /** Nobody else stores or removes the same bytes meanwhile, in this process or another. */
    private void alone(String sha256, MediaWork work) throws IOException {
        try {
            database.transaction(session -> {
                lock(
                        session.getConnection(),
                        "SELECT GET_LOCK(LEFT(SHA2(CONCAT(DATABASE(), ?), 256), 60), 60)",
                        sha256);
                try {
                    work.run();
                } catch (IOException e) {
                    throw new UncheckedIOException(e);
                } finally {
                    lock(
                            session.getConnection(),
                            "SELECT RELEASE_LOCK(LEFT(SHA2(CONCAT(DATABASE(), ?), 256), 60))",
                            sha256);
                }
                return null;
            });
        } catch (UncheckedIOException e) {
            throw e.getCause();
        }
    }

    private static void lock(Connection connection, String sql, String sha256) throws SQLException {
        if (Jdbc.number(connection, sql, sha256) != 1) {
            throw new SQLException("The same file is being stored or removed, and it takes long");
        }
    }

    private static int insert(Connection connection, StoredFile file) throws SQLException {
        var sql = "INSERT INTO jontrel_media (id, format, width, height, bytes, name, alt, sha256, focus_x, focus_y,"
                + " created_at, created_by) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)";
        return Jdbc.update(
                connection,
                sql,
                file.id(),
                file.format(),
                file.width(),
                file.height(),
                file.bytes(),
                file.name(),
                file.alt(),
                file.sha256(),
                file.focusX(),
                file.focusY(),
                file.createdAt().atOffset(ZoneOffset.UTC).toLocalDateTime(),
                file.createdBy());
    }

    private void derive(StoredFile file, Bytes bytes) {
        for (int width : Inspection.WIDTHS) {
            var name = file.sha256() + "-" + width;
            if (width < file.width() && !contents.has(name)) {
                try {
                    contents.put(name, Bytes.of(Inspection.derived(bytes, file.format(), width)));
                } catch (IOException | RuntimeException e) {
                    LOG.warn("No smaller picture of {} in {} pixels: {}", file.id(), width, e.getMessage());
                    return;
                }
            }
        }
    }

    public Optional<StoredFile> find(long id) {
        return Optional.ofNullable(find(List.of(id)).get(id));
    }

    /** By id; those that are not there are left out. */
    public Map<Long, StoredFile> find(Collection<Long> some) {
        var found = new LinkedHashMap<Long, StoredFile>();
        if (!some.isEmpty()) {
            var in = String.join(", ", java.util.Collections.nCopies(some.size(), "?"));
            query(FOUND + " WHERE id IN (" + in + ")", List.copyOf(some)).forEach(file -> found.put(file.id(), file));
        }
        return found;
    }

    /** The files of a site, the newest first, behind the one with an id. */
    public List<StoredFile> page(String search, Optional<Long> after, boolean pictures, int most) {
        var parameters = new ArrayList<Object>();
        var sql = new StringBuilder(FOUND + " WHERE 1 = 1");
        if (!search.isBlank()) {
            sql.append(" AND (name LIKE ? OR alt LIKE ?)");
            var pattern = "%" + search.strip().replaceAll("([\\\\%_])", "\\\\$1") + "%";
            parameters.add(pattern);
            parameters.add(pattern);
        }
        if (pictures) {
            sql.append(" AND width > 0");
        }
        after.ifPresent(id -> {
            sql.append(" AND (created_at, id) < (SELECT created_at, id FROM jontrel_media WHERE id = ?)");
            parameters.add(id);
        });
        return query(
                sql.append(" ORDER BY created_at DESC, id DESC LIMIT ")
                        .append(Math.clamp(most, 1, 200))
                        .toString(),
                parameters);
    }

    private List<StoredFile> query(String sql, List<?> parameters) {
        return database.transaction(
                session -> Jdbc.query(session.getConnection(), sql, MediaStore::file, parameters.toArray()));
    }

    private static StoredFile file(ResultSet row) throws SQLException {
        return new StoredFile(
                row.getLong(1),
                row.getString(2),
                row.getInt(3),
                row.getInt(4),
                row.getLong(5),
                row.getString(6),
                row.getString(7),
                row.getString(8),
                row.getInt(9),
                row.getInt(10),
                row.getObject(11, LocalDateTime.class).toInstant(ZoneOffset.UTC),
                row.getString(12));
    }

    /** What keeps a picture or file from being a field's value, within a transaction of another store. */
    public List<Finding> check(Connection connection, Field field, long id) throws SQLException {
        boolean image = field.kind() instanceof Kind.Image;
        var found = Jdbc.first(connection, FOUND + " WHERE id = ?", MediaStore::file, id)
                .filter(file -> !image || file.picture());
        if (found.isEmpty()) {
            var code = image ? Code.VALUE_NOT_IMAGE : Code.VALUE_NOT_FILE;
            return List.of(Finding.of(code, Place.field("", field.id(), ""), field.label()));
        }
        var file = found.get();
        return image
                ? Values.checkPicture(field, new ImageFacts(file.width(), file.height(), file.bytes(), file.alt()))
                : Values.checkFile(field, file.name(), file.format(), file.bytes());
    }

    /** Another alternative text or focal point; whether there is such a file. */
    public boolean describe(long id, String alt, int focusX, int focusY) {
        return database.transaction(session -> {
                    Gate.changed(session.getConnection());
                    var sql = "UPDATE jontrel_media SET alt = ?, focus_x = ?, focus_y = ? WHERE id = ?";
                    return Jdbc.update(
                            session.getConnection(),
                            sql,
                            alt.strip(),
                            Math.clamp(focusX, 0, 100),
                            Math.clamp(focusY, 0, 100),
                            id);
                })
                == 1;
    }

    /** Records that use a file, by the ids of their definitions. */
    public List<Link> uses(long id) {
        var sql = "SELECT holder_id, record_id FROM jontrel_media_use WHERE media_id = ? ORDER BY 1, 2 LIMIT 200";
        return database.transaction(session ->
                Jdbc.query(session.getConnection(), sql, row -> new Link(row.getString(1), row.getLong(2)), id));
    }

    /** Removes a file that nothing uses; its bytes go when no other upload has the same. Whether it was removed. */
    public boolean remove(long id) throws IOException {
        var file = find(id);
        boolean[] removed = {false};
        if (file.isPresent()) {
            alone(file.get().sha256(), () -> removed[0] = remove(file.get()));
        }
        return removed[0];
    }

    private boolean remove(StoredFile file) {
        boolean removed = database.transaction(session -> {
                    var sql = "DELETE FROM jontrel_media WHERE id = ? AND NOT EXISTS"
                            + " (SELECT 1 FROM jontrel_media_use u WHERE u.media_id = jontrel_media.id)";
                    return Jdbc.update(session.getConnection(), sql, file.id());
                })
                == 1;
        var sha = file.sha256();
        if (removed && query(FOUND + " WHERE sha256 = ?", List.of(sha)).isEmpty()) {
            contents.remove(sha);
            Inspection.WIDTHS.forEach(width -> contents.remove(sha + "-" + width));
        }
        return removed;
    }

    /**
     * Bytes to serve.
     *
     * @param format of these bytes, which for a smaller picture may be another than the file's
     */
    public record Served(Bytes bytes, String format, String tag) {}

    /** The file, or the smallest picture made of it that is at least so wide; the file itself where there is none yet. */
    public Optional<Served> serve(StoredFile file, int width) {
        if (file.picture() && width > 0) {
            for (int each : Inspection.WIDTHS) {
                if (each >= width && each < file.width()) {
                    var name = file.sha256() + "-" + each;
                    var smaller = contents.get(name);
                    if (smaller.isPresent()) {
                        return Optional.of(new Served(smaller.get(), Inspection.derivedFormat(file.format()), name));
                    }
                }
            }
        }
        return contents.get(file.sha256()).map(bytes -> new Served(bytes, file.format(), file.sha256()));
    }

    /** Widths in which there are, or will soon be, smaller pictures of one that is so wide. */
    public static List<Integer> widths(int width) {
        return Inspection.WIDTHS.stream().filter(each -> each < width).toList();
    }

    /** The name alone, without the folders and the invisible signs that some senders add. */
    private static String named(String sent) {
        var name = sent.substring(Math.max(sent.lastIndexOf('/'), sent.lastIndexOf('\\')) + 1)
                .replaceAll("[\\p{Cc}\\p{Cf}]", "")
                .strip();
        if (name.isEmpty()) {
            return "file";
        }
        return name.codePointCount(0, name.length()) > LONGEST_NAME
                ? name.substring(0, name.offsetByCodePoints(0, LONGEST_NAME))
                : name;
    }

    private static String sha256(Bytes bytes) throws IOException {
        try (var in = bytes.open()) {
            var digest = MessageDigest.getInstance("SHA-256");
            var part = new byte[1 << 16];
            for (int count = in.read(part); count >= 0; count = in.read(part)) {
                digest.update(part, 0, count);
            }
            return HexFormat.of().formatHex(digest.digest());
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }
}
