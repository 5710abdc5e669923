package org.jontrel.core.value.kind;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.Kind;
import org.jontrel.core.value.Link;

/**
 * The value is a {@link Link}, sent as {@code {type, id}} with the id of the content type; where a relation leads to one
 * type only, the number of the record will do. Whether there is such a record, the site knows.
 */
record LinkValues(Kind.Relation kind) implements KindValues {
    @Override
    public KindValues.ReadValue read(Object raw, Where where) {
        var link = raw instanceof Map<?, ?> map
                ? link(String.valueOf(map.get("type")), String.valueOf(map.get("id")))
                : kind.to().size() == 1
                        ? link(kind.to().iterator().next(), String.valueOf(raw))
                        : Optional.<Link>empty();
        return link.map(KindValues.ReadValue::of)
                .orElseGet(() -> KindValues.ReadValue.not(where.finding(Code.VALUE_NOT_LINK)));
    }

    private static Optional<Link> link(String type, String id) {
        return Numbered.of(id).map(number -> new Link(type, number));
    }

    @Override
    public List<Finding> check(Object value, Where where) {
        return value instanceof Link link && !kind.to().contains(link.type())
                ? List.of(where.finding(Code.VALUE_LINK_TYPE))
                : List.of();
    }

    @Override
    public String show(Object value) {
        return value instanceof Link link ? String.valueOf(link.id()) : String.valueOf(value);
    }

    @Override
    public Object wire(Object value) {
        var link = (Link) value;
        var wire = new LinkedHashMap<String, Object>();
        wire.put("type", link.type());
        wire.put("id", link.id());
        return wire;
    }

    @Override
    public Optional<Object> fromText(String text) {
        return Optional.empty();
    }
}
