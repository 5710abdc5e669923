package org.jontrel.core.generate.typescript;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SequencedMap;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jontrel.core.generate.api.ApiEntity;
import org.jontrel.core.generate.api.ApiField;
import org.jontrel.core.generate.api.ApiValue;
import org.jontrel.core.generate.api.CodeNames;
import org.jontrel.core.generate.api.CodeText;
import org.jontrel.core.generate.api.ContentApi;

/**
 * {@code client.ts} is the same for all models; {@code model.ts} has the types of one, the shapes that what comes is checked
 * by, and the class {@code Site} with something to call for each. Both need nothing but the platform's {@code fetch}.
 */
public final class TypeScriptCode {
    /** What {@code client.ts} has, and what every program does. */
    private static final Set<String> RESERVED = Set.of(
            "Attachment",
            "Calls",
            "Comparable",
            "Filter",
            "Link",
            "LinkTo",
            "Numbered",
            "Options",
            "Page",
            "Picture",
            "Placing",
            "Query",
            "Read",
            "RecordState",
            "Records",
            "Shape",
            "ShapeError",
            "Shapes",
            "Single",
            "Site",
            "SiteError",
            "Spot",
            "Stored",
            "TermOf",
            "Terms",
            "ValueProblem",
            "Array",
            "AsyncGenerator",
            "Date",
            "Error",
            "Number",
            "Object",
            "Pick",
            "Promise",
            "Record",
            "RequestInit",
            "Response",
            "String");
    /** What the class of all calls has. */
    private static final Set<String> MEMBERS = Set.of("address", "constructor", "options", "read", "send");

    private static final List<String> USED =
            List.of("Attachment", "Link", "LinkTo", "Numbered", "Picture", "Shapes", "Spot", "Stored", "TermOf");
    private static final SortedMap<ApiEntity.EntitySort, String> CALLED = new TreeMap<>(Map.of(
            ApiEntity.EntitySort.RECORDS, "Records",
            ApiEntity.EntitySort.TERMS, "Terms",
            ApiEntity.EntitySort.VALUES, "Single"));

    private final ContentApi api;
    private final CodeNames types = new CodeNames(RESERVED);
    private final CodeNames members = new CodeNames(MEMBERS);
    private final CodeNames constants = new CodeNames(Set.of());
    private final Map<ApiEntity, EntityNames> names = new LinkedHashMap<>();
    private final StringBuilder text = new StringBuilder();
    private final StringBuilder shapes = new StringBuilder();

    public TypeScriptCode(ContentApi api) {
        this.api = api;
        api.entities().forEach(each -> names.put(each, named(each)));
    }

    /** @param shapes name of the constant that says what it must be like */
    private record EntityNames(String read, String written, String field, String relation, String shapes) {}

    private EntityNames named(ApiEntity entity) {
        var read = types.take(entity.typeName(), entity.about());
        return new EntityNames(
                read,
                types.take(read + "Change", entity.about() + " as it is written"),
                types.take(read + "Field", "What names a field of " + entity.about()),
                types.take(read + "Relation", "What names a relation of " + entity.about()),
                constants.take(CodeNames.camel(entity.segment()) + "Shapes", entity.about()));
    }

    public SequencedMap<String, String> files() {
        api.entities().forEach(this::write);
        var files = new LinkedHashMap<String, String>();
        files.put("client.ts", head() + CodeText.resource(TypeScriptCode.class, "client.ts"));
        files.put("model.ts", head() + imports() + text + shapes + site());
        return files;
    }

    /** What is called otherwise than in the model. */
    public List<String> notes() {
        var all = new ArrayList<>(types.notes());
        all.addAll(members.notes());
        return all;
    }

    private String head() {
        return api.head().stream().map(line -> "// " + comment(line) + "\n").collect(Collectors.joining()) + "\n";
    }

    private String imports() {
        var body = text.toString() + shapes;
        var called = CALLED.entrySet().stream()
                .filter(each -> api.entities().stream().anyMatch(entity -> entity.sort() == each.getKey()))
                .map(Map.Entry::getValue);
        var used = USED.stream()
                .filter(each -> body.matches("(?s).*\\b" + each + "\\b.*"))
                .map(each -> "type " + each);
        return Stream.of(Stream.of("Calls"), called, used)
                .flatMap(each -> each)
                .collect(Collectors.joining(", ", "import { ", " } from './client.js';\n\n"));
    }

    private static String comment(String line) {
        return CodeText.line(line).replace("*/", "* /");
    }

    private void write(ApiEntity entity) {
        var name = names.get(entity);
        type(name.read(), entity.singular(), entity.fields(), entity.sort() != ApiEntity.EntitySort.VALUES);
        writtenType(name.written(), entity.singular(), entity.fields());
        if (entity.sort() != ApiEntity.EntitySort.VALUES) {
            union(name.field(), entity.fields().stream().map(ApiField::key).toList());
            union(name.relation(), relations(entity.fields()).distinct().toList());
        }
        shapes.append("const ").append(name.shapes()).append(": Shapes = ");
        shapes(entity.fields(), "");
        shapes.append(";\n\n");
    }

    /** Keys of relations, also of those in groups and rows. */
    private static Stream<String> relations(List<ApiField> fields) {
        return fields.stream().flatMap(field -> switch (field.value()) {
            case ApiValue.LinkValue _ -> Stream.of(field.key());
            case ApiValue.NestedValue(List<ApiField> inner) -> relations(inner);
            default -> Stream.empty();
        });
    }

    private void union(String name, List<String> keys) {
        text.append("export type ").append(name).append(" = ");
        text.append(
                keys.isEmpty()
                        ? "never"
                        : keys.stream().map(TypeScriptCode::quoted).collect(Collectors.joining(" | ")));
        text.append(";\n\n");
    }

    private static String quoted(String key) {
        return "'" + key + "'";
    }

    /** As it is read. */
    private void type(String name, String about, List<ApiField> fields, boolean stored) {
        var inner = new StringBuilder();
        for (var field : fields) {
            inner.append("  /** ").append(comment(field.about())).append(" */\n");
            inner.append("  ").append(field.key()).append("?: ");
            inner.append(listed(field, read(name, field))).append(";\n");
        }
        text.append("/** ").append(comment(about)).append(" */\n");
        text.append("export interface ")
                .append(name)
                .append(stored ? " extends Stored" : "")
                .append(" {\n");
        text.append(inner).append("}\n\n");
    }

    private void writtenType(String name, String of, List<ApiField> fields) {
        var inner = new StringBuilder();
        for (var field : fields) {
            inner.append("  ").append(field.key()).append("?: ");
            inner.append(listed(field, written(name, field))).append(" | null;\n");
        }
        text.append("/** ").append(comment(of)).append(" as it is written; null empties a value. */\n");
        text.append("export interface ")
                .append(name)
                .append(" {\n")
                .append(inner)
                .append("}\n\n");
    }

    private static String listed(ApiField field, String one) {
        return !field.many() ? one : one.contains("|") ? "(" + one + ")[]" : one + "[]";
    }

    private String read(String owner, ApiField field) {
        return switch (field.value()) {
            case ApiValue.LinkValue(List<String> targets) -> link(targets);
            case ApiValue.TermValue _ -> "TermOf";
            case ApiValue.PictureValue _ -> "Picture";
            case ApiValue.FileValue _ -> "Attachment";
            case ApiValue.NestedValue(List<ApiField> fields) -> {
                var name = types.take(owner + CodeNames.pascal(field.key()), field.about());
                type(name, field.about(), fields, false);
                yield name;
            }
            default -> plain(field.value());
        };
    }

    private String written(String owner, ApiField field) {
        return switch (field.value()) {
            case ApiValue.LinkValue(List<String> targets) -> "LinkTo<" + keys(targets) + ">";
            case ApiValue.TermValue _, ApiValue.PictureValue _, ApiValue.FileValue _ -> "Numbered";
            case ApiValue.NestedValue(List<ApiField> fields) -> {
                var name = types.take(owner + CodeNames.pascal(field.key()), field.about());
                writtenType(name, field.about(), fields);
                yield name;
            }
            default -> plain(field.value());
        };
    }

    private static String plain(ApiValue value) {
        return switch (value) {
            case ApiValue.NumberValue _ -> "number";
            case ApiValue.FlagValue _ -> "boolean";
            case ApiValue.SpotValue _ -> "Spot";
            case ApiValue.OptionValue(List<String> keys) -> keys(keys);
            default -> "string";
        };
    }

    private static String keys(List<String> keys) {
        return keys.isEmpty()
                ? "string"
                : keys.stream().map(TypeScriptCode::quoted).collect(Collectors.joining(" | "));
    }

    private String link(List<String> targets) {
        var included = targets.stream()
                .flatMap(each -> api.type(each).stream())
                .map(each -> names.get(each).read())
                .collect(Collectors.joining(" | "));
        return "Link<" + keys(targets) + ">" + (included.isEmpty() ? "" : " | " + included);
    }

    private void shapes(List<ApiField> fields, String indent) {
        if (fields.isEmpty()) {
            shapes.append("{}");
            return;
        }
        shapes.append("{\n");
        for (var field : fields) {
            shapes.append(indent).append("  ").append(field.key()).append(": ");
            shapes.append(field.many() ? "{ each: " : "");
            shape(field.value(), indent + "  ");
            shapes.append(field.many() ? " },\n" : ",\n");
        }
        shapes.append(indent).append("}");
    }

    private void shape(ApiValue value, String indent) {
        switch (value) {
            case ApiValue.TextValue _, ApiValue.MomentValue _ -> shapes.append("'text'");
            case ApiValue.NumberValue _ -> shapes.append("'number'");
            case ApiValue.FlagValue _ -> shapes.append("'flag'");
            case ApiValue.SpotValue _ -> shapes.append("'spot'");
            case ApiValue.TermValue _ -> shapes.append("'term'");
            case ApiValue.PictureValue _ -> shapes.append("'picture'");
            case ApiValue.FileValue _ -> shapes.append("'attachment'");
            case ApiValue.OptionValue(List<String> keys) -> list("options", keys);
            case ApiValue.LinkValue(List<String> types) -> list("types", types);
            case ApiValue.NestedValue(List<ApiField> fields) -> {
                shapes.append("{ fields: ");
                shapes(fields, indent);
                shapes.append(" }");
            }
        }
    }

    private void list(String name, List<String> keys) {
        shapes.append("{ ").append(name).append(": [");
        shapes.append(keys.stream().map(TypeScriptCode::quoted).collect(Collectors.joining(", ")));
        shapes.append("] }");
    }

    private String site() {
        var site = new StringBuilder("/** A site with these definitions. */\nexport class Site extends Calls {\n");
        for (var entity : api.entities()) {
            var name = names.get(entity);
            var values = name.read() + ", " + name.written();
            var keys = name.field() + ", " + name.relation();
            var sort =
                    switch (entity.sort()) {
                        case RECORDS -> "Records<" + values + ", " + keys + ">";
                        case TERMS -> "Terms<" + values + ", " + keys + ">";
                        case VALUES -> "Single<" + values + ">";
                    };
            site.append("  readonly ")
                    .append(members.take(member(entity), entity.about()))
                    .append(" = new ")
                    .append(sort);
            site.append("(this, ")
                    .append(quoted(entity.segment()))
                    .append(", ")
                    .append(name.shapes())
                    .append(");\n");
        }
        return site.append("}\n").toString();
    }

    private static String member(ApiEntity entity) {
        return switch (entity.sort()) {
            case RECORDS -> CodeNames.camel(entity.segment());
            case TERMS -> CodeNames.camel(entity.key()) + "Terms";
            case VALUES -> CodeNames.camel(entity.key()) + "Values";
        };
    }
}
