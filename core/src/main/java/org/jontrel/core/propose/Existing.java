package org.jontrel.core.propose;

import java.util.Arrays;
import java.util.Optional;
import org.jontrel.core.model.ChoiceList;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.SiteValues;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.naming.Keys;
import org.jontrel.core.naming.Nouns;
import org.jontrel.core.propose.word.Spellings;

/** What of a workbook is in the model already, by its names. */
final class Existing {
    private Existing() {}

    static Optional<Definition> of(Model model, Definition.Sort sort, String noun) {
        return model.definitions().stream()
                .map(Definition.class::cast)
                .filter(each -> each.sort() == sort && isCalled(each, noun))
                .findFirst();
    }

    private static boolean isCalled(Definition definition, String noun) {
        return definition.key().equals(Keys.fromLabel(noun))
                || switch (definition) {
                    case ContentType type -> any(noun, type.singular(), type.plural());
                    case Taxonomy taxonomy -> any(noun, taxonomy.singular(), taxonomy.plural());
                    case ChoiceList list -> any(noun, list.title(), Nouns.plural(list.title()));
                    case SiteValues values -> any(noun, values.title());
                    default -> false;
                };
    }

    private static boolean any(String noun, String... names) {
        var bare = Spellings.bare(noun);
        return Arrays.stream(names).anyMatch(each -> Spellings.bare(each).equals(bare));
    }

    /** A field for a column, by its key or label. */
    static Optional<Field> field(java.util.stream.Stream<Field> fields, String header, String label) {
        return fields.filter(each ->
                        each.key().equals(header.strip()) || any(label, each.label()) || any(header, each.label()))
                .findFirst();
    }
}
