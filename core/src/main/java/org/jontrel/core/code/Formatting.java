package org.jontrel.core.code;

import java.util.Collections;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import org.jontrel.core.yaml.Comments;

/**
 * How people wrote the files of a package: what is not in the model and is to survive.
 *
 * @param names the file that each definition stands in, by its id; of migrations by their version
 * @param crlf the files whose lines end with carriage return and line feed
 */
public record Formatting(Comments comments, Map<String, String> names, Set<String> crlf) {
    public static final Formatting NONE = new Formatting(Comments.NONE, Map.of(), Set.of());

    public Formatting {
        names = Collections.unmodifiableMap(new LinkedHashMap<>(names));
        crlf = Set.copyOf(crlf);
    }

    public static Formatting of(Comments comments) {
        return new Formatting(comments, Map.of(), Set.of());
    }

    /** The same under other ids. */
    public Formatting renamed(Map<String, String> ids) {
        var renamed = new LinkedHashMap<String, String>();
        names.forEach((id, name) -> renamed.put(ids.getOrDefault(id, id), name));
        return new Formatting(comments.renamed(ids), renamed, crlf);
    }

    /** The same with every definition in the file of its key. */
    public Formatting withoutNames() {
        return new Formatting(comments, Map.of(), crlf);
    }

    /** Comments of both sides; files named and ended as ours are, where ours has them. */
    public static Formatting merge(Formatting base, Formatting ours, Formatting theirs) {
        var names = new LinkedHashMap<>(theirs.names);
        names.putAll(ours.names);
        var crlf = new HashSet<>(theirs.crlf);
        crlf.removeAll(new HashSet<>(ours.names.values()));
        crlf.addAll(ours.crlf);
        return new Formatting(Comments.merge(base.comments, ours.comments, theirs.comments), names, crlf);
    }
}
