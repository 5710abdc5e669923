package org.jontrel.core.compare;

import java.util.List;
import org.jontrel.core.code.Manifest;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.core.format.Difference;
import org.jontrel.core.model.Model;

/** What two packages say differently of themselves, in sentences; the checksum says nothing of its own. */
public final class ManifestChanges {
    private ManifestChanges() {}

    public static List<String> between(Manifest before, Manifest after) {
        var shown = new SettingTexts(Model.EMPTY);
        return Difference.between(PackageWriter.manifestShape(), before.withChecksum(""), after.withChecksum(""))
                .stream()
                .map(difference -> {
                    var name = shown.name(difference.name());
                    var was = shown.before(difference);
                    var is = shown.after(difference);
                    return "Package: " + Sentences.setting(name, was, is);
                })
                .toList();
    }
}
