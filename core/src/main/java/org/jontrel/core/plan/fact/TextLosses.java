package org.jontrel.core.plan.fact;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Listing;
import org.jontrel.core.model.Model;
import org.jontrel.core.reach.ModelNames;
import org.jontrel.core.reach.ValueScope;
import org.jontrel.core.reach.ValueWay;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.value.kind.Insertions;

/** What formatted texts show that they will not show once a site has another model: values and listings that are removed. */
public final class TextLosses {
    private final Model from;
    private final Model to;
    private final ModelNames before;
    private final ModelNames after;

    public TextLosses(Model from, Model to) {
        this.from = from;
        this.to = to;
        this.before = new ModelNames(from);
        this.after = new ModelNames(to);
    }

    /** A field whose texts may lose something. */
    public record LosingField(String recordTypeId, Field field) {}

    /** The fields whose texts must be looked at; none where nothing that a text can show is removed or becomes another thing. */
    public List<LosingField> fields() {
        if (shown(to).containsAll(shown(from))) {
            return List.of();
        }
        return RecordType.all(from).stream()
                .flatMap(was -> was.byId().values().stream()
                        .filter(field -> takes(field.kind()) && stays(was.id(), field.id()))
                        .map(field -> new LosingField(was.id(), field)))
                .toList();
    }

    private boolean stays(String recordTypeId, String fieldId) {
        return to.definition(recordTypeId)
                .flatMap(each -> RecordType.of(to, each))
                .flatMap(each -> each.field(fieldId))
                .filter(field -> takes(field.kind()))
                .isPresent();
    }

    /** Also one that may hold none any more: it shows those that it has. */
    private static boolean takes(Kind kind) {
        return kind instanceof Kind.RichText;
    }

    /** All that ways are made of, and what kind of thing each is; and the listings. */
    private static Set<String> shown(Model model) {
        var fields = RecordType.all(model).stream()
                .flatMap(each -> each.byId().values().stream()
                        .map(field -> each.id() + " " + field.id() + " "
                                + field.kind().code() + targets(field.kind())));
        var definitions = model.definitions().stream().map(each -> each.id() + " " + each.sort());
        return Stream.concat(fields, definitions).collect(Collectors.toSet());
    }

    private static String targets(Kind kind) {
        return switch (kind) {
            case Kind.Relation relation -> " " + relation.to();
            case Kind.TermPick pick -> " " + pick.taxonomy();
            default -> "";
        };
    }

    /** What people call what a text of a record shows now and will not show then; each once. */
    public List<String> of(String recordTypeId, String html) {
        var held = Insertions.of(html);
        var values = held.values().stream()
                .flatMap(path -> way(before, recordTypeId, path).stream())
                .filter(way -> way(after, recordTypeId, way.path()).isEmpty())
                .map(ValueWay::label);
        var listings = held.listings().stream()
                .flatMap(id -> from.find(Listing.class, id).stream())
                .filter(listing -> to.find(Listing.class, listing.id()).isEmpty())
                .map(Listing::title);
        return Stream.concat(values, listings).distinct().toList();
    }

    private static Optional<ValueWay> way(ModelNames names, String recordTypeId, String path) {
        var scope = ValueScope.records(names, names.byId(recordTypeId).stream().toList());
        return ValueWay.of(scope, path).filter(ValueWay::fitsIntoText);
    }
}
