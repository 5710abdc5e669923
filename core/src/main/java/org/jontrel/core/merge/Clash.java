package org.jontrel.core.merge;

import org.jontrel.core.model.Model;

/**
 * What needs a person: a thing that both sides changed, each in another way.
 *
 * @param typeId the content type it is in
 * @param elementId the group, field or option; empty for the type itself
 * @param what the thing in words: {@code Mooring: field Length: max}
 * @param base how it was; empty where it was not there
 * @param ours how it is here; empty where it is gone
 * @param theirs how it is there; empty where it is gone
 */
public record Clash(String typeId, String elementId, String what, String base, String ours, String theirs) {
    /** Fact and choices in one sentence. */
    public String sentence() {
        if (base.isEmpty() && ours.isEmpty() && theirs.isEmpty()) {
            return what;
        }
        return what + " was " + shown(base) + "; ours makes it " + shown(ours) + ", theirs " + shown(theirs)
                + ". Choose one.";
    }

    private static String shown(String value) {
        return value.isEmpty() ? "not there" : "“" + value + "”";
    }

    /**
     * What came of a merge.
     *
     * @param model both lines of work; where they clash, ours (and what one side kept, where the other removed it)
     */
    public record MergedModel(Model model, java.util.List<Clash> clashes) {
        public MergedModel {
            clashes = java.util.List.copyOf(clashes);
        }
    }
}
