package org.jontrel.core.shape;

/** The shape of things that keep an identity, so that a rename or a move is never a removal and an addition. */
public interface ThingShape<T> extends Shape<T> {
    String id(T thing);

    /** What people call this thing. */
    String label(T thing);

    /** Whether the id tells things apart only within their owner. */
    boolean scoped(T thing);

    /** The properties that this thing has. */
    ObjectShape<T> of(T thing);
}
