package org.jontrel.server.site;

import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.jontrel.core.check.ModelCheck;
import org.jontrel.core.edit.AddedField;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.naming.Keys;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.serve.web.Refusal;
import org.jontrel.server.workspace.Drafts;
import org.springframework.stereotype.Component;

/** Makes fields of the draft of columns that somebody added to a site's tables. */
@Component
class TakenColumns {
    private final Sites sites;
    private final Drafts drafts;
    private final Ids ids = Ids.secure();

    TakenColumns(Sites sites, Drafts drafts) {
        this.sites = sites;
        this.drafts = drafts;
    }

    /** @param place id of the field with rows in whose table the column is; empty for that of the records */
    record TakenColumn(String definition, String place, String column) {}

    /** The field that the draft has now; the site holds the values for it. */
    Field take(String site, TakenColumn taken, String by) {
        var engine = sites.engine(site);
        var kind = engine.drift()
                .kindOf(taken.definition(), taken.place(), taken.column())
                .orElseThrow(() -> Refusal.conflict(
                        "The column " + taken.column()
                                + " is not there any more, or holds what no field can. Look again.",
                        null));
        long workspaceId = sites.get(site).workspaceId();
        var draft = drafts.get(workspaceId).model();
        var field = field(taken, kind, keys(taken, draft, engine.installed().model()));
        var changed = new AddedField(field)
                .to(draft, taken.definition(), taken.place())
                .orElseThrow(() -> Refusal.conflict(
                        "The draft has nothing that this column could be a field of: what it is in has gone. Bring that back first.",
                        null));
        var blockers = ModelCheck.newBlockers(draft, changed);
        if (!blockers.isEmpty()) {
            throw Refusal.invalid("The draft cannot take this field:", blockers);
        }
        drafts.change(workspaceId, draft, changed, "Column " + taken.column() + " taken in", by);
        if (!engine.drift().take(taken.definition(), taken.place(), taken.column(), field, by)) {
            drafts.change(workspaceId, changed, draft, "Column " + taken.column() + " left", by);
            throw Refusal.conflict("The column has changed at the same moment. Look again.", null);
        }
        return field;
    }

    private Field field(TakenColumn taken, Kind kind, Set<String> keys) {
        var words = taken.column().replaceAll("[_\\s]+", " ").strip();
        var label = words.isEmpty() ? "Column" : words.substring(0, 1).toUpperCase(Locale.ROOT) + words.substring(1);
        return new Field(ids.next('f'), Keys.free(Keys.fromLabel(label), keys), label, "", false, kind);
    }

    private static Set<String> keys(TakenColumn taken, Model... models) {
        var keys = new HashSet<String>();
        for (var model : List.of(models)) {
            model.definition(taken.definition())
                    .flatMap(each -> RecordType.of(model, each))
                    .ifPresent(type -> type.byId().values().forEach(field -> keys.add(field.key())));
        }
        return keys;
    }
}
