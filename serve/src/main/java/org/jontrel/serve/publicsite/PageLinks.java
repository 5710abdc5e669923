package org.jontrel.serve.publicsite;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Locale;
import org.jontrel.core.model.Index;
import org.jontrel.core.model.block.ColumnWidths;
import org.jontrel.core.model.block.PictureSize;
import org.jontrel.core.model.block.TextRole;
import org.jontrel.core.page.node.InlineNode;
import org.jontrel.core.page.node.PageAddress;
import org.jontrel.core.page.node.PageNode;
import org.jontrel.site.media.MediaStore;
import org.springframework.web.util.UriUtils;

/**
 * Where the links of a site's pages lead, and the classes that its style sheet knows.
 *
 * @param home the address that all others stand below, with a slash at its end
 */
public record PageLinks(String home) {
    /** Wider pictures are sent as they are only where somebody asks for them. */
    private static final int WIDEST = 1920;

    static PageLinks at(String path) {
        return new PageLinks(path.isEmpty() ? "/" : "/at/" + encoded(path) + "/");
    }

    static String encoded(String segment) {
        return UriUtils.encodePathSegment(segment, StandardCharsets.UTF_8);
    }

    public String href(PageAddress address) {
        return switch (address) {
            case PageAddress.InsideSite(String path) -> home + path;
            case PageAddress.OutsideSite(String url) -> url;
            case PageAddress.OfFile(long file) -> home + "media/" + file;
        };
    }

    public String media(long file, int width) {
        return home + "media/" + file + "?width=" + width;
    }

    public String source(PageNode.Picture picture) {
        return media(
                picture.facts().file(),
                switch (picture.size()) {
                    case SMALL, MEDIUM -> 480;
                    case LARGE, FULL -> 960;
                });
    }

    /** The sizes that a picture is there in, as {@code srcset} wants them. */
    public String sources(PageNode.PictureFacts picture) {
        var sources = new ArrayList<String>();
        MediaStore.widths(picture.width())
                .forEach(width -> sources.add(media(picture.file(), width) + " " + width + "w"));
        if (picture.width() <= WIDEST) {
            sources.add(home + "media/" + picture.file() + " " + picture.width() + "w");
        }
        return String.join(", ", sources);
    }

    public static String sizes(PictureSize size) {
        return switch (size) {
            case SMALL -> "(min-width: 34rem) 18rem, 100vw";
            case MEDIUM -> "(min-width: 34rem) 30rem, 100vw";
            case LARGE -> "(min-width: 48rem) 45rem, 100vw";
            case FULL -> "(min-width: 60rem) 60rem, 100vw";
        };
    }

    public static String picture(PageNode.Picture picture) {
        return word(picture.size()) + " " + word(picture.shape()) + " x"
                + picture.facts().focusX() + " y" + picture.facts().focusY();
    }

    private static String word(Enum<?> value) {
        return value.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    public static String role(TextRole role) {
        return role == TextRole.PLAIN ? "prose" : "prose " + word(role);
    }

    /** The class of a list, with how many cards it has beside one another. */
    public static String form(PageNode.ItemsNode items) {
        var across = items.across();
        return items.form() != PageNode.ItemsForm.CARDS || across.equals(Index.Across.FITTING)
                ? word(items.form())
                : "cards" + across("n", across.narrow()) + across("m", across.medium()) + across("w", across.wide());
    }

    private static String across(String width, int cards) {
        return cards < 1 ? "" : " " + width + Math.min(cards, Index.Across.MOST);
    }

    /** The class of a term below others. */
    public static String depth(int depth) {
        return "tick" + (depth == 0 ? "" : " d" + Math.min(depth, 4));
    }

    public static String number(long number) {
        return String.format(Locale.ENGLISH, "%,d", number);
    }

    public static String columns(ColumnWidths widths) {
        return "columns " + word(widths);
    }

    public static String label(InlineNode.LabelRun label) {
        return label.colour().isEmpty() ? "label" : "label on-" + (label.ink().equals("#ffffff") ? "dark" : "light");
    }

    /** Filled and empty marks. */
    public static String marks(InlineNode.MarksRun marks) {
        return "●".repeat(Math.clamp(marks.marks(), 0, 20))
                + "○".repeat(Math.clamp(marks.most() - marks.marks(), 0, 20));
    }
}
