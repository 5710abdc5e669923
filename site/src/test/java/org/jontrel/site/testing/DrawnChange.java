package org.jontrel.site.testing;

import org.jontrel.core.generated.Models;
import org.jontrel.core.model.Model;

/** A model and another that it becomes, always the same for one number. */
public record DrawnChange(Model before, Model after) {
    /** What the edits between both do: anything, take values to other places, or make types of rows and rows of types. */
    public enum EditSort {
        ANYHOW,
        RESHAPED,
        PARTED,
        JOINED
    }

    public static DrawnChange of(Models models, EditSort sort) {
        return switch (sort) {
            case PARTED -> parted(models);
            case JOINED -> {
                var parted = parted(models);
                yield new DrawnChange(parted.after(), parted.before());
            }
            case ANYHOW, RESHAPED -> {
                var before = models.model();
                var after = before;
                for (int edits = 1 + models.pick(4); edits > 0; edits--) {
                    after = sort == EditSort.RESHAPED ? models.reshape(after) : models.edit(after);
                }
                yield new DrawnChange(before, after);
            }
        };
    }

    private static DrawnChange parted(Models models) {
        var before = models.nest(models.model());
        return new DrawnChange(before, models.part(before));
    }
}
