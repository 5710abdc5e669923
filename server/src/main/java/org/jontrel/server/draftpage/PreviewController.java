package org.jontrel.server.draftpage;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.serve.publicsite.Frames;
import org.jontrel.serve.publicsite.PageHead;
import org.jontrel.serve.publicsite.PageWriter;
import org.jontrel.serve.publicsite.SitePages;
import org.jontrel.serve.site.PageModels;
import org.jontrel.serve.web.Refusal;
import org.jontrel.server.site.Sites;
import org.jontrel.site.record.read.Audience;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.record.write.Write;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** The public page of a record as it is being typed, stored nowhere. */
@RestController
class PreviewController {
    private final Sites sites;
    private final PageWriter writer;
    private final PageModels models;
    private final Frames frames;

    PreviewController(Sites sites, PageWriter writer, PageModels models, Frames frames) {
        this.frames = frames;
        this.sites = sites;
        this.writer = writer;
        this.models = models;
    }

    record Typed(
            @Schema(description = "By field key, as a form sends them") @NotNull
            Map<String, Object> values,

            @Schema(description = "Number of the record, where it was saved before")
            Long id) {}

    @Schema(requiredProperties = {"page", "title", "description", "hidden"})
    record Preview(
            @Schema(description = "The page as HTML") String page,

            @Schema(description = "The title that search engines are told")
            String title,

            @Schema(description = "The description that search engines are told; empty for none")
            String description,

            @Schema(description = "Whether search engines are asked to leave the page out")
            boolean hidden) {}

    @PostMapping("/api/sites/{site}/types/{key}/preview")
    Preview preview(@PathVariable String site, @PathVariable String key, @Valid @RequestBody Typed body) {
        var engine = sites.engine(site);
        var recordType = engine.installed()
                .table(Definition.Sort.TYPE, key)
                .map(table -> table.recordType())
                .orElseThrow(() -> Refusal.missing("The site " + site + " has no content type " + key + "."));
        var values = engine.records()
                .check(Write.fresh(recordType.id(), RecordState.PUBLISHED, body.values(), ""))
                .map(checked -> checked.values())
                .orElse(Map.of());
        var now = Instant.now();
        var record = new StoredRecord(
                body.id() == null ? 0 : body.id(),
                "preview",
                Optional.empty(),
                0,
                RecordState.PUBLISHED,
                false,
                Optional.empty(),
                Optional.empty(),
                "",
                0,
                true,
                now,
                now,
                "",
                "",
                values);
        var frame = frames.of(sites.get(site), engine);
        var page = new SitePages(engine, models.of(engine), frame.name(), Audience.VISITORS)
                .page(recordType, record)
                .orElseThrow();
        return new Preview(
                writer.page(frame, PageHead.of(page.head().title() + " · " + frame.name()), page.nodes()),
                page.head().title() + " · " + frame.name(),
                page.head().description(),
                page.head().hidden());
    }
}
