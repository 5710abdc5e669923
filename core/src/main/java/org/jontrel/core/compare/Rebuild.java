package org.jontrel.core.compare;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jontrel.core.format.Difference;
import org.jontrel.core.format.Things;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.shape.Sense;

/** Makes changes on a model: taken apart into pieces, changed, put together again. */
final class Rebuild {
    private final Map<String, Piece> pieces = new HashMap<>();
    private final Map<String, Piece> definitions = new LinkedHashMap<>();

    Rebuild(Model model) {
        model.definitions().forEach(definition -> definitions.put(definition.id(), take(definition, definition.id())));
    }

    /** A thing with what it holds beside it, so that both can change. */
    private static final class Piece {
        private final String key;
        private Object thing;
        private Piece owner;
        private String slot;
        private final Map<String, List<Piece>> slots = new HashMap<>();

        Piece(String key, Object thing) {
            this.key = key;
            this.thing = thing;
        }

        List<Piece> in(String name) {
            return slots.computeIfAbsent(name, _ -> new ArrayList<>());
        }

        void detach() {
            if (owner != null) {
                owner.in(slot).remove(this);
                owner = null;
            }
        }

        void attach(Piece newOwner, String newSlot, int at) {
            owner = newOwner;
            slot = newSlot;
            newOwner.in(newSlot).add(at, this);
        }

        Object whole() {
            var shape = Things.of(thing);
            var filled = new HashMap<String, Object>();
            for (var property : shape.properties()) {
                var held = property.slot();
                if (held != null) {
                    filled.put(
                            property.name(),
                            held.of(in(property.name()).stream()
                                    .map(Piece::whole)
                                    .toList()));
                }
            }
            return shape.with(thing, filled);
        }
    }

    private Piece take(Object thing, String key) {
        var piece = new Piece(key, thing);
        pieces.put(key, piece);
        for (var property : Things.of(thing).properties()) {
            for (var item : Things.items(property, thing)) {
                take(item, Things.key(item, key))
                        .attach(
                                piece,
                                property.name(),
                                piece.in(property.name()).size());
            }
        }
        return piece;
    }

    Model apply(List<Change> changes) {
        var steps = Regrouping.parted(changes);
        steps.forEach(this::settle);
        steps.forEach(this::leave);
        steps.forEach(this::arrive);
        steps.forEach(this::order);
        return new Model(definitions.values().stream()
                .map(piece -> (Definition) piece.whole())
                .toList());
    }

    /** What is said of things that stay. */
    private void settle(Change change) {
        switch (change) {
            case Change.Renamed(Subject subject, String before, String after, boolean _) ->
                set(subject, new Difference("key", Sense.NAME, before, after));
            case Change.Changed changed -> {
                if (hasProperty(changed.subject(), changed.difference())) {
                    set(changed.subject(), changed.difference());
                }
            }
            default -> {}
        }
    }

    private boolean hasProperty(Subject subject, Difference difference) {
        return pieces.containsKey(subject.elementId()) && !difference.name().isEmpty();
    }

    private void set(Subject subject, Difference difference) {
        var piece = piece(subject.elementId());
        piece.thing = difference
                .applyTo(piece.thing)
                .orElseThrow(() -> new IllegalArgumentException("These changes do not fit this model: "
                        + difference.name() + " of " + subject.name().label()));
    }

    private Piece piece(String key) {
        var piece = pieces.get(key);
        if (piece == null) {
            throw new IllegalArgumentException("These changes do not fit this model: it has no " + key);
        }
        return piece;
    }

    /** What goes, or goes elsewhere; a new kind takes what only the old one could hold with it. */
    private void leave(Change change) {
        switch (change) {
            case Change.Moved moved -> piece(moved.subject().elementId()).detach();
            case Change.Removed removed -> {
                piece(removed.subject().elementId()).detach();
                definitions.remove(removed.subject().elementId());
            }
            case Change.KindChanged kind -> becomes(piece(kind.subject().elementId()), kind.after());
            default -> {}
        }
    }

    private void becomes(Piece piece, Kind kind) {
        piece.thing = ((Field) piece.thing).withKind(kind);
        for (var property : Things.of(piece.thing).properties()) {
            for (var item : Things.items(property, piece.thing)) {
                take(item, Things.key(item, piece.key))
                        .attach(
                                piece,
                                property.name(),
                                piece.in(property.name()).size());
            }
        }
    }

    private void arrive(Change change) {
        switch (change) {
            case Change.Added(Subject subject, ThingPosition spot, Object content, boolean _) -> {
                var piece = take(content, subject.elementId());
                if (spot.ownerId().isEmpty()) {
                    definitions.put(subject.elementId(), piece);
                } else {
                    place(piece, spot);
                }
            }
            case Change.Moved moved -> place(piece(moved.subject().elementId()), moved.after());
            default -> {}
        }
    }

    private void place(Piece piece, ThingPosition spot) {
        var owner = piece(spot.ownerId());
        var beside = owner.in(spot.slot());
        int at = 0;
        for (int i = 0; i < beside.size(); i++) {
            if (beside.get(i).key.equals(spot.behind())) {
                at = i + 1;
            }
        }
        piece.attach(owner, spot.slot(), at);
    }

    private void order(Change change) {
        if (change instanceof Change.Reordered order) {
            var places = new HashMap<String, Integer>();
            order.after().forEach(key -> places.put(key, places.size()));
            piece(order.subject().elementId())
                    .in(order.slot())
                    .sort(java.util.Comparator.comparing(piece -> places.getOrDefault(piece.key, Integer.MAX_VALUE)));
        }
    }
}
