package org.jontrel.server.publicsite;

import java.util.List;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Model;
import org.jontrel.site.media.StoredFile;

/**
 * What every page of a site has: its name, its address, and the types that its navigation leads to.
 *
 * @param path of the site, or empty where there is none
 */
public record PageFrame(String name, String path, List<ContentType> types) {
    static final PageFrame NOWHERE = new PageFrame("", "", List.of());

    public static PageFrame of(String name, String path, Model model) {
        return new PageFrame(
                name,
                path,
                model.types().stream()
                        .filter(type ->
                                type.publishing().visible() && type.publishing().navigation())
                        .toList());
    }

    public String home() {
        return path.isEmpty() ? "/" : "/at/" + PublicPages.encoded(path) + "/";
    }

    public String index(String typePath) {
        return home() + PublicPages.encoded(typePath) + "/";
    }

    public String media(StoredFile file, int width) {
        return home() + "media/" + file.id() + "?width=" + width;
    }
}
