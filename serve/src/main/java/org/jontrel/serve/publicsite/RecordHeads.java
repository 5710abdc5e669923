package org.jontrel.serve.publicsite;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jontrel.core.page.node.PageAddress;
import org.jontrel.core.page.node.PageNode;
import org.jontrel.core.page.node.RecordHead;
import tools.jackson.databind.json.JsonMapper;

/**
 * The heads of records' pages with whole addresses.
 *
 * @param base the whole address of the home page, with a slash at its end
 * @param siteName what the site is called
 */
public record RecordHeads(String base, String siteName, PageLinks links) {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final int SHARED_WIDTH = 1280;

    public PageHead of(RecordHead head, String path) {
        return new PageHead(
                head.title() + " · " + siteName,
                head.description(),
                "",
                whole(new PageAddress.InsideSite(path)),
                path,
                head.picture().map(this::shared),
                linked(head.linked()),
                head.hidden(),
                "");
    }

    String whole(PageAddress address) {
        return address instanceof PageAddress.OutsideSite(String url) ? url : whole(links.href(address));
    }

    private String whole(String href) {
        return base + href.substring(links.home().length());
    }

    private PageHead.SharedPicture shared(PageNode.PictureFacts picture) {
        return new PageHead.SharedPicture(
                whole(links.media(picture.file(), SHARED_WIDTH)), picture.alt(), picture.width(), picture.height());
    }

    /** What programs are told of a record, for people; empty for nothing. */
    public String pretty(RecordHead head) {
        return head.linked().isEmpty()
                ? ""
                : JSON.writerWithDefaultPrettyPrinter().writeValueAsString(json(head.linked()));
    }

    /** As JSON in which no tag can begin. */
    private String linked(Map<String, Object> data) {
        return data.isEmpty()
                ? ""
                : JSON.writeValueAsString(json(data))
                        .replace("<", "\\u003c")
                        .replace(">", "\\u003e")
                        .replace("&", "\\u0026");
    }

    private Object json(Object value) {
        return switch (value) {
            case PageAddress address -> whole(address);
            case List<?> list -> list.stream().map(this::json).toList();
            case Map<?, ?> map -> {
                var all = new LinkedHashMap<String, Object>();
                map.forEach((name, each) -> all.put(String.valueOf(name), json(each)));
                yield all;
            }
            default -> value;
        };
    }
}
