package org.jontrel.core.propose;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.jontrel.core.propose.word.Header;
import org.jontrel.core.sheet.ColumnFacts;
import org.jontrel.core.sheet.Sign;

/** Two columns that are one place on the map. */
final class Places {
    private static final Pattern LATITUDE = Pattern.compile("(?i)(.*[^a-z])?(lat|latitude)([^a-z].*)?");
    private static final Pattern LONGITUDE = Pattern.compile("(?i)(.*[^a-z])?(lon|lng|long|longitude)([^a-z].*)?");
    private static final int NORTH = 90;
    private static final int EAST = 180;

    private Places() {}

    /** The column of the longitude for each of a latitude. */
    static Map<ColumnFacts, ColumnFacts> of(List<ColumnFacts> columns) {
        var places = new HashMap<ColumnFacts, ColumnFacts>();
        for (int i = 0; i < columns.size(); i++) {
            var column = columns.get(i);
            if (isDegrees(column, LATITUDE, NORTH)) {
                columns.stream()
                        .skip(Math.max(0, i - 1))
                        .limit(4)
                        .filter(each -> each != column && isDegrees(each, LONGITUDE, EAST))
                        .findFirst()
                        .ifPresent(each -> places.put(column, each));
            }
        }
        return places;
    }

    private static boolean isDegrees(ColumnFacts column, Pattern header, int most) {
        return header.matcher(column.header()).matches()
                && column.all(Sign.NUMBER)
                && column.least().abs().intValue() <= most
                && column.greatest().abs().intValue() <= most;
    }

    /** What is left of the header of a latitude: "Mooring latitude" gives "Mooring"; empty where nothing is. */
    static String label(ColumnFacts latitude) {
        return Header.label(Header.of(latitude.header())
                .label()
                .replaceFirst("(?i)[\\s_(/-]*\\b(lat|latitude)\\b\\)?", "")
                .strip());
    }
}
