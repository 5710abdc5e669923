package org.jontrel.core.compare;

import java.util.List;
import java.util.Set;
import org.jontrel.core.format.Difference;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Layout;
import org.jontrel.core.model.Listing;
import org.jontrel.core.model.Look;
import org.jontrel.core.model.PagePart;
import org.jontrel.core.model.Term;
import org.jontrel.core.model.block.Block;

/** One thing that differs between two models; enough to make it so, and to turn it around. */
public sealed interface Change {
    Subject subject();

    /** What it does. */
    default Effect effect() {
        return switch (this) {
            case Added added when !holds(added.content()) && !added.required() -> Effect.ADDED_VIEW;
            case Added added -> added.required() ? Effect.ADDED_REQUIRED : Effect.ADDED;
            case Removed removed -> removed(removed.content());
            case KindChanged _ -> Effect.KIND;
            case Renamed renamed -> renamed.shown() ? Effect.RENAMED : Effect.RENAMED_WITHIN;
            case Moved moved ->
                switch (moved.distance()) {
                    case WITHIN, SHARED -> Effect.MOVED;
                    case UNDER -> Effect.MOVED_TERM;
                    case UNDER_IN_ADDRESS -> Effect.MOVED_TERM_ADDRESS;
                    case AWAY -> Effect.MOVED_AWAY;
                };
            case Reordered _ -> Effect.ORDER;
            case Shared _, Owned _ -> Effect.REGROUPED;
            case Changed changed -> changed.effects();
        };
    }

    /** How far it goes, never empty. */
    default Set<Reach> reach() {
        var reach = effect().reach();
        if (subject().mentioned() && !(this instanceof Reordered)) {
            reach.add(Reach.LAYOUTS);
        }
        return reach;
    }

    /** Whether it is of what pages look like alone: such a change does nothing to a database. */
    default boolean ofPages() {
        return subject().ofPages()
                || this instanceof Changed changed
                        && changed.difference().name().matches("(index|head)([.].*)?");
    }

    /** What it advises for the version number. */
    default Advice advice() {
        return effect().advice();
    }

    /** The change that takes this one back. */
    default Change inverse() {
        return switch (this) {
            case Added added -> new Removed(added.subject().inverse(), added.spot(), added.content(), added.required());
            case Removed removed ->
                new Added(removed.subject().inverse(), removed.spot(), removed.content(), removed.required());
            case Renamed renamed ->
                new Renamed(renamed.subject().inverse(), renamed.after(), renamed.before(), renamed.shown());
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
            case Block _, Layout _, Listing _, PagePart _, Look _ -> false;
            case Group group -> group.fields().stream().anyMatch(field -> holds(field));
            case Field field -> field.kind().holdsValue();
            default -> true;
        };
    }

    private static Effect removed(Object thing) {
        return switch (thing) {
            case Layout _, Listing _, PagePart _, Look _ -> Effect.REMOVED_LAYOUT;
            case Term _ -> Effect.REMOVED_TERM;
            default -> holds(thing) ? Effect.REMOVED : Effect.REMOVED_VIEW;
        };
    }

    /**
     * @param content the thing with everything in it that was nowhere before
     * @param required whether records that are there already lack a value that they need with it
     */
    record Added(Subject subject, ThingPosition spot, Object content, boolean required) implements Change {}

    /**
     * @param content the thing with everything in it that is nowhere after
     * @param required whether records needed a value with it
     */
    record Removed(Subject subject, ThingPosition spot, Object content, boolean required) implements Change {}

    /**
     * The key changed; the id, and so the values, stayed.
     *
     * @param shown whether the content API shows the key
     */
    record Renamed(Subject subject, String before, String after, boolean shown) implements Change {}

    /** A thing went elsewhere. */
    record Moved(Subject subject, ThingPosition before, ThingPosition after, Distance distance) implements Change {
        /** How far a thing went. */
        public enum Distance {
            /** Its values stay where they are. */
            WITHIN,
            /** Between a group of a type's own and a shared one that the type uses. */
            SHARED,
            /** A term, under another one. */
            UNDER,
            /** A term, under another one, where addresses carry those above. */
            UNDER_IN_ADDRESS,
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

        private Effect effects() {
            return switch (difference.sense()) {
                case WORDING -> Effect.WORDING;
                case FORM, IDENTITY, PARTS, NAME -> Effect.APPEARANCE;
                case BEHAVIOUR -> Effect.BEHAVIOUR;
                case MEANING -> was.isEmpty() ? Effect.MEANING_GIVEN : Effect.MEANING;
                case ADDRESS -> Effect.ADDRESS;
                case API_ADDRESS -> Effect.API_ADDRESS;
                case LOWER_BOUND, UPPER_BOUND, RULE, ALLOWED, ALLOWED_OR_ALL ->
                    narrows() ? Effect.NARROWED : Effect.WIDENED;
                case PERMISSION -> narrows() ? Effect.CLOSED : Effect.OPENED;
                case STRUCTURE -> Effect.STRUCTURE;
            };
        }
    }
}
