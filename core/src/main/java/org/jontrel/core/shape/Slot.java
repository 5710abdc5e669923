package org.jontrel.core.shape;

import java.util.List;

/** A place in a thing that holds other things with identities of their own, in order. */
public interface Slot<V> extends Shape<V> {
    ThingShape<?> item();

    List<?> items(V value);

    V of(List<?> items);
}
