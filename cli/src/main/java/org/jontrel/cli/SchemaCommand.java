package org.jontrel.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.TreeMap;
import java.util.concurrent.Callable;
import org.jontrel.core.code.PackageWriter;
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

    @Override
    public Integer call() throws IOException {
        Files.createDirectories(folder);
        for (var entry : new TreeMap<>(PackageWriter.schemas()).entrySet()) {
            var schema = new LinkedHashMap<String, Object>();
            schema.put("$schema", "https://json-schema.org/draft/2020-12/schema");
            schema.putAll(entry.getValue());
            var file = folder.resolve(entry.getKey() + ".schema.json");
            Files.writeString(file, Output.json(schema) + "\n");
            spec.commandLine().getOut().println(file);
        }
        return 0;
    }
}
