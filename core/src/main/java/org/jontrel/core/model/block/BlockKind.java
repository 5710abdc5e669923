package org.jontrel.core.model.block;

import java.util.List;

/**
 * What a block shows, or how it arranges what it holds. Values and relations are named by a {@link ValuePath} as text; references are ids.
 */
public sealed interface BlockKind {
    /** The word for it in files. */
    String code();

    /** The blocks within it, in order. */
    default List<Block> blocks() {
        return List.of();
    }

    /** A kind that only arranges other blocks. */
    sealed interface Arranging extends BlockKind permits Stack, Columns, Anchored, Fold {}

    /**
     * A value.
     *
     * @param as how it is shown; {@link Presentation#USUAL} for what its kind does by itself
     * @param wording of a link or button; empty for the value itself
     * @param linked whether records and terms lead to their pages
     */
    record FieldValue(
            String field, Presentation as, PictureSize size, PictureShape shape, String wording, boolean linked)
            implements BlockKind {
        /** As its kind shows it. */
        public FieldValue(String field, Presentation as) {
            this(field, as, PictureSize.MEDIUM, PictureShape.ORIGINAL, "", true);
        }

        @Override
        public String code() {
            return "field";
        }
    }

    /** @param text a {@link ValueText} */
    record Prose(String text, TextRole as) implements BlockKind {
        @Override
        public String code() {
            return "text";
        }
    }

    /**
     * The rows of a repeater.
     *
     * @param columns fields of the rows, for a table; all where empty
     * @param blocks what stands for each row, where it is shown by blocks
     */
    record Rows(String field, Arrangement as, List<String> columns, List<Block> blocks) implements BlockKind {
        public Rows {
            columns = List.copyOf(columns);
            blocks = List.copyOf(blocks);
        }

        @Override
        public String code() {
            return "rows";
        }
    }

    /**
     * Records that a relation leads to, or those that lead here by one.
     *
     * @param blocks what stands for each record, where it is shown by blocks
     */
    record Related(String field, RecordsForm form, List<Block> blocks) implements BlockKind {
        public Related {
            blocks = List.copyOf(blocks);
        }

        @Override
        public String code() {
            return "related";
        }
    }

    /** The records that stand under this one. */
    record Children(RecordsForm form, List<Block> blocks) implements BlockKind {
        public Children {
            blocks = List.copyOf(blocks);
        }

        @Override
        public String code() {
            return "children";
        }
    }

    /**
     * The terms of a record as labels.
     *
     * @param taxonomy whose; all of its taxonomies where empty
     * @param colour id of the field of the term that has the colour; the first colour where empty
     */
    record TermLabels(String taxonomy, String colour, boolean linked) implements BlockKind {
        @Override
        public String code() {
            return "terms";
        }
    }

    /** What a listing finds. */
    record ListingUse(String listing) implements BlockKind {
        @Override
        public String code() {
            return "listing";
        }
    }

    /** The records above this one, outermost first. */
    record Breadcrumbs() implements BlockKind {
        @Override
        public String code() {
            return "trail";
        }
    }

    /** The records before and after this one in the index. */
    record Neighbours() implements BlockKind {
        @Override
        public String code() {
            return "neighbours";
        }
    }

    /** The way back to the index. */
    record IndexLink() implements BlockKind {
        @Override
        public String code() {
            return "index_link";
        }
    }

    /** Blocks under one another. */
    record Stack(List<Block> blocks) implements Arranging {
        public Stack {
            blocks = List.copyOf(blocks);
        }

        @Override
        public String code() {
            return "stack";
        }
    }

    /** Blocks beside one another where there is room. */
    record Columns(ColumnWidths widths, List<Block> blocks) implements Arranging {
        public Columns {
            blocks = List.copyOf(blocks);
        }

        @Override
        public String code() {
            return "columns";
        }
    }

    /**
     * Blocks under a heading that can be linked to.
     *
     * @param anchor behind the hash in the address; empty where nothing needs to lead to it
     */
    record Anchored(String anchor, List<Block> blocks) implements Arranging {
        public Anchored {
            blocks = List.copyOf(blocks);
        }

        @Override
        public String code() {
            return "section";
        }
    }

    /** Blocks that a visitor opens by their heading. */
    record Fold(boolean open, List<Block> blocks) implements Arranging {
        public Fold {
            blocks = List.copyOf(blocks);
        }

        @Override
        public String code() {
            return "fold";
        }
    }

    /** Blocks that are kept under a name. */
    record PartUse(String part) implements BlockKind {
        @Override
        public String code() {
            return "part";
        }
    }

    /** Every field that no other block has named. */
    record Rest() implements BlockKind {
        @Override
        public String code() {
            return "everything_else";
        }
    }
}
