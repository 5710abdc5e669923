package org.jontrel.core.generated;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Ids;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Part;

/** Makes valid models, and single edits of them, from a seed. */
public final class Models {
    private static final List<String> TEXTS = List.of(
            "Rise",
            "yes",
            "12",
            "a: b",
            "# no",
            "- x",
            "😀 boat",
            "two\nlines",
            "  padded ",
            "\"quoted\"",
            "null",
            "مرسى",
            "{x}",
            "it's",
            "1e3",
            "%",
            "@home");
    private final Random random;
    private final Ids ids;
    private int number;

    public Models(long seed) {
        random = new Random(seed);
        ids = new Ids(random);
    }

    /** A model of one to five types that passes all checks. */
    public Model model() {
        var types = new ArrayList<ContentType>();
        for (int i = 0, count = 1 + random.nextInt(5); i < count; i++) {
            types.add(type());
        }
        return new Model(types);
    }

    private int fresh() {
        return ++number;
    }

    private String text() {
        return TEXTS.get(random.nextInt(TEXTS.size())) + " " + fresh();
    }

    private boolean chance() {
        return random.nextBoolean();
    }

    private ContentType type() {
        int n = fresh();
        var groups = new ArrayList<Group>();
        for (int i = 0, count = 1 + random.nextInt(3); i < count; i++) {
            groups.add(group());
        }
        var parts = new ArrayList<>(List.of(Part.TITLE));
        if (chance()) {
            parts.add(random.nextInt(2), Part.BODY);
        }
        Map<String, String> wordings = chance() ? Map.of("add", text()) : Map.of();
        return new ContentType(
                ids.next('t'),
                "type_" + n,
                text(),
                text(),
                chance() ? text() : "",
                "",
                "path-" + n,
                wordings,
                parts,
                groups);
    }

    private Group group() {
        var fields = new ArrayList<Field>();
        for (int i = 0, count = random.nextInt(5); i < count; i++) {
            fields.add(field());
        }
        return new Group(ids.next('g'), text(), chance() ? text() : "", fields);
    }

    private Field field() {
        return new Field(ids.next('f'), "field_" + fresh(), text(), chance() ? text() : "", chance(), kind());
    }

    private Kind kind() {
        return switch (random.nextInt(11)) {
            case 0 ->
                new Kind.Text(
                        chance() ? 1 : null,
                        chance() ? 20 + random.nextInt(200) : null,
                        chance() ? "[A-Z].*" : "",
                        text());
            case 1 -> new Kind.LongText(chance() ? 500 : null, 2 + random.nextInt(8));
            case 2 -> number();
            case 3 -> new Kind.YesNo(text(), text());
            case 4 ->
                new Kind.Date(chance() ? LocalDate.of(1800, 1, 1) : null, chance() ? LocalDate.of(2100, 1, 1) : null);
            case 5 -> choice();
            case 6 -> new Kind.Time(chance() ? LocalTime.of(6, 30) : null, chance() ? LocalTime.of(22, 0, 15) : null);
            case 7 -> Kind.Email.PLAIN;
            case 8 -> Kind.Phone.PLAIN;
            case 9 -> Kind.Colour.PLAIN;
            default -> new Kind.Image(chance() ? 100 : null, null, chance() ? 900 : null, chance());
        };
    }

    private Kind number() {
        int decimals = random.nextInt(4);
        var min = chance() ? BigDecimal.valueOf(random.nextInt(100), decimals) : null;
        var max = chance() ? BigDecimal.valueOf(1_000_000 + random.nextInt(100), decimals) : null;
        return new Kind.Numeric(decimals, min, max, chance() ? text() : "");
    }

    private Kind choice() {
        var options = new ArrayList<Kind.Option>();
        for (int i = 0, count = 1 + random.nextInt(4); i < count; i++) {
            options.add(new Kind.Option(ids.next('o'), "option_" + fresh(), text(), i > 0 && chance()));
        }
        return new Kind.Choice(options);
    }

    /** The model with one thing edited, still valid; never equal to the model. */
    public Model edit(Model model) {
        var type = model.types().get(random.nextInt(model.types().size()));
        var edited =
                switch (random.nextInt(8)) {
                    case 0 -> renamed(type);
                    case 1 -> withGroup(type);
                    case 2, 3 -> withField(type);
                    default -> withEditedField(type);
                };
        return random.nextInt(12) == 0 ? model.with(type()) : model.with(edited);
    }

    private ContentType renamed(ContentType type) {
        var wordings = new TreeMap<>(type.wordings());
        wordings.put("empty", text());
        return new ContentType(
                type.id(),
                type.key(),
                text(),
                type.plural(),
                type.description(),
                type.icon(),
                type.path(),
                wordings,
                type.parts(),
                type.groups());
    }

    private ContentType withGroup(ContentType type) {
        var groups = new ArrayList<>(type.groups());
        groups.add(random.nextInt(groups.size() + 1), group());
        return type.withGroups(groups);
    }

    private ContentType withField(ContentType type) {
        var groups = new ArrayList<>(type.groups());
        int at = random.nextInt(groups.size());
        var fields = new ArrayList<>(groups.get(at).fields());
        fields.add(random.nextInt(fields.size() + 1), field());
        groups.set(at, groups.get(at).withFields(fields));
        return type.withGroups(groups);
    }

    private ContentType withEditedField(ContentType type) {
        var all = type.fields().toList();
        if (all.isEmpty()) {
            return withField(type);
        }
        var field = all.get(random.nextInt(all.size()));
        if (random.nextInt(6) == 0) {
            return move(type, field);
        }
        var edited =
                switch (random.nextInt(6)) {
                    case 0 -> field.withLabel(text());
                    case 1 -> field.withKey("field_" + fresh());
                    case 2 -> field.withRequired(!field.required());
                    case 3 -> field.withKind(new Kind.LongText(3_000 + fresh(), 3));
                    case 4 -> null;
                    default -> field.withKind(choice());
                };
        return replace(type, field, edited);
    }

    private static ContentType replace(ContentType type, Field field, Field by) {
        return type.withGroups(type.groups().stream()
                .map(group -> {
                    var fields = new ArrayList<>(group.fields());
                    int at = fields.indexOf(field);
                    if (at >= 0 && by == null) {
                        fields.remove(at);
                    } else if (at >= 0) {
                        fields.set(at, by);
                    }
                    return group.withFields(fields);
                })
                .toList());
    }

    private ContentType move(ContentType type, Field field) {
        var without = replace(type, field, null);
        var groups = new ArrayList<>(without.groups());
        int at = random.nextInt(groups.size());
        var fields = new ArrayList<>(groups.get(at).fields());
        fields.add(field);
        Collections.rotate(fields, 1);
        groups.set(at, groups.get(at).withFields(fields));
        var moved = type.withGroups(groups);
        return moved.equals(type) ? renamed(type) : moved;
    }

    /** The text with a few bytes changed, doubled or cut. */
    public byte[] mangle(byte[] bytes) {
        var mangled = bytes.clone();
        for (int i = 0, count = 1 + random.nextInt(6); i < count; i++) {
            mangled[random.nextInt(mangled.length)] = (byte) random.nextInt(256);
        }
        return switch (random.nextInt(4)) {
            case 0 -> java.util.Arrays.copyOf(mangled, random.nextInt(mangled.length) + 1);
            case 1 -> {
                var doubled = java.util.Arrays.copyOf(mangled, mangled.length * 2);
                System.arraycopy(mangled, 0, doubled, mangled.length, mangled.length);
                yield doubled;
            }
            default -> mangled;
        };
    }

    /** A whole number below the bound, from the same seed. */
    public int pick(int bound) {
        return random.nextInt(bound);
    }
}
