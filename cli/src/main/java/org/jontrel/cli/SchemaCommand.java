package org.jontrel.cli;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.TreeMap;
import java.util.concurrent.Callable;
import org.jontrel.cli.io.Output;
import org.jontrel.core.code.PackageFiles;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.core.finding.Finding;
import org.jontrel.describe.FormatPages;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

@Command(
        name = "schema",
        mixinStandardHelpOptions = true,
        description = "Writes the JSON Schema (2020-12) of every class of file, for editors that complete and check.")
final class SchemaCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec;

    @Option(names = "-o", paramLabel = "DIR", required = true, description = "The folder to write to.")
    private Path folder;

    @Option(
            names = "--pages",
            paramLabel = "EXAMPLE",
            description =
                    "Write the reference of the format too, as Markdown, with the files of this folder as examples;"
                            + " schemas then go to schema/ in DIR.")
    private Path example;

    @Override
    public Integer call() throws IOException {
        for (var entry : new TreeMap<>(PackageWriter.schemas()).entrySet()) {
            var name = entry.getKey() + ".schema.json";
            write(example == null ? name : "schema/" + name, Output.json(entry.getValue()) + "\n");
        }
        if (example != null) {
            var findings = new ArrayList<Finding>();
            var files = new TreeMap<String, String>();
            PackageFiles.read(example, findings)
                    .forEach((name, bytes) -> files.put(name, new String(bytes, StandardCharsets.UTF_8)));
            for (var page : FormatPages.of(files).entrySet()) {
                write(page.getKey(), page.getValue());
            }
        }
        return 0;
    }

    private void write(String name, String text) throws IOException {
        var file = folder.resolve(name);
        Files.createDirectories(file.getParent());
        Files.writeString(file, text);
        spec.commandLine().getOut().println(file);
    }
}
