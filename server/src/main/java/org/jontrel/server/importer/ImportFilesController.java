package org.jontrel.server.importer;

import io.swagger.v3.oas.annotations.media.Schema;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.Principal;
import java.util.List;
import org.jontrel.serve.web.FindingView;
import org.jontrel.serve.web.Refusal;
import org.jontrel.server.media.FreeSpace;
import org.jontrel.server.site.Sites;
import org.jontrel.site.importer.ImportState;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** Pictures and files for the rows of an import. */
@RestController
@RequestMapping("/api/sites/{site}/imports/{id}/files")
class ImportFilesController {
    private final Sites sites;
    private final FreeSpace space;

    ImportFilesController(Sites sites, FreeSpace space) {
        this.sites = sites;
        this.space = space;
    }

    /** What came of pictures and files that were sent. */
    @Schema(requiredProperties = {"kept", "refused", "details"})
    record SentFiles(
            @Schema(description = "Of those that were sent now")
            int kept,

            @Schema(description = "Why the others were not kept")
            List<FindingView> refused,

            ImportViews.ImportDetails details) {}

    /**
     * Takes pictures and files that cells name, alone or within ZIP files. They stand in the library of the site from now on; those that
     * no record uses go with the import.
     */
    @PostMapping(consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    SentFiles send(
            @PathVariable String site,
            @PathVariable long id,
            @RequestParam("file") List<MultipartFile> files,
            Principal principal)
            throws IOException {
        var imports = sites.engine(site).imports();
        var opened = ImportController.opened(imports, id);
        if (opened.view().state() == ImportState.READING || !imports.revised(id)) {
            throw Refusal.conflict("This import is under way, or was brought. Send the pictures with a new one.", null);
        }
        space.check(files.stream().mapToLong(MultipartFile::getSize).sum());
        var taking = new TakenFiles(imports.files(id), principal.getName(), space);
        for (var file : files) {
            var path = Files.createTempFile("jontrel-files", ".upload");
            try {
                file.transferTo(path);
                taking.take(name(file), path);
            } finally {
                Files.deleteIfExists(path);
            }
        }
        // a trial that began meanwhile has not seen all of them
        imports.revised(id);
        return new SentFiles(taking.kept(), FindingView.of(taking.refused()), ImportController.details(imports, id));
    }

    private static String name(MultipartFile file) {
        var name = file.getOriginalFilename();
        return name == null || name.isBlank()
                ? "file"
                : Path.of(name.replace('\\', '/')).getFileName().toString();
    }
}
