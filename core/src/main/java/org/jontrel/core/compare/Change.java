package org.jontrel.core.compare;

import java.util.EnumSet;
import java.util.Set;
import org.jontrel.core.code.Sense;
import org.jontrel.core.code.Settings;
import org.jontrel.core.model.Kind;

/** One thing that differs between two models. */
public sealed interface Change {
    Subject subject();

    /** How far it goes, never empty. */
    default Set<Reach> reach() {
        return switch (this) {
            case Added _ -> EnumSet.of(Reach.FORM, Reach.API);
            case Removed _, KindChanged _ -> EnumSet.of(Reach.FORM, Reach.VALUES, Reach.API);
            case Renamed _ -> EnumSet.of(Reach.VALUES, Reach.API);
            case Moved _, Reordered _ -> EnumSet.of(Reach.FORM);
            case Changed changed ->
                switch (changed.difference().sense()) {
                    case WORDING -> EnumSet.of(Reach.WORDING);
                    case FORM, IDENTITY, PARTS, NAME -> EnumSet.of(Reach.FORM);
                    case ADDRESS -> EnumSet.of(Reach.ADDRESSES);
                    case LOWER_BOUND, UPPER_BOUND, RULE -> EnumSet.of(Reach.FORM, Reach.VALUES);
                };
        };
    }

    /** What it advises for the version number. */
    default Advice advice() {
        return switch (this) {
            case Added _, Renamed _ -> Advice.MINOR;
            case Removed _, KindChanged _ -> Advice.MAJOR;
            case Moved _, Reordered _ -> Advice.PATCH;
            case Changed changed when changed.difference().sense() == Sense.ADDRESS -> Advice.MINOR;
            case Changed changed when changed.narrows() -> Advice.MAJOR;
            case Changed changed -> changed.reach().contains(Reach.VALUES) ? Advice.MINOR : Advice.PATCH;
        };
    }

    record Added(Subject subject) implements Change {}

    record Removed(Subject subject) implements Change {}

    /** The key changed; the id, and so the values, stayed. */
    record Renamed(Subject subject, String before, String after) implements Change {}

    /** A field went to another group. */
    record Moved(Subject subject, String before, String after) implements Change {}

    record KindChanged(Subject subject, Kind before, Kind after) implements Change {}

    /** The parts of the subject stand in another order. */
    record Reordered(Subject subject) implements Change {}

    /** A setting differs. */
    record Changed(Subject subject, Settings.Difference difference) implements Change {
        /** Whether values that were fine may break the setting now; unknown counts as yes. */
        public boolean narrows() {
            var before = difference.before();
            var after = difference.after();
            return switch (difference.sense()) {
                case LOWER_BOUND -> after != null && (before == null || Bounds.compare(after, before) > 0);
                case UPPER_BOUND -> after != null && (before == null || Bounds.compare(after, before) < 0);
                case RULE -> !difference.afterIsDefault() || difference.name().equals("alt_required");
                case IDENTITY, PARTS, WORDING, FORM, NAME, ADDRESS -> false;
            };
        }
    }
}
