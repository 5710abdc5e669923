package org.jontrel.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import org.jontrel.cli.io.Output;
import org.jontrel.cli.io.PackageSource;
import org.jontrel.core.code.ModelPackage;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.Model;
import org.jontrel.core.naming.Ids;
import org.jontrel.describe.Describe;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

@Command(
        name = "describe",
        mixinStandardHelpOptions = true,
        description = "Writes a data dictionary of the model for a client to read and sign.")
final class DescribeCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec;

    @Parameters(paramLabel = "PATH", description = "A folder, a zip, a file of one definition, or - for such a file.")
    private String path;

    @Option(
            names = "-o",
            paramLabel = "FILE",
            required = true,
            description = "Where to write: a file that ends in .html, .md (with its picture beside it) or .svg.")
    private Path file;

    @Override
    public Integer call() throws IOException {
        var source = PackageSource.read(path);
        var err = spec.commandLine().getErr();
        source.findings().stream().sorted(Finding.WORST_FIRST).forEach(finding -> err.println(Output.line(finding)));
        var content = source.read().completed(Model.EMPTY, Ids.secure()).content();
        if (content.isEmpty()) {
            return 1;
        }
        write(content.get());
        return 0;
    }

    private void write(ModelPackage content) throws IOException {
        var name = file.getFileName().toString();
        if (file.getParent() != null) {
            Files.createDirectories(file.getParent());
        }
        if (name.endsWith(".html")) {
            Files.writeString(file, Describe.html(content));
        } else if (name.endsWith(".svg")) {
            Files.writeString(file, Describe.picture(content));
        } else if (name.endsWith(".md")) {
            var picture = name.substring(0, name.length() - 3) + ".svg";
            Files.writeString(file, Describe.markdown(content, picture));
            Files.writeString(file.resolveSibling(picture), Describe.picture(content));
        } else {
            throw new IOException("A dictionary is written as .html, .md or .svg, and " + name + " is none of these.");
        }
        spec.commandLine().getOut().println(file);
    }
}
