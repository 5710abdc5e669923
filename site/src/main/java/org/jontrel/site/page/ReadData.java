package org.jontrel.site.page;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.page.PageData;
import org.jontrel.core.page.PageFile;
import org.jontrel.core.page.PageRecord;
import org.jontrel.core.value.Link;

/** What was read for a page, as it grows. */
final class ReadData implements PageData {
    private final String siteName;
    private final Map<Link, PageRecord> records = new LinkedHashMap<>();
    private final Map<ListOf, List<Link>> lists = new HashMap<>();
    private final Map<Long, PageFile> files = new HashMap<>();

    ReadData(String siteName) {
        this.siteName = siteName;
    }

    private record ListOf(Link owner, String list) {}

    @Override
    public String siteName() {
        return siteName;
    }

    @Override
    public Optional<PageRecord> record(Link link) {
        return Optional.ofNullable(records.get(link));
    }

    @Override
    public List<Link> list(Link of, String list) {
        return lists.getOrDefault(new ListOf(of, list), List.of());
    }

    @Override
    public Optional<PageFile> file(long id) {
        return Optional.ofNullable(files.get(id));
    }

    Iterable<PageRecord> records() {
        return records.values();
    }

    /** A record; where it was read before with other fields, it has all of them. */
    void add(PageRecord record) {
        records.merge(record.link(), record, (before, now) -> {
            var values = new LinkedHashMap<>(before.values());
            values.putAll(now.values());
            return new PageRecord(
                    now.link(),
                    now.title(),
                    now.slug(),
                    now.address(),
                    now.parent(),
                    now.state(),
                    now.origin(),
                    now.updatedAt(),
                    values);
        });
    }

    void add(Link owner, String list, List<Link> links) {
        lists.put(new ListOf(owner, list), List.copyOf(links));
    }

    void add(PageFile file) {
        files.put(file.id(), file);
    }
}
