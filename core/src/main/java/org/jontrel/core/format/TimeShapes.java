package org.jontrel.core.format;

import org.jontrel.core.model.Kind;
import org.jontrel.core.shape.ObjectShape;
import org.jontrel.core.shape.Scalars;
import org.jontrel.core.shape.Sense;

/** Settings of kinds that hold days and times. */
final class TimeShapes {
    private TimeShapes() {}

    static final ObjectShape<Kind.Date> DATE = ObjectShape.<Kind.Date>of("date field")
            .optional(
                    "earliest",
                    Scalars.DATE,
                    Kind.Date::earliest,
                    null,
                    Sense.LOWER_BOUND,
                    "Earlier dates are refused; there is no limit when left out.")
            .optional(
                    "latest",
                    Scalars.DATE,
                    Kind.Date::latest,
                    null,
                    Sense.UPPER_BOUND,
                    "Later dates are refused; there is no limit when left out.")
            .build(v -> new Kind.Date(v.get("earliest"), v.get("latest")));

    static final ObjectShape<Kind.Time> TIME = ObjectShape.<Kind.Time>of("time field")
            .optional(
                    "earliest",
                    Scalars.TIME,
                    Kind.Time::earliest,
                    null,
                    Sense.LOWER_BOUND,
                    "Earlier times are refused; there is no limit when left out.")
            .optional(
                    "latest",
                    Scalars.TIME,
                    Kind.Time::latest,
                    null,
                    Sense.UPPER_BOUND,
                    "Later times are refused; there is no limit when left out.")
            .build(v -> new Kind.Time(v.get("earliest"), v.get("latest")));

    static final ObjectShape<Kind.DateTime> DATE_TIME = ObjectShape.<Kind.DateTime>of("date-and-time field")
            .optional(
                    "earliest",
                    Scalars.MOMENT,
                    Kind.DateTime::earliest,
                    null,
                    Sense.LOWER_BOUND,
                    "Earlier moments are refused; there is no limit when left out. In UTC.")
            .optional(
                    "latest",
                    Scalars.MOMENT,
                    Kind.DateTime::latest,
                    null,
                    Sense.UPPER_BOUND,
                    "Later moments are refused; there is no limit when left out. In UTC.")
            .build(v -> new Kind.DateTime(v.get("earliest"), v.get("latest")));
}
