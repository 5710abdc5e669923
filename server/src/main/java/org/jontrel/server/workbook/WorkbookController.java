package org.jontrel.server.workbook;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import java.io.IOException;
import java.security.Principal;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.List;
import org.jontrel.core.check.ModelCheck;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Severity;
import org.jontrel.core.format.Things;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Model;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.naming.VisibleText;
import org.jontrel.core.propose.Choices;
import org.jontrel.core.propose.ProposedModel;
import org.jontrel.core.propose.Proposing;
import org.jontrel.core.sheet.WorkbookFacts;
import org.jontrel.serve.web.FindingView;
import org.jontrel.serve.web.Refusal;
import org.jontrel.server.workspace.DraftViews;
import org.jontrel.server.workspace.Drafts;
import org.jontrel.server.workspace.Workspaces;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;
import tools.jackson.databind.json.JsonMapper;

/** Workbooks of a workspace: read once, then a model is proposed, chosen and taken into the draft. They are kept for 30 days. */
@RestController
@RequestMapping("/api/workspaces/{workspace}/workbooks")
class WorkbookController {
    private static final int LONGEST_NAME = 255;
    private static final JsonMapper JSON = JsonMapper.shared();
    private final Workspaces workspaces;
    private final Drafts drafts;
    private final DraftViews views;
    private final Workbooks workbooks;
    private final WorkbookMapper mapper;
    private final Ids ids;

    WorkbookController(
            Workspaces workspaces,
            Drafts drafts,
            DraftViews views,
            Workbooks workbooks,
            WorkbookMapper mapper,
            Ids ids) {
        this.workspaces = workspaces;
        this.drafts = drafts;
        this.views = views;
        this.workbooks = workbooks;
        this.mapper = mapper;
        this.ids = ids;
    }

    /** A workbook in the list of them. */
    @Schema(requiredProperties = {"id", "name", "by", "readAt"})
    record WorkbookEntry(long id, String name, String by, Instant readAt, Instant takenAt) {
        static WorkbookEntry of(WorkbookMapper.WorkbookLine line) {
            return new WorkbookEntry(
                    line.id(), line.name(), line.byWhom(), instant(line.readAt()), instant(line.takenAt()));
        }
    }

    private static Instant instant(LocalDateTime time) {
        return time == null ? null : time.toInstant(ZoneOffset.UTC);
    }

    /** The workbooks that were read here, the newest first. */
    @GetMapping
    List<WorkbookEntry> all(@PathVariable String workspace) {
        return mapper.all(workspaces.get(workspace).id()).stream()
                .map(WorkbookEntry::of)
                .toList();
    }

    /** Reads workbooks: text with separators in any encoding, XLSX or ODS; several files are one workbook. The draft stays as it is. */
    @PostMapping(consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    WorkbookView read(
            @PathVariable String workspace, @RequestParam("file") List<MultipartFile> files, Principal principal)
            throws IOException, InterruptedException {
        var id = workspaces.get(workspace).id();
        var seen = workbooks.read(files);
        var name = VisibleText.start(VisibleText.of(seen.name()), LONGEST_NAME);
        mapper.forget();
        var stored = new WorkbookMapper.NewWorkbook(
                id,
                name,
                principal.getName(),
                JSON.writeValueAsString(seen.facts()),
                JSON.writeValueAsString(FindingView.of(seen.findings())));
        mapper.insert(stored);
        return view(id, stored.id());
    }

    @GetMapping("/{id}")
    WorkbookView one(@PathVariable String workspace, @PathVariable long id) {
        return view(workspaces.get(workspace).id(), id);
    }

    /** Chooses otherwise than is proposed, and says what the model becomes. All that was chosen before is replaced. */
    @PutMapping("/{id}/choices")
    WorkbookView choose(
            @PathVariable String workspace,
            @PathVariable long id,
            @Schema(
                            description =
                                    "Of the workbook that was looked at; nothing is stored where somebody else chose since")
                    @RequestParam
                    long chosen,
            @Valid @RequestBody Choices choices) {
        var workspaceId = workspaces.get(workspace).id();
        find(workspaceId, id);
        if (mapper.choose(workspaceId, id, chosen, JSON.writeValueAsString(choices)) == 0) {
            throw overtaken(workspaceId, id);
        }
        return view(workspaceId, id);
    }

    private Refusal overtaken(long workspaceId, long id) {
        return Refusal.conflict(
                "Somebody chose otherwise here meanwhile. Look at what is chosen now.", view(workspaceId, id));
    }

    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void delete(@PathVariable String workspace, @PathVariable long id) {
        mapper.delete(workspaces.get(workspace).id(), id);
    }

    /** Puts the proposed model into the draft, as one edit that can be undone. */
    @PostMapping("/{id}/take")
    @Transactional
    public DraftViews.DraftView take(
            @PathVariable String workspace,
            @PathVariable long id,
            @Schema(
                            description =
                                    "Of the draft that the proposal was compared with; nothing is taken where it is another now")
                    @RequestParam
                    long revision,
            @Schema(
                            description =
                                    "Of the workbook that was looked at; nothing is taken where somebody else chose since")
                    @RequestParam
                    long chosen,
            @RequestParam(defaultValue = "0") long since,
            Principal principal) {
        var workspaceId = workspaces.get(workspace).id();
        var row = find(workspaceId, id);
        if (row.chosen() != chosen) {
            throw overtaken(workspaceId, id);
        }
        var draft = drafts.get(workspaceId);
        if (draft.revision() != revision) {
            throw Refusal.conflict(
                    "The draft was changed meanwhile. Look at what is proposed now, then take it.",
                    view(workspaceId, id));
        }
        var proposed = Proposing.of(facts(row), choices(row), draft.model(), ids);
        if (proposed.definitions().isEmpty()) {
            throw Refusal.invalid(
                    "There is nothing to take: all of it is in the draft already, or left out.", List.of());
        }
        drafts.change(
                workspaceId,
                draft.model(),
                together(draft.model(), proposed),
                "Model of " + row.name(),
                principal.getName());
        mapper.taken(workspaceId, id);
        return views.view(workspaceId, since);
    }

    private static Model together(Model draft, ProposedModel proposed) {
        var model = draft;
        for (var each : proposed.definitions()) {
            model = model.with(each);
        }
        return model;
    }

    private WorkbookMapper.WorkbookRow find(long workspaceId, long id) {
        var row = mapper.find(workspaceId, id);
        if (row == null) {
            throw Refusal.missing("This workbook is not here any more. Send it again.");
        }
        return row;
    }

    private static WorkbookFacts facts(WorkbookMapper.WorkbookRow row) {
        return JSON.readValue(row.facts(), WorkbookFacts.class);
    }

    private static Choices choices(WorkbookMapper.WorkbookRow row) {
        return JSON.readValue(row.choices(), Choices.class);
    }

    private WorkbookView view(long workspaceId, long id) {
        var row = find(workspaceId, id);
        var draft = drafts.get(workspaceId);
        var facts = facts(row);
        var proposed = Proposing.of(facts, choices(row), draft.model(), ids);
        var model = together(draft.model(), proposed);
        var changed = proposed.definitions().stream().map(Definition::id).toList();
        var problems = ModelCheck.check(model).stream()
                .filter(each -> each.severity() != Severity.NOTE
                        && changed.contains(each.place().definition()))
                .sorted(Finding.WORST_FIRST)
                .toList();
        return new WorkbookView(
                row.id(),
                row.name(),
                row.byWhom(),
                instant(row.readAt()),
                instant(row.takenAt()),
                draft.revision(),
                row.chosen(),
                choices(row),
                WorkbookView.sheets(
                        proposed,
                        facts,
                        each -> model.definition(each).map(Definition::name).orElse("")),
                proposed.definitions().stream()
                        .map(each -> line(each, draft.model()))
                        .toList(),
                List.of(JSON.readValue(row.findings(), FindingView[].class)),
                FindingView.of(problems));
    }

    private static WorkbookView.DefinitionLine line(Definition definition, Model draft) {
        int[] fields = {0};
        Things.within(definition, thing -> fields[0] += thing instanceof Field ? 1 : 0);
        return new WorkbookView.DefinitionLine(
                PackageWriter.word(definition.sort()),
                definition.name(),
                draft.definition(definition.id()).isPresent(),
                fields[0]);
    }
}
