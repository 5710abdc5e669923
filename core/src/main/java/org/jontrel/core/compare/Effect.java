package org.jontrel.core.compare;

import java.util.EnumSet;
import java.util.Set;
import java.util.stream.Stream;

/**
 * What a change does, and what it therefore advises for the version: for those who read the content API, for those who read
 * pages, and for those who write records, by hand or by program. The only place that says so; the documentation shows it.
 */
public enum Effect {
    WORDING(
            "A label, a help text, a description or another text that people read changes",
            reach(Reach.WORDING),
            Advice.PATCH,
            Advice.PATCH,
            Advice.PATCH),
    APPEARANCE(
            "Something changes that decides only how a form, list or page looks",
            reach(Reach.FORM),
            Advice.PATCH,
            Advice.PATCH,
            Advice.PATCH),
    ORDER(
            "Groups, fields, options, terms or blocks stand in another order",
            reach(Reach.FORM),
            Advice.PATCH,
            Advice.PATCH,
            Advice.PATCH),
    BEHAVIOUR(
            "A condition, a default, or what editors are offered changes; no stored value is touched",
            reach(Reach.FORM),
            Advice.PATCH,
            Advice.MINOR,
            Advice.MINOR),
    MEANING_GIVEN(
            "A unit is given where there was none",
            reach(Reach.WORDING, Reach.API),
            Advice.MINOR,
            Advice.MINOR,
            Advice.MINOR),
    MEANING(
            "A unit changes or goes: the same stored value means something else",
            reach(Reach.WORDING, Reach.VALUES, Reach.API),
            Advice.MAJOR,
            Advice.MAJOR,
            Advice.MAJOR),
    ADDRESS(
            "The public address of pages changes; old addresses lead to the new ones",
            reach(Reach.ADDRESSES),
            Advice.PATCH,
            Advice.MINOR,
            Advice.PATCH),
    API_ADDRESS(
            "The address of a content type in the content API changes: its api_path, or its path where it has none",
            reach(Reach.ADDRESSES, Reach.API),
            Advice.MAJOR,
            Advice.MINOR,
            Advice.MAJOR),
    ADDED(
            "Something that holds values is added: a content type, a field that may stay empty, a taxonomy, an option, a term",
            reach(Reach.FORM, Reach.API),
            Advice.MINOR,
            Advice.MINOR,
            Advice.MINOR),
    ADDED_REQUIRED(
            "A required field or taxonomy is added, alone or within a group, to what has records already",
            reach(Reach.FORM, Reach.VALUES, Reach.API),
            Advice.MINOR,
            Advice.MINOR,
            Advice.MAJOR),
    ADDED_VIEW(
            "Something is added that holds no values: an empty group, a note, a block, a layout, a listing, a page part",
            reach(Reach.FORM),
            Advice.PATCH,
            Advice.PATCH,
            Advice.PATCH),
    REMOVED(
            "Something that holds values is removed, or a group with fields",
            reach(Reach.FORM, Reach.VALUES, Reach.API),
            Advice.MAJOR,
            Advice.MAJOR,
            Advice.MAJOR),
    REMOVED_TERM(
            "A starter term is removed; sites that have it keep it",
            reach(Reach.FORM, Reach.VALUES, Reach.API),
            Advice.MINOR,
            Advice.MINOR,
            Advice.MINOR),
    REMOVED_LAYOUT(
            "A layout, a listing or a page part is removed; pages are shown otherwise",
            reach(Reach.FORM),
            Advice.PATCH,
            Advice.MINOR,
            Advice.PATCH),
    REMOVED_VIEW(
            "Something is removed that holds no values: an empty group, a note, a block",
            reach(Reach.FORM),
            Advice.PATCH,
            Advice.PATCH,
            Advice.PATCH),
    RENAMED(
            "A key changes that the content API shows: of a content type, a field, an inverse, an option, a term, a"
                    + " taxonomy, site values",
            reach(Reach.VALUES, Reach.API),
            Advice.MAJOR,
            Advice.PATCH,
            Advice.MAJOR),
    RENAMED_WITHIN(
            "A key changes that only definitions use: of a shared group, a choice list, a layout, a listing, a page part",
            reach(Reach.VALUES),
            Advice.MINOR,
            Advice.PATCH,
            Advice.MINOR),
    MOVED(
            "Something moves to where its values stay the same: to another group, or between a group of a type's own and a"
                    + " shared one",
            reach(Reach.FORM),
            Advice.PATCH,
            Advice.PATCH,
            Advice.PATCH),
    MOVED_TERM(
            "A term moves under another: records are found under other terms",
            reach(Reach.FORM, Reach.API),
            Advice.MINOR,
            Advice.MINOR,
            Advice.MINOR),
    MOVED_TERM_ADDRESS(
            "A term moves under another where addresses carry those above it",
            reach(Reach.FORM, Reach.ADDRESSES, Reach.API),
            Advice.MAJOR,
            Advice.MINOR,
            Advice.MINOR),
    MOVED_AWAY(
            "A field moves into or out of a repeater, or to another definition",
            reach(Reach.FORM, Reach.VALUES, Reach.API),
            Advice.MAJOR,
            Advice.MAJOR,
            Advice.MAJOR),
    KIND(
            "A field becomes one of another kind",
            reach(Reach.FORM, Reach.VALUES, Reach.API),
            Advice.MAJOR,
            Advice.MAJOR,
            Advice.MAJOR),
    NARROWED(
            "A limit narrows, a rule is switched on, or something is allowed no more: stored values may break it",
            reach(Reach.FORM, Reach.VALUES),
            Advice.PATCH,
            Advice.PATCH,
            Advice.MAJOR),
    WIDENED(
            "A limit widens, a rule is switched off, or something more is allowed: readers may meet other values",
            reach(Reach.FORM, Reach.VALUES),
            Advice.MINOR,
            Advice.MINOR,
            Advice.MINOR),
    CLOSED(
            "Something is switched off that people or programs could see or do",
            reach(Reach.FORM, Reach.API),
            Advice.MAJOR,
            Advice.MAJOR,
            Advice.MAJOR),
    OPENED(
            "Something is switched on that people or programs may see or do",
            reach(Reach.FORM, Reach.API),
            Advice.MINOR,
            Advice.MINOR,
            Advice.MINOR),
    STRUCTURE(
            "One becomes many or many one, or what something is of changes",
            reach(Reach.FORM, Reach.VALUES, Reach.API),
            Advice.MAJOR,
            Advice.MAJOR,
            Advice.MAJOR),
    REGROUPED(
            "A group of a type's own becomes a shared one, or the other way round, with its fields",
            reach(Reach.FORM),
            Advice.PATCH,
            Advice.PATCH,
            Advice.PATCH);

    private final String about;
    private final Set<Reach> reach;
    private final Advice apiReaders;
    private final Advice pageReaders;
    private final Advice writers;

    Effect(String about, Set<Reach> reach, Advice apiReaders, Advice pageReaders, Advice writers) {
        this.about = about;
        this.reach = reach;
        this.apiReaders = apiReaders;
        this.pageReaders = pageReaders;
        this.writers = writers;
    }

    private static Set<Reach> reach(Reach first, Reach... more) {
        return EnumSet.of(first, more);
    }

    /** The change in words, without a full stop. */
    public String about() {
        return about;
    }

    /** How far it goes. */
    public Set<Reach> reach() {
        return EnumSet.copyOf(reach);
    }

    /** What it means for those who read the content API. */
    public Advice apiReaders() {
        return apiReaders;
    }

    /** What it means for those who read pages. */
    public Advice pageReaders() {
        return pageReaders;
    }

    /** What it means for those who write records. */
    public Advice writers() {
        return writers;
    }

    /** The worst of the three. */
    public Advice advice() {
        return Stream.of(apiReaders, pageReaders, writers)
                .max(Advice::compareTo)
                .orElseThrow();
    }
}
