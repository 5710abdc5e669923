package org.jontrel.server.release;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import org.jontrel.core.format.Things;
import org.jontrel.core.model.Definition;
import org.jontrel.core.yaml.Comment;
import org.jontrel.core.yaml.Comments;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Comments of definitions as JSON: by the id of the thing, then by the way from it, its lines above, beside and below. */
public final class CommentText {
    private static final JsonMapper JSON = JsonMapper.shared();

    private CommentText() {}

    /** On one line; empty for none. */
    public static String write(Comments comments) {
        return comments.isEmpty() ? "" : JSON.writeValueAsString(comments.byThing());
    }

    public static Comments read(String text) {
        if (text == null || text.isEmpty()) {
            return Comments.NONE;
        }
        var read = JSON.readValue(text, new TypeReference<LinkedHashMap<String, LinkedHashMap<String, Comment>>>() {});
        return new Comments(new LinkedHashMap<>(read));
    }

    /** Those of one definition and of everything within it. */
    public static Comments of(Definition definition, Comments comments) {
        if (comments.isEmpty()) {
            return comments;
        }
        var ids = new ArrayList<String>();
        ids.add(definition.id());
        Things.within(definition, thing -> {
            var shape = Things.shape(thing);
            if (!shape.scoped(thing)) {
                ids.add(shape.id(thing));
            }
        });
        return comments.of(ids);
    }
}
