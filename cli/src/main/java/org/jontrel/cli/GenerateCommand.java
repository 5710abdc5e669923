package org.jontrel.cli;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.Optional;
import java.util.TreeMap;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jontrel.cli.io.FolderWriter;
import org.jontrel.cli.io.Output;
import org.jontrel.cli.io.PackageSource;
import org.jontrel.core.check.ModelCheck;
import org.jontrel.core.code.ModelPackage;
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

    @Option(
            names = "--from",
            paramLabel = "PATH",
            description =
                    "For databases: the package of an earlier release. Makes also the script that brings a database"
                            + " that was made for it on, with its rows.")
    private String from;

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
        if (from != null && !known.migrates()) {
            throw new ParameterException(
                    spec.commandLine(),
                    "Nothing made for " + target
                            + " has to be brought on from one release to another: it is made anew. Leave out --from.");
        }
        var err = spec.commandLine().getErr();
        var before = from == null ? Optional.<ModelPackage>empty() : sound(from, Model.EMPTY);
        var content = from != null && before.isEmpty()
                ? Optional.<ModelPackage>empty()
                : sound(path, before.map(ModelPackage::model).orElse(Model.EMPTY));
        if (content.isEmpty()) {
            return 1;
        }
        var code =
                before.flatMap(earlier -> known.since(earlier, content.get())).orElseGet(() -> known.of(content.get()));
        var files = new TreeMap<String, byte[]>();
        code.files().forEach((name, text) -> files.put(name, text.getBytes(StandardCharsets.UTF_8)));
        FolderWriter.write(folder, files, List.of());
        files.keySet().forEach(name -> spec.commandLine().getOut().println(folder.resolve(name)));
        code.notes().forEach(err::println);
        return 0;
    }

    /** A package without blockers; what is wrong with others is told. @param earlier gives ids where files have none */
    private Optional<ModelPackage> sound(String packagePath, Model earlier) throws IOException {
        var source = PackageSource.read(packagePath);
        var read = source.read().completed(earlier, Ids.secure());
        List<Finding> findings = new ArrayList<>(source.findings());
        read.content().ifPresent(each -> findings.addAll(read.origins().locate(ModelCheck.check(each.model()))));
        findings.stream()
                .sorted(Finding.WORST_FIRST)
                .forEach(finding -> spec.commandLine().getErr().println(Output.line(finding)));
        return Finding.blocks(findings) ? Optional.empty() : read.content();
    }
}
