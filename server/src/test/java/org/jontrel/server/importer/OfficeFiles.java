package org.jontrel.server.importer;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.apache.commons.io.FileUtils;
import org.testng.SkipException;

/** A spreadsheet program without a window: opens a file and saves it as another. */
final class OfficeFiles implements AutoCloseable {
    private static final String PROGRAM = "soffice";
    private static final int LONGEST_SECONDS = 180;
    private final Path folder;

    /** @throws SkipException where the program is not there and cannot be installed */
    OfficeFiles() throws IOException {
        boolean there = List.of(System.getenv("PATH").split(":")).stream()
                .anyMatch(each -> Files.isExecutable(Path.of(each, PROGRAM)));
        if (!there) {
            throw new SkipException(
                    "LibreOffice is not installed, so that no spreadsheet program opens what was exported."
                            + " Install libreoffice-calc-nogui.");
        }
        folder = Files.createTempDirectory("jontrel-office");
    }

    /**
     * What the program makes of a file.
     *
     * @param options of the program for files that do not say how they are to be read; none for others
     */
    Path saved(Path file, String ending, String... options) throws IOException, InterruptedException {
        var out = Files.createTempDirectory(folder, "saved");
        var command = new ArrayList<>(List.of(
                PROGRAM, "-env:UserInstallation=" + folder.resolve("profile").toUri(), "--headless", "--norestore"));
        command.addAll(List.of(options));
        command.addAll(List.of("--convert-to", ending, "--outdir", out.toString(), file.toString()));
        var log = folder.resolve("log").toFile();
        var process = new ProcessBuilder(command)
                .redirectErrorStream(true)
                .redirectOutput(log)
                .start();
        if (!process.waitFor(LONGEST_SECONDS, TimeUnit.SECONDS)) {
            process.destroyForcibly();
        }
        var name = file.getFileName().toString().replaceFirst("\\.[^.]*$", "." + ending);
        var saved = out.resolve(name);
        if (!Files.isReadable(saved)) {
            throw new IOException(Files.readString(log.toPath()));
        }
        return saved;
    }

    Path file(String name, byte[] bytes) throws IOException {
        return Files.write(folder.resolve(name), bytes);
    }

    @Override
    public void close() throws IOException {
        FileUtils.deleteDirectory(folder.toFile());
    }
}
