package org.jontrel.cli.remote;

import java.io.IOException;
import org.jontrel.core.compare.ComparisonReport;
import org.jontrel.core.compare.LikelyRenames;
import picocli.CommandLine.Command;

@Command(
        name = "status",
        mixinStandardHelpOptions = true,
        description =
                "Says how a folder, the draft and the sites stand to each other. Exit code 1 where the folder and the draft"
                        + " differ.")
public final class StatusCommand extends FolderCommand {
    @Override
    int call(RemoteServer server, Access access) throws IOException {
        var out = out();
        out.println(
                access.title() + " at " + server.address() + ", with the rights " + String.join(", ", access.scopes()));
        var versions = server.get(access.path() + "/versions");
        out.println(
                versions.isEmpty()
                        ? "Not released yet."
                        : "Last release: " + versions.get(0).get("version").asString() + " by "
                                + versions.get(0).get("by").asString());
        for (var site : server.get(access.path() + "/sites")) {
            if (site.hasNonNull("copyOf")) {
                continue;
            }
            var version = site.get("version").asString();
            out.println("Site " + site.get("name").asString() + ": "
                    + (version.isEmpty() ? "nothing installed" : version) + ", "
                    + site.get("state").asString()
                    + (site.get("drift").asInt() == 0
                            ? ""
                            : ", its tables differ in " + site.get("drift").asInt() + " places"));
        }
        var checkout = checkout();
        if (checkout.isEmpty()) {
            out.println("There are no definitions in " + checkout.folder() + ".");
            return 0;
        }
        var local = local(checkout);
        var draft = draft(server, access, version(local));
        var merged = merged(base(server, access, checkout, local), local, draft);
        var manifest = local.files().get(org.jontrel.core.code.PackageReader.MANIFEST);
        var theirs = Checkout.read(Checkout.under(manifest, draft.files()));
        if (!merged.clashes().isEmpty()) {
            out.println("\nClashes between the folder and the draft:");
            merged.clashes().forEach(clash -> out.println("  " + clash.sentence()));
            return 1;
        }
        var together = Checkout.read(merged.files());
        var toPush = compared(theirs, together);
        var toPull = compared(local.read(), together);
        if (toPush.isEmpty() && toPull.isEmpty()) {
            out.println("The folder and the draft are the same.");
            return 0;
        }
        if (!toPush.isEmpty()) {
            out.println("\nTo push:");
            out.print(ComparisonReport.text(toPush));
            LikelyRenames.renames(toPush, java.util.Set.of()).forEach(rename -> out.println("? " + rename.sentence()));
        }
        if (!toPull.isEmpty()) {
            out.println("\nTo pull:");
            out.print(ComparisonReport.text(toPull));
        }
        out.flush();
        return 1;
    }
}
