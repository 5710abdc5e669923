package org.jontrel.core.merge;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import org.jontrel.core.code.Manifest;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.core.code.Requirement;
import org.jontrel.core.compare.SettingTexts;
import org.jontrel.core.model.Model;

/** What packages say of themselves, brought together. A merged package has no checksum: nothing of it was released. */
final class ManifestMerge {
    private final Chooser chooser;

    ManifestMerge(List<Clash> clashes) {
        var plain = new SettingTexts(Model.EMPTY);
        this.chooser = new Chooser("", "", "Package", new Chooser.SideTexts(plain, plain, plain), clashes);
    }

    Manifest merge(Manifest base, Manifest ours, Manifest theirs) {
        var authors = authors(base.authors(), ours.authors(), theirs.authors());
        var requires = requires(base.requires(), ours.requires(), theirs.requires());
        return new Properties(chooser)
                .merged(
                        PackageWriter.manifestShape(),
                        alike(base, authors, requires),
                        alike(ours, authors, requires),
                        alike(theirs, authors, requires));
    }

    /** Without what is merged on its own, or not at all. */
    private static Manifest alike(Manifest manifest, List<String> authors, List<Requirement> requires) {
        return manifest.with(authors, requires).withChecksum("");
    }

    private static List<String> authors(List<String> base, List<String> ours, List<String> theirs) {
        var all = new LinkedHashSet<>(ours);
        all.addAll(theirs);
        all.removeIf(author -> base.contains(author) && !(ours.contains(author) && theirs.contains(author)));
        return List.copyOf(all);
    }

    private List<Requirement> requires(List<Requirement> base, List<Requirement> ours, List<Requirement> theirs) {
        var was = byName(base);
        var mine = byName(ours);
        var other = byName(theirs);
        var names = new LinkedHashSet<>(mine.keySet());
        names.addAll(other.keySet());
        var merged = new ArrayList<Requirement>();
        for (var name : names) {
            var version = chooser.choose("requires " + name, was.get(name), mine.get(name), other.get(name));
            if (version != null) {
                var prefix = chooser.choose(
                        "prefix of " + name, prefix(base, name), prefix(ours, name), prefix(theirs, name));
                merged.add(new Requirement(name, version, prefix == null ? "" : prefix));
            }
        }
        return merged;
    }

    private static String prefix(List<Requirement> requires, String name) {
        return requires.stream()
                .filter(each -> each.name().equals(name))
                .findFirst()
                .map(Requirement::prefix)
                .orElse(null);
    }

    private static Map<String, String> byName(List<Requirement> requires) {
        var byName = new LinkedHashMap<String, String>();
        requires.forEach(each -> byName.put(each.name(), each.version()));
        return byName;
    }
}
