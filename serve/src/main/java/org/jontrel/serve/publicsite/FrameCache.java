package org.jontrel.serve.publicsite;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Supplier;

/** The frame of each site's pages, for as long as nothing on it has changed. */
final class FrameCache {
    private record Framed(String tag, PageFrame frame) {}

    private final Map<String, Framed> bySite = new ConcurrentHashMap<>();

    PageFrame get(String path, String tag, Supplier<PageFrame> make) {
        var known = bySite.get(path);
        if (known != null && known.tag().equals(tag)) {
            return known.frame();
        }
        var made = make.get();
        bySite.put(path, new Framed(tag, made));
        return made;
    }
}
