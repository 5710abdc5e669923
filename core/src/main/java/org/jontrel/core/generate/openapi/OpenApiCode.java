package org.jontrel.core.generate.openapi;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.SequencedMap;
import org.jontrel.core.code.ModelPackage;
import org.jontrel.core.generate.api.ApiEntity;
import org.jontrel.core.generate.api.ContentApi;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.SiteValues;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.yaml.JsonWriter;

/** The content API as OpenAPI 3.1, from the definitions; the same for the same definitions. */
public final class OpenApiCode {
    private static final String WANTED = "Keys of relations whose records are given whole";
    private final List<Object> tags = new ArrayList<>();
    private final Map<String, Object> paths = new LinkedHashMap<>();
    private final Map<String, Object> schemas = new LinkedHashMap<>();
    private final String title;
    private final String version;
    private final String server;

    /**
     * @param title what people call the site, or the model where there is no site
     * @param version of the release; empty for none
     * @param server address of the API
     */
    public OpenApiCode(String title, String version, String server) {
        this.title = title;
        this.version = version;
        this.server = server;
    }

    /** As a file, for a model that is on no site. */
    public static SequencedMap<String, String> files(ModelPackage content) {
        var manifest = content.manifest();
        var title = manifest.title().isEmpty() ? manifest.name() : manifest.title();
        var tree = new OpenApiCode(title, manifest.version(), "/api").tree(RecordType.all(content.model()));
        tree.put("x-made", String.join(" ", ContentApi.of(content).head()));
        var files = new LinkedHashMap<String, String>();
        files.put("openapi.json", JsonWriter.write(tree) + "\n");
        return files;
    }

    /** The description as JSON has it. */
    public SequencedMap<String, Object> tree(List<RecordType> recordTypes) {
        schemas.put("problem", ApiSchemas.problem());
        recordTypes.stream().filter(ApiEntity::isGiven).forEach(this::add);
        addMedia();
        var tree = new LinkedHashMap<String, Object>();
        tree.put("openapi", "3.1.0");
        var info = new LinkedHashMap<String, Object>();
        info.put("title", title);
        info.put("description", "Records, terms and site values of " + title + ".");
        info.put("version", version.isEmpty() ? "0" : version);
        tree.put("info", info);
        tree.put("servers", List.of(Map.of("url", server)));
        tree.put("tags", tags);
        tree.put("paths", paths);
        tree.put("components", components());
        return tree;
    }

    private Map<String, Object> components() {
        var responses = new LinkedHashMap<String, Object>();
        var asked = paths.toString();
        for (var problem : ApiProblem.values()) {
            if (asked.contains(problem.reference())) {
                responses.put(problem.component(), problem.response());
            }
        }
        var token = new LinkedHashMap<String, Object>();
        token.put("type", "http");
        token.put("description", "A token of this site; with one, drafts are read too");
        token.put("scheme", "bearer");
        var components = new LinkedHashMap<String, Object>();
        components.put("schemas", schemas);
        components.put("responses", responses);
        components.put("securitySchemes", Map.of(ApiOperation.TOKEN, token));
        return components;
    }

    private void tag(String name, String about) {
        var tag = new LinkedHashMap<String, Object>();
        tag.put("name", name);
        tag.put("description", about);
        tags.add(tag);
    }

    private void add(RecordType recordType) {
        var component = recordType.definition().sort().name().toLowerCase(Locale.ROOT) + "_" + recordType.key();
        schemas.put(component, ApiSchemas.read(recordType));
        schemas.put(component + "_change", ApiSchemas.write(component));
        tag(component, recordType.plural());
        var segment = "/" + ApiEntity.segment(recordType);
        if (recordType.definition() instanceof SiteValues) {
            addValues(segment, recordType, component);
        } else {
            addRecords(segment, recordType, component);
        }
    }

    private void addValues(String segment, RecordType recordType, String component) {
        var read = new ApiOperation("read_" + component, "The values of " + recordType.singular(), component)
                .answering("200", ApiOperation.reference(component))
                .refusing(ApiProblem.NOT_FOUND, ApiProblem.TOO_MANY);
        var change = changing("change_" + component, "Change values of " + recordType.singular(), component);
        paths.put(segment, item("get", read, "patch", change));
    }

    private void addRecords(String segment, RecordType recordType, String component) {
        var list = new ApiOperation("list_" + component, recordType.plural(), component)
                .asked("filter", "A condition as in definitions, as JSON, with keys of fields")
                .asked("search", "Words that must all be in the record")
                .asked("sort", "Keys of fields with commas between; a minus turns one around")
                .asked("fields", "Keys of the fields wanted, with commas between")
                .asked("include", WANTED)
                .asked("limit", "Records of a page, up to 100")
                .asked("after", "Where the next page begins")
                .answering("200", ApiSchemas.page(component))
                .refusing(ApiProblem.NOT_FOUND, ApiProblem.INVALID, ApiProblem.TOO_MANY);
        var create = writing("create_" + component, "Make a " + recordType.singular(), component)
                .answering("201", ApiOperation.reference(component))
                .refusing(ApiProblem.NOT_FOUND, ApiProblem.INVALID);
        paths.put(segment, item("get", list, "post", create));
        paths.put(segment + "/{id}", one(recordType, component));
    }

    private static Map<String, Object> one(RecordType recordType, String component) {
        var name = recordType.singular();
        var read = new ApiOperation("read_" + component, "One " + name, component)
                .asked("fields", "Keys of the fields wanted")
                .asked("include", WANTED)
                .answering("200", ApiOperation.reference(component))
                .refusing(ApiProblem.NOT_FOUND, ApiProblem.INVALID, ApiProblem.TOO_MANY);
        var delete = new ApiOperation("delete_" + component, "Delete a " + name, component)
                .secured()
                .matching()
                .done("It is deleted")
                .refusing(ApiProblem.NOT_FOUND, ApiProblem.CONFLICT, ApiProblem.CHANGED, ApiProblem.NO_MATCH_GIVEN);
        var item = new LinkedHashMap<String, Object>();
        item.put("get", read.tree());
        if (recordType.definition().sort() == Definition.Sort.TYPE) {
            item.put(
                    "put",
                    changing("replace_" + component, "Replace all values of a " + name, component)
                            .tree());
        }
        item.put("delete", delete.tree());
        item.put(
                "patch",
                changing("change_" + component, "Change some values of a " + name, component)
                        .tree());
        item.put("parameters", List.of(ApiOperation.parameter("id", "path", "Number or slug", true)));
        return item;
    }

    private static ApiOperation writing(String id, String summary, String component) {
        return new ApiOperation(id, summary, component).secured().sending(component + "_change");
    }

    private static ApiOperation changing(String id, String summary, String component) {
        return writing(id, summary, component)
                .matching()
                .answering("200", ApiOperation.reference(component))
                .refusing(ApiProblem.NOT_FOUND, ApiProblem.CHANGED, ApiProblem.INVALID, ApiProblem.NO_MATCH_GIVEN);
    }

    private static Map<String, Object> item(String verb, ApiOperation operation, String other, ApiOperation second) {
        var item = new LinkedHashMap<String, Object>();
        item.put(verb, operation.tree());
        item.put(other, second.tree());
        return item;
    }

    private void addMedia() {
        schemas.put("media", ApiSchemas.media());
        tag("media", "Pictures and files");
        var list = new ApiOperation("list_media", "All pictures and files", "media")
                .secured()
                .asked("search", "Part of a name or alternative text")
                .asked("after", "Where the next page begins")
                .answering("200", ApiSchemas.mediaPage());
        var read = new ApiOperation("read_media", "One picture or file", "media")
                .answering("200", ApiOperation.reference("media"))
                .refusing(ApiProblem.NOT_FOUND, ApiProblem.TOO_MANY);
        paths.put("/media", Map.of("get", list.tree()));
        var one = new LinkedHashMap<String, Object>();
        one.put("get", read.tree());
        one.put("parameters", List.of(ApiOperation.parameter("id", "path", "Number", true)));
        paths.put("/media/{id}", one);
    }
}
