package org.jontrel.core.code;

import java.util.Comparator;
import java.util.List;
import org.jontrel.core.model.Model;
import org.semver4j.Semver;

/** A release as files: definitions, the decisions that led to it, and what it says of itself. Migrations by version. */
public record ModelPackage(Manifest manifest, Model model, List<Migration> migrations) {
    public ModelPackage {
        migrations = migrations.stream()
                .sorted(Comparator.comparing(migration -> Semver.coerce(migration.version())))
                .toList();
    }
}
