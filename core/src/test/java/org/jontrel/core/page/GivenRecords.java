package org.jontrel.core.page;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.value.Link;

/**
 * Records that a test has made up.
 *
 * @param listed id of the type whose records every list finds
 */
record GivenRecords(String listed, Map<Link, PageRecord> all) implements PageData {
    static GivenRecords of(String listed, PageRecord... records) {
        var all = new LinkedHashMap<Link, PageRecord>();
        List.of(records).forEach(record -> all.put(record.link(), record));
        return new GivenRecords(listed, all);
    }

    @Override
    public String siteName() {
        return "Bench";
    }

    @Override
    public Optional<PageRecord> record(Link link) {
        return Optional.ofNullable(all.get(link));
    }

    @Override
    public List<Link> list(Link of, String list) {
        return all.keySet().stream().filter(link -> link.type().equals(listed)).toList();
    }

    @Override
    public Optional<PageFile> file(long id) {
        return Optional.empty();
    }
}
