package org.jontrel.core.move;

/** Is told what a move leaves behind; it stays held. */
public interface MoveLosses {
    /** For moves that nobody counts. */
    MoveLosses UNTOLD = new MoveLosses() {
        @Override
        public void several() {}

        @Override
        public void rowless() {}

        @Override
        public void unconverted(String value) {}
    };

    /** There were several values where one can stand: one of them is taken, or they are joined. */
    void several();

    /** There was no row to stand in. */
    void rowless();

    /** A value, as people read it, that the field cannot take. */
    void unconverted(String value);

    /** A name was found by another field than a title; nothing is lost by it. */
    default void matched() {}

    /** A text that could be several values; nothing is lost by it. */
    default void splittable(String text) {}
}
