package org.jontrel.server.workspace;

import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jontrel.core.compare.Change;
import org.jontrel.core.compare.Comparison;
import org.jontrel.core.compare.Sentences;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Model;
import org.jontrel.server.web.Refusal;
import org.jontrel.site.table.ModelText;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The drafts of workspaces: one definition at a time is written, and every edit can be undone and redone. */
@Service
public class Drafts {
    private final WorkspaceMapper mapper;

    Drafts(WorkspaceMapper mapper) {
        this.mapper = mapper;
    }

    /** A definition in a draft; {@code revision} is sent back with an edit so that nothing is overwritten unseen. */
    public record Drafted(Definition definition, long revision) {}

    /** The whole draft; {@code undo} and {@code redo} name the edits those would touch, or are {@code null}. */
    public record Draft(long revision, List<Drafted> definitions, String undo, String redo) {
        public Model model() {
            return new Model(definitions.stream().map(Drafted::definition).toList());
        }
    }

    @Transactional(readOnly = true)
    public Draft get(long workspaceId) {
        var definitions = mapper.definitions(workspaceId).stream()
                .map(row -> new Drafted(definition(row.content()), row.revision()))
                .sorted(java.util.Comparator.comparing(
                        drafted -> drafted.definition().name()))
                .toList();
        var undo = mapper.lastEdit(workspaceId);
        var redo = mapper.nextEdit(workspaceId);
        return new Draft(
                mapper.revision(workspaceId),
                definitions,
                undo == null ? null : undo.title(),
                redo == null ? null : redo.title());
    }

    /**
     * Writes a definition.
     *
     * @param base revision that the writer had seen; 0 for a new definition
     * @throws Refusal where somebody else wrote it since
     */
    @Transactional
    public void put(long workspaceId, Definition definition, long base, String by) {
        mapper.raise(workspaceId);
        var now = mapper.definition(workspaceId, definition.id());
        long revision = now == null ? 0 : now.revision();
        var content = text(definition);
        if (now != null && now.content().equals(content)) {
            return;
        }
        if (revision != base) {
            throw Refusal.conflict(
                    now == null
                            ? definition.name() + " was removed in another window."
                            : definition.name() + " was changed in another window.",
                    now == null ? null : new DraftController.TypeView(definition(now.content()), now.revision()));
        }
        record(workspaceId, definition.id(), now == null ? null : now.content(), content, by);
    }

    @Transactional
    public void remove(long workspaceId, String definitionId, String by) {
        mapper.raise(workspaceId);
        var now = mapper.definition(workspaceId, definitionId);
        if (now == null) {
            throw Refusal.missing("There is no such definition in the draft.");
        }
        record(workspaceId, definitionId, now.content(), null, by);
    }

    /** Puts a whole model in place of an empty draft, as one that cannot be undone. */
    @Transactional
    public void adopt(long workspaceId, Model model) {
        mapper.raise(workspaceId);
        model.definitions().forEach(definition -> write(workspaceId, definition.id(), text(definition)));
    }

    @Transactional
    public void undo(long workspaceId) {
        mapper.raise(workspaceId);
        var edit = Optional.ofNullable(mapper.lastEdit(workspaceId))
                .orElseThrow(() -> Refusal.conflict("There is nothing to undo.", null));
        write(workspaceId, edit.definitionId(), edit.contentBefore());
        mapper.mark(workspaceId, edit.seq(), true);
    }

    @Transactional
    public void redo(long workspaceId) {
        mapper.raise(workspaceId);
        var edit = Optional.ofNullable(mapper.nextEdit(workspaceId))
                .orElseThrow(() -> Refusal.conflict("There is nothing to redo.", null));
        write(workspaceId, edit.definitionId(), edit.contentAfter());
        mapper.mark(workspaceId, edit.seq(), false);
    }

    private void record(long workspaceId, String definitionId, String before, String after, String by) {
        var changes = Comparison.of(model(before), model(after)).changes();
        var topic = changes.stream().map(Drafts::topic).distinct().limit(8).collect(Collectors.joining("|"));
        var last = mapper.lastEdit(workspaceId);
        mapper.forgetUndone(workspaceId);
        write(workspaceId, definitionId, after);
        boolean goesOn = last != null
                && last.recent()
                && last.definitionId().equals(definitionId)
                && last.byWhom().equals(by)
                && before != null
                && after != null
                && last.contentBefore() != null
                && last.topic().equals(topic);
        var whole = goesOn
                ? Comparison.of(model(last.contentBefore()), model(after)).changes()
                : changes;
        long seq = last == null ? 1 : goesOn ? last.seq() : last.seq() + 1;
        var edit = new WorkspaceMapper.EditRow(
                workspaceId,
                seq,
                definitionId,
                title(whole),
                topic.substring(0, Math.min(1_000, topic.length())),
                before,
                after,
                by,
                true);
        if (goesOn) {
            mapper.extendEdit(edit);
        } else {
            mapper.insertEdit(edit);
        }
    }

    private void write(long workspaceId, String definitionId, String content) {
        if (content == null) {
            mapper.remove(workspaceId, definitionId);
        } else {
            mapper.put(new WorkspaceMapper.DefinitionRow(
                    workspaceId, definitionId, mapper.revision(workspaceId), content));
        }
    }

    private static String title(List<Change> changes) {
        if (changes.isEmpty()) {
            return "Edit";
        }
        var first = Sentences.of(changes.getFirst());
        var title = changes.size() == 1 ? first : first + " and " + (changes.size() - 1) + " more";
        return title.substring(0, Math.min(1_000, title.length()));
    }

    /** What an edit is about, whatever the value: letters typed into one label are one edit. */
    private static String topic(Change change) {
        var subject = change.subject();
        var setting =
                change instanceof Change.Changed changed ? changed.difference().name() : "";
        return change.getClass().getSimpleName() + ":" + subject.definitionId() + ":" + subject.elementId() + ":"
                + setting;
    }

    private static Model model(String content) {
        return content == null ? Model.EMPTY : ModelText.read("[" + content + "]");
    }

    private static Definition definition(String content) {
        return Objects.requireNonNull(model(content)).definitions().getFirst();
    }

    /** One definition, as an element of a model's text. */
    private static String text(Definition definition) {
        var list = ModelText.write(new Model(List.of(definition)));
        return list.substring(1, list.length() - 1);
    }
}
