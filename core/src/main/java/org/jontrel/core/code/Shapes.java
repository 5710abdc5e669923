package org.jontrel.core.code;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Part;

/** The shapes of whole files. */
final class Shapes {
    static final ObjectShape<Group> GROUP = ObjectShape.<Group>of("group")
            .optional("id", Shape.text(), Group::id, "", Sense.IDENTITY, "Kept for life; given when left out.")
            .required("title", Shape.text(), Group::title, Sense.WORDING, "The heading over the group's fields.")
            .optional(
                    "description", Shape.text(), Group::description, "", Sense.WORDING, "A sentence under the heading.")
            .optional(
                    "fields",
                    Shape.list(FieldShape.INSTANCE),
                    Group::fields,
                    List.of(),
                    Sense.PARTS,
                    "The fields, in order.")
            .build(v -> new Group(v.get("id"), v.get("title"), v.get("description"), v.get("fields")));

    static final ObjectShape<ContentType> TYPE = ObjectShape.<ContentType>of("content type")
            .optional("id", Shape.text(), ContentType::id, "", Sense.IDENTITY, "Kept for life; given when left out.")
            .required(
                    "key",
                    Shape.text(),
                    ContentType::key,
                    Sense.NAME,
                    "The name in code, addresses of the API and the database.")
            .required("singular", Shape.text(), ContentType::singular, Sense.WORDING, "The noun for one record.")
            .required("plural", Shape.text(), ContentType::plural, Sense.WORDING, "The noun for several records.")
            .optional(
                    "description",
                    Shape.text(),
                    ContentType::description,
                    "",
                    Sense.WORDING,
                    "What records of this type are.")
            .optional("icon", Shape.text(), ContentType::icon, "", Sense.FORM, "Name of an icon.")
            .required("path", Shape.text(), ContentType::path, Sense.ADDRESS, "The public address segment.")
            .optional(
                    "wordings",
                    Shape.texts(),
                    ContentType::wordings,
                    Map.of(),
                    Sense.WORDING,
                    "Texts that replace those derived from the noun.")
            .optional(
                    "parts",
                    Shape.list(Shape.word(parts(), Part::code)),
                    ContentType::parts,
                    List.of(Part.TITLE),
                    Sense.PARTS,
                    "The standard parts its records have.")
            .optional(
                    "groups",
                    Shape.list(GROUP),
                    ContentType::groups,
                    List.of(),
                    Sense.PARTS,
                    "Its groups of fields, in order.")
            .build(v -> new ContentType(
                    v.get("id"),
                    v.get("key"),
                    v.get("singular"),
                    v.get("plural"),
                    v.get("description"),
                    v.get("icon"),
                    v.get("path"),
                    v.get("wordings"),
                    v.get("parts"),
                    v.get("groups")));

    static final ObjectShape<Manifest> MANIFEST = ObjectShape.<Manifest>of("package")
            .optional("format", Shape.whole(), Manifest::format, 1, Sense.IDENTITY, "Version of this file format.")
            .required("name", Shape.text(), Manifest::name, Sense.NAME, "Short name, kebab-case.")
            .required("version", Shape.text(), Manifest::version, Sense.NAME, "Semantic version of the release.")
            .optional("title", Shape.text(), Manifest::title, "", Sense.WORDING, "Name that people read.")
            .optional("authors", Shape.list(Shape.text()), Manifest::authors, List.of(), Sense.WORDING, "Who made it.")
            .optional("licence", Shape.text(), Manifest::licence, "", Sense.WORDING, "SPDX identifier of the licence.")
            .optional("description", Shape.text(), Manifest::description, "", Sense.WORDING, "What the package is for.")
            .optional(
                    "checksum",
                    Shape.text(),
                    Manifest::checksum,
                    "",
                    Sense.WORDING,
                    "SHA-256 of the definitions as written.")
            .build(v -> new Manifest(
                    v.<Integer>get("format"),
                    v.get("name"),
                    v.get("version"),
                    v.get("title"),
                    v.get("authors"),
                    v.get("licence"),
                    v.get("description"),
                    v.get("checksum")));

    static final ObjectShape<Decision> DECISION = ObjectShape.<Decision>of("decision")
            .required("field", Shape.text(), Decision::fieldId, Sense.IDENTITY, "Id of the field it is about.")
            .required(
                    "about",
                    Shape.word(Decision.About.byCode(), Decision.About::code),
                    Decision::about,
                    Sense.RULE,
                    "What was asked.")
            .required(
                    "answer",
                    Shape.word(Decision.Answer.byCode(), Decision.Answer::code),
                    Decision::answer,
                    Sense.RULE,
                    "What to do.")
            .optional("value", Shape.text(), Decision::value, "", Sense.RULE, "The value to fill with.")
            .build(v -> new Decision(v.get("field"), v.get("about"), v.get("answer"), v.get("value")));

    static final ObjectShape<Migration> MIGRATION = ObjectShape.<Migration>of("migration")
            .required("version", Shape.text(), Migration::version, Sense.NAME, "The release these decisions lead to.")
            .optional(
                    "decisions",
                    Shape.list(DECISION),
                    Migration::decisions,
                    List.of(),
                    Sense.RULE,
                    "The answers, in order.")
            .build(v -> new Migration(v.get("version"), v.get("decisions")));

    private Shapes() {}

    private static LinkedHashMap<String, Part> parts() {
        var words = new LinkedHashMap<String, Part>();
        for (var part : Part.values()) {
            words.put(part.code(), part);
        }
        return words;
    }
}
