package org.jontrel.site.run.name;

import java.util.Collection;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Model;
import org.jontrel.core.move.NameLookup;
import org.jontrel.core.recordtype.RecordType;

/** Fields of what names may mean that say them: a number, a code, an address of e-mail. */
record MatchingFields(SaidNames records, Model to) {
    /** Of very many names the first ones tell enough, and of very many records fewer still. */
    private static final int TRIED = 200;

    private static final int TRIED_OF_MANY = 10;

    /** The one that says most of them, at least half, each of one record. */
    Optional<NameLookup.FoundNames> of(Set<String> types, Collection<String> names) {
        var some = names.stream()
                .limit(records.isLarge(types) ? TRIED_OF_MANY : TRIED)
                .toList();
        return types.stream()
                .flatMap(type -> records.naming(type).stream().filter(field -> stays(type, field)))
                .map(Field::key)
                .distinct()
                .sorted()
                .map(key -> new NameLookup.FoundNames(new NameLookup.NamingField(key), found(types, key, some)))
                .filter(found -> found.names().size() * 2 >= some.size())
                .max(Comparator.comparingInt(found -> found.names().size()));
    }

    /** What goes in the same run, as the names themselves may, is nothing to find anybody by. */
    private boolean stays(String type, Field field) {
        return to.definition(type)
                .flatMap(each -> RecordType.of(to, each))
                .flatMap(each -> each.field(field.id()))
                .filter(each -> each.kind().code().equals(field.kind().code()))
                .isPresent();
    }

    private Set<String> found(Set<String> types, String key, List<String> names) {
        return names.stream()
                .filter(name -> types.stream()
                                .flatMap(type -> records.saying(type, key, name.strip()).stream())
                                .limit(2)
                                .count()
                        == 1)
                .collect(Collectors.toCollection(HashSet::new));
    }
}
