package org.jontrel.core.page;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Listing;
import org.jontrel.core.reach.ValueWay;
import org.jontrel.core.value.Link;
import org.jontrel.core.value.Row;
import org.jontrel.core.value.kind.RichTextValues;

/** Made-up data in which every formatted text holds what can stand in it. */
final class TextedData implements PageData {
    private static final int WAYS = 12;
    private final PageModel model;
    private final PageData all;

    TextedData(PageModel model, PageData all) {
        this.model = model;
        this.all = all;
    }

    @Override
    public String siteName() {
        return all.siteName();
    }

    @Override
    public Optional<PageRecord> record(Link link) {
        return all.record(link)
                .map(record -> record.withValues(texted(
                        model.recordType(link.type()).orElseThrow().fields().toList(), record.values(), link.type())));
    }

    private Map<String, Object> texted(List<Field> fields, Map<?, ?> values, String type) {
        var texted = new LinkedHashMap<String, Object>();
        for (var field : fields) {
            var value = values.get(field.id());
            if (value != null) {
                texted.put(field.id(), texted(field, value, type));
            }
        }
        return texted;
    }

    private Object texted(Field field, Object value, String type) {
        return switch (value) {
            case List<?> list ->
                new ArrayList<Object>(
                        list.stream().map(each -> texted(field, each, type)).toList());
            case Row row -> new Row(row.id(), texted(field.inner(), row.values(), type));
            case Map<?, ?> group -> texted(field.inner(), group, type);
            case String _ when field.kind() instanceof Kind.RichText kind -> RichTextValues.clean(kind, text(type));
            default -> value;
        };
    }

    /** A line for each value, and all listings. */
    private String text(String type) {
        var ways = ValueWay.all(model.scope(List.of(type)), 3, 2_000).stream()
                .filter(ValueWay::fitsIntoText)
                .limit(WAYS)
                .map(way -> "<p>" + way.path() + ": <span data-value=\"" + way.path() + "\"></span></p>");
        var listings = model.model().all(Listing.class).stream()
                .map(listing -> "<div data-listing=\"" + listing.id() + "\"></div>");
        return java.util.stream.Stream.concat(ways, listings).collect(Collectors.joining());
    }

    @Override
    public List<Link> list(Link of, String list) {
        return all.list(of, list);
    }

    @Override
    public Optional<PageFile> file(long id) {
        return all.file(id);
    }
}
