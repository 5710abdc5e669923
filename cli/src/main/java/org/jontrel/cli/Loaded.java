package org.jontrel.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Optional;
import org.jontrel.core.code.PackageFiles;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.Model;

/** A package from a path, with what there is to say about reading it. */
record Loaded(Optional<Model> model, java.util.List<Finding> findings) {
    /** @throws IOException with a sentence for people where the path cannot be read */
    static Loaded from(Path path) throws IOException {
        if (!Files.exists(path)) {
            throw new IOException("There is nothing at " + path + ". Give a folder or a zip.");
        }
        var findings = new ArrayList<Finding>();
        var read = PackageReader.read(PackageFiles.read(path, findings), findings);
        return new Loaded(read.content().map(content -> content.model()), read.findings());
    }
}
