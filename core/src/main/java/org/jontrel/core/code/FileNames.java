package org.jontrel.core.code;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.stream.Stream;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Model;
import org.jontrel.core.naming.Keys;
import org.semver4j.Semver;

/** The names of files within a package. Nothing else makes a path, and none is made of what was not checked. */
public final class FileNames {
    public static final String MANIFEST = "package.yaml";
    public static final String LOCK = "package.lock.yaml";
    public static final String MIGRATIONS = "migrations";

    private FileNames() {}

    /** {@code types/mooring.yaml}. @throws IllegalArgumentException where the key is none */
    public static String of(Definition.Sort sort, String key) {
        if (!Keys.isKey(key)) {
            throw new IllegalArgumentException("No file name can be made of the key " + key);
        }
        return sort.folder() + "/" + key + ".yaml";
    }

    /** {@code migrations/1.3.0.yaml}. @throws IllegalArgumentException where the version is none */
    public static String ofMigration(String version) {
        if (!Semver.isValid(version)) {
            throw new IllegalArgumentException("No file name can be made of the version " + version);
        }
        return MIGRATIONS + "/" + version + ".yaml";
    }

    /** {@code packages/shared-places-1.3.0.zip}. @throws IllegalArgumentException where the name or version is none */
    static String ofShelved(String name, String version) {
        if (!Keys.isPackageName(name) || !Semver.isValid(version)) {
            throw new IllegalArgumentException("No file name can be made of the package " + name + " " + version);
        }
        return "packages/" + name + "-" + version + ".zip";
    }

    /** Whether a folder of a package has this name. */
    static boolean isFolder(String name) {
        return name.equals(MIGRATIONS)
                || Stream.of(Definition.Sort.values())
                        .anyMatch(sort -> sort.folder().equals(name));
    }

    /** What keeps the definitions of a model from having a file each; empty where each can. */
    public static List<Finding> problems(Model model) {
        var findings = new ArrayList<Finding>();
        var taken = new HashMap<String, Definition>();
        for (var definition : model.definitions()) {
            var key = definition.key();
            var place = Place.definition(definition.id(), "key");
            if (!Keys.isKey(key)) {
                findings.add(Finding.of(Code.KEY_INVALID, place, key, Keys.fromLabel(key)));
                continue;
            }
            var other = taken.putIfAbsent(of(definition.sort(), key), definition);
            if (other != null) {
                findings.add(Finding.of(Code.KEY_TWICE, place, key, other.name(), definition.name()));
            }
        }
        return findings;
    }
}
