package org.jontrel.cli;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Map;
import java.util.concurrent.Callable;
import org.jontrel.core.check.ModelCheck;
import org.jontrel.core.code.Identities;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Severity;
import org.jontrel.core.model.Ids;
import org.jontrel.core.model.Model;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

@Command(
        name = "check",
        mixinStandardHelpOptions = true,
        description = "Says what is wrong with a package. Exit code 1 where there is more than notes.")
final class CheckCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec;

    @Parameters(paramLabel = "PATH", description = "A folder, a zip, a file of one content type, or - for such a file.")
    private String path;

    @Option(
            names = "--json",
            description = "For machines: {\"findings\": [{code, severity, file, line, column, sentence}]}")
    private boolean json;

    @Override
    public Integer call() throws IOException {
        var loaded = Source.read(path);
        var findings = new ArrayList<>(loaded.findings());
        loaded.model()
                .map(model -> new Identities(Model.EMPTY, Ids.secure()).complete(model))
                .ifPresent(model -> findings.addAll(ModelCheck.check(model)));
        findings.sort(Finding.WORST_FIRST);
        var out = spec.commandLine().getOut();
        if (json) {
            out.println(Output.json(Map.of("findings", Output.trees(findings))));
        } else {
            findings.forEach(finding -> out.println(Output.line(finding)));
            if (findings.isEmpty()) {
                spec.commandLine().getErr().println("Nothing to say: the package is fine.");
            }
        }
        return findings.stream().anyMatch(finding -> finding.severity() != Severity.NOTE) ? 1 : 0;
    }
}
