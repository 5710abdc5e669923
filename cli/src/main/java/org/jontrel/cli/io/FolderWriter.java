package org.jontrel.cli.io;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.function.IntConsumer;

/**
 * Writes several files of a folder as one step. What was there is put beside first, in a hidden folder; a process that is
 * killed on the way leaves it, and the next command that reads the folder puts everything back as it was.
 */
public final class FolderWriter {
    private static final String JOURNAL = ".jontrel-write";
    private static final String NEW = JOURNAL + ".new";
    private static final String DONE = JOURNAL + ".done";
    private static final String LOCK = "lock";
    private static final String PLAN = "plan";

    private final Path folder;

    private FolderWriter(Path folder) {
        this.folder = folder;
    }

    /**
     * @param files by their names in the folder; those that are there just so are left alone
     * @param removed names of files that go
     */
    public static void write(Path folder, Map<String, byte[]> files, List<String> removed) throws IOException {
        write(folder, files, removed, _ -> {});
    }

    /** @param watch gets the number of changes that are made, before the first and after each */
    public static void write(Path folder, Map<String, byte[]> files, List<String> removed, IntConsumer watch)
            throws IOException {
        Files.createDirectories(folder);
        new FolderWriter(folder).run(files, removed, watch);
    }

    /** Takes back what a killed process had begun. @throws IOException where one is writing just now */
    public static void recover(Path folder) throws IOException {
        var writer = new FolderWriter(folder);
        writer.delete(NEW);
        writer.delete(DONE);
        if (Files.isDirectory(folder.resolve(JOURNAL))) {
            try (var _ = writer.locked(folder.resolve(JOURNAL))) {
                writer.takeBack();
            }
            writer.delete(DONE);
        }
    }

    private void run(Map<String, byte[]> files, List<String> removed, IntConsumer watch) throws IOException {
        var plan = new ArrayList<String>();
        for (var file : files.entrySet()) {
            var at = folder.resolve(file.getKey());
            boolean there = Files.exists(at);
            if (!there || !Arrays.equals(Files.readAllBytes(at), file.getValue())) {
                plan.add((there ? "replace " : "add ") + file.getKey());
            }
        }
        removed.forEach(name -> plan.add("remove " + name));
        if (plan.isEmpty()) {
            return;
        }
        recover(folder);
        try (var _ = begun(plan, files)) {
            int made = 0;
            watch.accept(made);
            for (var step : plan) {
                make(step);
                watch.accept(++made);
            }
            Files.move(folder.resolve(JOURNAL), folder.resolve(DONE), StandardCopyOption.ATOMIC_MOVE);
        }
        delete(DONE);
    }

    /** Everything that is needed to go on or back is there before anything changes. */
    private Lock begun(List<String> plan, Map<String, byte[]> files) throws IOException {
        var journal = folder.resolve(NEW);
        Files.createDirectories(journal);
        var lock = locked(journal);
        for (var step : plan) {
            var name = name(step);
            if (!step.startsWith("add ")) {
                put(journal.resolve("old").resolve(name), Files.readAllBytes(folder.resolve(name)));
            }
            if (!step.startsWith("remove ")) {
                put(journal.resolve("new").resolve(name), files.get(name));
            }
        }
        put(journal.resolve(PLAN), String.join("\n", plan).getBytes(java.nio.charset.StandardCharsets.UTF_8));
        Files.move(journal, folder.resolve(JOURNAL), StandardCopyOption.ATOMIC_MOVE);
        return lock;
    }

    private void make(String step) throws IOException {
        var at = folder.resolve(name(step));
        if (step.startsWith("remove ")) {
            Files.deleteIfExists(at);
            return;
        }
        Files.createDirectories(at.getParent());
        Files.move(
                folder.resolve(JOURNAL).resolve("new").resolve(name(step)),
                at,
                StandardCopyOption.ATOMIC_MOVE,
                StandardCopyOption.REPLACE_EXISTING);
    }

    private void takeBack() throws IOException {
        var journal = folder.resolve(JOURNAL);
        for (var step : Files.readAllLines(journal.resolve(PLAN))) {
            var at = folder.resolve(name(step));
            var old = journal.resolve("old").resolve(name(step));
            if (step.startsWith("add ")) {
                Files.deleteIfExists(at);
            } else if (Files.exists(old)) {
                Files.createDirectories(at.getParent());
                Files.copy(old, at, StandardCopyOption.REPLACE_EXISTING);
            }
        }
        Files.move(journal, folder.resolve(DONE), StandardCopyOption.ATOMIC_MOVE);
    }

    private static String name(String step) {
        return step.substring(step.indexOf(' ') + 1);
    }

    private static void put(Path file, byte[] content) throws IOException {
        Files.createDirectories(file.getParent());
        try (var channel = FileChannel.open(file, StandardOpenOption.CREATE_NEW, StandardOpenOption.WRITE)) {
            var bytes = java.nio.ByteBuffer.wrap(content);
            while (bytes.hasRemaining()) {
                channel.write(bytes);
            }
            channel.force(true);
        }
    }

    /** A whole file in the place of another, or the other as it was. */
    public static void replace(Path file, byte[] content) throws IOException {
        if (Files.exists(file) && Arrays.equals(Files.readAllBytes(file), content)) {
            return;
        }
        var parent = file.toAbsolutePath().getParent();
        Files.createDirectories(parent);
        var fresh = Files.createTempFile(parent, ".jontrel-", ".new");
        Files.delete(fresh);
        put(fresh, content);
        Files.move(fresh, file, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
    }

    private void delete(String name) throws IOException {
        var old = folder.resolve(name);
        if (!Files.isDirectory(old)) {
            return;
        }
        try (var _ = locked(old);
                var walk = Files.walk(old)) {
            for (var path : walk.sorted(Comparator.reverseOrder()).toList()) {
                Files.deleteIfExists(path);
            }
        }
    }

    /** Held as long as a process writes; it ends with the process, however that ends. */
    private record Lock(FileChannel channel, FileLock lock) implements AutoCloseable {
        @Override
        public void close() throws IOException {
            channel.close();
        }
    }

    private Lock locked(Path journal) throws IOException {
        var channel = FileChannel.open(journal.resolve(LOCK), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
        try {
            var lock = channel.tryLock();
            if (lock != null) {
                return new Lock(channel, lock);
            }
        } catch (OverlappingFileLockException _) {
            // held within this process
        }
        channel.close();
        throw new IOException("Another command is writing to " + folder + " just now. Try again.");
    }
}
