package org.jontrel.core.identity;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiPredicate;
import java.util.stream.Collectors;
import org.apache.commons.text.similarity.JaroWinklerSimilarity;
import org.jontrel.core.format.Things;
import org.jontrel.core.model.Block;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Model;
import org.jontrel.core.shape.Sense;
import org.jontrel.core.shape.WriteContext;

/**
 * Matches groups and blocks, which have no keys, by content and place together: first what is the same from either end,
 * then what is the same anywhere, then what says the same of itself, then what stands between the same neighbours and is
 * alike. Of several that are equally good none is taken, unless their places tell them apart.
 */
final class ContentMatching {
    private static final JaroWinklerSimilarity LIKENESS = new JaroWinklerSimilarity();

    /** Half of the fields are the same, or a text is mostly the same. */
    private static final double ALIKE = 0.5;

    private static final double ALIKE_TEXT = 0.7;

    private final Model model;
    private final Model earlier;
    private Map<String, ContentText> now;
    private Map<String, ContentText> before;

    ContentMatching(Model model, Model earlier) {
        this.model = model;
        this.earlier = earlier;
    }

    /** The key of a thing, where things of its class have one. */
    static Optional<String> key(Object thing) {
        return Things.of(thing).properties().stream()
                .filter(property -> property.sense() == Sense.NAME)
                .findFirst()
                .map(property -> String.valueOf(property.written(thing)));
    }

    /**
     * What a thing says, in words that mean the same in both models.
     *
     * @param all everything
     * @param itself what it says of itself, whatever it holds and whenever it is shown
     */
    private record ContentText(String all, String itself) {
        static final ContentText NONE = new ContentText("", "");
    }

    /** All that a thing says, in words that mean the same in both models. */
    String of(Object thing, boolean isNow) {
        return text(thing, isNow).all();
    }

    private ContentText text(Object thing, boolean isNow) {
        if (now == null) {
            now = texts(model);
            before = texts(earlier);
        }
        return (isNow ? now : before).getOrDefault(Identities.idOf(thing), ContentText.NONE);
    }

    private static Map<String, ContentText> texts(Model model) {
        var texts = new HashMap<String, ContentText>();
        for (var definition : new KeyReferences(model).toKeys().definitions()) {
            Things.within(definition, thing -> {
                if (thing instanceof Group || thing instanceof Block) {
                    var all = said(Things.shape(thing).write(thing, WriteContext.PLAIN));
                    texts.putIfAbsent(Identities.idOf(thing), new ContentText(all, itself(thing)));
                }
            });
        }
        return texts;
    }

    /** A tree as text, without ids. */
    private static String said(Object tree) {
        return switch (tree) {
            case Map<?, ?> map ->
                map.entrySet().stream()
                        .filter(entry -> !entry.getKey().equals("id"))
                        .map(entry -> entry.getKey() + ":" + said(entry.getValue()))
                        .collect(Collectors.joining(" ", "{", "}"));
            case List<?> list -> list.stream().map(ContentMatching::said).collect(Collectors.joining(" ", "[", "]"));
            default -> String.valueOf(tree);
        };
    }

    /** Adds pairs of things without keys, by the ids of the first. */
    void match(
            List<Object> items, List<Object> beside, Map<String, Object> pairs, BiPredicate<Object, Object> matchable) {
        if (items.stream().noneMatch(item -> item instanceof Group || item instanceof Block)) {
            return;
        }
        var run = new Run(items, beside, pairs, matchable);
        run.titles();
        run.ends();
        run.unique((item, isNow) -> of(item, isNow));
        run.unique((item, isNow) -> text(item, isNow).itself());
        run.gaps();
    }

    /** What a thing says of itself, whatever it holds and whenever it is shown. */
    private static String itself(Object thing) {
        return switch (thing) {
            case Group group -> "group " + group.title();
            case Block block ->
                "block " + block.sort() + " " + block.title() + " " + block.field() + " " + block.listing() + " "
                        + block.text();
            default -> "";
        };
    }

    private boolean alike(Object a, Object b) {
        return switch (a) {
            case Group group when b instanceof Group other -> alike(keys(group.fields()), keys(other.fields()));
            case Block block
            when b instanceof Block other && block.sort() == other.sort() ->
                switch (block.sort()) {
                    case FIELD, LISTING -> false;
                    case TEXT -> LIKENESS.apply(block.text(), other.text()) >= ALIKE_TEXT;
                    case STACK, COLUMNS ->
                        alike(
                                block.blocks().stream()
                                        .map(each -> text(each, true).itself())
                                        .toList(),
                                other.blocks().stream()
                                        .map(each -> text(each, false).itself())
                                        .toList());
                };
            default -> false;
        };
    }

    private static List<String> keys(List<Field> fields) {
        return fields.stream().map(Field::key).toList();
    }

    private static boolean alike(List<String> a, List<String> b) {
        var both = new HashSet<>(a);
        both.retainAll(new HashSet<>(b));
        var all = new HashSet<>(a);
        all.addAll(b);
        return !both.isEmpty() && both.size() >= ALIKE * all.size();
    }

    /** How a thing is told apart from others. */
    private interface ContentTrait {
        String of(Object thing, boolean isNow);
    }

    private final class Run {
        private final List<Object> items;
        private final List<Object> beside;
        private final Map<String, Object> pairs;
        private final BiPredicate<Object, Object> matchable;
        private final Map<Object, Integer> places = new IdentityHashMap<>();
        private final boolean[] taken;

        Run(List<Object> items, List<Object> beside, Map<String, Object> pairs, BiPredicate<Object, Object> matchable) {
            this.items = items;
            this.beside = beside;
            this.pairs = pairs;
            this.matchable = matchable;
            this.taken = new boolean[beside.size()];
            for (int i = 0; i < beside.size(); i++) {
                places.put(beside.get(i), i);
                taken[i] = pairs.containsValue(beside.get(i));
            }
        }

        private boolean paired(Object item) {
            return pairs.containsKey(Identities.idOf(item));
        }

        private boolean pair(Object item, Object known) {
            if (paired(item)
                    || taken[places.get(known)]
                    || item.getClass() != known.getClass()
                    || !matchable.test(item, known)) {
                return false;
            }
            pairs.put(Identities.idOf(item), known);
            taken[places.get(known)] = true;
            return true;
        }

        /** Groups of which both sides have the same, each once, are known by their titles. */
        void titles() {
            var titles = titles(items);
            var others = titles(beside);
            if (titles != null && others != null && titles.keySet().equals(others.keySet())) {
                titles.forEach((title, item) -> pair(item, others.get(title)));
            }
        }

        private static Map<String, Object> titles(List<Object> things) {
            var titles = new HashMap<String, Object>();
            for (var thing : things) {
                if (!(thing instanceof Group group) || titles.put(group.title(), thing) != null) {
                    return null;
                }
            }
            return titles;
        }

        /** What is the same from the beginning on, and from the end back. */
        void ends() {
            if (items.stream().allMatch(this::paired)) {
                return;
            }
            int most = Math.min(items.size(), beside.size());
            int first = 0;
            while (first < most && same(items.get(first), beside.get(first))) {
                first++;
            }
            for (int i = 1; i <= most - first; i++) {
                if (!same(items.get(items.size() - i), beside.get(beside.size() - i))) {
                    break;
                }
            }
        }

        private boolean same(Object item, Object known) {
            return pairs.get(Identities.idOf(item)) == known
                    || (of(item, true).equals(of(known, false)) && pair(item, known));
        }

        void unique(ContentTrait sign) {
            if (items.stream().allMatch(this::paired)) {
                return;
            }
            var left = new HashMap<String, List<Object>>();
            var right = new HashMap<String, List<Object>>();
            items.stream()
                    .filter(item -> !paired(item))
                    .forEach(item -> left.computeIfAbsent(sign.of(item, true), _ -> new ArrayList<>())
                            .add(item));
            beside.stream()
                    .filter(each -> !taken[places.get(each)])
                    .forEach(each -> right.computeIfAbsent(sign.of(each, false), _ -> new ArrayList<>())
                            .add(each));
            left.forEach((text, some) -> {
                var others = right.getOrDefault(text, List.of());
                if (some.size() == 1 && others.size() == 1) {
                    pair(some.getFirst(), others.getFirst());
                }
            });
        }

        /** Between the same neighbours, as many as there were, one after another, where each is alike. */
        void gaps() {
            for (int i = 0; i < items.size(); i++) {
                int from = i;
                while (i < items.size() && !paired(items.get(i))) {
                    i++;
                }
                if (i > from) {
                    gap(
                            items.subList(from, i),
                            from == 0 ? -1 : place(from - 1),
                            i == items.size() ? beside.size() : place(i));
                }
            }
        }

        private int place(int item) {
            return places.get(pairs.get(Identities.idOf(items.get(item))));
        }

        private void gap(List<Object> open, int after, int until) {
            if (after >= until) {
                return;
            }
            var known = beside.subList(after + 1, until).stream()
                    .filter(each -> !taken[places.get(each)])
                    .toList();
            if (known.size() != open.size()) {
                return;
            }
            for (int i = 0; i < open.size(); i++) {
                if (!alike(open.get(i), known.get(i)) && !itselfSame(open.get(i), known.get(i))) {
                    return;
                }
            }
            for (int i = 0; i < open.size(); i++) {
                pair(open.get(i), known.get(i));
            }
        }

        private boolean itselfSame(Object a, Object b) {
            return a.getClass() == b.getClass()
                    && text(a, true).itself().equals(text(b, false).itself());
        }
    }
}
