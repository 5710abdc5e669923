package org.jontrel.core.page;

import org.jontrel.core.model.ContentType;
import org.jontrel.core.naming.Wording;
import org.jontrel.core.page.node.InlineNode;
import org.jontrel.core.page.node.PageAddress;
import org.jontrel.core.recordtype.RecordType;

/** What the ends of ways, and indexes, are called. */
record StepLabels(PageModel model) {
    String of(String step, ReachedValues.Reached found) {
        if (found instanceof ReachedValues.FoundValues values) {
            return values.field().label();
        }
        return model.leading(step)
                .map(leading -> leading.label())
                .or(() -> model.recordType(step).map(RecordType::plural))
                .or(() -> model.label(step))
                .orElse("");
    }

    /** The index of a type, as a link where it has one. */
    InlineNode index(RecordType recordType) {
        boolean has = recordType.definition() instanceof ContentType type
                ? type.index().on() && type.publishing().visible()
                : !recordType.path().isEmpty();
        var words = recordType.definition() instanceof ContentType type ? Wording.INDEX.of(type) : recordType.plural();
        return has
                ? new InlineNode.LinkRun(words, new PageAddress.InsideSite(recordType.path() + "/"), false)
                : new InlineNode.WordRun(words);
    }
}
