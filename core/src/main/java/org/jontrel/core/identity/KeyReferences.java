package org.jontrel.core.identity;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.jontrel.core.format.Shapes;
import org.jontrel.core.model.ChoiceList;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Head;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Layout;
import org.jontrel.core.model.Listing;
import org.jontrel.core.model.Look;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.PagePart;
import org.jontrel.core.model.SharedGroup;
import org.jontrel.core.model.SiteValues;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.model.Term;
import org.jontrel.core.model.block.Block;
import org.jontrel.core.model.block.BlockKind;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.reach.ModelNames;
import org.jontrel.core.reach.ValueScope;
import org.jontrel.core.shape.Mapper;

/**
 * Keys for ids and ids for keys. Files refer by key, the model by id; a word that points nowhere stays as it is, so
 * that nothing is lost and the checker can name it.
 */
public final class KeyReferences {
    private final Model model;
    private final ModelNames names;
    private final Map<String, FieldScope> scopes = new HashMap<>();

    public KeyReferences(Model model) {
        this.model = model;
        names = new ModelNames(model);
    }

    /** The model with ids where its references were keys. */
    public Model toIds() {
        return mapped(true);
    }

    /** The model with keys where its references were ids. */
    public Model toKeys() {
        return mapped(false);
    }

    /** A definition of the model with keys where its references were ids. */
    public <D extends Definition> D toKeys(D definition) {
        return Shapes.of(definition).map(definition, new Translator(false, null, null));
    }

    /** A definition, as if it were of the model, with ids where its references were keys. */
    public <D extends Definition> D toIds(D definition) {
        return Shapes.of(definition).map(definition, new Translator(true, null, null));
    }

    private Model mapped(boolean toIds) {
        var translator = new Translator(toIds, null, null);
        var all = new ArrayList<Definition>(model.definitions().size());
        for (var definition : model.definitions()) {
            all.add(map(definition, translator));
        }
        return new Model(all);
    }

    private static <D extends Definition> D map(D definition, Translator translator) {
        return Shapes.of(definition).map(definition, translator);
    }

    /** The definition that a key, or else an id, names. */
    private Definition find(Definition.Sort sort, String word) {
        return names.find(sort, word).orElse(null);
    }

    private FieldScope scope(Definition definition) {
        return scopes.computeIfAbsent(
                definition.id(), _ -> new FieldScope(fields(definition).toList(), null));
    }

    /** The fields that a definition's references can mean. */
    private Stream<Field> fields(Definition definition) {
        return switch (definition) {
            case Layout layout -> fieldsOf(layout.type());
            case PagePart part -> fieldsOf(part.type());
            case Listing listing -> fieldsOf(listing.type());
            case Look _ -> Stream.empty();
            case ContentType _, Taxonomy _, SharedGroup _, SiteValues _, ChoiceList _ -> names.fields(definition);
        };
    }

    private Stream<Field> fieldsOf(String word) {
        return names.records(word).stream()
                .flatMap(each -> each instanceof Taxonomy
                        ? Stream.concat(Stream.of(Taxonomy.LABEL), names.fields(each))
                        : names.fields(each));
    }

    /** From where the blocks of a definition name values; {@code null} where it has none. */
    private ValueScope valueScope(Definition definition) {
        return switch (definition) {
            case Layout layout -> valueScope(layout.type());
            case PagePart part -> valueScope(part.type());
            case Listing listing -> valueScope(listing.type());
            case Look _ -> ValueScope.records(names, List.of());
            case ContentType type
            when !type.index().columns().isEmpty() || !type.head().equals(Head.PLAIN) ->
                ValueScope.records(names, List.of(type));
            case Taxonomy taxonomy
            when !taxonomy.head().equals(Head.PLAIN) -> ValueScope.records(names, List.of(taxonomy));
            case ContentType _, Taxonomy _, SharedGroup _, SiteValues _, ChoiceList _ -> null;
        };
    }

    private ValueScope valueScope(String word) {
        return ValueScope.records(names, names.records(word).stream().toList());
    }

    /** Fields that can be named from one place: those beside it, then those around. */
    private static final class FieldScope {
        private final FieldScope outer;
        private final Map<String, Field> byKey = new HashMap<>();
        private final Map<String, Field> byPath = new HashMap<>();
        private final Map<String, Field> byId = new HashMap<>();
        private final Map<String, String> paths = new HashMap<>();

        FieldScope(List<Field> fields, FieldScope outer) {
            this.outer = outer;
            fields.forEach(field -> byKey.putIfAbsent(field.key(), field));
            fields.forEach(field -> add(field, ""));
        }

        private void add(Field field, String before) {
            var path = before + field.key();
            byPath.putIfAbsent(path, field);
            byId.putIfAbsent(field.id(), field);
            paths.putIfAbsent(field.id(), path);
            field.inner().forEach(inner -> add(inner, path + "."));
        }

        private FieldScope root() {
            return outer == null ? this : outer.root();
        }

        Field find(String word) {
            var field = byKey.get(word);
            if (field != null) {
                return field;
            }
            if (outer != null) {
                return outer.find(word);
            }
            var pathed = byPath.get(word);
            return pathed != null ? pathed : byId.get(word);
        }

        /** The shortest word that means this field here, or its id where none does. */
        String word(String id) {
            var field = byId(id);
            if (field == null) {
                return id;
            }
            if (find(field.key()) == field) {
                return field.key();
            }
            var path = root().paths.get(id);
            return path != null && find(path) == field ? path : id;
        }

        private Field byId(String id) {
            var field = byId.get(id);
            return field != null || outer == null ? field : outer.byId(id);
        }
    }

    private final class Translator implements Mapper {
        private final boolean toIds;
        private final FieldScope scope;
        private final ValueScope values;

        Translator(boolean toIds, FieldScope scope, ValueScope values) {
            this.toIds = toIds;
            this.scope = scope;
            this.values = values;
        }

        @Override
        public Mapper enter(Object thing) {
            return thing instanceof Definition definition
                    ? new Translator(toIds, scope(definition), valueScope(definition))
                    : this;
        }

        @Override
        public Mapper inside(Object thing) {
            return switch (thing) {
                case Field field
                when !field.inner().isEmpty() -> new Translator(toIds, new FieldScope(field.inner(), scope), values);
                case Block block when values != null -> inside(block.kind());
                default -> this;
            };
        }

        private Translator inside(BlockKind kind) {
            var inside = values.inside(kind).orElse(values);
            return inside == values
                    ? this
                    : new Translator(
                            toIds,
                            new FieldScope(inside.fields(), inside.around().isEmpty() ? null : scope),
                            inside);
        }

        @Override
        public String reference(Mapper.ReferenceTarget target, String word) {
            return switch (target) {
                case TYPE -> definition(Definition.Sort.TYPE, word);
                case TAXONOMY -> definition(Definition.Sort.TAXONOMY, word);
                case GROUP -> definition(Definition.Sort.GROUP, word);
                case LIST -> definition(Definition.Sort.LIST, word);
                case LAYOUT -> definition(Definition.Sort.LAYOUT, word);
                case LISTING -> definition(Definition.Sort.LISTING, word);
                case PART -> definition(Definition.Sort.PART, word);
                case RECORDS -> records(word);
                case FIELD, INNER_FIELD -> field(word);
                case FIELD_OR_TAXONOMY -> {
                    var asField = field(word);
                    yield asField.equals(word) ? definition(Definition.Sort.TAXONOMY, word) : asField;
                }
                case VALUE -> values == null ? word : toIds ? values.toIds(word) : values.toKeys(word);
            };
        }

        private String definition(Definition.Sort sort, String word) {
            var found = toIds ? find(sort, word) : names.byId(word).orElse(null);
            if (found == null || found.sort() != sort) {
                return word;
            }
            if (toIds) {
                return found.id();
            }
            return find(sort, found.key()) == found ? found.key() : word;
        }

        private String records(String word) {
            var found = toIds ? names.records(word) : names.byId(word);
            if (found.isEmpty()) {
                return word;
            }
            var id = found.get().id();
            return toIds
                    ? id
                    : names.records(found.get().key())
                                    .filter(found.get()::equals)
                                    .isPresent()
                            ? found.get().key()
                            : id;
        }

        private String field(String word) {
            if (scope == null) {
                return word;
            }
            if (!toIds) {
                return scope.word(word);
            }
            var found = scope.find(word);
            return found == null ? word : found.id();
        }

        @Override
        public Condition comparison(Condition comparison) {
            return switch (comparison) {
                case Condition.FieldIs(String field, Condition.Test test, List<String> values) -> {
                    var found = scope == null ? null : toIds ? scope.find(field) : scope.byId(field);
                    var translated = test == Condition.Test.FILLED || found == null
                            ? values
                            : values.stream()
                                    .map(value -> value(found.kind(), value))
                                    .toList();
                    yield new Condition.FieldIs(field(field), test, translated);
                }
                case Condition.TermIs(String taxonomy, Condition.Test test, List<String> values) -> {
                    var translated = test == Condition.Test.FILLED
                            ? values
                            : values.stream()
                                    .map(value -> term(taxonomy, value))
                                    .toList();
                    yield new Condition.TermIs(definition(Definition.Sort.TAXONOMY, taxonomy), test, translated);
                }
                case Condition.ParentIs(List<String> types) ->
                    new Condition.ParentIs(types.stream()
                            .map(type -> definition(Definition.Sort.TYPE, type))
                            .toList());
                case Condition.All _, Condition.Any _, Condition.Not _, Condition.StateIs _, Condition.AddressIs _ ->
                    comparison;
            };
        }

        @Override
        public String fallback(Field field) {
            return value(field.kind(), field.fallback());
        }

        @Override
        public Map<String, String> values(Map<String, String> values) {
            var translated = new TreeMap<String, String>();
            values.forEach((word, value) -> {
                var found = scope == null ? null : toIds ? scope.find(word) : scope.byId(word);
                translated.put(field(word), found == null ? value : value(found.kind(), value));
            });
            return translated;
        }

        /** The key or id of an option or term; any other value as it is. */
        private String value(Kind kind, String word) {
            return switch (kind) {
                case Kind.Choice choice -> option(choice, word);
                case Kind.TermPick pick -> term(pick.taxonomy(), word);
                case Kind.Plain _, Kind.Reference _, Kind.Nested _, Kind.Note _ -> word;
            };
        }

        private String option(Kind.Choice choice, String word) {
            var options = find(Definition.Sort.LIST, choice.list()) instanceof ChoiceList list
                    ? list.options()
                    : choice.options();
            for (var option : options) {
                if ((toIds ? option.key() : option.id()).equals(word)) {
                    return toIds ? option.id() : option.key();
                }
            }
            return word;
        }

        private String term(String taxonomyWord, String word) {
            if (!(find(Definition.Sort.TAXONOMY, taxonomyWord) instanceof Taxonomy taxonomy)) {
                return word;
            }
            return taxonomy.allTerms()
                    .filter(term -> (toIds ? term.key() : term.id()).equals(word))
                    .findFirst()
                    .map(toIds ? Term::id : Term::key)
                    .orElse(word);
        }
    }
}
