package org.jontrel.serve.content;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jontrel.core.generate.api.ApiEntity;
import org.jontrel.core.generate.openapi.OpenApiCode;
import org.jontrel.core.model.Field;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.serve.site.ServedSites;
import org.jontrel.serve.web.Refusal;
import org.jontrel.site.record.read.BadQuery;
import org.jontrel.site.record.read.ListQuery;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/**
 * What programs read of a site: published records, terms and site values, of what the definitions give to the API. Answers
 * carry an ETag; errors are problem details (RFC 9457).
 */
@RestController
@RequestMapping("/at/{site}/api")
class ContentController {
    private static final int PAGE = 20;
    private final Callers callers;
    private final ServedSites sites;

    ContentController(Callers callers, ServedSites sites) {
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
                        ApiEntity.segment(recordType), "/at/" + site + "/api/" + ApiEntity.segment(recordType)));
        return call.answer(Map.of("openapi", "/at/" + site + "/api/openapi.json", "links", links));
    }

    @GetMapping("/openapi.json")
    ResponseEntity<String> description(@PathVariable String site, HttpServletRequest request) {
        var call = callers.of(site, request);
        var installed = call.engine().installed();
        var recordTypes = installed.tables().values().stream()
                .map(table -> table.recordType())
                .toList();
        return call.answer(
                new OpenApiCode(sites.get(site).name(), installed.version(), "/at/" + site + "/api").tree(recordTypes));
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
                    ContentQuery.condition(recordType, asked.getOrDefault("filter", "")),
                    asked.getOrDefault("search", ""),
                    ContentQuery.sorts(recordType, asked.getOrDefault("sort", "")),
                    Optional.ofNullable(asked.get("after")).filter(each -> !each.isEmpty()),
                    ContentQuery.number(asked.getOrDefault("limit", String.valueOf(PAGE))),
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
    static Field field(RecordType recordType, String key) {
        return recordType
                .fields()
                .filter(field -> field.key().equals(key) && field.api())
                .findFirst()
                .orElseThrow(() -> new BadQuery("There is no field " + key + " in " + recordType.singular() + "."));
    }
}
