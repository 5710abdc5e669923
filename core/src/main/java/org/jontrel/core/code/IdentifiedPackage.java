package org.jontrel.core.code;

import java.util.List;
import java.util.Map;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.identity.Identities;
import org.jontrel.core.model.Model;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.yaml.Comments;
import org.semver4j.Semver;

/**
 * A package that was read whole.
 *
 * @param model with an id for everything: those of an earlier model where it has the same things
 * @param migrations whose answers name things by these ids
 * @param findings notes and warnings of its files
 */
public record IdentifiedPackage(
        Manifest manifest, Model model, Comments comments, List<Migration> migrations, List<Finding> findings) {
    /**
     * @param read what has content
     * @param earlier whose ids the same things get
     * @param ids for what is new
     */
    public static IdentifiedPackage of(PackageReader.Result read, Model earlier, Ids ids) {
        var content = read.content().orElseThrow();
        var identities = new Identities(earlier, ids);
        var model = identities.complete(content.model(), read.was());
        Map<String, String> given = identities.given();
        return new IdentifiedPackage(
                content.manifest(),
                model,
                read.formatting().comments().renamed(given),
                DecisionReferences.toIds(content.migrations(), model),
                read.findings());
    }

    /** The answers for what leads a site here. @param installed the version that it has, empty for none */
    public List<Decision> decisionsAfter(String installed) {
        return migrations.stream()
                .filter(each -> installed.isEmpty() || new Semver(each.version()).isGreaterThan(installed))
                .flatMap(each -> each.decisions().stream())
                .toList();
    }
}
