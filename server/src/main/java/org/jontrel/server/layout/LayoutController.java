package org.jontrel.server.layout;

import io.swagger.v3.oas.annotations.media.Schema;
import java.security.Principal;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.core.identity.Identities;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Layout;
import org.jontrel.core.model.Model;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.naming.Keys;
import org.jontrel.core.page.DerivedLayouts;
import org.jontrel.core.reach.ModelNames;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.serve.web.Refusal;
import org.jontrel.server.workspace.DraftViews;
import org.jontrel.server.workspace.Drafts;
import org.jontrel.server.workspace.Workspaces;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Layouts of a draft: derived ones, one's own, and what their blocks can show. */
@RestController
@RequestMapping("/api/workspaces/{workspace}/pages")
class LayoutController {
    private final Workspaces workspaces;
    private final Drafts drafts;
    private final DraftViews views;
    private final Ids ids;

    LayoutController(Workspaces workspaces, Drafts drafts, DraftViews views, Ids ids) {
        this.workspaces = workspaces;
        this.drafts = drafts;
        this.views = views;
        this.ids = ids;
    }

    @Schema(requiredProperties = {"id", "draft"})
    record OwnLayout(
            @Schema(description = "Id of the layout that was made")
            String id,

            DraftViews.DraftView draft) {}

    private Model draft(String workspace) {
        return drafts.get(workspaces.get(workspace).id()).model();
    }

    static Layout.LayoutUse use(String word) {
        return Stream.of(Layout.LayoutUse.values())
                .filter(each -> each.code().equals(word))
                .findFirst()
                .orElseThrow(() ->
                        Refusal.invalid("A layout is for a page, a card or a row, not for " + word + ".", List.of()));
    }

    private static RecordType recordType(Model model, String id) {
        return model.definition(id)
                .flatMap(definition -> RecordType.of(model, definition))
                .filter(recordType -> !recordType.single())
                .orElseThrow(() -> Refusal.missing("There is no content type or taxonomy " + id + " in this draft."));
    }

    /** What the blocks for records of a type can show: ways to values of up to three steps. */
    @GetMapping("/ways")
    List<WayView> ways(@PathVariable String workspace, @RequestParam(defaultValue = "") String type) {
        return WayView.all(draft(workspace), type);
    }

    /** The layout that is derived for a use, as blocks. */
    @GetMapping("/derived")
    @Schema(ref = "#/components/schemas/Definition")
    Map<String, Object> derived(@PathVariable String workspace, @RequestParam String type, @RequestParam String use) {
        var model = draft(workspace);
        return PackageWriter.tree(new DerivedLayouts(new ModelNames(model)).of(recordType(model, type), use(use)));
    }

    /** Makes the derived layout one's own, so that it can be changed. */
    @PostMapping("/own")
    @ResponseStatus(HttpStatus.CREATED)
    OwnLayout own(
            @PathVariable String workspace,
            @RequestParam String type,
            @RequestParam String use,
            @RequestParam(defaultValue = "0") long since,
            Principal principal) {
        var workspaceId = workspaces.get(workspace).id();
        var model = drafts.get(workspaceId).model();
        var recordType = recordType(model, type);
        var derived = new DerivedLayouts(new ModelNames(model)).of(recordType, use(use));
        var taken = model.all(Layout.class).stream().map(Definition::key).toList();
        var title = title(derived.use()) + " of " + recordType.singular().toLowerCase(Locale.ROOT);
        var bare = new Layout(
                ids.next('y'),
                Keys.free(Keys.fromLabel(title), java.util.Set.copyOf(taken)),
                title,
                "",
                derived.type(),
                derived.use(),
                derived.where(),
                OwnBlocks.of(derived.blocks(), ids));
        var complete = new Identities(model, ids).complete(bare);
        drafts.put(workspaceId, complete, 0, Optional.empty(), principal.getName());
        return new OwnLayout(complete.id(), views.view(workspaceId, since, complete.id()));
    }

    private static String title(Layout.LayoutUse use) {
        return switch (use) {
            case PAGE -> "Page";
            case CARD -> "Card";
            case ROW -> "Line";
        };
    }
}
