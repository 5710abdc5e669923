package org.jontrel.server.content;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jontrel.core.format.Shapes;
import org.jontrel.core.model.Condition;
import org.jontrel.core.model.Field;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.server.site.Sites;
import org.jontrel.server.web.Refusal;
import org.jontrel.site.record.read.BadQuery;
import org.jontrel.site.record.read.ListQuery;
import org.jontrel.site.record.read.SystemField;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.core.JacksonException;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/**
 * What programs read of a site: published records, terms and site values, of what the definitions give to the API. Answers
 * carry an ETag; errors are problem details (RFC 9457).
 */
@RestController
@RequestMapping("/at/{site}/api")
class ContentController {
    private static final int PAGE = 20;
    private static final int MOST = 100;
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private final Callers callers;
    private final Sites sites;

    ContentController(Callers callers, Sites sites) {
        this.callers = callers;
        this.sites = sites;
    }

    /** Everything there is to ask for, and where. */
    @GetMapping({"", "/"})
    ResponseEntity<String> contents(@PathVariable String site, HttpServletRequest request) {
        var call = callers.of(site, request);
        var links = new LinkedHashMap<String, Object>();
        call.engine().installed().tables().values().stream()
                .map(table -> table.recordType())
                .filter(call.audience()::reads)
                .forEach(recordType -> links.put(
                        ContentDescription.segment(recordType),
                        "/at/" + site + "/api/" + ContentDescription.segment(recordType)));
        return call.answer(Map.of("openapi", "/at/" + site + "/api/openapi.json", "links", links));
    }

    @GetMapping("/openapi.json")
    ResponseEntity<String> description(@PathVariable String site, HttpServletRequest request) {
        var call = callers.of(site, request);
        return call.answer(ContentDescription.of(
                site, sites.get(site).name(), call.engine().installed()));
    }

    @GetMapping("/values/{key}")
    ResponseEntity<String> values(@PathVariable String site, @PathVariable String key, HttpServletRequest request) {
        var call = callers.of(site, request);
        var recordType = call.recordType("values/" + key);
        var stored = call.engine().records().single(recordType.id());
        return call.answer(
                stored.<Object>map(record -> call.plain(recordType, record)).orElse(Map.of()));
    }

    @GetMapping("/taxonomies/{key}")
    ResponseEntity<String> terms(
            @PathVariable String site,
            @PathVariable String key,
            @RequestParam Map<String, String> asked,
            HttpServletRequest request) {
        return together(callers.of(site, request), call -> list(call, "taxonomies/" + key, asked));
    }

    @GetMapping("/taxonomies/{key}/{id}")
    ResponseEntity<String> term(
            @PathVariable String site,
            @PathVariable String key,
            @PathVariable String id,
            @RequestParam Map<String, String> asked,
            HttpServletRequest request) {
        return together(callers.of(site, request), call -> one(call, "taxonomies/" + key, id, asked));
    }

    @GetMapping("/{path}")
    ResponseEntity<String> records(
            @PathVariable String site,
            @PathVariable String path,
            @RequestParam Map<String, String> asked,
            HttpServletRequest request) {
        return together(callers.of(site, request), call -> list(call, path, asked));
    }

    @GetMapping("/{path}/{id}")
    ResponseEntity<String> record(
            @PathVariable String site,
            @PathVariable String path,
            @PathVariable String id,
            @RequestParam Map<String, String> asked,
            HttpServletRequest request) {
        return together(callers.of(site, request), call -> one(call, path, id, asked));
    }

    /** All of an answer is read in one transaction. */
    private static ResponseEntity<String> together(
            ContentCall call, Function<ContentCall, ResponseEntity<String>> answer) {
        return call.engine().together(() -> answer.apply(call));
    }

    private static ResponseEntity<String> list(ContentCall call, String segment, Map<String, String> asked) {
        var recordType = call.recordType(segment);
        known(asked, Set.of("filter", "search", "sort", "fields", "include", "limit", "after"));
        try {
            var query = new ListQuery(
                    condition(recordType, asked.getOrDefault("filter", "")),
                    asked.getOrDefault("search", ""),
                    sorts(recordType, asked.getOrDefault("sort", "")),
                    Optional.ofNullable(asked.get("after")).filter(each -> !each.isEmpty()),
                    number(asked.getOrDefault("limit", String.valueOf(PAGE))),
                    null,
                    call.audience());
            var page = call.engine().records().page(recordType.id(), query).orElseThrow();
            var count = call.engine().records().count(recordType.id(), query);
            var answer = new LinkedHashMap<String, Object>();
            answer.put("items", answers(call, asked).of(recordType, page.records(), fields(recordType, asked)));
            page.next().ifPresent(next -> answer.put("next", next));
            answer.put("total", count.records());
            answer.put("total_exact", count.exact());
            return call.answer(answer);
        } catch (BadQuery e) {
            throw Refusal.invalid(e.getMessage(), List.of());
        }
    }

    private static ResponseEntity<String> one(ContentCall call, String segment, String id, Map<String, String> asked) {
        var recordType = call.recordType(segment);
        known(asked, Set.of("fields", "include"));
        var record = call.record(recordType, id);
        try {
            return call.answer(answers(call, asked)
                    .of(recordType, List.of(record), fields(recordType, asked))
                    .getFirst());
        } catch (BadQuery e) {
            throw Refusal.invalid(e.getMessage(), List.of());
        }
    }

    private static void known(Map<String, String> asked, Set<String> names) {
        asked.keySet().stream()
                .filter(name -> !names.contains(name))
                .findFirst()
                .ifPresent(name -> {
                    throw Refusal.invalid(
                            "There is no parameter " + name + ". Possible are: "
                                    + names.stream().sorted().collect(Collectors.joining(", ")) + ".",
                            List.of());
                });
    }

    private static ContentViews answers(ContentCall call, Map<String, String> asked) {
        return call.answers(words(asked.getOrDefault("include", "")));
    }

    private static Set<String> words(String text) {
        return Arrays.stream(text.split(","))
                .map(String::strip)
                .filter(each -> !each.isEmpty())
                .collect(Collectors.toSet());
    }

    private static Set<String> fields(RecordType recordType, Map<String, String> asked) {
        var wanted = words(asked.getOrDefault("fields", ""));
        wanted.forEach(key -> field(recordType, key));
        return wanted;
    }

    /** A field that the API gives, by its key; one that is kept out of it is not there. */
    private static Field field(RecordType recordType, String key) {
        return recordType
                .fields()
                .filter(field -> field.key().equals(key) && field.api())
                .findFirst()
                .orElseThrow(() -> new BadQuery("There is no field " + key + " in " + recordType.singular() + "."));
    }

    private static List<ListQuery.SortOrder> sorts(RecordType recordType, String sort) {
        return Arrays.stream(sort.split(","))
                .filter(each -> !each.isBlank())
                .map(each -> {
                    var key = each.replaceFirst("^-", "");
                    var id = key.equals("updated_at")
                            ? SystemField.UPDATED_AT.field().id()
                            : field(recordType, key).id();
                    return new ListQuery.SortOrder(id, each.startsWith("-"));
                })
                .toList();
    }

    private static int number(String text) {
        if (!text.matches("[0-9]{1,4}") || Integer.parseInt(text) < 1 || Integer.parseInt(text) > MOST) {
            throw new BadQuery("A page has 1 to " + MOST + " records.");
        }
        return Integer.parseInt(text);
    }

    /** A condition with keys of fields, as people write it; only over what the API gives. */
    private static Condition condition(RecordType recordType, String text) {
        if (text.isBlank()) {
            return Condition.ALWAYS;
        }
        if (text.length() > 20_000) {
            throw new BadQuery("The filter is too long: it can have at most 20,000 characters.");
        }
        try {
            return Shapes.condition(JSON.readValue(text, new TypeReference<Object>() {}))
                    .map(condition -> resolved(recordType, condition))
                    .orElseThrow(() ->
                            new BadQuery("The filter is not a condition. Write it as a condition in a definition."));
        } catch (JacksonException e) {
            throw new BadQuery("The filter is not JSON: " + e.getOriginalMessage());
        }
    }

    private static Condition resolved(RecordType recordType, Condition condition) {
        return switch (condition) {
            case Condition.All(List<Condition> of) ->
                new Condition.All(
                        of.stream().map(each -> resolved(recordType, each)).toList());
            case Condition.Any(List<Condition> of) ->
                new Condition.Any(
                        of.stream().map(each -> resolved(recordType, each)).toList());
            case Condition.Not(Condition of) -> new Condition.Not(resolved(recordType, of));
            case Condition.FieldIs is ->
                new Condition.FieldIs(field(recordType, is.field()).id(), is.test(), is.values());
            case Condition.TermIs is ->
                new Condition.TermIs(field(recordType, is.taxonomy()).id(), is.test(), is.values());
            case Condition.ParentIs parent -> parent;
            case Condition.StateIs _ -> throw new BadQuery("The API returns published records only.");
        };
    }
}
