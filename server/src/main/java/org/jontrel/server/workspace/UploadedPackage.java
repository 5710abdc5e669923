package org.jontrel.server.workspace;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jontrel.core.code.DecisionReferences;
import org.jontrel.core.code.Manifest;
import org.jontrel.core.code.Migration;
import org.jontrel.core.code.PackageFiles;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.identity.Identities;
import org.jontrel.core.model.Model;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.yaml.Comments;
import org.jontrel.server.web.Refusal;
import org.springframework.web.multipart.MultipartFile;

/**
 * A package that somebody sent, whole.
 *
 * @param model with an id for everything: those of an earlier model where it has the same things
 * @param findings notes and warnings of its files
 */
public record UploadedPackage(
        Manifest manifest, Model model, Comments comments, List<Migration> migrations, List<Finding> findings) {
    /** @throws Refusal where it cannot be read */
    public static UploadedPackage read(MultipartFile file, Model earlier, Ids ids) throws IOException {
        return of(files(file), earlier, ids);
    }

    /** The files of it as they were sent. @throws Refusal where they cannot be read */
    static PackageReader.Result files(MultipartFile file) throws IOException {
        var findings = new ArrayList<Finding>();
        var read = PackageReader.read(PackageFiles.zip(file.getBytes(), findings), findings);
        if (read.content().isEmpty() || Finding.blocks(read.findings())) {
            throw Refusal.invalid("The package cannot be read, and nothing was changed.", read.findings());
        }
        return read;
    }

    static UploadedPackage of(PackageReader.Result read, Model earlier, Ids ids) {
        var content = read.content().orElseThrow();
        var identities = new Identities(earlier, ids);
        var model = identities.complete(content.model(), read.was());
        Map<String, String> given = identities.given();
        return new UploadedPackage(
                content.manifest(),
                model,
                read.formatting().comments().renamed(given),
                DecisionReferences.toIds(content.migrations(), model),
                read.findings());
    }
}
