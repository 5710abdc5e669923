package org.jontrel.core.code;

import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Ids;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;

/** Gives ids to what was written by hand without: the id of the same key in an earlier model, else a new one. */
public final class Identities {
    private final Model earlier;
    private final Ids ids;

    public Identities(Model earlier, Ids ids) {
        this.earlier = earlier;
        this.ids = ids;
    }

    public Model complete(Model model) {
        return new Model(model.types().stream().map(this::complete).toList());
    }

    public ContentType complete(ContentType type) {
        var known = type.id().isEmpty() ? earlier.typeByKey(type.key()) : earlier.type(type.id());
        var id = id(type.id(), known.map(ContentType::id), 't');
        return type.withId(id)
                .withGroups(type.groups().stream()
                        .map(group -> complete(group, known))
                        .toList());
    }

    private Group complete(Group group, Optional<ContentType> known) {
        var same = known.stream()
                .flatMap(type -> type.groups().stream())
                .filter(g -> g.title().equals(group.title()))
                .findFirst();
        return group.withId(id(group.id(), same.map(Group::id), 'g'))
                .withFields(group.fields().stream()
                        .map(field -> complete(field, known))
                        .toList());
    }

    private Field complete(Field field, Optional<ContentType> known) {
        var same = known.flatMap(type -> field.id().isEmpty() ? type.fieldByKey(field.key()) : type.field(field.id()));
        var completed = field.withId(id(field.id(), same.map(Field::id), 'f'));
        if (!(field.kind() instanceof Kind.Choice(List<Kind.Option> options))) {
            return completed;
        }
        Function<String, Optional<String>> optionId = key -> same.map(Field::kind)
                .filter(Kind.Choice.class::isInstance)
                .flatMap(kind -> ((Kind.Choice) kind)
                        .options().stream().filter(o -> o.key().equals(key)).findFirst())
                .map(Kind.Option::id);
        return completed.withKind(new Kind.Choice(options.stream()
                .map(option -> option.withId(id(option.id(), optionId.apply(option.key()), 'o')))
                .toList()));
    }

    private String id(String given, Optional<String> known, char first) {
        return given.isEmpty() ? known.orElseGet(() -> ids.next(first)) : given;
    }
}
