package org.jontrel.demo;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;

/** The Trust's definitions, as files in this program. */
final class DemoPackages {
    private static final List<String> FILES =
            List.of("package.yaml", "types/structure.yaml", "types/mooring.yaml", "types/stoppage_notice.yaml");

    /** What only the draft has: sites cannot hold all of it yet. */
    private static final List<String> OF_DRAFT = List.of(
            "groups/visitor_facts.yaml",
            "layouts/lock_page.yaml",
            "listings/closed_now.yaml",
            "lists/counties.yaml",
            "lists/seasons.yaml",
            "taxonomies/feature.yaml",
            "taxonomies/severity_of_notice.yaml",
            "taxonomies/skill.yaml",
            "taxonomies/waterway.yaml",
            "types/heritage_boat.yaml",
            "types/person.yaml",
            "types/towpath_walk.yaml",
            "types/work_party.yaml",
            "values/opening.yaml",
            "values/site_notice.yaml");

    /** What makes the pages of the public site: beside all that the draft has. */
    private static final List<String> OF_PAGES = List.of(
            "layouts/boat_page.yaml",
            "layouts/home.yaml",
            "layouts/mooring_page.yaml",
            "layouts/notice_page.yaml",
            "layouts/structure_page.yaml",
            "layouts/walk_page.yaml",
            "listings/next_parties.yaml",
            "listings/notices_now.yaml",
            "listings/visitor_moorings.yaml",
            "listings/walks_here.yaml",
            "listings/walks_of_the_trust.yaml",
            "looks/towpath.yaml",
            "parts/front_desk.yaml");

    /** What takes values of the whole model to better places. */
    private static final List<String> OF_MOVES = List.of(
            "taxonomies/gate_state.yaml", "types/inspection.yaml", "types/mooring.yaml", "types/structure.yaml");

    private DemoPackages() {}

    /**
     * @param folder {@code release-1.0.0}, {@code release-2.0.0}, {@code draft}, {@code pages} for the draft with pages, or
     *     {@code moves} for that with values in better places
     */
    static SortedMap<String, byte[]> files(String folder) {
        var files = new TreeMap<String, byte[]>();
        if (folder.equals("moves")) {
            files.putAll(files("pages"));
            read(folder, OF_MOVES, files);
            return files;
        }
        if (folder.equals("pages")) {
            files.putAll(files("draft"));
            read(folder, OF_PAGES, files);
            read(folder, List.of("package.yaml"), files);
            return files;
        }
        read(folder, FILES, files);
        if (folder.equals("draft")) {
            read(folder, OF_DRAFT, files);
        }
        return files;
    }

    private static void read(String folder, List<String> names, SortedMap<String, byte[]> files) {
        for (var name : names) {
            try (var in = DemoPackages.class.getResourceAsStream(folder + "/" + name)) {
                files.put(name, in.readAllBytes());
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
    }

    /** What the Trust works on now: boats say when they were last surveyed. */
    static Model next() {
        var model = model("moves");
        var boat = model.typeByKey("heritage_boat").orElseThrow();
        var surveyed = new Field(
                "fs7urv3y9", "surveyed", "Last surveyed", "Hull and engine.", false, new Kind.Date(null, null));
        var sections = boat.sections().stream()
                .map(section -> section instanceof Group group
                                && group.equals(boat.groups().getFirst())
                        ? group.withFields(Stream.concat(group.fields().stream(), Stream.of(surveyed))
                                .toList())
                        : section)
                .toList();
        return model.with(boat.withSections(sections));
    }

    static Model model(String folder) {
        var read = PackageReader.read(files(folder), List.of());
        return read.content()
                .orElseThrow(() -> new IllegalStateException(
                        read.findings().stream().map(Finding::sentence).toList().toString()))
                .model();
    }
}
