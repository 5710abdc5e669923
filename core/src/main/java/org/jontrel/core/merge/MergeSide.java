package org.jontrel.core.merge;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jontrel.core.code.FileNames;
import org.jontrel.core.code.Formatting;
import org.jontrel.core.code.ModelPackage;
import org.jontrel.core.code.PackageFileWriter;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.format.Things;
import org.jontrel.core.identity.Alignment;
import org.jontrel.core.identity.KeyReferences;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Model;

/** One side of a merge of packages, under the ids of all. */
final class MergeSide {
    private final PackageReader.Result read;
    private final Model model;
    private final Map<String, String> given;
    private final Set<String> lacking;
    private final Formatting formatting;
    private final Map<String, String> was = new HashMap<>();

    /** @param number of the side in the alignment */
    MergeSide(PackageReader.Result read, Alignment alignment, int number) {
        this.read = read;
        this.model = alignment.sides().get(number);
        this.given = alignment.given().get(number);
        this.lacking = new HashSet<>(given.values());
        lacking.removeAll(alignment.madeUp());
        this.formatting = read.formatting().renamed(given);
        read.was().forEach((id, key) -> was.put(given.getOrDefault(id, id), key));
    }

    Formatting formatting() {
        return formatting;
    }

    /** Keys that things had before, by their ids. */
    Map<String, String> was() {
        return was;
    }

    /**
     * The files of this side that say just what the merged package says, comments and all, by the names they have there.
     *
     * @param inKeys the merged model with keys for references
     * @param names tells what they are called
     */
    Map<String, byte[]> untouched(
            ModelPackage merged, Model inKeys, Formatting mergedFormatting, PackageFileWriter names) {
        var files = new HashMap<String, byte[]>();
        var own = new HashMap<String, Definition>();
        new KeyReferences(model).toKeys().definitions().forEach(each -> own.put(each.id(), each));
        for (var definition : inKeys.definitions()) {
            if (!definition.equals(own.get(definition.id()))) {
                continue;
            }
            var things = new HashSet<String>(Set.of(definition.id()));
            Things.within(definition, thing -> things.add(Things.shape(thing).id(thing)));
            if (sameComments(things, mergedFormatting) && lacksNoId(things)) {
                put(definition.id(), names.name(definition), files);
            }
        }
        var content = read.content().orElseThrow();
        for (var migration : merged.migrations()) {
            var name = FileNames.ofMigration(migration.version());
            if (content.migrations().contains(migration) && sameComments(Set.of(name), mergedFormatting)) {
                put(migration.version(), names.name(migration), files);
            }
        }
        if (content.manifest().equals(merged.manifest())
                && sameComments(Set.of(FileNames.MANIFEST), mergedFormatting)
                && read.files().containsKey(FileNames.MANIFEST)) {
            files.put(FileNames.MANIFEST, read.files().get(FileNames.MANIFEST));
        }
        return files;
    }

    private void put(String thing, String name, Map<String, byte[]> files) {
        var file = formatting.names().get(thing);
        if (file != null && file.endsWith(".json") == name.endsWith(".json")) {
            files.put(name, read.files().get(file));
        }
    }

    private boolean sameComments(Set<String> things, Formatting other) {
        var sorted = List.copyOf(things);
        return formatting.comments().of(sorted).equals(other.comments().of(sorted));
    }

    /** Whether this side's file has every id that the merged one has. */
    private boolean lacksNoId(Set<String> things) {
        return lacking.isEmpty() || things.stream().noneMatch(lacking::contains);
    }
}
