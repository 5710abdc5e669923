package org.jontrel.cli.shelf;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Comparator;
import org.jontrel.core.code.Ranges;
import org.jontrel.core.code.Requirement;
import org.jontrel.core.finding.Nearest;
import org.jontrel.core.naming.Keys;
import org.jontrel.core.shelf.PackageShelf;
import org.jontrel.core.shelf.Shelf;
import org.semver4j.Semver;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(
        name = "require",
        mixinStandardHelpOptions = true,
        description =
                "Takes a package from a shelf into a folder: its definitions are merged into the folder's files, to be used and added"
                        + " to. package.lock.yaml says what was taken. Where something clashes nothing is written, and the exit"
                        + " code is 1.")
public final class RequireCommand extends TakingCommand {
    @Parameters(index = "1", paramLabel = "NAME", description = "The package.")
    private String name;

    @Parameters(
            index = "2",
            arity = "0..1",
            paramLabel = "RANGE",
            description =
                    "Versions that will do, such as \">=1.2 <2\". Without it: the newest, and what is compatible with it.")
    private String range;

    @Option(
            names = "--prefix",
            paramLabel = "WORD",
            defaultValue = "",
            description = "Gives the keys and addresses of the package a word before them, where they would collide.")
    private String prefix;

    @Option(names = "--remove", description = "Takes the package out again, with what it brought.")
    private boolean remove;

    @Override
    public Integer call() throws IOException {
        if (range != null && !Ranges.isRange(range)) {
            throw new IOException(
                    range
                            + " is no range of versions. Give one such as \">=1.2 <2\", or \"^1.2\" for what is compatible with it.");
        }
        if (!prefix.isEmpty() && !Keys.isKey(prefix)) {
            throw new IOException(
                    prefix + " cannot stand before keys. Give a word such as " + Keys.fromLabel(prefix) + ".");
        }
        var from = shelf();
        var requires = new ArrayList<>(requires());
        requires.removeIf(each -> each.name().equals(name));
        if (!remove) {
            requires.add(new Requirement(name, range == null ? newest(from) : range, prefix));
        }
        return take(from, requires, name::equals);
    }

    private String newest(PackageShelf from) throws IOException {
        var hint = Nearest.hint(name, from.names());
        return from.versions(name).stream()
                .map(Shelf.ShelvedVersion::version)
                .max(Comparator.comparing(Semver::new))
                .map(version -> "^" + version)
                .orElseThrow(() -> new IOException("There is no package " + name + " on the shelf." + hint));
    }
}
