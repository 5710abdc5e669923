package org.jontrel.core.generate.graphql;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SequencedMap;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jontrel.core.generate.api.ApiEntity;
import org.jontrel.core.generate.api.ApiField;
import org.jontrel.core.generate.api.ApiValue;
import org.jontrel.core.generate.api.CodeNames;
import org.jontrel.core.generate.api.CodeText;
import org.jontrel.core.generate.api.ContentApi;

/**
 * A schema in GraphQL's own language, for those who put a server of theirs before a site: types with their relations, filters over
 * fields, connections of pages, and what changes records. What is the same for all models stands in {@code common.graphql}.
 */
public final class GraphQlCode {
    private static final Set<String> RESERVED = Set.of(
            "Attachment",
            "Boolean",
            "Date",
            "DateTime",
            "Decimal",
            "FlagTest",
            "Float",
            "Html",
            "ID",
            "Instant",
            "Int",
            "Link",
            "LinkInput",
            "MomentTest",
            "Mutation",
            "NumberTest",
            "NumberedInput",
            "PageInfo",
            "Picture",
            "Placing",
            "Query",
            "RecordState",
            "Spot",
            "SpotInput",
            "Stored",
            "String",
            "Subscription",
            "TermOf",
            "TextTest",
            "Time",
            "Whole");
    /** What no option may be called. */
    private static final Set<String> LITERALS = Set.of("true", "false", "null");

    private static final String STORED = Stream.of(
                    "id: ID!",
                    "slug: String!",
                    "url: String",
                    "parent: ID",
                    "state: RecordState",
                    "publish_at: Instant",
                    "retire_at: Instant",
                    "updated_at: Instant")
            .map(line -> "  " + line + "\n")
            .collect(Collectors.joining());

    private final ContentApi api;
    private final CodeNames types = new CodeNames(RESERVED);
    private final CodeNames queries = new CodeNames(Set.of());
    private final CodeNames changes = new CodeNames(Set.of());
    private final List<String> optionNotes = new ArrayList<>();
    private final Map<ApiEntity, EntityTypes> names = new LinkedHashMap<>();
    private final Set<String> told = new TreeSet<>();
    private final StringBuilder text = new StringBuilder();

    /** @param input what is sent to change one */
    private record EntityTypes(String read, String input, String filter, String connection, String edge) {}

    public GraphQlCode(ContentApi api) {
        this.api = api;
        api.entities().forEach(each -> names.put(each, named(each)));
    }

    private EntityTypes named(ApiEntity entity) {
        var read = types.take(entity.typeName(), entity.about());
        return new EntityTypes(
                read,
                types.take(read + "Input", entity.about() + " as it is sent"),
                types.take(read + "Filter", "The filter of " + entity.about()),
                types.take(read + "Connection", "Pages of " + entity.about()),
                types.take(read + "Edge", "A place in pages of " + entity.about()));
    }

    public SequencedMap<String, String> files() {
        api.entities().forEach(this::write);
        var files = new LinkedHashMap<String, String>();
        files.put("common.graphql", head() + CodeText.resource(GraphQlCode.class, "common.graphql"));
        files.put("schema.graphql", head() + text + queries() + mutations());
        return files;
    }

    /** What is called otherwise than in the model. */
    public List<String> notes() {
        return Stream.of(types.notes(), optionNotes, queries.notes(), changes.notes())
                .flatMap(List::stream)
                .toList();
    }

    private String head() {
        return api.head().stream()
                        .map(line -> "# " + CodeText.line(line) + "\n")
                        .collect(Collectors.joining()) + "\n";
    }

    private static String documented(String about) {
        return "\"" + CodeText.line(about).replace("\\", "\\\\").replace("\"", "\\\"") + "\"\n";
    }

    private void write(ApiEntity entity) {
        var name = names.get(entity);
        boolean stored = entity.sort() != ApiEntity.EntitySort.VALUES;
        type(name.read(), entity.singular(), entity.fields(), stored);
        input(
                name.input(),
                entity.singular() + ", as it is sent; what is not sent stays, null empties",
                entity.fields());
        if (stored) {
            filter(name.filter(), entity);
            text.append("type %s {\n  cursor: String!\n  node: %s!\n}\n\n".formatted(name.edge(), name.read()));
            text.append("type %s {\n  edges: [%s!]!\n  pageInfo: PageInfo!\n  totalCount: Int!\n}\n\n"
                    .formatted(name.connection(), name.edge()));
        }
    }

    private void type(String name, String about, List<ApiField> fields, boolean stored) {
        var inner = new StringBuilder(stored ? STORED : "");
        for (var field : fields) {
            inner.append("  ").append(documented(field.about()));
            inner.append("  ")
                    .append(field.key())
                    .append(": ")
                    .append(listed(field, read(name, field)))
                    .append("\n");
        }
        // a type has at least one field
        inner.append(inner.isEmpty() ? "  _nothing: Boolean\n" : "");
        text.append(documented(about)).append("type ").append(name).append(stored ? " implements Stored {\n" : " {\n");
        text.append(inner).append("}\n\n");
    }

    private void input(String name, String about, List<ApiField> fields) {
        var inner = new StringBuilder();
        for (var field : fields) {
            inner.append("  ")
                    .append(field.key())
                    .append(": ")
                    .append(listed(field, sent(name, field)))
                    .append("\n");
        }
        inner.append(inner.isEmpty() ? "  _nothing: Boolean\n" : "");
        text.append(documented(about))
                .append("input ")
                .append(name)
                .append(" {\n")
                .append(inner)
                .append("}\n\n");
    }

    private static String listed(ApiField field, String one) {
        return field.many() ? "[" + one + "!]" : one;
    }

    private String read(String owner, ApiField field) {
        return switch (field.value()) {
            case ApiValue.LinkValue(List<String> targets) -> link(owner, field, targets);
            case ApiValue.TermValue _ -> "TermOf";
            case ApiValue.PictureValue _ -> "Picture";
            case ApiValue.FileValue _ -> "Attachment";
            case ApiValue.SpotValue _ -> "Spot";
            case ApiValue.OptionValue(List<String> keys) -> options(owner, field, keys);
            case ApiValue.NestedValue(List<ApiField> fields) -> {
                var name = types.take(owner + CodeNames.pascal(field.key()), field.about());
                type(name, field.about(), fields, false);
                yield name;
            }
            default -> plain(field.value());
        };
    }

    private String sent(String owner, ApiField field) {
        return switch (field.value()) {
            case ApiValue.LinkValue _ -> "LinkInput";
            case ApiValue.TermValue _, ApiValue.PictureValue _, ApiValue.FileValue _ -> "NumberedInput";
            case ApiValue.SpotValue _ -> "SpotInput";
            // the key of an option as a text, so that enums are needed for reading only
            case ApiValue.OptionValue _ -> "String";
            case ApiValue.NestedValue(List<ApiField> fields) -> {
                var name = types.take(owner + CodeNames.pascal(field.key()), field.about());
                input(name, field.about(), fields);
                yield name;
            }
            default -> plain(field.value());
        };
    }

    private static String plain(ApiValue value) {
        return switch (value) {
            case ApiValue.NumberValue(boolean whole) -> whole ? "Whole" : "Decimal";
            case ApiValue.FlagValue _ -> "Boolean";
            case ApiValue.MomentValue(ApiValue.MomentSort sort) ->
                switch (sort) {
                    case DATE -> "Date";
                    case TIME -> "Time";
                    case DATE_TIME -> "DateTime";
                };
            default -> "String";
        };
    }

    private String options(String owner, ApiField field, List<String> keys) {
        if (keys.isEmpty()) {
            return "String";
        }
        var name = types.take(owner + CodeNames.pascal(field.key()), field.about());
        text.append(documented(field.about())).append("enum ").append(name).append(" {\n");
        for (var key : keys) {
            boolean literal = LITERALS.contains(key);
            text.append("  ").append(key).append(literal ? "_\n" : "\n");
            if (literal && told.add(name + key)) {
                optionNotes.add("The option " + key + " of " + field.about() + " is called " + key + "_.");
            }
        }
        text.append("}\n\n");
        return name;
    }

    /** The type of the record, or of any of several; of records that the API does not give, only what they are called. */
    private String link(String owner, ApiField field, List<String> targets) {
        var given = targets.stream()
                .flatMap(each -> api.type(each).stream())
                .map(each -> names.get(each).read())
                .toList();
        if (given.size() < targets.size() || given.isEmpty()) {
            return "Link";
        }
        if (given.size() == 1) {
            return given.getFirst();
        }
        var name = types.take(owner + CodeNames.pascal(field.key()), field.about());
        text.append(documented(field.about())).append("union ").append(name).append(" = ");
        text.append(String.join(" | ", given)).append("\n\n");
        return name;
    }

    private void filter(String name, ApiEntity entity) {
        text.append(documented("A condition on the fields of " + entity.plural() + "; all that it says must hold"));
        text.append("input %s {\n  _all: [%s!]\n  _any: [%s!]\n  _not: %s\n".formatted(name, name, name, name));
        for (var field : entity.fields()) {
            text.append("  ")
                    .append(field.key())
                    .append(": ")
                    .append(test(field.value()))
                    .append("\n");
        }
        text.append("}\n\n");
    }

    private static String test(ApiValue value) {
        return switch (value) {
            case ApiValue.NumberValue _ -> "NumberTest";
            case ApiValue.MomentValue _ -> "MomentTest";
            case ApiValue.TextValue _, ApiValue.OptionValue _ -> "TextTest";
            default -> "FlagTest";
        };
    }

    private String queries() {
        var all = new StringBuilder("type Query {\n");
        for (var entity : api.entities()) {
            var name = names.get(entity);
            var one = queries.take(member(entity), entity.about());
            if (entity.sort() == ApiEntity.EntitySort.VALUES) {
                all.append("  %s: %s!\n".formatted(one, name.read()));
                continue;
            }
            var several = queries.take(member(entity) + "List", "The list of " + entity.about());
            all.append("  %s(id: ID, slug: String): %s\n".formatted(one, name.read()));
            all.append("  %s(filter: %s, search: String, sort: [String!], first: Int, after: String): %s!\n"
                    .formatted(several, name.filter(), name.connection()));
        }
        return all.append(api.entities().isEmpty() ? "  _nothing: Boolean\n" : "")
                .append("}\n")
                .toString();
    }

    private String mutations() {
        var all = new StringBuilder();
        for (var entity : api.entities()) {
            var name = names.get(entity);
            var of = CodeNames.pascal(member(entity));
            if (entity.sort() != ApiEntity.EntitySort.VALUES) {
                all.append("  %s(values: %s!, placing: Placing): %s!\n"
                        .formatted(changes.take("create" + of, entity.about()), name.input(), name.read()));
                all.append("  %s(id: ID!, ifMatch: String!, values: %s!, placing: Placing): %s!\n"
                        .formatted(changes.take("change" + of, entity.about()), name.input(), name.read()));
                all.append("  %s(id: ID!, ifMatch: String!): Boolean!\n"
                        .formatted(changes.take("delete" + of, entity.about())));
            } else {
                all.append("  %s(ifMatch: String!, values: %s!): %s!\n"
                        .formatted(changes.take("change" + of, entity.about()), name.input(), name.read()));
            }
        }
        return all.isEmpty() ? "" : "\ntype Mutation {\n" + all + "}\n";
    }

    private static String member(ApiEntity entity) {
        return CodeNames.camel(entity.typeName());
    }
}
