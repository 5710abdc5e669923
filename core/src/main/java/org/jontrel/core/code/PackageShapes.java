package org.jontrel.core.code;

import java.util.List;
import org.jontrel.core.finding.Code;
import org.jontrel.core.format.Files;
import org.jontrel.core.naming.Keys;
import org.jontrel.core.shape.ObjectShape;
import org.jontrel.core.shape.PackageLimits;
import org.jontrel.core.shape.Sense;
import org.jontrel.core.shape.Shape;
import org.semver4j.Semver;

/** The files of a package that define nothing: what it says of itself, and decisions. */
final class PackageShapes {
    private static final Shape<String> NAME = Files.text(
            Keys::isPackageName, "^(?=.{1,64}$)" + Keys.PACKAGE_NAME + "$", Code.NAME_INVALID, Keys::packageName);

    /** Semantic versions; the pattern is that of semver.org. */
    private static final Shape<String> VERSION = Files.text(
            PackageShapes::isVersion,
            "^(0|[1-9][0-9]*)\\.(0|[1-9][0-9]*)\\.(0|[1-9][0-9]*)"
                    + "(-(0|[1-9][0-9]*|[0-9]*[a-zA-Z-][0-9a-zA-Z-]*)(\\.(0|[1-9][0-9]*|[0-9]*[a-zA-Z-][0-9a-zA-Z-]*))*)?"
                    + "(\\+[0-9a-zA-Z-]+(\\.[0-9a-zA-Z-]+)*)?$",
            Code.VERSION_INVALID,
            _ -> "");

    private static boolean isVersion(String text) {
        return text.length() <= 100 && Semver.isValid(text);
    }

    private static final ObjectShape<Requirement> REQUIREMENT = ObjectShape.<Requirement>of("requirement")
            .required("name", NAME, Requirement::name, Sense.NAME, "Name of the other package.")
            .required(
                    "version",
                    Files.text(Ranges::isRange, "^(" + Ranges.pattern() + ")$", Code.RANGE_INVALID, _ -> ""),
                    Requirement::version,
                    Sense.RULE,
                    "Range of versions that will do, such as \">=1.2 <2\".")
            .optional(
                    "prefix",
                    Files.text(
                            text -> text.isEmpty() || Keys.isKey(text),
                            "^([a-z][a-z0-9_]{0,39})?$",
                            Code.KEY_INVALID,
                            Keys::fromLabel),
                    Requirement::prefix,
                    "",
                    Sense.NAME,
                    "What keys and addresses of the other package get before them here, where they would collide: `parks` makes `parks_place` of `place`.")
            .build(v -> new Requirement(v.get("name"), v.get("version"), v.get("prefix")));

    private static final ObjectShape<PackageLock.LockedPackage> LOCKED = ObjectShape.<PackageLock.LockedPackage>of(
                    "locked package")
            .required("name", NAME, PackageLock.LockedPackage::name, Sense.NAME, "Name of the package.")
            .required("version", VERSION, PackageLock.LockedPackage::version, Sense.NAME, "The version that is here.")
            .required(
                    "checksum",
                    Files.text(),
                    PackageLock.LockedPackage::checksum,
                    Sense.IDENTITY,
                    "SHA-256 of its file under packages/.")
            .optional(
                    "key",
                    Files.text(),
                    PackageLock.LockedPackage::key,
                    "",
                    Sense.IDENTITY,
                    "Public key (Ed25519) of the shelf that signed it.")
            .optional(
                    "prefix",
                    Files.text(),
                    PackageLock.LockedPackage::prefix,
                    "",
                    Sense.NAME,
                    "What its keys and addresses have before them here.")
            .build(v -> new PackageLock.LockedPackage(
                    v.get("name"), v.get("version"), v.get("checksum"), v.get("key"), v.get("prefix")));

    static final ObjectShape<PackageLock> LOCK = ObjectShape.<PackageLock>of("lock")
            .optional(
                    "packages",
                    Files.list(LOCKED),
                    PackageLock::packages,
                    List.of(),
                    Sense.RULE,
                    "The packages that are here, each after those that it needs itself.")
            .build(v -> new PackageLock(v.get("packages")));

    static final ObjectShape<Manifest> MANIFEST = ObjectShape.<Manifest>of("package")
            .optional(
                    "format",
                    Files.whole(1, PackageLimits.FORMAT),
                    Manifest::format,
                    1,
                    Sense.IDENTITY,
                    "Version of this file format; older ones are upgraded on reading.")
            .required("name", NAME, Manifest::name, Sense.NAME, "Short name, kebab-case.")
            .required("version", VERSION, Manifest::version, Sense.NAME, "Semantic version of the release.")
            .optional("title", Files.text(), Manifest::title, "", Sense.WORDING, "Name that people read.")
            .optional("authors", Files.list(Files.text()), Manifest::authors, List.of(), Sense.WORDING, "Who made it.")
            .optional("licence", Files.text(), Manifest::licence, "", Sense.WORDING, "SPDX identifier of the licence.")
            .optional("description", Files.text(), Manifest::description, "", Sense.WORDING, "What the package is for.")
            .optional(
                    "requires",
                    Files.list(REQUIREMENT),
                    Manifest::requires,
                    List.of(),
                    Sense.RULE,
                    "Other packages whose definitions this one uses.")
            .optional(
                    "checksum",
                    Files.text(),
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
                    v.get("requires"),
                    v.get("checksum")));

    private static final ObjectShape<Decision.Correction> CORRECTION = ObjectShape.<Decision.Correction>of("correction")
            .required("from", Files.text(), Decision.Correction::from, Sense.RULE, "The value as people read it.")
            .required(
                    "to",
                    Files.text(),
                    Decision.Correction::to,
                    Sense.RULE,
                    "The value it becomes, in the form of the field as it will be or as people write such values. Empty for a value that is set aside and held: a site with other values that cannot be taken over asks about those.")
            .build(v -> new Decision.Correction(v.get("from"), v.get("to")));

    private static final ObjectShape<Decision> DECISION = ObjectShape.<Decision>of("decision")
            .required(
                    "element",
                    Files.text(),
                    Decision::fieldId,
                    Sense.IDENTITY,
                    "Id of the field (or other thing) it is about, or the keys that lead to it: `mooring.owner`, or `mooring.contacts.phone` within a repeater.")
            .required(
                    "question",
                    Files.word(Decision.Topic.class, Decision.Topic::code),
                    Decision::about,
                    Sense.RULE,
                    "What was asked.")
            .required(
                    "answer",
                    Files.word(Decision.Action.class, Decision.Action::code),
                    Decision::answer,
                    Sense.RULE,
                    "What to do.")
            .optional(
                    "value",
                    Files.text(),
                    Decision::value,
                    "",
                    Sense.RULE,
                    "What the answer needs besides: the value to fill with, or a formula over other fields such as `{title}, {county}` or `round({length_ft} * 0.3048, 2)`, what stands between texts that are joined or split (`\\n` for the end of a line), the keys of fields, also over a relation (`keeper.phone`), what records are made of, such as `mooring.contacts titled {name}`, or the content type that they become those of, such as `mooring` or `mooring with depth = draught`; for a new type the one that they are of, with a condition: `structure where kind = lock or sluice`.")
            .optional(
                    "corrections",
                    Files.list(CORRECTION),
                    Decision::corrections,
                    List.of(),
                    Sense.RULE,
                    "What single values become that could not be taken over as they are.")
            .build(v -> new Decision(
                    v.get("element"), v.get("question"), v.get("answer"), v.get("value"), v.get("corrections")));

    static final ObjectShape<Migration> MIGRATION = ObjectShape.<Migration>of("migration")
            .required("version", VERSION, Migration::version, Sense.NAME, "The release these decisions lead to.")
            .optional(
                    "decisions",
                    Files.list(DECISION),
                    Migration::decisions,
                    List.of(),
                    Sense.RULE,
                    "The answers, in order.")
            .build(v -> new Migration(v.get("version"), v.get("decisions")));

    private PackageShapes() {}
}
