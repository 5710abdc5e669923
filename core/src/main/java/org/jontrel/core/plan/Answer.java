package org.jontrel.core.plan;

import java.util.List;

/**
 * What a site answers: numbers of records, and up to five examples as a person reads them.
 *
 * @param records all records of the type
 * @param empty records without a value of the field as it is now (all of them where it is new)
 * @param unconverted values that the conversion to the new kind cannot take
 * @param outside values that break limits of the field that they satisfied before
 */
public record Answer(
        long records,
        long empty,
        long unconverted,
        long outside,
        List<String> unconvertedExamples,
        List<String> outsideExamples) {
    public static final Answer NONE = new Answer(0, 0, 0, 0, List.of(), List.of());

    public long filled() {
        return records - empty;
    }
}
