package org.jontrel.site.importer;

import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import org.jontrel.core.importer.ImportMapping;
import org.jontrel.site.importer.row.MappingText;
import org.jontrel.site.table.Database;

/** Mappings that are kept with a site, each under a name. */
public record KeptMappings(Database database) {
    /** A mapping that is kept with the site. */
    public record NamedMapping(String name, ImportMapping mapping, String by, Instant at) {}

    public List<NamedMapping> all() {
        return database.transaction(session -> session.getMapper(ImportMapper.class).mappings().stream()
                .map(KeptMappings::named)
                .toList());
    }

    public Optional<NamedMapping> find(String name) {
        return database.transaction(session -> Optional.ofNullable(
                        session.getMapper(ImportMapper.class).mapping(name))
                .map(KeptMappings::named));
    }

    private static NamedMapping named(ImportMapper.KeptMapping kept) {
        return new NamedMapping(
                kept.name(),
                MappingText.read(kept.mapping()),
                kept.byWhom(),
                kept.at().toInstant(ZoneOffset.UTC));
    }

    /** Keeps a mapping under a name, in the place of one that is there. */
    public void keep(String name, ImportMapping mapping, String by) {
        database.transaction(session -> {
            session.getMapper(ImportMapper.class).keep(name, MappingText.write(mapping), by);
            return null;
        });
    }

    public boolean forget(String name) {
        return database.transaction(
                        session -> session.getMapper(ImportMapper.class).forget(name))
                > 0;
    }
}
