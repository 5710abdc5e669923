package org.jontrel.server.workspace;

import java.util.List;
import java.util.Optional;
import org.jontrel.core.naming.Keys;
import org.jontrel.serve.web.Refusal;
import org.jontrel.site.table.RecordIds;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Service;

/** The workspaces of an installation. */
@Service
public class Workspaces {
    private final WorkspaceMapper mapper;
    private final RecordIds ids;

    Workspaces(WorkspaceMapper mapper, RecordIds ids) {
        this.mapper = mapper;
        this.ids = ids;
    }

    /** One model under work; {@code path} is its address. */
    public record Workspace(long id, String path, String title) {}

    public List<Workspace> all() {
        return mapper.all().stream().map(Workspaces::workspace).toList();
    }

    /** @throws Refusal where there is none at this path */
    public Workspace get(String path) {
        return Optional.ofNullable(mapper.find(path))
                .map(Workspaces::workspace)
                .orElseThrow(() -> Refusal.missing("There is no workspace " + path + "."));
    }

    public Workspace create(String title) {
        var trimmed = title.strip();
        if (trimmed.isEmpty() || trimmed.length() > 200) {
            throw Refusal.invalid("The title of a workspace must have 1 to 200 characters.", List.of());
        }
        var path = Keys.pathFrom(trimmed);
        try {
            mapper.insert(new WorkspaceMapper.WorkspaceRow(ids.next(), path, trimmed, 0));
        } catch (DuplicateKeyException _) {
            throw Refusal.conflict(
                    "There is already a workspace at the address " + path + ". Choose another title.", null);
        }
        return get(path);
    }

    private static Workspace workspace(WorkspaceMapper.WorkspaceRow row) {
        return new Workspace(row.id(), row.path(), row.title());
    }
}
