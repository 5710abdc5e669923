package org.jontrel.server.workspace;

import java.io.IOException;
import java.util.ArrayList;
import org.jontrel.core.code.IdentifiedPackage;
import org.jontrel.core.code.PackageFiles;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.Model;
import org.jontrel.core.naming.Ids;
import org.jontrel.serve.web.Refusal;
import org.springframework.web.multipart.MultipartFile;

/** A package that somebody sent, whole. */
public final class UploadedPackage {
    private UploadedPackage() {}

    /** @throws Refusal where it cannot be read */
    public static IdentifiedPackage read(MultipartFile file, Model earlier, Ids ids) throws IOException {
        return IdentifiedPackage.of(files(file), earlier, ids);
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
}
