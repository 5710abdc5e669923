package org.jontrel.server.content;

import com.fasterxml.jackson.core.type.TypeReference;
import io.swagger.v3.core.util.Json31;
import io.swagger.v3.oas.models.Components;
import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.Operation;
import io.swagger.v3.oas.models.PathItem;
import io.swagger.v3.oas.models.SpecVersion;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.Content;
import io.swagger.v3.oas.models.media.JsonSchema;
import io.swagger.v3.oas.models.media.MediaType;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.parameters.HeaderParameter;
import io.swagger.v3.oas.models.parameters.Parameter;
import io.swagger.v3.oas.models.parameters.PathParameter;
import io.swagger.v3.oas.models.parameters.QueryParameter;
import io.swagger.v3.oas.models.parameters.RequestBody;
import io.swagger.v3.oas.models.responses.ApiResponse;
import io.swagger.v3.oas.models.responses.ApiResponses;
import io.swagger.v3.oas.models.security.SecurityRequirement;
import io.swagger.v3.oas.models.security.SecurityScheme;
import io.swagger.v3.oas.models.servers.Server;
import io.swagger.v3.oas.models.tags.Tag;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.SequencedMap;
import java.util.stream.Stream;
import org.jontrel.core.generate.api.ApiEntity;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.sample.ApiShape;
import org.jontrel.site.record.read.Audience;
import org.jontrel.site.table.Binding;

/** A site's content API as OpenAPI 3.1, from its installed definitions; the same to the byte for the same definitions. */
final class ContentDescription {
    private static final String TOKEN = "token";
    private static final String SCHEMAS = "#/components/schemas/";
    private static final String WITH_TOKEN = "With a token only";
    private final OpenAPI description = new OpenAPI(SpecVersion.V31);

    /** Why a request is not carried out, under the name of its response among the components. */
    private enum ProblemResponse {
        UNAUTHORIZED("401", "There is no token, or none of this site"),
        FORBIDDEN("403", "The token may read only"),
        NOT_FOUND("404", "There is no such thing, or it may not be read"),
        CONFLICT("409", "Others stand under it; move or delete them first"),
        CHANGED("412", "It has changed since it was read"),
        INVALID("422", "A parameter or a value cannot be used; the body says which, and why"),
        NO_MATCH_GIVEN("428", "If-Match is missing"),
        TOO_MANY("429", "Too many requests; Retry-After says when to go on"),
        SWITCHING("503", "The site's definitions are being switched; try again in a moment");

        private final String status;
        private final String sentence;

        ProblemResponse(String status, String sentence) {
            this.status = status;
            this.sentence = sentence;
        }

        private String component() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    private ContentDescription(String site, String name, Binding installed) {
        description
                .openapi("3.1.0")
                .info(new Info()
                        .title(name)
                        .version(installed.version().isEmpty() ? "0" : installed.version())
                        .description("Records, terms and site values of " + name + "."))
                .addServersItem(new Server().url("/at/" + site + "/api"))
                .components(new Components()
                        .addSecuritySchemes(
                                TOKEN,
                                new SecurityScheme()
                                        .type(SecurityScheme.Type.HTTP)
                                        .scheme("bearer")
                                        .description("A token of this site; with one, drafts are read too")));
        var components = description.getComponents();
        components.addSchemas("problem", problem());
        for (var problem : ProblemResponse.values()) {
            components.addResponses(
                    problem.component(),
                    new ApiResponse()
                            .description(problem.sentence)
                            .content(new Content()
                                    .addMediaType(
                                            "application/problem+json", new MediaType().schema(reference("problem")))));
        }
        installed.tables().values().stream()
                .map(table -> table.recordType())
                .filter(Audience.TOKEN::reads)
                .forEach(this::add);
        addMedia();
    }

    /** The description as JSON has it. */
    static SequencedMap<String, Object> of(String site, String name, Binding installed) {
        var description = new ContentDescription(site, name, installed).description;
        return Json31.mapper().convertValue(description, new TypeReference<LinkedHashMap<String, Object>>() {});
    }

    private void add(RecordType recordType) {
        var component = recordType.definition().sort().name().toLowerCase(Locale.ROOT) + "_" + recordType.key();
        description.getComponents().addSchemas(component, read(recordType));
        description.getComponents().addSchemas(component + "_change", write(component));
        description.addTagsItem(new Tag().name(component).description(recordType.plural()));
        var segment = "/" + ApiEntity.segment(recordType);
        switch (recordType.definition().sort()) {
            case VALUES -> addValues(segment, recordType, component);
            case TYPE, TAXONOMY, GROUP, LIST, LAYOUT, LISTING, PART -> addRecords(segment, recordType, component);
        }
    }

    private void addValues(String segment, RecordType recordType, String component) {
        var read = operation("read_" + component, "The values of " + recordType.singular(), component);
        answers(read, "200", reference(component));
        refuses(read, ProblemResponse.NOT_FOUND, ProblemResponse.TOO_MANY);
        var change = writing("change_" + component, "Change values of " + recordType.singular(), component);
        change.addParametersItem(match());
        answers(change, "200", reference(component));
        refuses(
                change,
                ProblemResponse.NOT_FOUND,
                ProblemResponse.CHANGED,
                ProblemResponse.INVALID,
                ProblemResponse.NO_MATCH_GIVEN);
        description.path(segment, new PathItem().get(read).patch(change));
    }

    private void addRecords(String segment, RecordType recordType, String component) {
        var list = operation("list_" + component, recordType.plural(), component);
        list.addParametersItem(asked("filter", "A condition as in definitions, as JSON, with keys of fields"));
        list.addParametersItem(asked("search", "Words that must all be in the record"));
        list.addParametersItem(asked("sort", "Keys of fields with commas between; a minus turns one around"));
        list.addParametersItem(asked("fields", "Keys of the fields wanted, with commas between"));
        list.addParametersItem(asked("include", "Keys of relations whose records are given whole"));
        list.addParametersItem(asked("limit", "Records of a page, up to 100"));
        list.addParametersItem(asked("after", "Where the next page begins"));
        answers(list, "200", page(component));
        refuses(list, ProblemResponse.NOT_FOUND, ProblemResponse.INVALID, ProblemResponse.TOO_MANY);
        var create = writing("create_" + component, "Make a " + recordType.singular(), component);
        answers(create, "201", reference(component));
        refuses(create, ProblemResponse.NOT_FOUND, ProblemResponse.INVALID);
        description.path(segment, new PathItem().get(list).post(create));
        description.path(segment + "/{id}", one(recordType, component));
    }

    private PathItem one(RecordType recordType, String component) {
        var read = operation("read_" + component, "One " + recordType.singular(), component);
        read.addParametersItem(asked("fields", "Keys of the fields wanted"));
        read.addParametersItem(asked("include", "Keys of relations whose records are given whole"));
        answers(read, "200", reference(component));
        refuses(read, ProblemResponse.NOT_FOUND, ProblemResponse.INVALID, ProblemResponse.TOO_MANY);
        var one = new PathItem()
                .addParametersItem(inPath("Number or slug"))
                .get(read)
                .patch(changing("change_", "Change some values of a " + recordType.singular(), component));
        if (recordType.definition().sort() == Definition.Sort.TYPE) {
            one.put(changing("replace_", "Replace all values of a " + recordType.singular(), component));
        }
        var delete = securedByToken(operation("delete_" + component, "Delete a " + recordType.singular(), component));
        delete.addParametersItem(match());
        delete.getResponses().addApiResponse("204", new ApiResponse().description("It is deleted"));
        refuses(
                delete,
                ProblemResponse.NOT_FOUND,
                ProblemResponse.CONFLICT,
                ProblemResponse.CHANGED,
                ProblemResponse.NO_MATCH_GIVEN);
        return one.delete(delete);
    }

    private Operation changing(String verb, String summary, String component) {
        var change = writing(verb + component, summary, component);
        change.addParametersItem(match());
        answers(change, "200", reference(component));
        refuses(
                change,
                ProblemResponse.NOT_FOUND,
                ProblemResponse.CHANGED,
                ProblemResponse.INVALID,
                ProblemResponse.NO_MATCH_GIVEN);
        return change;
    }

    private void addMedia() {
        var media = object();
        for (var key : List.of("id", "bytes", "width", "height")) {
            media.addProperty(key, typed("integer"));
        }
        for (var key : List.of("url", "name", "format", "alt")) {
            media.addProperty(key, typed("string"));
        }
        media.addProperty("focus", typed("array").items(typed("integer")).description("Percent, x and y"));
        media.addProperty(
                "sizes",
                object().additionalProperties(typed("string"))
                        .description("Addresses of smaller pictures by their width in pixels"));
        media.setRequired(List.of("id", "url", "name"));
        description.getComponents().addSchemas("media", media);
        description.addTagsItem(new Tag().name("media").description("Pictures and files"));
        var list = securedByToken(operation("list_media", "All pictures and files", "media"));
        list.addParametersItem(asked("search", "Part of a name or alternative text"));
        list.addParametersItem(asked("after", "Where the next page begins"));
        answers(
                list,
                "200",
                object().addProperty("items", typed("array").items(reference("media")))
                        .addProperty("next", typed("string")));
        var read = operation("read_media", "One picture or file", "media");
        answers(read, "200", reference("media"));
        refuses(read, ProblemResponse.NOT_FOUND, ProblemResponse.TOO_MANY);
        description.path("/media", new PathItem().get(list));
        description.path(
                "/media/{id}",
                new PathItem().addParametersItem(inPath("Number")).get(read));
    }

    // --- schemas
    // ------------------------------------------------------------------------------------------------------

    private static Schema<?> read(RecordType recordType) {
        var given = ApiShape.schema(recordType.singular(), recordType.first(), recordType.groups());
        given.remove("$schema");
        Schema<?> fields = Json31.mapper().convertValue(given, JsonSchema.class);
        var schema = object();
        schema.setTitle(recordType.singular());
        schema.addProperty("id", typed("integer"));
        schema.addProperty("slug", typed("string"));
        schema.addProperty("url", typed("string"));
        schema.addProperty("parent", typed("integer"));
        schema.addProperty("state", typed("string").description(WITH_TOKEN));
        schema.addProperty("publish_at", moment());
        schema.addProperty("retire_at", moment().description(WITH_TOKEN));
        schema.addProperty("updated_at", moment());
        fields.getProperties().forEach(schema::addProperty);
        schema.setRequired(List.of("id", "slug"));
        return schema;
    }

    /** What a writer sends: values as they are read, and where the record stands. */
    private static Schema<?> write(String component) {
        var schema = object();
        schema.addProperty(
                "values",
                object().description("By field key, in the shape in which they are read (" + component
                        + "); null empties one"));
        var state = typed("string");
        state.setEnum(
                Stream.of(RecordState.values()).<Object>map(RecordState::code).toList());
        schema.addProperty("state", state);
        schema.addProperty("publish_at", typed("string", "null").format("date-time"));
        schema.addProperty("retire_at", typed("string", "null").format("date-time"));
        schema.addProperty("slug", typed("string"));
        schema.addProperty("parent", typed("integer", "object", "null"));
        schema.addProperty("position", typed("integer"));
        return schema;
    }

    private static Schema<?> page(String component) {
        var page = object();
        page.addProperty("items", typed("array").items(reference(component)));
        page.addProperty("next", typed("string"));
        page.addProperty("total", typed("integer"));
        page.addProperty("total_exact", typed("boolean"));
        page.setRequired(List.of("items", "total", "total_exact"));
        return page;
    }

    private static Schema<?> problem() {
        var problem = object();
        problem.setDescription("What is wrong, as problem details (RFC 9457)");
        problem.addProperty("title", typed("string"));
        problem.addProperty("status", typed("integer"));
        problem.addProperty("detail", typed("string"));
        problem.addProperty("findings", typed("array").items(object()));
        problem.addProperty("problems", typed("array").items(object()).description("Which values need attention"));
        problem.setRequired(List.of("title", "status"));
        return problem;
    }

    private static JsonSchema object() {
        return typed("object");
    }

    private static Schema<?> moment() {
        return typed("string").format("date-time");
    }

    private static JsonSchema typed(String... types) {
        var schema = new JsonSchema();
        schema.setTypes(new LinkedHashSet<>(Arrays.asList(types)));
        return schema;
    }

    private static Schema<?> reference(String component) {
        return new JsonSchema().$ref(SCHEMAS + component);
    }

    // --- operations
    // ---------------------------------------------------------------------------------------------------

    /** Everybody may ask; who has a token is given more. */
    private static Operation operation(String id, String summary, String tag) {
        return new Operation()
                .operationId(id)
                .summary(summary)
                .description(summary)
                .addTagsItem(tag)
                .addSecurityItem(new SecurityRequirement())
                .addSecurityItem(new SecurityRequirement().addList(TOKEN))
                .responses(new ApiResponses());
    }

    private static Operation securedByToken(Operation operation) {
        operation.setSecurity(List.of(new SecurityRequirement().addList(TOKEN)));
        refuses(
                operation,
                ProblemResponse.UNAUTHORIZED,
                ProblemResponse.FORBIDDEN,
                ProblemResponse.TOO_MANY,
                ProblemResponse.SWITCHING);
        return operation;
    }

    private static Operation writing(String id, String summary, String component) {
        return securedByToken(operation(id, summary, component))
                .requestBody(new RequestBody().required(true).content(json(reference(component + "_change"))));
    }

    private static void answers(Operation operation, String status, Schema<?> schema) {
        operation
                .getResponses()
                .addApiResponse(
                        status,
                        new ApiResponse().description(operation.getSummary()).content(json(schema)));
    }

    private static void refuses(Operation operation, ProblemResponse... problems) {
        for (var problem : problems) {
            operation
                    .getResponses()
                    .addApiResponse(
                            problem.status, new ApiResponse().$ref("#/components/responses/" + problem.component()));
        }
    }

    private static Content json(Schema<?> schema) {
        return new Content().addMediaType("application/json", new MediaType().schema(schema));
    }

    private static Parameter match() {
        return new HeaderParameter()
                .name("If-Match")
                .required(true)
                .description("The ETag of a GET without parameters")
                .schema(typed("string"));
    }

    private static Parameter inPath(String about) {
        return new PathParameter().name("id").description(about).schema(typed("string"));
    }

    private static Parameter asked(String name, String about) {
        return new QueryParameter().name(name).description(about).schema(typed("string"));
    }
}
