package org.jontrel.describe;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.jontrel.core.code.Manifest;
import org.jontrel.core.code.ModelPackage;
import org.jontrel.core.model.ChoiceList;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.GroupUse;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Layout;
import org.jontrel.core.model.Listing;
import org.jontrel.core.model.Look;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.PagePart;
import org.jontrel.core.model.Section;
import org.jontrel.core.model.SharedGroup;
import org.jontrel.core.model.SiteValues;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.model.Term;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.page.look.LookColours;
import org.jontrel.core.record.ConditionWords;
import org.jontrel.describe.Dictionary.Chapter;
import org.jontrel.describe.Dictionary.Fact;

/** A package as a data dictionary. */
final class DictionaryMaker {
    private static final List<String> FIELD_COLUMNS = List.of("Label", "Key", "Holds", "Needed", "Limits", "Help");
    private final Model model;
    private final KindWords kinds;
    private final ConditionWords conditions;

    private DictionaryMaker(Model model) {
        this.model = model;
        this.kinds = new KindWords(model);
        this.conditions = new ConditionWords(model);
    }

    static Dictionary of(ModelPackage content) {
        return new DictionaryMaker(content.model()).make(content.manifest());
    }

    private Dictionary make(Manifest manifest) {
        var title = manifest.title().isEmpty() ? manifest.name() : manifest.title();
        var facts = new ArrayList<Fact>();
        add(facts, "Package", manifest.name());
        add(facts, "Version", manifest.version());
        add(facts, "Authors", String.join(", ", manifest.authors()));
        add(facts, "Licence", manifest.licence());
        add(
                facts,
                "Needs",
                manifest.requires().stream()
                        .map(need -> need.name() + " " + need.version())
                        .collect(Collectors.joining(", ")));
        var chapters = new ArrayList<Chapter>();
        chapter(chapters, "Content types", ContentType.class);
        chapter(chapters, "Taxonomies", Taxonomy.class);
        chapter(chapters, "Shared groups", SharedGroup.class);
        chapter(chapters, "Choice lists", ChoiceList.class);
        chapter(chapters, "Site values", SiteValues.class);
        chapter(chapters, "Layouts", Layout.class);
        chapter(chapters, "Listings", Listing.class);
        chapter(chapters, "Page parts", PagePart.class);
        chapter(chapters, "Looks", Look.class);
        return new Dictionary(title, manifest.description(), facts, chapters);
    }

    private <D extends Definition> void chapter(List<Chapter> chapters, String title, Class<D> sort) {
        var entries = model.all(sort).stream().map(this::entry).toList();
        if (!entries.isEmpty()) {
            chapters.add(new Chapter(title, entries));
        }
    }

    private Dictionary.DictionaryEntry entry(Definition definition) {
        return switch (definition) {
            case ContentType type -> type(type);
            case Taxonomy taxonomy -> taxonomy(taxonomy);
            case SharedGroup group ->
                new Dictionary.DictionaryEntry(
                        group.id(),
                        group.title(),
                        group.description(),
                        keyed(group, users(group.id())),
                        List.of(fields("Fields", "", group.fields())));
            case ChoiceList list ->
                new Dictionary.DictionaryEntry(
                        list.id(),
                        list.title(),
                        list.description(),
                        keyed(list, List.of()),
                        List.of(new Dictionary.DictionaryTable(
                                "Options",
                                "",
                                List.of("Label", "Key", "Offered"),
                                list.options().stream()
                                        .map(option ->
                                                row(0, option.label(), option.key(), option.retired() ? "no" : "yes"))
                                        .toList())));
            case SiteValues values ->
                new Dictionary.DictionaryEntry(
                        values.id(),
                        values.title(),
                        values.description(),
                        keyed(values, List.of()),
                        sections(values.sections()));
            case Layout layout ->
                new Dictionary.DictionaryEntry(
                        layout.id(),
                        layout.title(),
                        layout.description(),
                        keyed(layout, shows(layout)),
                        new BlockTable(model).of(layout.blocks()));
            case PagePart part ->
                new Dictionary.DictionaryEntry(
                        part.id(),
                        part.title(),
                        part.description(),
                        keyed(part, List.of()),
                        new BlockTable(model).of(part.blocks()));
            case Listing listing -> listing(listing);
            case Look look -> look(look);
        };
    }

    private List<Fact> shows(Layout layout) {
        var facts = new ArrayList<Fact>();
        add(facts, "Shows", layout.type().isEmpty() ? "the home page" : kinds.name(layout.type()));
        add(facts, "As", layout.use().code());
        if (!layout.where().equals(Condition.ALWAYS)) {
            add(facts, "Those where", conditions.of(layout.where()));
        }
        return facts;
    }

    private Dictionary.DictionaryEntry listing(Listing listing) {
        var facts = new ArrayList<Fact>();
        add(facts, "Lists", kinds.name(listing.type()));
        if (!listing.where().equals(Condition.ALWAYS)) {
            add(facts, "Those where", conditions.of(listing.where()));
        }
        add(facts, "At most", String.valueOf(listing.limit()));
        return new Dictionary.DictionaryEntry(
                listing.id(), listing.title(), listing.description(), keyed(listing, facts), List.of());
    }

    private Dictionary.DictionaryEntry look(Look look) {
        var facts = new ArrayList<Fact>();
        add(facts, "Text", look.text().code().replace('_', ' ') + ", " + look.size() + " px");
        add(
                facts,
                "Headings",
                look.headings().code().replace('_', ' ') + ", " + look.scale().code());
        LookColours.all(look.colours()).forEach(each -> add(facts, "Colour " + each.name(), each.colour()));
        add(facts, "Header", look.header().code());
        add(
                facts,
                "Navigation",
                look.navigation().stream()
                        .map(link -> link.label().isEmpty() ? kinds.name(link.to()) : link.label())
                        .collect(Collectors.joining(", ")));
        add(facts, "Style of its own", look.style().isEmpty() ? "none" : look.style());
        return new Dictionary.DictionaryEntry(
                look.id(),
                look.title(),
                look.description(),
                keyed(look, facts),
                look.footer().isEmpty() ? List.of() : new BlockTable(model).of(look.footer()));
    }

    private static List<Fact> keyed(Definition definition, List<Fact> more) {
        var facts = new ArrayList<Fact>();
        add(facts, "Key", definition.key());
        facts.addAll(more);
        return facts;
    }

    private List<Fact> users(String groupId) {
        var users = model.definitions().stream()
                .filter(each -> switch (each) {
                    case ContentType type -> uses(type.sections(), groupId);
                    case Taxonomy taxonomy -> uses(taxonomy.sections(), groupId);
                    case SiteValues values -> uses(values.sections(), groupId);
                    default -> false;
                })
                .map(Definition::name)
                .collect(Collectors.joining(", "));
        return List.of(new Fact("Used by", users.isEmpty() ? "nothing yet" : users));
    }

    private static boolean uses(List<Section> sections, String groupId) {
        return Section.uses(sections).stream().anyMatch(use -> use.group().equals(groupId));
    }

    private Dictionary.DictionaryEntry type(ContentType type) {
        var facts = new ArrayList<Fact>();
        add(facts, "Plural", type.plural());
        add(facts, "Address", type.publishing().visible() ? "/" + type.path() : "no public pages");
        add(
                facts,
                "Parts",
                type.parts().stream().map(part -> type.partField(part).label()).collect(Collectors.joining(", ")));
        add(
                facts,
                "Classified by",
                type.taxonomies().stream()
                        .map(use -> kinds.name(use.taxonomy())
                                + (use.required() ? " (needed)" : "")
                                + (use.max() == null ? "" : " (at most " + use.max() + ")"))
                        .collect(Collectors.joining(", ")));
        add(
                facts,
                "Stands under",
                type.nesting().under().stream().map(kinds::name).collect(Collectors.joining(", ")));
        add(facts, "Linked from", linkedFrom(type));
        add(facts, "In the API", type.publishing().api() ? "yes" : "no");
        return new Dictionary.DictionaryEntry(
                type.id(), type.singular(), type.description(), keyed(type, facts), sections(type.sections()));
    }

    /** The relations of other types that point here. */
    private String linkedFrom(ContentType type) {
        return model.types().stream()
                .flatMap(other -> other.fields()
                        .flatMap(Field::withInner)
                        .filter(field -> field.kind() instanceof Kind.Relation relation
                                && relation.to().contains(type.id()))
                        .map(field -> other.singular() + " (" + field.label() + ")"))
                .collect(Collectors.joining(", "));
    }

    private Dictionary.DictionaryEntry taxonomy(Taxonomy taxonomy) {
        var facts = new ArrayList<Fact>();
        add(facts, "Plural", taxonomy.plural());
        add(facts, "Address", "/" + taxonomy.path());
        add(facts, "Shape", taxonomy.hierarchical() ? "terms may stand below others" : "flat");
        add(
                facts,
                "Classifies",
                model.types().stream()
                        .filter(type -> type.taxonomies().stream()
                                .anyMatch(use -> use.taxonomy().equals(taxonomy.id())))
                        .map(ContentType::singular)
                        .collect(Collectors.joining(", ")));
        var tables = new ArrayList<Dictionary.DictionaryTable>();
        if (!taxonomy.fields().isEmpty()) {
            tables.add(fields("What each term holds", "", taxonomy.fields()));
        }
        tables.addAll(sections(taxonomy.sections()));
        if (!taxonomy.terms().isEmpty()) {
            var rows = new ArrayList<Dictionary.DictionaryRow>();
            taxonomy.terms().forEach(term -> terms(term, 0, rows));
            tables.add(new Dictionary.DictionaryTable("Starter terms", "", List.of("Term", "Key"), rows));
        }
        return new Dictionary.DictionaryEntry(
                taxonomy.id(), taxonomy.singular(), taxonomy.description(), keyed(taxonomy, facts), tables);
    }

    private static void terms(Term term, int depth, List<Dictionary.DictionaryRow> rows) {
        rows.add(row(depth, term.label(), term.key()));
        term.children().forEach(child -> terms(child, depth + 1, rows));
    }

    private List<Dictionary.DictionaryTable> sections(List<Section> sections) {
        return sections.stream()
                .map(section -> switch (section) {
                    case Group group ->
                        fields(group.title(), intro(group.description(), group.showWhen()), group.fields());
                    case GroupUse use ->
                        new Dictionary.DictionaryTable(
                                kinds.name(use.group()),
                                intro("", use.showWhen()),
                                List.of("Shared group"),
                                List.of(new Dictionary.DictionaryRow(
                                        0, use.group(), List.of(kinds.name(use.group())))));
                })
                .toList();
    }

    private String intro(String description, Condition shown) {
        if (shown.equals(Condition.ALWAYS)) {
            return description;
        }
        return (description + " Shown when " + conditions.of(shown) + ".").strip();
    }

    private Dictionary.DictionaryTable fields(String title, String intro, List<Field> fields) {
        var rows = new ArrayList<Dictionary.DictionaryRow>();
        fields.forEach(field -> field(field, 0, rows));
        return new Dictionary.DictionaryTable(title, intro, FIELD_COLUMNS, rows);
    }

    private void field(Field field, int depth, List<Dictionary.DictionaryRow> rows) {
        var limits = kinds.limits(field);
        if (!field.showWhen().equals(Condition.ALWAYS)) {
            limits = (limits.isEmpty() ? "" : limits + "; ") + "shown when " + conditions.of(field.showWhen());
        }
        if (!field.api()) {
            limits = (limits.isEmpty() ? "" : limits + "; ") + "not in the API";
        }
        rows.add(row(
                depth,
                field.label(),
                field.key(),
                kinds.kind(field),
                field.required() ? "yes" : "",
                limits,
                field.help()));
        field.inner().forEach(inner -> field(inner, depth + 1, rows));
    }

    private static Dictionary.DictionaryRow row(int depth, String... cells) {
        return new Dictionary.DictionaryRow(depth, "", List.of(cells));
    }

    private static void add(List<Fact> facts, String name, String text) {
        if (!text.isEmpty()) {
            facts.add(new Fact(name, text));
        }
    }
}
