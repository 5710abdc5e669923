package org.jontrel.server.workspace;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.List;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Model;
import org.jontrel.core.yaml.Comments;
import org.jontrel.server.release.CommentText;
import org.jontrel.site.table.ModelText;

/** Definitions of drafts as they are stored: one line for the definition, and one for its comments where it has any. */
final class DefinitionTexts {
    /** Definitions by their text, so that an edit of one does not read all others again. */
    private final Cache<String, Definition> read =
            Caffeine.newBuilder().maximumSize(5_000).build();

    Model model(String content) {
        return content == null ? Model.EMPTY : new Model(List.of(definition(content)));
    }

    Definition definition(String content) {
        return read.get(
                withoutComments(content),
                text -> ModelText.read("[" + text + "]").definitions().getFirst());
    }

    /** The definition of a content, without its comments. */
    static String withoutComments(String content) {
        int end = content.indexOf('\n');
        return end < 0 ? content : content.substring(0, end);
    }

    static Comments comments(String content) {
        int end = content == null ? -1 : content.indexOf('\n');
        return end < 0 ? Comments.NONE : CommentText.read(content.substring(end + 1));
    }

    /** One definition, as an element of a model's text; its comments in a second line, where it has any. */
    static String write(Definition definition, Comments comments) {
        var list = ModelText.write(new Model(List.of(definition)));
        var alone = list.substring(1, list.length() - 1);
        return comments.isEmpty() ? alone : alone + "\n" + CommentText.write(comments);
    }
}
