package org.jontrel.core.check;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Nearest;
import org.jontrel.core.finding.Place;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Keys;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Part;
import org.jontrel.core.model.Wording;

/** Everything within one content type. */
final class TypeCheck {
    private static final int MOST_FIELDS = 400;

    /** The database's 65,535 bytes a row, less what a site's own columns and the null flags take. */
    private static final int ROW_BYTES = 64_000;

    private final ContentType type;
    private final Claim claim;
    private final List<Finding> findings = new ArrayList<>();

    TypeCheck(ContentType type, Claim claim) {
        this.type = type;
        this.claim = claim;
    }

    /** Notes that an id is used. */
    interface Claim {
        void id(String id, Place place, String owner);
    }

    List<Finding> run() {
        checkParts();
        checkWordings();
        for (var group : type.groups()) {
            claim.id(group.id(), Place.definition(type.id(), "groups"), group.title());
            var names = new NameCheck(findings, property -> Place.field(type.id(), group.id(), property));
            names.label("title", group.title(), "A group");
            names.prose("description", group.description());
        }
        var fields = type.fields().toList();
        fields.forEach(this::checkField);
        checkTogether(fields);
        return findings;
    }

    private void checkParts() {
        if (!type.has(Part.TITLE)) {
            add("parts", Code.PART_TITLE_MISSING, type.singular());
        }
        var seen = new HashSet<Part>();
        type.parts().stream()
                .filter(part -> !seen.add(part))
                .forEach(part -> add("parts", Code.PART_TWICE, part.code(), type.singular()));
    }

    private void checkWordings() {
        var valid = Arrays.stream(Wording.values()).map(Wording::code).toList();
        var names = new NameCheck(findings, property -> Place.definition(type.id(), property));
        type.wordings().forEach((name, text) -> {
            if (!valid.contains(name)) {
                add("wordings", Code.WORDING_UNKNOWN, name, Nearest.hint(name, valid));
            }
            names.label("wordings", text, name);
        });
    }

    private void checkField(Field field) {
        claim.id(field.id(), Place.field(type.id(), field.id(), "id"), field.label());
        var names = new NameCheck(findings, property -> Place.field(type.id(), field.id(), property));
        names.label("label", field.label(), field.key());
        names.prose("help", field.help());
        if (!Keys.isKey(field.key())) {
            add(field, "key", Code.KEY_INVALID, field.key(), Keys.fromLabel(field.key()));
        }
        if (Arrays.stream(Part.values()).anyMatch(part -> part.code().equals(field.key()))) {
            add(field, "key", Code.KEY_TAKEN_BY_PART, field.key(), type.key() + "_" + field.key());
        }
        if (field.kind() instanceof Kind.Choice(List<Kind.Option> options)) {
            options.forEach(
                    option -> claim.id(option.id(), Place.field(type.id(), field.id(), "options"), option.label()));
        }
        findings.addAll(new KindCheck(type, field).run());
    }

    private void checkTogether(List<Field> fields) {
        var keys = new HashMap<String, Field>();
        var labels = new HashMap<String, Field>();
        for (var field : fields) {
            var sameKey = keys.putIfAbsent(field.key(), field);
            if (sameKey != null) {
                add(field, "key", Code.KEY_TWICE, field.key(), sameKey.label(), field.label());
            }
            if (!field.label().isBlank() && labels.putIfAbsent(field.label().toLowerCase(), field) != null) {
                add(field, "label", Code.LABEL_TWICE, field.label(), type.singular());
            }
        }
        if (fields.isEmpty()) {
            add("groups", Code.TYPE_WITHOUT_FIELDS, type.singular());
        }
        if (fields.size() > MOST_FIELDS) {
            add("groups", Code.FIELDS_TOO_MANY, type.singular(), fields.size(), MOST_FIELDS);
        }
        int bytes = type.allFields().mapToInt(field -> bytes(field.kind())).sum();
        if (bytes > ROW_BYTES) {
            add("groups", Code.ROW_TOO_WIDE, type.singular(), bytes, ROW_BYTES);
        }
    }

    /** Bytes that a value counts against the row limit of the database (utf8mb4: four a character). */
    private static int bytes(Kind kind) {
        return switch (kind) {
            case Kind.Text _, Kind.Email _, Kind.Phone _ -> Kind.Text.LONGEST * 4 + 2;
            case Kind.LongText _ -> 12;
            case Kind.Numeric _ -> 10;
            case Kind.YesNo _ -> 1;
            case Kind.Date _, Kind.Time _ -> 3;
            case Kind.Colour _ -> 8;
            case Kind.Choice _ -> 65;
            case Kind.Image _ -> 8;
        };
    }

    private void add(String property, Code code, Object... arguments) {
        findings.add(Finding.of(code, Place.definition(type.id(), property), arguments));
    }

    private void add(Field field, String property, Code code, Object... arguments) {
        findings.add(Finding.of(code, Place.field(type.id(), field.id(), property), arguments));
    }
}
