package org.jontrel.core.stage;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jontrel.core.code.Decision;
import org.jontrel.core.model.Model;
import org.jontrel.core.move.RecordProposals;
import org.jontrel.core.plan.SourceProposal;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.retype.TypeProposals;

/**
 * The way of a site that is several releases behind. Each release brings answers for what it changes, so a site is taken through
 * all of them in turn; releases behind one another that touch different things are reached in one run, which gives the same.
 */
public final class Stages {
    private static final Set<Decision.Action> NAMING =
            Set.of(Decision.Action.GATHER, Decision.Action.UNITE, Decision.Action.FILL, Decision.Action.MATCH);
    private static final Pattern KEY = Pattern.compile("[a-z][a-z0-9_]*");

    private Stages() {}

    /** A release on the way, with the answers that are kept with it and with none before it. */
    public record ReleaseOnWay(String version, Model model, List<Decision> decisions) {}

    /** What is run at once: to a release, with the answers in force. */
    public record Stage(String version, Model model, List<Decision> decisions) {}

    /**
     * The runs that lead over some releases, in their order.
     *
     * @param installed what the site has
     * @param way releases behind it, oldest first, up to the one wanted
     */
    public static List<Stage> of(Model installed, List<ReleaseOnWay> way) {
        var stages = new ArrayList<Stage>();
        var open = new ArrayList<Hop>();
        var before = installed;
        for (var release : way) {
            var hop = new Hop(before, release, Touched.between(before, release.model()));
            if (!open.isEmpty() && !joins(open, hop)) {
                stages.add(stage(open));
                open.clear();
            }
            open.add(hop);
            before = release.model();
        }
        if (!open.isEmpty()) {
            stages.add(stage(open));
        }
        return stages;
    }

    private record Hop(Model from, ReleaseOnWay release, Touched touched) {}

    private static boolean joins(List<Hop> open, Hop hop) {
        return open.stream().allMatch(each -> each.touched().isApartFrom(hop.touched()) && !retypes(each))
                && !retypes(hop)
                && hop.release().decisions().stream().allMatch(decision -> readsTheSame(decision, open, hop))
                && proposesTheSame(open, hop);
    }

    /** Whether records become those of other types: much follows them, so that such a release stands alone. */
    private static boolean retypes(Hop hop) {
        return hop.release().decisions().stream().anyMatch(each -> each.about() == Decision.Topic.RECORD_TYPE)
                || !new TypeProposals(hop.from(), hop.release().model()).all().isEmpty();
    }

    /** An answer may name other fields, which are read as they are before its release: there they must be as before all of them. */
    private static boolean readsTheSame(Decision decision, List<Hop> open, Hop hop) {
        if (!NAMING.contains(decision.answer())) {
            return true;
        }
        var named =
                KEY.matcher(decision.value()).results().map(MatchResult::group).collect(Collectors.toSet());
        var first = keys(open.getFirst().from());
        // where its records stand, or how they are reached, says nothing of the values that come from them
        var types = RecordType.all(hop.from()).stream().map(RecordType::id).collect(Collectors.toSet());
        return keys(hop.from()).entrySet().stream()
                .filter(field -> named.contains(field.getValue()))
                .allMatch(field -> field.getValue().equals(first.get(field.getKey()))
                        && (types.contains(field.getKey())
                                || open.stream()
                                        .noneMatch(each -> each.touched().has(field.getKey()))));
    }

    private static Map<String, String> keys(Model model) {
        var keys = new HashMap<String, String>();
        RecordType.all(model).forEach(recordType -> {
            keys.put(recordType.id(), recordType.key());
            recordType.byId().values().forEach(field -> keys.put(field.id(), field.key()));
        });
        return keys;
    }

    /** What goes in one release may be proposed for what comes in another, which nobody would ask who goes step by step. */
    private static boolean proposesTheSame(List<Hop> open, Hop hop) {
        var each = new HashMap<String, Set<String>>();
        Stream.concat(open.stream(), Stream.of(hop))
                .forEach(one -> each.putAll(proposals(one.from(), one.release().model())));
        return each.equals(proposals(open.getFirst().from(), hop.release().model()));
    }

    /** By what is new, ids of what could come to it. */
    private static Map<String, Set<String>> proposals(Model from, Model to) {
        var all = new HashMap<>(SourceProposal.all(from, to));
        new RecordProposals(from, to)
                .all()
                .forEach((id, some) -> all.merge(
                        id,
                        some.stream()
                                .flatMap(each -> each.rule().matched().keySet().stream())
                                .collect(Collectors.toSet()),
                        (one, other) ->
                                Stream.concat(one.stream(), other.stream()).collect(Collectors.toSet())));
        return all;
    }

    /**
     * Of what a release touches, its own answers stand; later ones count only where there is no other, and earlier ones not at all. Answers of releases
     * that the site has already were to other questions, however much alike.
     */
    private static Stage stage(List<Hop> hops) {
        var all = new ArrayList<Decision>();
        for (int i = 0; i < hops.size(); i++) {
            for (var decision : hops.get(i).release().decisions()) {
                var question = new AskedOf(decision.fieldId(), decision.about());
                int touches = touching(hops, decision.fieldId());
                boolean early = i < touches;
                boolean late = touches >= 0 && i > touches;
                if (!early && !(late && isAnswered(all, question))) {
                    all.add(decision);
                }
            }
        }
        var last = hops.getLast().release();
        return new Stage(last.version(), last.model(), all);
    }

    private record AskedOf(String fieldId, Decision.Topic about) {}

    private static boolean isAnswered(List<Decision> all, AskedOf question) {
        return all.stream().anyMatch(each -> question.equals(new AskedOf(each.fieldId(), each.about())));
    }

    /** Which of the releases touches it; -1 for none of them. */
    private static int touching(List<Hop> hops, String id) {
        for (int i = 0; i < hops.size(); i++) {
            if (hops.get(i).touched().has(id)) {
                return i;
            }
        }
        return -1;
    }

    /** Versions that are stopped at on the way, without the last. */
    public static List<String> between(List<Stage> stages) {
        return stages.stream()
                .limit(Math.max(0, stages.size() - 1L))
                .map(Stage::version)
                .toList();
    }
}
