package org.jontrel.core.page.node;

import java.util.List;
import java.util.Optional;
import org.jontrel.core.model.Index;
import org.jontrel.core.model.block.ColumnWidths;
import org.jontrel.core.model.block.PictureShape;
import org.jontrel.core.model.block.PictureSize;
import org.jontrel.core.model.block.TextRole;

/** A part of a page. None of them is empty, and texts are as people typed them: who writes them escapes them. */
public sealed interface PageNode {
    /**
     * @param level from 1, the heading of the page
     * @param unseen whether it is there only for those who read the page by ear
     */
    record HeadingNode(int level, List<InlineNode> text, boolean unseen) implements PageNode {
        public HeadingNode {
            text = List.copyOf(text);
        }
    }

    /** @param role what the text is on the page */
    record TextNode(TextRole role, List<InlineNode> text) implements PageNode {
        public TextNode {
            text = List.copyOf(text);
        }
    }

    /** @param html a safe subset, as the kind keeps it */
    record RichNode(String html) implements PageNode {
        public RichNode {
            html = ContainedText.of(html);
        }
    }

    /** Labels and what belongs to them. */
    record FactsNode(List<PageFact> facts) implements PageNode {
        public FactsNode {
            facts = List.copyOf(facts);
        }
    }

    record PageFact(String label, List<PageNode> shown) {
        public PageFact {
            shown = List.copyOf(shown);
        }
    }

    /** Labels beside one another, such as terms. */
    record LabelsNode(List<InlineNode> labels) implements PageNode {
        public LabelsNode {
            labels = List.copyOf(labels);
        }
    }

    /** @param gallery whether they stand beside one another */
    record PicturesNode(List<Picture> pictures, boolean gallery) implements PageNode {
        public PicturesNode {
            pictures = List.copyOf(pictures);
        }
    }

    /**
     * @param decorative whether it says nothing that is not said beside it
     * @param eager whether it is seen at once
     */
    record Picture(
            PictureFacts facts,
            PictureSize size,
            PictureShape shape,
            boolean decorative,
            boolean eager,
            Optional<PageAddress> to) {}

    /**
     * @param width in pixels
     * @param focusX what matters most, in hundredths of the width from the left
     * @param focusY and in hundredths of the height from the top
     */
    record PictureFacts(long file, int width, int height, String alt, int focusX, int focusY) {
        public PictureFacts {
            alt = ContainedText.of(alt);
        }
    }

    /** @param rows cells in the order of the heads */
    record TableNode(List<String> heads, List<List<List<PageNode>>> rows) implements PageNode {
        public TableNode {
            heads = List.copyOf(heads);
            rows = List.copyOf(rows);
        }
    }

    /**
     * Several records or rows, each with what stands for it.
     *
     * @param across how many cards stand beside one another
     */
    record ItemsNode(ItemsForm form, Index.Across across, List<List<PageNode>> items) implements PageNode {
        public ItemsNode {
            items = List.copyOf(items);
        }
    }

    enum ItemsForm {
        LINES,
        CARDS,
        BLOCKS
    }

    /** Things that stand below one another. */
    record TreeNode(List<Branch> branches) implements PageNode {
        public TreeNode {
            branches = List.copyOf(branches);
        }
    }

    record Branch(List<InlineNode> text, List<Branch> below) {
        public Branch {
            text = List.copyOf(text);
            below = List.copyOf(below);
        }
    }

    record ColumnsNode(ColumnWidths widths, List<List<PageNode>> columns) implements PageNode {
        public ColumnsNode {
            columns = List.copyOf(columns);
        }
    }

    /**
     * @param level of its heading
     * @param anchor behind the hash in the address; empty for none
     */
    record SectionNode(String heading, int level, String anchor, List<PageNode> shown) implements PageNode {
        public SectionNode {
            shown = List.copyOf(shown);
        }
    }

    record FoldNode(String heading, boolean open, List<PageNode> shown) implements PageNode {
        public FoldNode {
            shown = List.copyOf(shown);
        }
    }

    /** The way from the index down to here. */
    record TrailNode(List<InlineNode> steps) implements PageNode {
        public TrailNode {
            steps = List.copyOf(steps);
        }
    }

    /** The ones before and after this. */
    record NeighboursNode(Optional<InlineNode> before, Optional<InlineNode> after) implements PageNode {}

    /** A list, and what visitors narrow it by. */
    record FilteredNode(FilterForm form, List<PageNode> shown) implements PageNode {
        public FilteredNode {
            shown = List.copyOf(shown);
        }
    }

    /** The ways to the other pages of a list. */
    record PagesNode(Optional<PageAddress> first, Optional<PageAddress> next) implements PageNode {}
}
