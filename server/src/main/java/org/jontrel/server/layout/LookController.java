package org.jontrel.server.layout;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.core.identity.Identities;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.page.look.ShippedLook;
import org.jontrel.server.workspace.DefinitionView;
import org.jontrel.server.workspace.Drafts;
import org.jontrel.server.workspace.Workspaces;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** How layouts look while they are typed: nothing here is stored. */
@RestController
class LookController {
    private final Workspaces workspaces;
    private final Drafts drafts;
    private final Ids ids;
    private final LayoutLooks looks;

    LookController(Workspaces workspaces, Drafts drafts, Ids ids, LayoutLooks looks) {
        this.workspaces = workspaces;
        this.drafts = drafts;
        this.ids = ids;
        this.looks = looks;
    }

    @Schema(requiredProperties = {"code", "title", "description", "definition"})
    record ShippedLookView(
            @Schema(description = "What settings of sites call it")
            String code,

            String title,
            @Schema(description = "What it is for") String description,

            @Schema(ref = "#/components/schemas/Definition", description = "Without names of its own")
            Map<String, Object> definition) {}

    /** The looks that come with the application: to be used as they are, or to begin one's own with. */
    @GetMapping("/api/looks")
    List<ShippedLookView> shipped() {
        return Stream.of(ShippedLook.values())
                .map(each -> new ShippedLookView(
                        each.code(),
                        each.look().title(),
                        each.look().description(),
                        PackageWriter.tree(each.look().withNames("", "", "", ""))))
                .toList();
    }

    record LookOfLayout(
            @Schema(description = "Path of the site whose records are shown; made-up ones where it is absent")
            String site,

            @Schema(description = "Id of the content type or taxonomy; empty for the home page") @NotNull
            String type,

            @Schema(description = "page, card, row or index") @NotNull
            String use,

            @Schema(description = "Number of the record; the last changed one where it is absent")
            Long record,

            @Schema(description = "Which other record to show instead: next, fullest, emptiest or longest")
            String pick,

            @Schema(description = "Whether drafts are shown too, as people see them who are signed in")
            boolean drafts,

            @Schema(
                    ref = "#/components/schemas/Definition",
                    description = "A layout, listing, part or look as it is typed")
            Map<String, Object> definition,

            @Schema(description = "What sort of definition that is")
            String sort) {}

    /** The page, card or line that a record gets, as somebody lays it out. */
    @PostMapping("/api/proof/{workspace}/page")
    LayoutLooks.LayoutLook look(@PathVariable String workspace, @Valid @RequestBody LookOfLayout body) {
        var found = workspaces.get(workspace);
        var draft = drafts.get(found.id()).model();
        if (body.definition() != null) {
            var typed = DefinitionView.read(body.sort() == null ? "layout" : body.sort(), body.definition());
            draft = draft.with(new Identities(draft, ids).complete(typed));
        }
        return looks.of(found.title(), draft, body);
    }
}
