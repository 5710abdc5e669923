package org.jontrel.server.workspace;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jontrel.core.compare.Change;
import org.jontrel.core.compare.Comparison;
import org.jontrel.core.compare.Sentences;
import org.jontrel.core.merge.Clash;
import org.jontrel.core.merge.Merge;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Model;
import org.jontrel.core.yaml.Comments;
import org.jontrel.serve.web.Refusal;
import org.jontrel.server.release.CommentText;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The drafts of workspaces: every edit of one or several definitions can be undone and redone. */
@Service
public class Drafts {
    /** In the place of a revision: the writer saw another definition than the one that is here now. */
    static final long ANOTHER = -1;
    /** After how many revisions it is looked whether what was noted of them is too old to be asked for. */
    private static final int FORGETTING = 500;

    private static final int MOST_EDITS = 300;
    private final WorkspaceMapper mapper;

    private final DefinitionTexts texts = new DefinitionTexts();

    /** Drafts as they were read last: of one that has changed, only what was written since is read again. */
    private final Cache<Long, DraftSnapshot> drafts =
            Caffeine.newBuilder().maximumSize(100).build();

    private record DraftSnapshot(long revision, Map<String, Drafted> byId, List<Drafted> byName) {}

    Drafts(WorkspaceMapper mapper) {
        this.mapper = mapper;
    }

    /** A definition in a draft; {@code revision} is sent back with an edit so that nothing is overwritten unseen. */
    public record Drafted(Definition definition, long revision, Comments comments) {}

    /** The whole draft; {@code undo} and {@code redo} name the edits those would touch, or are {@code null}. */
    public record Draft(long revision, List<Drafted> definitions, String undo, String redo) {
        public Model model() {
            return new Model(definitions.stream().map(Drafted::definition).toList());
        }

        /** The comments of all definitions' files. */
        public Comments comments() {
            var all = Comments.NONE;
            for (var each : definitions) {
                all = each.comments().isEmpty() ? all : all.with(each.comments());
            }
            return all;
        }

        Optional<Drafted> find(String id) {
            return definitions.stream()
                    .filter(each -> each.definition().id().equals(id))
                    .findFirst();
        }
    }

    /** An edit in the history of a draft, newest first. */
    record DraftEdit(long seq, String title, String by, Instant at, boolean undone) {}

    @Transactional(readOnly = true)
    public Draft get(long workspaceId) {
        var read = read(workspaceId);
        return new Draft(read.revision(), read.byName(), mapper.undoTitle(workspaceId), mapper.redoTitle(workspaceId));
    }

    /** Every write raises the revision, in one transaction with what it writes. */
    private DraftSnapshot read(long workspaceId) {
        long revision = mapper.revision(workspaceId);
        var known = drafts.getIfPresent(workspaceId);
        if (known != null && known.revision() == revision) {
            return known;
        }
        boolean older = known != null && known.revision() < revision;
        var byId = new HashMap<String, Drafted>(older ? known.byId() : Map.of());
        for (var row : mapper.definitions(workspaceId, older ? known.revision() : -1)) {
            byId.put(
                    row.definitionId(),
                    new Drafted(
                            texts.definition(row.content()), row.revision(), DefinitionTexts.comments(row.content())));
        }
        byId.keySet().retainAll(new HashSet<>(mapper.ids(workspaceId)));
        var byName = byId.values().stream()
                .sorted(Comparator.comparing(drafted -> drafted.definition().name()))
                .toList();
        var read = new DraftSnapshot(revision, Map.copyOf(byId), byName);
        drafts.put(workspaceId, read);
        return read;
    }

    List<DraftEdit> edits(long workspaceId) {
        return mapper.edits(workspaceId, MOST_EDITS).stream()
                .map(row -> new DraftEdit(
                        row.seq(), row.title(), row.byWhom(), row.editedAt().toInstant(ZoneOffset.UTC), row.undone()))
                .toList();
    }

    /**
     * Writes a definition. Where somebody else wrote it since, both edits are kept; where they clash, nothing is written.
     *
     * @param base revision that the writer had seen; 0 for a new definition, {@link #ANOTHER} where it is not known
     * @param before the definition as the writer had seen it, where known
     * @return whether another's edit was merged in
     * @throws Refusal where both changed the same thing, or the definition is gone
     */
    @Transactional
    public boolean put(long workspaceId, Definition definition, long base, Optional<Definition> before, String by) {
        return put(workspaceId, definition, Optional.empty(), base, before, List.of(), by);
    }

    /** @param sent what the writer sent before without getting an answer; it is the writer's own, not somebody else's */
    @Transactional
    public boolean put(
            long workspaceId,
            Definition definition,
            long base,
            Optional<Definition> before,
            List<Definition> sent,
            String by) {
        return put(workspaceId, definition, Optional.empty(), base, before, sent, by);
    }

    /** @param comments those of the definition's file, where that was edited; else they stay */
    @Transactional
    public boolean put(
            long workspaceId,
            Definition definition,
            Optional<Comments> comments,
            long base,
            Optional<Definition> before,
            String by) {
        return put(workspaceId, definition, comments, base, before, List.of(), by);
    }

    private boolean put(
            long workspaceId,
            Definition definition,
            Optional<Comments> comments,
            long base,
            Optional<Definition> before,
            List<Definition> sent,
            String by) {
        mapper.raise(workspaceId);
        var now = mapper.definition(workspaceId, definition.id());
        long revision = now == null ? 0 : now.revision();
        var kept = comments.orElseGet(() -> DefinitionTexts.comments(now == null ? null : now.content()));
        var content = DefinitionTexts.write(definition, kept);
        if (now != null && now.content().equals(content)) {
            return false;
        }
        boolean isOwn = now != null
                && sent.stream()
                        .anyMatch(each -> DefinitionTexts.write(each, kept).equals(now.content()));
        if (revision == base || isOwn) {
            record(workspaceId, definition.id(), now == null ? null : now.content(), content, by);
            return false;
        }
        if (now == null) {
            throw Refusal.conflict(definition.name() + " was removed in another window.", null);
        }
        var theirs = texts.definition(now.content());
        // somebody else may have gone on from what this writer sent last without an answer
        var stored = sent.reversed().stream()
                .filter(each -> mapper.wasStored(
                        workspaceId, definition.id(), base, DefinitionTexts.write(each, Comments.NONE)))
                .findFirst();
        var ancestor = stored.or(() -> before);
        var merged = Merge.merge(
                ancestor.map(each -> new Model(List.of(each))).orElse(Model.EMPTY),
                new Model(List.of(definition)),
                new Model(List.of(theirs)));
        if (ancestor.isEmpty() || !merged.clashes().isEmpty()) {
            var clashes = merged.clashes().stream().map(Clash::sentence).collect(Collectors.joining(" "));
            throw Refusal.conflict(
                    theirs.name() + " was changed in another window. " + clashes,
                    new DefinitionView(theirs, now.revision()));
        }
        record(
                workspaceId,
                definition.id(),
                now.content(),
                DefinitionTexts.write(merged.model().definitions().getFirst(), kept),
                by);
        return true;
    }

    /** Makes a draft what {@code to} is, as one edit; {@code from} is what the caller had seen. */
    @Transactional
    public void change(long workspaceId, Model from, Model to, String title, String by) {
        change(workspaceId, from, to, Comments.NONE, title, by);
    }

    /** @param comments of files that come in; those of definitions that have none there stay as they are */
    @Transactional
    public void change(long workspaceId, Model from, Model to, Comments comments, String title, String by) {
        change(workspaceId, from, to, comments, false, title, by);
    }

    /** @param comments all that there are from now on */
    @Transactional
    public void replace(long workspaceId, Model from, Model to, Comments comments, String title, String by) {
        change(workspaceId, from, to, comments, true, title, by);
    }

    private void change(
            long workspaceId, Model from, Model to, Comments comments, boolean all, String title, String by) {
        mapper.raise(workspaceId);
        var changed = new ArrayList<WorkspaceMapper.EditRow>();
        var ids = new LinkedHashSet<String>();
        from.definitions().forEach(each -> ids.add(each.id()));
        to.definitions().forEach(each -> ids.add(each.id()));
        for (var id : ids) {
            var seen = from.definition(id)
                    .map(each -> DefinitionTexts.write(each, Comments.NONE))
                    .orElse(null);
            var now = mapper.definition(workspaceId, id);
            var was = now == null ? null : now.content();
            var kept = DefinitionTexts.comments(was);
            var is = to.definition(id)
                    .map(each -> {
                        var incoming = CommentText.of(each, comments);
                        return DefinitionTexts.write(each, incoming.isEmpty() && !all ? kept : incoming);
                    })
                    .orElse(null);
            if (Objects.equals(was, is)
                    || (Objects.equals(from.definition(id), to.definition(id)) && comments.isEmpty() && !all)) {
                continue;
            }
            if (!Objects.equals(was == null ? null : DefinitionTexts.withoutComments(was), seen)) {
                throw Refusal.conflict("The draft was changed at the same moment. Try again.", null);
            }
            changed.add(new WorkspaceMapper.EditRow(workspaceId, 0, id, title, "several", was, is, by, true));
        }
        if (!changed.isEmpty()) {
            long seq = nextSeq(workspaceId);
            changed.forEach(edit -> {
                write(workspaceId, edit.definitionId(), edit.contentAfter());
                mapper.insertEdit(new WorkspaceMapper.EditRow(
                        workspaceId,
                        seq,
                        edit.definitionId(),
                        cut(title),
                        edit.topic(),
                        edit.contentBefore(),
                        edit.contentAfter(),
                        by,
                        true));
            });
        }
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
    public void adopt(long workspaceId, Model model, Comments comments) {
        mapper.raise(workspaceId);
        model.definitions()
                .forEach(definition -> write(
                        workspaceId,
                        definition.id(),
                        DefinitionTexts.write(definition, CommentText.of(definition, comments))));
    }

    @Transactional
    public void undo(long workspaceId) {
        mapper.raise(workspaceId);
        var edit = mapper.lastEdit(workspaceId);
        if (edit.isEmpty()) {
            throw Refusal.conflict("There is nothing to undo.", null);
        }
        edit.forEach(row -> write(workspaceId, row.definitionId(), row.contentBefore()));
        mapper.mark(workspaceId, edit.getFirst().seq(), true);
    }

    @Transactional
    public void redo(long workspaceId) {
        mapper.raise(workspaceId);
        var edit = mapper.nextEdit(workspaceId);
        if (edit.isEmpty()) {
            throw Refusal.conflict("There is nothing to redo.", null);
        }
        edit.forEach(row -> write(workspaceId, row.definitionId(), row.contentAfter()));
        mapper.mark(workspaceId, edit.getFirst().seq(), false);
    }

    /** Steps back or forth until an edit is the last that is done; 0 for the state before all of them. */
    @Transactional
    public void stepTo(long workspaceId, long seq) {
        for (var last = mapper.lastEdit(workspaceId);
                !last.isEmpty() && last.getFirst().seq() > seq;
                last = mapper.lastEdit(workspaceId)) {
            undo(workspaceId);
        }
        for (var next = mapper.nextEdit(workspaceId);
                !next.isEmpty() && next.getFirst().seq() <= seq;
                next = mapper.nextEdit(workspaceId)) {
            redo(workspaceId);
        }
    }

    private long nextSeq(long workspaceId) {
        mapper.forgetUndone(workspaceId);
        var last = mapper.lastEdit(workspaceId);
        return last.isEmpty() ? 1 : last.getFirst().seq() + 1;
    }

    private void record(long workspaceId, String definitionId, String before, String after, String by) {
        var changes = Comparison.of(texts.model(before), texts.model(after)).changes();
        var topic = changes.stream().map(Drafts::topic).distinct().limit(8).collect(Collectors.joining("|"));
        var rows = mapper.lastEdit(workspaceId);
        var last = rows.size() == 1 ? rows.getFirst() : null;
        boolean nothingUndone = mapper.nextEdit(workspaceId).isEmpty();
        write(workspaceId, definitionId, after);
        boolean goesOn = last != null
                && nothingUndone
                && last.recent()
                && last.definitionId().equals(definitionId)
                && last.byWhom().equals(by)
                && before != null
                && after != null
                && last.contentBefore() != null
                && last.topic().equals(topic);
        var whole = goesOn
                ? Comparison.of(texts.model(last.contentBefore()), texts.model(after))
                        .changes()
                : changes;
        long seq = goesOn ? last.seq() : nextSeq(workspaceId);
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
            long revision = mapper.revision(workspaceId);
            mapper.put(new WorkspaceMapper.DefinitionRow(workspaceId, definitionId, revision, content));
            mapper.note(new WorkspaceMapper.DefinitionRow(
                    workspaceId, definitionId, revision, DefinitionTexts.withoutComments(content)));
            if (revision % FORGETTING == 0) {
                mapper.forgetStored();
            }
        }
    }

    private static String title(List<Change> changes) {
        if (changes.isEmpty()) {
            return "Comments changed";
        }
        var first = Sentences.of(changes.getFirst());
        return cut(changes.size() == 1 ? first : first + " and " + (changes.size() - 1) + " more");
    }

    private static String cut(String title) {
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
}
