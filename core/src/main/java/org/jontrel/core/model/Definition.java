package org.jontrel.core.model;

/** One named thing in a model. Others refer to it by its id, so a new key breaks nothing. */
public sealed interface Definition
        permits ContentType, SharedGroup, Taxonomy, ChoiceList, SiteValues, Layout, Listing, PagePart, Look {
    String id();

    String key();

    /** What people call it: a singular noun or a title. */
    String name();

    default Sort sort() {
        return switch (this) {
            case ContentType _ -> Sort.TYPE;
            case Taxonomy _ -> Sort.TAXONOMY;
            case SharedGroup _ -> Sort.GROUP;
            case ChoiceList _ -> Sort.LIST;
            case SiteValues _ -> Sort.VALUES;
            case Layout _ -> Sort.LAYOUT;
            case Listing _ -> Sort.LISTING;
            case PagePart _ -> Sort.PART;
            case Look _ -> Sort.LOOK;
        };
    }

    /** Whether it says what pages look like, and so changes nothing in a database. */
    default boolean isOfPages() {
        return switch (sort()) {
            case LAYOUT, LISTING, PART, LOOK -> true;
            case TYPE, TAXONOMY, GROUP, LIST, VALUES -> false;
        };
    }

    /** The sorts of definitions, in the order people read them. */
    enum Sort {
        TYPE("types", "content type", 't'),
        TAXONOMY("taxonomies", "taxonomy", 'x'),
        GROUP("groups", "shared group", 'g'),
        LIST("lists", "choice list", 'l'),
        VALUES("values", "site values", 'v'),
        LAYOUT("layouts", "layout", 'y'),
        LISTING("listings", "listing", 'q'),
        PART("parts", "page part", 'p'),
        LOOK("looks", "look", 'k');

        private final String folder;
        private final String noun;
        private final char letter;

        Sort(String folder, String noun, char letter) {
            this.folder = folder;
            this.noun = noun;
            this.letter = letter;
        }

        /** The folder of a package that holds the files of this sort. */
        public String folder() {
            return folder;
        }

        public String noun() {
            return noun;
        }

        /** The letter that new ids of this sort begin with. */
        public char letter() {
            return letter;
        }
    }
}
