package org.jontrel.core.generate.api;

import java.util.List;
import java.util.Optional;
import org.jontrel.core.code.Manifest;
import org.jontrel.core.code.ModelPackage;
import org.jontrel.core.recordtype.RecordType;

/**
 * @param manifest of the release
 * @param entities what it gives: records, then terms, then site values, by key
 */
public record ContentApi(Manifest manifest, List<ApiEntity> entities) {
    public ContentApi {
        entities = List.copyOf(entities);
    }

    public static ContentApi of(ModelPackage content) {
        var model = content.model();
        return new ContentApi(
                content.manifest(),
                RecordType.all(model).stream()
                        .filter(ApiEntity::isGiven)
                        .map(recordType -> ApiEntity.of(model, recordType))
                        .toList());
    }

    /** The content type with a key; empty where the API does not give it. */
    public Optional<ApiEntity> type(String key) {
        return entities.stream()
                .filter(each -> each.sort() == ApiEntity.EntitySort.RECORDS
                        && each.key().equals(key))
                .findFirst();
    }

    /** What stands at the head of each file, without signs of a comment. */
    public List<String> head() {
        var release = manifest.name() + (manifest.version().isEmpty() ? "" : " " + manifest.version());
        var licence = manifest.licence().isEmpty() ? "" : " Licence: " + manifest.licence() + ".";
        return List.of(
                "Made by Jontrel from the definitions of " + release + "." + licence,
                "Changes are lost when it is made again.");
    }
}
