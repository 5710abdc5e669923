package org.jontrel.cli.remote;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import org.jontrel.cli.io.Output;
import org.jontrel.cli.io.PackageSource;
import org.jontrel.core.code.DecisionReferences;
import org.jontrel.core.code.Manifest;
import org.jontrel.core.code.ModelPackage;
import org.jontrel.core.code.PackageFiles;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.core.compare.Comparison;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.identity.Alignment;
import org.jontrel.core.merge.PackageMerge;
import org.jontrel.core.naming.Ids;
import org.semver4j.Semver;
import picocli.CommandLine.Parameters;

/** A command for a folder of definitions and the draft that it goes with. */
abstract class FolderCommand extends RemoteCommand {
    private static final String OF_DRAFT = "-draft";

    @Parameters(
            index = "0",
            arity = "0..1",
            paramLabel = "PATH",
            defaultValue = ".",
            description = "The folder with the definitions; the present one where left out.")
    private Path path;

    /** A draft as it was downloaded. */
    record DownloadedDraft(SortedMap<String, byte[]> files, long revision) {}

    Checkout checkout() {
        return new Checkout(path);
    }

    /** The folder's package. @throws IOException where it cannot be read; its problems are printed then */
    PackageSource local(Checkout checkout) throws IOException {
        if (checkout.isEmpty()) {
            throw new IOException("There are no definitions in " + checkout.folder()
                    + ": it has no package.yaml. Give the folder of a package, or pull one into it.");
        }
        var source = checkout.read();
        if (source.content().isEmpty() || Finding.blocks(source.findings())) {
            source.findings().stream()
                    .sorted(Finding.WORST_FIRST)
                    .forEach(finding -> err().println(Output.line(finding)));
            throw new RemoteException(
                    RemoteServer.INVALID,
                    "The definitions in " + checkout.folder() + " cannot be read. Solve what stands above first.",
                    List.of());
        }
        return source;
    }

    /** @param version under which its answers are to stand, where that is above the last release */
    static DownloadedDraft draft(RemoteServer server, Access access, String version) throws IOException {
        var download = server.download(access.path() + "/draft/package?next=" + version);
        return new DownloadedDraft(PackageFiles.zip(download.content(), new ArrayList<>()), download.revision());
    }

    /** What a folder and the draft both come from: what they had in common last, else the release that the folder names. */
    SortedMap<String, byte[]> base(RemoteServer server, Access access, Checkout checkout, PackageSource local)
            throws IOException {
        var kept = checkout.base();
        if (kept.isPresent()) {
            return kept.get();
        }
        var version = new Semver(local.content().orElseThrow().manifest().version());
        for (var each : server.get(access.path() + "/versions")) {
            var released = each.get("version").asString();
            if (!new Semver(released).isGreaterThan(version)) {
                err().println("Compared with release " + released + ", which this folder comes from.");
                var zip = server.download(access.path() + "/releases/" + released + "/package");
                return PackageFiles.zip(zip.content(), new ArrayList<>());
            }
        }
        return new TreeMap<>(Map.of(PackageReader.MANIFEST, PackageReader.ANY_MANIFEST));
    }

    /** The version that a folder's package says. */
    static String version(PackageSource local) {
        return local.content().orElseThrow().manifest().version();
    }

    /** Brings a folder and a draft together, over what both come from; what each says of itself stays the folder's. */
    static PackageMerge.MergedPackage merged(
            SortedMap<String, byte[]> base, PackageSource local, DownloadedDraft draft) {
        var manifest = local.files().get(PackageReader.MANIFEST);
        var theirs = Checkout.under(manifest, draft.files());
        var read = Checkout.read(theirs);
        sameAnswers(local, read).forEach(name -> theirs.put(name, local.files().get(name)));
        return PackageMerge.merge(
                Checkout.read(Checkout.under(manifest, base)), local.read(), Checkout.read(theirs), true, Ids.secure());
    }

    /** Files of answers that say the same on both sides: keys in those of the folder are no change. */
    private static List<String> sameAnswers(PackageSource local, PackageReader.Result theirs) {
        var draft = theirs.content().orElseThrow();
        var drafted = DecisionReferences.toIds(draft.migrations(), draft.model());
        return DecisionReferences.toIds(local.content().orElseThrow().migrations(), draft.model()).stream()
                .filter(mine -> drafted.stream()
                        .anyMatch(their -> their.version().equals(mine.version())
                                && Set.copyOf(their.decisions()).equals(Set.copyOf(mine.decisions()))))
                .map(mine -> "migrations/" + mine.version() + ".yaml")
                .filter(local.files()::containsKey)
                .toList();
    }

    /** A download for an empty folder: its version is what the release of the draft would be. */
    static SortedMap<String, byte[]> fresh(Access access, SortedMap<String, byte[]> files) {
        var read = Checkout.read(files);
        var content = read.content().orElseThrow();
        var version = content.manifest().version();
        var named = version.endsWith(OF_DRAFT) ? version.substring(0, version.length() - OF_DRAFT.length()) : version;
        var manifest = Manifest.of(access.workspace(), named, access.title(), List.of(), "", "");
        return PackageWriter.writeFolder(
                new ModelPackage(manifest, content.model(), content.migrations()), read.formatting(), read.was());
    }

    static Comparison compared(PackageReader.Result from, PackageReader.Result to) {
        var sides = Alignment.of(side(from), side(to), Ids.secure()).sides();
        return Comparison.of(sides.get(0), sides.get(1));
    }

    private static Alignment.Side side(PackageReader.Result read) {
        return new Alignment.Side(read.content().orElseThrow().model(), read.was());
    }
}
