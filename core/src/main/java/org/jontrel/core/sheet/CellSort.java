package org.jontrel.core.sheet;

/** What a program that wrote the cell says of it; a file of mere text says {@link #TEXT} of all. */
public enum CellSort {
    TEXT,
    NUMBER,
    DATE,
    TIME,
    DATE_TIME,
    YES_NO,
    /** A formula without a result, or with one such as a division by zero; its text says which. */
    ERROR
}
