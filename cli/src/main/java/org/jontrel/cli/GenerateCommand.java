package org.jontrel.cli;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.TreeMap;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jontrel.cli.io.FolderWriter;
import org.jontrel.cli.io.Output;
import org.jontrel.cli.io.PackageSource;
import org.jontrel.core.check.ModelCheck;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.generate.CodeTarget;
import org.jontrel.core.model.Model;
import org.jontrel.core.naming.Ids;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

@Command(
        name = "generate",
        mixinStandardHelpOptions = true,
        description = "Makes code for other programs of a package that has no problems.")
final class GenerateCommand implements Callable<Integer> {
    /** The targets by their words, for help. */
    static final class Targets implements Iterable<String> {
        @Override
        public Iterator<String> iterator() {
            return Stream.of(CodeTarget.values()).map(CodeTarget::code).iterator();
        }
    }

    @Spec
    private CommandSpec spec;

    @Parameters(
            index = "0",
            paramLabel = "TARGET",
            completionCandidates = Targets.class,
            description = "What the code is for: ${COMPLETION-CANDIDATES}.")
    private String target;

    @Parameters(index = "1", paramLabel = "PATH", description = "A folder or a zip of definitions.")
    private String path;

    @Option(
            names = "-o",
            paramLabel = "DIR",
            required = true,
            description = "The folder to write to. Files of these names are written anew, others left alone.")
    private Path folder;

    @Override
    public Integer call() throws IOException {
        var known = CodeTarget.of(target)
                .orElseThrow(() -> new ParameterException(
                        spec.commandLine(),
                        "Code cannot be made for " + target + ". Possible are: "
                                + Stream.of(CodeTarget.values())
                                        .map(CodeTarget::code)
                                        .collect(Collectors.joining(", "))
                                + "."));
        var source = PackageSource.read(path);
        var err = spec.commandLine().getErr();
        var read = source.read().completed(Model.EMPTY, Ids.secure());
        var content = read.content();
        List<Finding> findings = new ArrayList<>(source.findings());
        content.ifPresent(each -> findings.addAll(read.origins().locate(ModelCheck.check(each.model()))));
        findings.stream().sorted(Finding.WORST_FIRST).forEach(finding -> err.println(Output.line(finding)));
        if (content.isEmpty() || Finding.blocks(findings)) {
            return 1;
        }
        var code = known.of(content.get());
        var files = new TreeMap<String, byte[]>();
        code.files().forEach((name, text) -> files.put(name, text.getBytes(StandardCharsets.UTF_8)));
        FolderWriter.write(folder, files, List.of());
        files.keySet().forEach(name -> spec.commandLine().getOut().println(folder.resolve(name)));
        code.notes().forEach(err::println);
        return 0;
    }
}
