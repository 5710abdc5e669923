package org.jontrel.core.move;

import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.jontrel.core.model.Kind;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.value.Row;

/**
 * Which rows say the same, so that one record can stand for all of them. In texts of one line capital letters and spaces make no
 * difference; in everything else, as addresses of pages, each letter counts.
 *
 * @param type of the values
 */
public record AlikeRows(RecordType type, RecordMove rule) {
    /** A mark of 64 letters that rows have in common whose values as records are these; titles by a formula are left out. */
    public String mark(Map<String, Object> values) {
        var said = new TreeMap<>(values);
        if (!rule.title().isEmpty()) {
            said.remove("part_title");
        }
        try {
            var digest = MessageDigest.getInstance("SHA-256");
            return HexFormat.of().formatHex(digest.digest(said("", said).getBytes(StandardCharsets.UTF_8)));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    /** These values, with those of others in place of what says the same. */
    public Map<String, Object> spelledAs(Map<String, Object> values, Map<String, Object> others) {
        var spelled = new HashMap<>(values);
        spelled.replaceAll((id, value) -> said(id, value).equals(said(id, others.get(id))) ? others.get(id) : value);
        return spelled;
    }

    /**
     * With the length of each text before it, so that no two things read the same.
     *
     * @param fieldId of the field whose value it is
     */
    private String said(String fieldId, Object value) {
        return switch (value) {
            case Map<?, ?> map ->
                map.entrySet().stream()
                        .map(each -> each.getKey() + "=" + said((String) each.getKey(), each.getValue()))
                        .sorted()
                        .collect(Collectors.joining(",", "{", "}"));
            case Row row -> said(fieldId, row.values());
            case List<?> list ->
                list.stream().map(each -> said(fieldId, each)).collect(Collectors.joining(",", "[", "]"));
            case BigDecimal number -> text(number.stripTrailingZeros().toPlainString());
            case String text
            when isLine(fieldId) -> text(text.strip().replaceAll("\\s+", " ").toLowerCase(Locale.ROOT));
            case null -> "-";
            default -> text(String.valueOf(value));
        };
    }

    private boolean isLine(String fieldId) {
        return type.field(fieldId)
                .filter(each -> each.kind() instanceof Kind.Text)
                .isPresent();
    }

    private static String text(String text) {
        return text.length() + ":" + text;
    }
}
