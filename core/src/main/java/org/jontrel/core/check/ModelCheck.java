package org.jontrel.core.check;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Ids;
import org.jontrel.core.model.Keys;
import org.jontrel.core.model.Model;

/** Whether a model holds together: everything that would break a form, a page or a site later, said now. */
public final class ModelCheck {
    static final int LONGEST_NAME = 200;
    static final int LONGEST_PROSE = 4_000;

    /** Path segments that the public site uses for itself. */
    private static final Set<String> SITE_PATHS = Set.of("media", "api", "assets", "search", "feed");

    private final Model model;
    private final List<Finding> findings = new ArrayList<>();
    private final Map<String, String> idOwners = new HashMap<>();

    private ModelCheck(Model model) {
        this.model = model;
    }

    /** All findings, worst first. */
    public static List<Finding> check(Model model) {
        return new ModelCheck(model).run();
    }

    private List<Finding> run() {
        unique(ContentType::key, Code.KEY_TWICE, "key");
        unique(ContentType::path, Code.PATH_TWICE, "path");
        for (var type : model.types()) {
            checkNames(type);
            claim(type.id(), Place.definition(type.id(), "id"), type.singular());
            findings.addAll(new TypeCheck(type, this::claim).run());
        }
        findings.sort(Finding.WORST_FIRST);
        return List.copyOf(findings);
    }

    private void checkNames(ContentType type) {
        var names = new NameCheck(findings, property -> Place.definition(type.id(), property));
        names.given("singular", type.singular());
        names.given("plural", type.plural());
        names.prose("description", type.description());
        if (!type.singular().isBlank() && type.singular().equalsIgnoreCase(type.plural())) {
            add(type, "plural", Code.NOUN_SAME, type.singular());
        }
        if (!Keys.isKey(type.key())) {
            add(type, "key", Code.KEY_INVALID, type.key(), Keys.fromLabel(type.key()));
        } else if (type.key().startsWith("jontrel")) {
            add(type, "key", Code.KEY_RESERVED, type.key());
        }
        if (!Keys.isPath(type.path())) {
            add(type, "path", Code.PATH_INVALID, type.path(), Keys.pathFrom(type.path()));
        } else if (SITE_PATHS.contains(type.path())) {
            add(type, "path", Code.PATH_RESERVED, type.path());
        }
    }

    private void unique(Function<ContentType, String> property, Code code, String name) {
        var first = new HashMap<String, ContentType>();
        for (var type : model.types()) {
            var other = first.putIfAbsent(property.apply(type), type);
            if (other != null) {
                add(type, name, code, property.apply(type), other.singular(), type.singular());
            }
        }
    }

    private void claim(String id, Place place, String owner) {
        if (!Ids.isId(id)) {
            findings.add(Finding.of(Code.ID_INVALID, place, id));
        }
        var other = idOwners.putIfAbsent(id, owner);
        if (other != null) {
            findings.add(Finding.of(Code.ID_TWICE, place, id, other, owner));
        }
    }

    private void add(ContentType type, String property, Code code, Object... arguments) {
        findings.add(Finding.of(code, Place.definition(type.id(), property), arguments));
    }
}
