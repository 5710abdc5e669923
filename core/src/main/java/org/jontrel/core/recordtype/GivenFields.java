package org.jontrel.core.recordtype;

import java.util.List;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Taxonomy;

/** Fields that nobody defines: the terms of the taxonomies that a type uses. */
final class GivenFields {
    private GivenFields() {}

    static List<Field> classified(Model model, ContentType type) {
        return type.taxonomies().stream()
                .flatMap(use -> model.find(Taxonomy.class, use.taxonomy()).stream()
                        .map(taxonomy -> new Field(
                                taxonomy.id(),
                                taxonomy.key(),
                                use.max() != null && use.max() == 1 ? taxonomy.singular() : taxonomy.plural(),
                                taxonomy.description(),
                                use.required(),
                                new Kind.TermPick(taxonomy.id(), new Kind.Amount(true, null, use.max())))))
                .toList();
    }
}
