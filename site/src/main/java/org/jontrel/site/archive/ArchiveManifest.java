package org.jontrel.site.archive;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Stream;

/**
 * What an archive says of itself, as {@code archive.json}.
 *
 * @param format 1; another is one that this program does not know
 * @param version of the definitions; empty where the site has none
 * @param made when, in UTC (ISO 8601)
 * @param history whether earlier states of records are in it
 * @param tables of records, with what runs hold; those that every site has are not described
 * @param rows how many each file has, by its name
 */
public record ArchiveManifest(
        int format,
        ArchivedSite site,
        String version,
        String made,
        boolean history,
        List<ArchiveTable> tables,
        Map<String, Long> rows) {
    static final int FORMAT = 1;

    /** In the order in which they stand, so that two archives of one state are the same. */
    public ArchiveManifest {
        Stream.of(site, version, made).forEach(Objects::requireNonNull);
        tables = List.copyOf(tables);
        rows.forEach((name, count) -> Objects.requireNonNull(count, name));
        rows = Collections.unmodifiableMap(new LinkedHashMap<>(rows));
    }

    /** A site as it was set up where it was archived. */
    public record ArchivedSite(String path, String name, String look, String address, boolean unlisted) {
        public ArchivedSite {
            Stream.of(path, name, look, address).forEach(Objects::requireNonNull);
        }
    }
}
