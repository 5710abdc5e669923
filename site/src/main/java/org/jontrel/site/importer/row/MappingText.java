package org.jontrel.site.importer.row;

import java.util.List;
import java.util.Map;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.importer.ImportMapping;
import org.jontrel.core.sheet.WorkbookFacts;
import tools.jackson.core.JacksonException;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.MapperFeature;
import tools.jackson.databind.cfg.EnumFeature;
import tools.jackson.databind.json.JsonMapper;

/** Mappings as JSON, as they are kept and as files have them, and what else of an import is kept as such. */
public final class MappingText {
    private static final JsonMapper JSON = JsonMapper.builder()
            .enable(EnumFeature.WRITE_ENUMS_TO_LOWERCASE)
            .enable(MapperFeature.ACCEPT_CASE_INSENSITIVE_ENUMS)
            .enable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
            .disable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES)
            .build();

    private static final JsonMapper PLAIN = JsonMapper.shared();

    private MappingText() {}

    public static String write(ImportMapping mapping) {
        return JSON.writeValueAsString(mapping);
    }

    /** A text that is no mapping. */
    public static final class NoMapping extends RuntimeException {
        NoMapping(String message, Throwable cause) {
            super(message, cause);
        }
    }

    /** @throws NoMapping which says where it is none */
    public static ImportMapping read(String text) {
        try {
            return JSON.readValue(text, ImportMapping.class);
        } catch (JacksonException e) {
            var at = e.getLocation();
            var where = at == null || at.getLineNr() < 1
                    ? ""
                    : " (line " + at.getLineNr() + ", column " + at.getColumnNr() + ")";
            throw new NoMapping("The mapping cannot be read" + where + ": " + e.getOriginalMessage(), e);
        }
    }

    public static String facts(WorkbookFacts facts) {
        return PLAIN.writeValueAsString(facts);
    }

    public static WorkbookFacts facts(String text) {
        return PLAIN.readValue(text, WorkbookFacts.class);
    }

    public static String cells(List<String> cells) {
        return PLAIN.writeValueAsString(cells);
    }

    public static List<String> cells(String text) {
        return PLAIN.readValue(text, new TypeReference<>() {});
    }

    public static String raw(Map<String, Object> values) {
        return PLAIN.writeValueAsString(values);
    }

    public static Map<String, Object> raw(String text) {
        return PLAIN.readValue(text, new TypeReference<>() {});
    }

    /** What is kept of a finding: its place is known otherwise. */
    private record KeptFinding(Code code, String file, List<String> arguments) {}

    public static String finding(Finding finding) {
        return PLAIN.writeValueAsString(
                new KeptFinding(finding.code(), finding.place().file(), finding.arguments()));
    }

    public static Finding finding(String text) {
        var kept = PLAIN.readValue(text, KeptFinding.class);
        return Finding.of(kept.code(), Place.file(kept.file()), kept.arguments().toArray());
    }

    public static String findings(List<Finding> findings) {
        return PLAIN.writeValueAsString(
                findings.stream().map(MappingText::finding).toList());
    }

    public static List<Finding> findings(String text) {
        List<String> kept = PLAIN.readValue(text, new TypeReference<>() {});
        return kept.stream().map(MappingText::finding).toList();
    }
}
