package org.jontrel.core.check;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.naming.Keys;

/** Inverses are named at the other end: their keys meet neither fields of the types there nor one another. */
record InverseCheck(ModelIndex known, List<Finding> findings) {
    void run(Model model) {
        var taken = new HashMap<String, Map<String, String>>();
        for (var type : model.types()) {
            var keys = new HashMap<String, String>();
            known.fields(type).forEach(field -> keys.putIfAbsent(field.key(), field.label()));
            taken.put(type.id(), keys);
        }
        for (var type : model.types()) {
            for (var field : known.fields(type)) {
                if (field.kind() instanceof Kind.Relation relation && relation.inverse() != null) {
                    claim(type, field, relation, taken);
                }
            }
        }
    }

    private void claim(ContentType type, Field field, Kind.Relation relation, Map<String, Map<String, String>> taken) {
        var inverse = relation.inverse();
        for (var target : relation.to()) {
            var keys = taken.get(target);
            if (keys == null) {
                continue;
            }
            var other = keys.putIfAbsent(inverse.key(), inverse.label());
            if (other != null) {
                var at = known.find(ContentType.class, target)
                        .map(ContentType::singular)
                        .orElse(target);
                new DefinitionFindings(findings, type.id(), inverse.id())
                        .addFixed(
                                "key",
                                Keys.free(inverse.key(), keys.keySet()),
                                Code.INVERSE_KEY_TAKEN,
                                inverse.key(),
                                field.label(),
                                at,
                                other);
            }
        }
    }
}
