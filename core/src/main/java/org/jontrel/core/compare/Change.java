package org.jontrel.core.compare;

import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.jontrel.core.model.Block;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Layout;
import org.jontrel.core.model.Listing;
import org.jontrel.core.model.Term;
import org.jontrel.core.shape.Difference;

/** One thing that differs between two models; enough to make it so, and to turn it around. */
public sealed interface Change {
    Subject subject();

    /** How far it goes, never empty. */
    default Set<Reach> reach() {
        var reach =
                switch (this) {
                    case Added added ->
                        holds(added.content()) ? EnumSet.of(Reach.FORM, Reach.API) : EnumSet.of(Reach.FORM);
                    case Removed removed ->
                        holds(removed.content())
                                ? EnumSet.of(Reach.FORM, Reach.VALUES, Reach.API)
                                : EnumSet.of(Reach.FORM);
                    case KindChanged _ -> EnumSet.of(Reach.FORM, Reach.VALUES, Reach.API);
                    case Renamed _ -> EnumSet.of(Reach.VALUES, Reach.API);
                    case Moved moved
                    when moved.distance() == Moved.Distance.AWAY -> EnumSet.of(Reach.FORM, Reach.VALUES, Reach.API);
                    case Moved _, Reordered _, Shared _, Owned _ -> EnumSet.of(Reach.FORM);
                    case Changed changed -> changed.reaches();
                };
        if (subject().mentioned() && !(this instanceof Reordered)) {
            reach.add(Reach.LAYOUTS);
        }
        return reach;
    }

    /** What it advises for the version number. */
    default Advice advice() {
        return switch (this) {
            case Added added -> holds(added.content()) ? Advice.MINOR : Advice.PATCH;
            case Removed removed -> removedAdvice(removed.content());
            case KindChanged _ -> Advice.MAJOR;
            case Renamed _ -> Advice.MINOR;
            case Moved moved -> moved.distance() == Moved.Distance.AWAY ? Advice.MAJOR : Advice.PATCH;
            case Reordered _, Shared _, Owned _ -> Advice.PATCH;
            case Changed changed -> changed.advises();
        };
    }

    /** The change that takes this one back. */
    default Change inverse() {
        return switch (this) {
            case Added added -> new Removed(added.subject().inverse(), added.spot(), added.content());
            case Removed removed -> new Added(removed.subject().inverse(), removed.spot(), removed.content());
            case Renamed renamed -> new Renamed(renamed.subject().inverse(), renamed.after(), renamed.before());
            case Moved moved -> new Moved(moved.subject().inverse(), moved.after(), moved.before(), moved.distance());
            case KindChanged kind -> new KindChanged(kind.subject().inverse(), kind.after(), kind.before());
            case Reordered order ->
                new Reordered(order.subject().inverse(), order.slot(), order.after(), order.before());
            case Changed changed ->
                new Changed(
                        changed.subject().inverse(),
                        changed.difference().inverse(),
                        changed.name(),
                        changed.is(),
                        changed.was());
            case Shared shared ->
                new Owned(
                        (Added) shared.group().inverse(), (Removed) shared.use().inverse());
            case Owned owned ->
                new Shared(
                        (Removed) owned.group().inverse(), (Added) owned.use().inverse());
        };
    }

    /** Whether records or readers hold something of it. */
    private static boolean holds(Object thing) {
        return switch (thing) {
            case Block _, Layout _, Listing _, Group _ -> false;
            case Field field -> field.kind().holdsValue();
            default -> true;
        };
    }

    private static Advice removedAdvice(Object thing) {
        return switch (thing) {
            case Layout _, Listing _, Term _ -> Advice.MINOR;
            case Group group -> group.fields().isEmpty() ? Advice.PATCH : Advice.MAJOR;
            default -> holds(thing) ? Advice.MAJOR : Advice.PATCH;
        };
    }

    /** @param content the thing with everything in it that was nowhere before */
    record Added(Subject subject, Spot spot, Object content) implements Change {}

    /** @param content the thing with everything in it that is nowhere after */
    record Removed(Subject subject, Spot spot, Object content) implements Change {}

    /** The key changed; the id, and so the values, stayed. */
    record Renamed(Subject subject, String before, String after) implements Change {}

    /** A thing went elsewhere. */
    record Moved(Subject subject, Spot before, Spot after, Distance distance) implements Change {
        /** How far a thing went. */
        public enum Distance {
            /** Its values stay where they are. */
            WITHIN,
            /** Between a group of a type's own and a shared one that the type uses. */
            SHARED,
            /** Into or out of a repeater, or to another definition. */
            AWAY
        }
    }

    /** The kinds as they were and are, without fields and options that are elsewhere on the other side. */
    record KindChanged(Subject subject, Kind before, Kind after) implements Change {}

    /**
     * The things in one slot of the subject stand in another order.
     *
     * @param before what tells all of them apart, as they stood
     */
    record Reordered(Subject subject, String slot, List<String> before, List<String> after) implements Change {
        public Reordered {
            before = List.copyOf(before);
            after = List.copyOf(after);
        }
    }

    /** A group of a type's own became a shared one, with its fields. */
    record Shared(Removed group, Added use) implements Change {
        @Override
        public Subject subject() {
            return group.subject();
        }
    }

    /** A shared group became one of the type's own, with its fields. */
    record Owned(Added group, Removed use) implements Change {
        @Override
        public Subject subject() {
            return group.subject();
        }
    }

    /**
     * A setting differs.
     *
     * @param name the setting in words
     * @param was as people read it; empty for nothing
     * @param is as people read it; empty for nothing
     */
    record Changed(Subject subject, Difference difference, String name, String was, String is) implements Change {
        /** Whether values that were fine may break the setting now; unknown counts as yes. */
        public boolean narrows() {
            return difference.narrows();
        }

        private EnumSet<Reach> reaches() {
            return switch (difference.sense()) {
                case WORDING -> EnumSet.of(Reach.WORDING);
                case FORM, BEHAVIOUR, IDENTITY, PARTS, NAME -> EnumSet.of(Reach.FORM);
                case ADDRESS -> EnumSet.of(Reach.ADDRESSES);
                case LOWER_BOUND, UPPER_BOUND, RULE, ALLOWED, ALLOWED_OR_ALL -> EnumSet.of(Reach.FORM, Reach.VALUES);
                case PERMISSION -> EnumSet.of(Reach.FORM, Reach.API);
                case STRUCTURE -> EnumSet.of(Reach.FORM, Reach.VALUES, Reach.API);
            };
        }

        private Advice advises() {
            return switch (difference.sense()) {
                case WORDING, FORM, IDENTITY, PARTS, NAME -> Advice.PATCH;
                case BEHAVIOUR, ADDRESS -> Advice.MINOR;
                case LOWER_BOUND, UPPER_BOUND, RULE, ALLOWED, ALLOWED_OR_ALL, PERMISSION, STRUCTURE ->
                    narrows() ? Advice.MAJOR : Advice.MINOR;
            };
        }
    }
}
