package org.jontrel.cli.remote;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jontrel.core.code.Decision;
import org.jontrel.core.code.DecisionReferences;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.compare.ComparisonReport;
import org.semver4j.Semver;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(
        name = "release",
        mixinStandardHelpOptions = true,
        description =
                "Releases the draft, where it is just what a folder has: nothing goes out that nobody looked at. Exit code 1"
                        + " where it is not, or where the draft has problems.")
public final class ReleaseCommand extends FolderCommand {
    @Parameters(
            index = "1",
            arity = "0..1",
            paramLabel = "VERSION",
            description =
                    "Three numbers, or “next” for what the changes advise; what the folder's package.yaml says where left"
                            + " out.")
    private String version;

    @Option(names = "--notes", paramLabel = "TEXT", defaultValue = "", description = "What people are told of it.")
    private String notes;

    @Option(names = "--notes-file", paramLabel = "FILE", description = "A file with what people are told of it.")
    private Path notesFile;

    @Override
    int call(RemoteServer server, Access access) throws IOException {
        var local = local(checkout());
        var draft = draft(server, access, version(local));
        var manifest = local.files().get(PackageReader.MANIFEST);
        var drafted = Checkout.read(Checkout.under(manifest, draft.files()));
        var changes = compared(local.read(), drafted);
        if (!changes.isEmpty()) {
            out().print(ComparisonReport.text(changes));
            out().flush();
            throw new RemoteException(
                    RemoteServer.CONFLICT,
                    "The draft is not what this folder has. Push and pull first; nothing was released.",
                    List.of());
        }
        if (!answers(server, access, local.read(), drafted).equals(answers(server, access, drafted, drafted))) {
            throw new RemoteException(
                    RemoteServer.CONFLICT,
                    "The answers in migrations/ are not those of the draft. Push and pull first; nothing was released.",
                    List.of());
        }
        var body = new LinkedHashMap<String, Object>(Map.of(
                "version",
                named(server, access, version(local)),
                "notes",
                notesFile == null ? notes : Files.readString(notesFile),
                "revision",
                draft.revision()));
        var made = server.post(access.path() + "/releases", body);
        out().println("Released " + made.get("version").asString() + ".");
        return 0;
    }

    /** The answers of a package that lead beyond the last release. @param draft which knows what keys mean */
    private static Set<Decision> answers(
            RemoteServer server, Access access, PackageReader.Result of, PackageReader.Result draft)
            throws IOException {
        var versions = server.get(access.path() + "/versions");
        var model = draft.content().orElseThrow().model();
        return DecisionReferences.toIds(of.content().orElseThrow().migrations(), model).stream()
                .filter(each -> versions.isEmpty()
                        || new Semver(each.version())
                                .isGreaterThan(versions.get(0).get("version").asString()))
                .flatMap(each -> each.decisions().stream())
                .collect(Collectors.toSet());
    }

    private String named(RemoteServer server, Access access, String ofFolder) throws IOException {
        var named = Optional.ofNullable(version).orElse(ofFolder);
        return named.equals("next")
                ? server.get(access.path() + "/next").get("nextVersion").asString()
                : named;
    }
}
