package org.jontrel.core.propose;

import java.util.List;
import org.jontrel.core.model.Definition;

/**
 * A model for a workbook.
 *
 * @param sheets what becomes of each sheet, in their order
 * @param definitions that are new, and those that are there with what they get; in their final form
 */
public record ProposedModel(List<ProposedSheet> sheets, List<Definition> definitions) {
    public ProposedModel {
        sheets = List.copyOf(sheets);
        definitions = List.copyOf(definitions);
    }
}
