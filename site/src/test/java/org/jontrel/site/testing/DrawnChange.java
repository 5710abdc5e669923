package org.jontrel.site.testing;

import java.util.List;
import org.jontrel.core.generated.Models;
import org.jontrel.core.model.Model;

/** A model and another that it becomes, always the same for one number. */
public record DrawnChange(Model before, Model after) {
    /**
     * What the edits between both do: anything, take values to other places, make types of rows and rows of types, or make some
     * records those of a new type and back, take a field over a relation, or make terms of names.
     */
    public enum EditSort {
        ANYHOW,
        RESHAPED,
        PARTED,
        JOINED,
        SPLIT,
        MERGED,
        RELATED,
        NAMED
    }

    public static DrawnChange of(Models models, EditSort sort) {
        return switch (sort) {
            case PARTED -> parted(models);
            case JOINED -> {
                var parted = parted(models);
                yield new DrawnChange(parted.after(), parted.before());
            }
            case RELATED -> of(models.related());
            case NAMED -> of(models.named());
            case SPLIT -> of(models.split());
            case MERGED -> {
                var split = of(models.split());
                yield new DrawnChange(split.after(), split.before());
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

    private static DrawnChange of(List<Model> both) {
        return new DrawnChange(both.getFirst(), both.getLast());
    }

    private static DrawnChange parted(Models models) {
        var before = models.nest(models.model());
        return new DrawnChange(before, models.part(before));
    }
}
