package org.jontrel.cli.remote;

import java.io.IOException;
import java.util.ArrayList;
import org.jontrel.core.code.PackageFiles;
import org.jontrel.core.compare.ComparisonReport;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

@Command(
        name = "pull",
        mixinStandardHelpOptions = true,
        description =
                "Brings the draft, or a release, into a folder. What was changed in both is brought together; where it"
                        + " clashes nothing is written, and the exit code is 1.")
public final class PullCommand extends FolderCommand {
    @Option(
            names = "--release",
            paramLabel = "VERSION",
            description = "A release in the place of the draft, or “latest”.")
    private String version;

    @Override
    int call(RemoteServer server, Access access) throws IOException {
        var checkout = checkout();
        if (checkout.isEmpty()) {
            checkout.refuseOthers();
            var theirs = theirs(server, access, "");
            var files = fresh(access, theirs.files());
            checkout.write(files);
            checkout.keep(theirs.files());
            out().println(files.size() + " files in " + checkout.folder() + ".");
            return 0;
        }
        var local = local(checkout);
        var theirs = theirs(server, access, version(local));
        var merged = merged(base(server, access, checkout, local), local, theirs);
        if (!merged.clashes().isEmpty()) {
            merged.clashes().forEach(clash -> out().println(clash.sentence()));
            err().println(
                            "jontrel: The folder and the server changed the same things. Make them agree on one side, then pull"
                                    + " again; nothing was written.");
            return 1;
        }
        checkout.write(merged.files());
        checkout.keep(theirs.files());
        var changes = compared(local.read(), Checkout.read(merged.files()));
        out().print(ComparisonReport.text(changes));
        out().flush();
        if (changes.isEmpty()) {
            err().println("Nothing new.");
        }
        return 0;
    }

    private DownloadedDraft theirs(RemoteServer server, Access access, String next) throws IOException {
        return version == null ? draft(server, access, next) : release(server, access);
    }

    private DownloadedDraft release(RemoteServer server, Access access) throws IOException {
        var named = version.equals("latest") ? PlanCommand.latest(server, access) : version;
        var zip = server.download(access.path() + "/releases/" + named + "/package");
        return new DownloadedDraft(PackageFiles.zip(zip.content(), new ArrayList<>()), 0);
    }
}
