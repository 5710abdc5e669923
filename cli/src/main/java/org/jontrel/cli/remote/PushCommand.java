package org.jontrel.cli.remote;

import java.io.IOException;
import org.jontrel.core.code.PackageFiles;
import org.jontrel.core.compare.ComparisonReport;
import picocli.CommandLine.Command;

@Command(
        name = "push",
        mixinStandardHelpOptions = true,
        description =
                "Brings a folder into the draft, as one edit that can be undone there. What was changed in both is brought"
                        + " together; where it clashes nothing is changed, and the exit code is 1.")
public final class PushCommand extends FolderCommand {
    /** Somebody may write at the same moment, but hardly so often. */
    private static final int TRIES = 5;

    @Override
    int call(RemoteServer server, Access access) throws IOException {
        var checkout = checkout();
        var local = local(checkout);
        var base = base(server, access, checkout, local);
        for (int tried = 1; ; tried++) {
            var draft = draft(server, access, version(local));
            var merged = merged(base, local, draft);
            if (!merged.clashes().isEmpty()) {
                merged.clashes().forEach(clash -> out().println(clash.sentence()));
                err().println(
                                "jontrel: The folder and the draft changed the same things. Pull to see them together once one side"
                                        + " has given way; nothing was changed.");
                return 1;
            }
            try {
                var answer = server.upload(
                        access.path() + "/draft/package?revision=" + draft.revision(),
                        PackageFiles.toZip(merged.files()));
                checkout.keep(local.files());
                answer.get("changes")
                        .forEach(change -> out().println(change.get("sentence").asString()));
                RemoteServer.lines(answer.get("findings")).forEach(line -> err().println(line));
                if (answer.get("changes").isEmpty()) {
                    err().println("The draft has all of it already.");
                }
                var more = compared(local.read(), Checkout.read(merged.files()));
                if (!more.isEmpty()) {
                    err().println("The draft differs from this folder by what others did; pull brings it:");
                    err().print(ComparisonReport.text(more));
                    err().flush();
                }
                return 0;
            } catch (RemoteException e) {
                if (e.status() != RemoteServer.OVERTAKEN || tried == TRIES) {
                    throw e;
                }
            }
        }
    }
}
