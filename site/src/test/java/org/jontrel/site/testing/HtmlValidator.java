package org.jontrel.site.testing;

import java.io.File;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;

/** Checks pages against the HTML standard, markup and styles, by a validator that runs in a process of its own. */
public final class HtmlValidator {
    /** Where the module {@code htmlcheck} puts the validator, seen from any other module. */
    private static final Path LIBRARIES = Path.of("../htmlcheck/target/lib");

    private HtmlValidator() {}

    /**
     * @param pages HTML by a name for each page
     * @return a line for each mistake, with the name of the page; empty where there is none
     */
    public static List<String> mistakes(Map<String, String> pages) {
        try {
            var folder = Files.createTempDirectory("html");
            int number = 0;
            var files = new java.util.HashMap<String, String>();
            for (var page : pages.entrySet()) {
                var file = folder.resolve(number++ + ".html");
                Files.writeString(file, page.getValue());
                file.toFile().deleteOnExit();
                files.put(file.toUri().toString().replace("file:///", "file:/"), page.getKey());
            }
            return validate(folder).stream().map(line -> named(line, files)).toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static List<String> validate(Path folder) throws IOException {
        var java = Path.of(System.getProperty("java.home"), "bin", "java").toString();
        var process = new ProcessBuilder(
                        java,
                        "-cp",
                        LIBRARIES + File.separator + "*",
                        "nu.validator.client.SimpleCommandLineValidator",
                        "--format",
                        "gnu",
                        "--exit-zero-always",
                        folder.toString())
                .redirectErrorStream(true)
                .start();
        try (var output = process.inputReader()) {
            var lines = output.lines().filter(line -> !line.isBlank()).toList();
            int code = process.waitFor();
            if (code != 0) {
                throw new IllegalStateException("The HTML validator ended with " + code + ": " + lines);
            }
            return lines;
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    private static String named(String line, Map<String, String> files) {
        return files.entrySet().stream()
                .filter(file -> line.contains(file.getKey()))
                .findFirst()
                .map(file -> line.replace(file.getKey(), file.getValue()))
                .orElse(line);
    }
}
