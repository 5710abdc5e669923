package org.jontrel.core.recordtype;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;

/** Which fields give a record the words that searching finds it by. */
public final class SearchedFields {
    private SearchedFields() {}

    /**
     * What a field gives of words: where this is the same, so are the words of its values.
     *
     * @param options whose labels are among the words
     * @param api whether the words are found by those who read the content API
     */
    public record SearchSource(String kind, List<Kind.Option> options, boolean api) {}

    /** The fields of a record type that have words, by id, however deep they stand. */
    public static Map<String, SearchSource> of(RecordType recordType) {
        var sources = new LinkedHashMap<String, SearchSource>();
        add(recordType.fields().toList(), true, sources);
        return sources;
    }

    private static void add(List<Field> fields, boolean api, Map<String, SearchSource> sources) {
        for (var field : fields) {
            boolean open = api && field.api();
            switch (field.kind()) {
                case Kind.Nested _ -> add(field.inner(), open, sources);
                case Kind.Choice choice ->
                    sources.put(field.id(), new SearchSource(field.kind().code(), choice.options(), open));
                case Kind.Text _, Kind.LongText _, Kind.RichText _, Kind.Email _, Kind.Phone _, Kind.Url _ ->
                    sources.put(field.id(), new SearchSource(field.kind().code(), List.of(), open));
                case Kind.Numeric _,
                        Kind.YesNo _,
                        Kind.Date _,
                        Kind.Time _,
                        Kind.DateTime _,
                        Kind.Colour _,
                        Kind.Icon _,
                        Kind.Coordinates _,
                        Kind.Image _,
                        Kind.File _,
                        Kind.Relation _,
                        Kind.TermPick _,
                        Kind.Note _ -> {}
            }
        }
    }
}
