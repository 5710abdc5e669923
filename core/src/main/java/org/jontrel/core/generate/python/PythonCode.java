package org.jontrel.core.generate.python;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SequencedMap;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jontrel.core.generate.api.ApiEntity;
import org.jontrel.core.generate.api.ApiField;
import org.jontrel.core.generate.api.ApiValue;
import org.jontrel.core.generate.api.CodeNames;
import org.jontrel.core.generate.api.CodeText;
import org.jontrel.core.generate.api.ContentApi;

/**
 * {@code client.py} is the same for all models; {@code model.py} has a dataclass for each entity, group and row, and the class
 * {@code Site} with something to call for each entity. Both need nothing but the standard library of Python 3.11.
 */
public final class PythonCode {
    private static final Set<String> RESERVED = Set.of(
            "Any",
            "Attachment",
            "Calls",
            "Decimal",
            "Ellipsis",
            "Exception",
            "False",
            "Link",
            "Literal",
            "None",
            "NotImplemented",
            "Page",
            "Picture",
            "Read",
            "RecordState",
            "Records",
            "Shape",
            "ShapeError",
            "Single",
            "Site",
            "SiteError",
            "Spot",
            "Stored",
            "TermOf",
            "Terms",
            "True");
    /** Words of the language, and what all records have. */
    private static final Set<String> WORDS = Set.of(
            "and",
            "as",
            "assert",
            "async",
            "await",
            "break",
            "class",
            "continue",
            "def",
            "del",
            "elif",
            "else",
            "except",
            "finally",
            "for",
            "from",
            "global",
            "if",
            "import",
            "in",
            "is",
            "lambda",
            "nonlocal",
            "not",
            "or",
            "pass",
            "raise",
            "return",
            "try",
            "while",
            "with",
            "yield",
            "id",
            "slug",
            "url",
            "parent",
            "state",
            "publish_at",
            "retire_at",
            "updated_at",
            "date",
            "datetime",
            "time",
            "int",
            "str",
            "bool",
            "list");

    private static final Set<String> MEMBERS = Set.of("send");
    private static final String FIELD = "        \"%s\": (\"%s\", %s),\n";
    private final ContentApi api;
    private final CodeNames types = new CodeNames(RESERVED);
    private final CodeNames members =
            new CodeNames(Stream.concat(MEMBERS.stream(), WORDS.stream()).collect(Collectors.toSet()));
    private final List<String> fieldNotes = new ArrayList<>();
    private final Map<ApiEntity, String> names = new LinkedHashMap<>();
    private final StringBuilder text = new StringBuilder();

    public PythonCode(ContentApi api) {
        this.api = api;
        api.entities().forEach(each -> names.put(each, types.take(each.typeName(), each.about())));
    }

    public SequencedMap<String, String> files() {
        api.entities()
                .forEach(each -> type(
                        names.get(each), each.singular(), each.fields(), each.sort() != ApiEntity.EntitySort.VALUES));
        var files = new LinkedHashMap<String, String>();
        files.put("client.py", head() + CodeText.resource(PythonCode.class, "client.py"));
        files.put("model.py", head() + imports() + text + site());
        return files;
    }

    /** What is called otherwise than in the model. */
    public List<String> notes() {
        return Stream.of(types.notes(), fieldNotes, members.notes())
                .flatMap(List::stream)
                .toList();
    }

    private String head() {
        return api.head().stream()
                .map(line -> "# " + CodeText.line(line) + "\n")
                .collect(Collectors.joining());
    }

    private static String imports() {
        return """
                from __future__ import annotations

                from dataclasses import dataclass
                from datetime import date, datetime, time
                from decimal import Decimal
                from typing import ClassVar, Literal, Mapping

                from client import Attachment, Calls, Link, Picture, Records, Shape, Single, Spot, Stored, TermOf, Terms
                """;
    }

    /** A text between three quotes on one line. */
    private static String documented(String about) {
        return "\"\"\"" + CodeText.line(about).replace("\\", "\\\\").replace("\"", "\\\"") + "\"\"\"";
    }

    private void type(String name, String about, List<ApiField> fields, boolean stored) {
        var own = new CodeNames(WORDS);
        var declared = new StringBuilder();
        var keys = new StringBuilder();
        for (var field : fields) {
            var member = own.take(field.key(), about + ": " + field.about());
            declared.append("    ").append(member).append(": ").append(annotation(name, field));
            declared.append(" | None = None\n    ")
                    .append(documented(field.about()))
                    .append("\n");
            var shape = shape(name, field);
            keys.append(FIELD.formatted(member, field.key(), field.many() ? "(\"list\", " + shape + ")" : shape));
        }
        fieldNotes.addAll(own.notes());
        text.append("\n\n@dataclass(frozen=True, kw_only=True)\nclass ").append(name);
        text.append(stored ? "(Stored):\n    " : ":\n    ")
                .append(documented(about))
                .append("\n\n");
        text.append(declared).append(declared.isEmpty() ? "" : "\n");
        text.append("    _keys: ClassVar[Mapping[str, tuple[str, Shape]]] = {");
        text.append(keys.isEmpty() ? "" : "\n").append(keys).append(keys.isEmpty() ? "}\n" : "    }\n");
    }

    private final Map<ApiField, String> nested = new java.util.IdentityHashMap<>();

    private String annotation(String owner, ApiField field) {
        var one =
                switch (field.value()) {
                    case ApiValue.TextValue _ -> "str";
                    case ApiValue.NumberValue(boolean whole) -> whole ? "int" : "Decimal";
                    case ApiValue.FlagValue _ -> "bool";
                    case ApiValue.MomentValue(ApiValue.MomentSort sort) ->
                        switch (sort) {
                            case DATE -> "date";
                            case TIME -> "time";
                            case DATE_TIME -> "datetime";
                        };
                    case ApiValue.OptionValue(List<String> keys) ->
                        keys.isEmpty() ? "str" : "Literal[" + quoted(keys) + "]";
                    case ApiValue.SpotValue _ -> "Spot";
                    case ApiValue.LinkValue(List<String> targets) -> link(targets);
                    case ApiValue.TermValue _ -> "TermOf";
                    case ApiValue.PictureValue _ -> "Picture";
                    case ApiValue.FileValue _ -> "Attachment";
                    case ApiValue.NestedValue(List<ApiField> fields) -> {
                        var name = types.take(owner + CodeNames.pascal(field.key()), field.about());
                        nested.put(field, name);
                        type(name, field.about(), fields, false);
                        yield name;
                    }
                };
        return field.many() ? "list[" + one + "]" : one;
    }

    private String link(List<String> targets) {
        return Stream.concat(
                        Stream.of("Link"),
                        targets.stream()
                                .flatMap(each -> api.type(each).stream())
                                .map(names::get))
                .collect(Collectors.joining(" | "));
    }

    private static String quoted(List<String> keys) {
        return keys.stream().map(key -> "\"" + key + "\"").collect(Collectors.joining(", "));
    }

    private String shape(String owner, ApiField field) {
        return switch (field.value()) {
            case ApiValue.TextValue _ -> "\"text\"";
            case ApiValue.NumberValue(boolean whole) -> whole ? "\"whole\"" : "\"number\"";
            case ApiValue.FlagValue _ -> "\"flag\"";
            case ApiValue.MomentValue(ApiValue.MomentSort sort) ->
                switch (sort) {
                    case DATE -> "\"date\"";
                    case TIME -> "\"time\"";
                    case DATE_TIME -> "\"date_time\"";
                };
            case ApiValue.OptionValue(List<String> keys) -> "(\"options\", [" + quoted(keys) + "])";
            case ApiValue.SpotValue _ -> "\"spot\"";
            // classes that come later are not there yet
            case ApiValue.LinkValue(List<String> targets) ->
                targets.stream()
                        .map(each -> "\"" + each + "\": "
                                + api.type(each).map(names::get).orElse("None"))
                        .collect(Collectors.joining(", ", "(\"record\", lambda: {", "})"));
            case ApiValue.TermValue _ -> "\"term\"";
            case ApiValue.PictureValue _ -> "\"picture\"";
            case ApiValue.FileValue _ -> "\"attachment\"";
            case ApiValue.NestedValue _ -> "(\"object\", lambda: " + nested.get(field) + ")";
        };
    }

    private String site() {
        var site = new StringBuilder("\n\nclass Site(Calls):\n    \"\"\"A site with these definitions.\"\"\"\n\n");
        site.append("    def __init__(self, address: str, token: str | None = None, timeout: float = 30) -> None:\n");
        site.append("        super().__init__(address, token, timeout)\n");
        for (var entity : api.entities()) {
            var sort =
                    switch (entity.sort()) {
                        case RECORDS -> "Records";
                        case TERMS -> "Terms";
                        case VALUES -> "Single";
                    };
            site.append("        self.")
                    .append(members.take(member(entity), entity.about()))
                    .append(" = ")
                    .append(sort);
            site.append("(self, \"")
                    .append(entity.segment())
                    .append("\", ")
                    .append(names.get(entity))
                    .append(")\n");
        }
        return site.toString();
    }

    private static String member(ApiEntity entity) {
        return switch (entity.sort()) {
            case RECORDS -> entity.segment().replace('-', '_');
            case TERMS -> entity.key() + "_terms";
            case VALUES -> entity.key() + "_values";
        };
    }
}
