package org.jontrel.core.format;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.GroupUse;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.TaxonomyUse;
import org.jontrel.core.model.Term;
import org.jontrel.core.work.Deadline;

/** A thing, and where in its model it stands. {@code owner} is {@code null} for a definition. */
public record Located(Object thing, String key, Located owner, String slot, String behind, Definition definition) {
    public static Located of(Definition definition) {
        return new Located(definition, definition.id(), null, "", "", definition);
    }

    /** What is in one slot, in order; of things that cannot be told apart, the first. */
    public List<Located> items(String slotName) {
        var items = new ArrayList<Located>();
        var before = "";
        for (var item : Things.items(thing, slotName)) {
            var itemKey = Things.key(item, key);
            items.add(new Located(item, itemKey, this, slotName, before, definition));
            before = itemKey;
        }
        return items;
    }

    /** The names of the slots it has, in order. */
    public List<String> slots() {
        return Things.of(thing).properties().stream()
                .filter(property -> property.slot() != null)
                .map(property -> property.name())
                .toList();
    }

    /** Everything in some definitions by what tells it apart, each thing before what it holds. */
    public static Map<String, Located> index(List<Definition> definitions) {
        var index = new LinkedHashMap<String, Located>();
        definitions.forEach(definition -> Located.of(definition).addTo(index));
        return index;
    }

    private void addTo(Map<String, Located> index) {
        Deadline.check();
        index.putIfAbsent(key, this);
        slots().forEach(name -> items(name).forEach(item -> item.addTo(index)));
    }

    /** What the values of a field are held in: the definition, or the field around it. */
    public String recordType() {
        var at = owner;
        while (at != null && at.owner != null && !(at.thing instanceof Field)) {
            at = at.owner;
        }
        return at == null ? "" : at.key;
    }

    /** What people call it; a thing in use by the name of what is used. */
    public String label(Model model) {
        return switch (thing) {
            case GroupUse use -> name(model, use.group());
            case TaxonomyUse use -> name(model, use.taxonomy());
            case Definition each -> each.name();
            default -> Things.shape(thing).label(thing);
        };
    }

    private static String name(Model model, String id) {
        return model.definition(id).map(Definition::name).orElse(id);
    }

    /** The label of the field or term that holds it, or empty. */
    public String ownerLabel(Model model) {
        var within = owner != null && (owner.thing instanceof Field || owner.thing instanceof Term);
        return within ? owner.label(model) : "";
    }

    /** What sort of thing it is, in words. */
    public String level() {
        return switch (thing) {
            case Definition each -> each.sort().noun();
            case Field _ -> "field";
            default -> Things.of(thing).title();
        };
    }
}
