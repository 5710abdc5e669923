package org.jontrel.core.edit;

import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import org.jontrel.core.format.Things;
import org.jontrel.core.identity.Identities;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.naming.Keys;

/** Copies of things: the same in all but identity. */
public final class Copies {
    private final Ids ids;

    public Copies(Ids ids) {
        this.ids = ids;
    }

    /** A copy with ids of its own for everything in it, under the first free key. */
    public Field field(Field field, Set<String> taken) {
        var copy = (Field) copied(field);
        return copy.withKey(Keys.free(field.key(), taken));
    }

    /** A copy with ids of its own for everything in it. Conditions within follow. */
    public Group group(Group group) {
        return (Group) copied(group);
    }

    private Object copied(Object thing) {
        Map<String, String> fresh = new HashMap<>();
        note(thing, fresh);
        Things.within(thing, each -> note(each, fresh));
        return Identities.renamed(thing, fresh);
    }

    private void note(Object thing, Map<String, String> fresh) {
        var shape = Things.shape(thing);
        if (!shape.scoped(thing)) {
            var id = shape.id(thing);
            fresh.put(id, ids.next(id.isEmpty() ? 'z' : id.charAt(0)));
        }
    }
}
