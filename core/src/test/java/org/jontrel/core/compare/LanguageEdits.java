package org.jontrel.core.compare;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jontrel.core.Examples;
import org.jontrel.core.format.Things;
import org.jontrel.core.model.Model;
import org.testng.annotations.DataProvider;

/** Edits of the example's files, and what is said of them. */
abstract class LanguageEdits {
    static final Model BEFORE = Examples.seedBank();
    static final String ACCESSION = "types/accession.yaml";

    static Map<String, String> edit(String... filesAndTexts) {
        var files = new HashMap<String, String>();
        for (int i = 0; i < filesAndTexts.length; i += 3) {
            files.put(filesAndTexts[i], Examples.edited(filesAndTexts[i], filesAndTexts[i + 1], filesAndTexts[i + 2]));
        }
        return files;
    }

    @DataProvider
    public Object[][] edits() {
        return new Object[][] {
            {
                edit(ACCESSION, "- {use: trait, add_terms: true}\n", ""),
                List.of("Accession: taxonomy in use Trait removed"),
                Advice.MAJOR
            },
            {
                edit(ACCESSION, "{use: origin, required: true, max: 1}", "{use: origin, required: true, max: 3}"),
                List.of("Accession: taxonomy in use Origin: max changed from “1” to “3”"),
                Advice.MINOR
            },
            {
                edit(ACCESSION, "index: {order: received, descending: true, page_size: 50}", "index: {page_size: 50}"),
                List.of(
                        "Content type Accession: index order changed from “Received on” to “Title”",
                        "Content type Accession: index descending switched off"),
                Advice.PATCH
            },
            {
                edit(ACCESSION, "many: true, max_count: 6, ordered: true", "ordered: false"),
                List.of(
                        "Accession: field Collectors: many switched off",
                        "Accession: field Collectors: max count removed (was “6”)",
                        "Accession: field Collectors: ordered switched off"),
                Advice.MAJOR
            },
            {
                edit(ACCESSION, "width: half, to: [vault]", "width: half, to: [person, vault]"),
                List.of("Accession: field Vault of Storage: to changed from “Vault” to “Person, Vault”"),
                Advice.MINOR
            },
            {
                edit(
                        ACCESSION,
                        "label: Habitat, kind: term, taxonomy: habitat",
                        "label: Habitat, kind: term, taxonomy: trait"),
                List.of("Accession: field Habitat: taxonomy changed from “Habitat” to “Trait”"),
                Advice.MAJOR
            },
            {
                edit(ACCESSION, "show_when: {field: wild, is: false}, prefix", "prefix"),
                List.of(
                        "Accession: field Donor garden: show when removed (was “Collected from the wild is from cultivation”)"),
                Advice.MINOR
            },
            {
                edit("taxonomies/origin.yaml", "parents_in_address: true\n", ""),
                List.of("Taxonomy Origin: parents in address switched off"),
                Advice.MINOR
            },
            {
                edit("taxonomies/origin.yaml", "tint: '#7f6b4c'", "tint: '#000000'"),
                List.of("Origin: term The Saltings: values Colour on the map changed from “#7f6b4c” to “#000000”"),
                Advice.MINOR
            },
            {
                edit(
                        "taxonomies/origin.yaml",
                        ", {key: cawder_edge, label: Cawder Edge}]",
                        "]\n  - {key: cawder_edge, label: Cawder Edge}"),
                List.of("Origin: term Cawder Edge moved from North Fells to Origin"),
                Advice.MAJOR
            },
            {
                edit("lists/causes.yaml", "{key: dead, label: Dead}", "{key: dead, label: Dead, retired: true}"),
                List.of("Causes of failure: option Dead: retired switched on"),
                Advice.MINOR
            },
            {
                edit("types/vault.yaml", "under: [vault]", "under: [vault], parents_in_address: true"),
                List.of(),
                Advice.PATCH
            },
            {
                edit(
                        "types/vault.yaml",
                        "nested: {under: [vault]}\n",
                        "",
                        "layouts/accession_page.yaml",
                        "Seed is given to growers on request.}",
                        "Seeds are given to growers on request.}"),
                List.of(
                        "Content type Vault: nested under removed (was “Vault”)",
                        "Page of an accession: text block text: text changed from “Seed is given to growers on request.” to “Seeds are given to growers on request.”"),
                Advice.MAJOR
            },
            {
                edit("listings/latest.yaml", "limit: 20", "limit: 30"),
                List.of("Listing Latest accessions: limit changed from “20” to “30”"),
                Advice.PATCH
            },
            {
                edit("values/opening.yaml", "max_length: 140", "max_length: 100"),
                List.of("Opening and contact: field Notice on every page: max length changed from “140” to “100”"),
                Advice.MAJOR
            },
        };
    }

    static Set<String> ids(Model model) {
        var ids = new java.util.HashSet<String>();
        for (var definition : model.definitions()) {
            ids.add(definition.id());
            Things.within(definition, thing -> ids.add(Things.shape(thing).id(thing)));
        }
        return ids;
    }
}
