package org.jontrel.server.content;

import jakarta.servlet.http.HttpServletRequest;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jontrel.core.holder.Holder;
import org.jontrel.core.model.Condition;
import org.jontrel.core.model.Field;
import org.jontrel.core.shape.Shapes;
import org.jontrel.server.site.Sites;
import org.jontrel.server.web.Refusal;
import org.jontrel.site.Site;
import org.jontrel.site.record.BadQuery;
import org.jontrel.site.record.ListQuery;
import org.jontrel.site.record.Own;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
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
    private final Sites sites;
    private final RateLimit limit;

    ContentController(Sites sites, RateLimit limit) {
        this.sites = sites;
        this.limit = limit;
    }

    /** Everything there is to ask for, and where. */
    @GetMapping({"", "/"})
    ResponseEntity<String> contents(@PathVariable String site, HttpServletRequest request) {
        var engine = engine(site, request);
        var links = new LinkedHashMap<String, Object>();
        engine.installed().tables().values().stream()
                .map(table -> table.holder())
                .filter(Answers::inApi)
                .forEach(holder ->
                        links.put(Description.segment(holder), "/at/" + site + "/api/" + Description.segment(holder)));
        return answer(Map.of("openapi", "/at/" + site + "/api/openapi.json", "links", links), request);
    }

    @GetMapping("/openapi.json")
    ResponseEntity<String> description(@PathVariable String site, HttpServletRequest request) {
        var engine = engine(site, request);
        return answer(Description.of(site, sites.get(site).name(), engine.installed()), request);
    }

    @GetMapping("/values/{key}")
    ResponseEntity<String> values(@PathVariable String site, @PathVariable String key, HttpServletRequest request) {
        var engine = engine(site, request);
        var holder = holder(engine, "values/" + key);
        var stored = engine.records().single(holder.id());
        return answer(
                stored.<Object>map(record -> new Answers(site, engine, Set.of())
                                .of(holder, List.of(record), Set.of())
                                .getFirst())
                        .orElse(Map.of()),
                request);
    }

    @GetMapping("/taxonomies/{key}")
    ResponseEntity<String> terms(
            @PathVariable String site,
            @PathVariable String key,
            @RequestParam Map<String, String> asked,
            HttpServletRequest request) {
        return list(site, "taxonomies/" + key, asked, request);
    }

    @GetMapping("/taxonomies/{key}/{id}")
    ResponseEntity<String> term(
            @PathVariable String site,
            @PathVariable String key,
            @PathVariable String id,
            @RequestParam Map<String, String> asked,
            HttpServletRequest request) {
        return one(site, "taxonomies/" + key, id, asked, request);
    }

    @GetMapping("/{path}")
    ResponseEntity<String> records(
            @PathVariable String site,
            @PathVariable String path,
            @RequestParam Map<String, String> asked,
            HttpServletRequest request) {
        return list(site, path, asked, request);
    }

    @GetMapping("/{path}/{id}")
    ResponseEntity<String> record(
            @PathVariable String site,
            @PathVariable String path,
            @PathVariable String id,
            @RequestParam Map<String, String> asked,
            HttpServletRequest request) {
        return one(site, path, id, asked, request);
    }

    private ResponseEntity<String> list(
            String site, String segment, Map<String, String> asked, HttpServletRequest request) {
        var engine = engine(site, request);
        var holder = holder(engine, segment);
        known(asked, Set.of("filter", "search", "sort", "fields", "include", "limit", "after"));
        try {
            var query = new ListQuery(
                    condition(holder, asked.getOrDefault("filter", "")),
                    asked.getOrDefault("search", ""),
                    sorts(holder, asked.getOrDefault("sort", "")),
                    Optional.ofNullable(asked.get("after")).filter(each -> !each.isEmpty()),
                    number(asked.getOrDefault("limit", String.valueOf(PAGE))),
                    null,
                    true);
            var page = engine.records().page(holder.id(), query).orElseThrow();
            var count = engine.records().count(holder.id(), query);
            var answer = new LinkedHashMap<String, Object>();
            answer.put("items", answers(site, engine, holder, asked).of(holder, page.records(), fields(holder, asked)));
            page.next().ifPresent(next -> answer.put("next", next));
            answer.put("total", count.records());
            answer.put("total_exact", count.exact());
            return answer(answer, request);
        } catch (BadQuery e) {
            throw Refusal.invalid(e.getMessage(), List.of());
        }
    }

    private ResponseEntity<String> one(
            String site, String segment, String id, Map<String, String> asked, HttpServletRequest request) {
        var engine = engine(site, request);
        var holder = holder(engine, segment);
        known(asked, Set.of("fields", "include"));
        var found = id.matches("[0-9]{1,18}")
                ? engine.records().byId(holder.id(), Long.parseLong(id))
                : engine.records()
                        .byAddress(holder.id(), id)
                        .filter(each -> !each.moved())
                        .map(each -> each.record());
        var record = found.filter(each -> each.visible(Instant.now()))
                .orElseThrow(() -> Refusal.missing("There is no " + holder.singular() + " " + id + "."));
        try {
            return answer(
                    answers(site, engine, holder, asked)
                            .of(holder, List.of(record), fields(holder, asked))
                            .getFirst(),
                    request);
        } catch (BadQuery e) {
            throw Refusal.invalid(e.getMessage(), List.of());
        }
    }

    private Site engine(String site, HttpServletRequest request) {
        int wait = limit.take(request.getRemoteAddr());
        if (wait > 0) {
            throw Refusal.tooMany(
                    "More than " + RateLimit.A_MINUTE + " requests in a minute. Try again in " + wait + " seconds.");
        }
        return sites.engine(site);
    }

    private static Holder holder(Site engine, String segment) {
        return engine.installed().tables().values().stream()
                .map(table -> table.holder())
                .filter(Answers::inApi)
                .filter(holder -> Description.segment(holder).equals(segment))
                .findFirst()
                .orElseThrow(() -> Refusal.missing("This site's API has nothing at " + segment + "."));
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

    private static Answers answers(String site, Site engine, Holder holder, Map<String, String> asked) {
        return new Answers(site, engine, words(asked.getOrDefault("include", "")));
    }

    private static Set<String> words(String text) {
        return Arrays.stream(text.split(","))
                .map(String::strip)
                .filter(each -> !each.isEmpty())
                .collect(Collectors.toSet());
    }

    private static Set<String> fields(Holder holder, Map<String, String> asked) {
        var wanted = words(asked.getOrDefault("fields", ""));
        wanted.forEach(key -> field(holder, key));
        return wanted;
    }

    /** A field that the API gives, by its key; one that is kept out of it is not there. */
    private static Field field(Holder holder, String key) {
        return holder.fields()
                .filter(field -> field.key().equals(key) && field.api())
                .findFirst()
                .orElseThrow(() -> new BadQuery("There is no field " + key + " in " + holder.singular() + "."));
    }

    private static List<ListQuery.Sort> sorts(Holder holder, String sort) {
        return Arrays.stream(sort.split(","))
                .filter(each -> !each.isBlank())
                .map(each -> {
                    var key = each.replaceFirst("^-", "");
                    var id = key.equals("updated_at")
                            ? Own.UPDATED_AT.field().id()
                            : field(holder, key).id();
                    return new ListQuery.Sort(id, each.startsWith("-"));
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
    private static Condition condition(Holder holder, String text) {
        if (text.isBlank()) {
            return Condition.ALWAYS;
        }
        if (text.length() > 20_000) {
            throw new BadQuery("The filter is too long: 20,000 characters are possible.");
        }
        try {
            return Shapes.condition(JSON.readValue(text, new TypeReference<Object>() {}))
                    .map(condition -> resolved(holder, condition))
                    .orElseThrow(() -> new BadQuery("The filter is no condition. Write one as in definitions."));
        } catch (JacksonException e) {
            throw new BadQuery("The filter is not JSON: " + e.getOriginalMessage());
        }
    }

    private static Condition resolved(Holder holder, Condition condition) {
        return switch (condition) {
            case Condition.All(List<Condition> of) ->
                new Condition.All(
                        of.stream().map(each -> resolved(holder, each)).toList());
            case Condition.Any(List<Condition> of) ->
                new Condition.Any(
                        of.stream().map(each -> resolved(holder, each)).toList());
            case Condition.Not(Condition of) -> new Condition.Not(resolved(holder, of));
            case Condition.FieldIs is ->
                new Condition.FieldIs(field(holder, is.field()).id(), is.test(), is.values());
            case Condition.TermIs is ->
                new Condition.TermIs(field(holder, is.taxonomy()).id(), is.test(), is.values());
            case Condition.ParentIs parent -> parent;
            case Condition.StateIs _ -> throw new BadQuery("The API gives what is published only.");
        };
    }

    /** With a tag of its bytes: who has the same gets nothing but that. */
    private static ResponseEntity<String> answer(Object answer, HttpServletRequest request) {
        var text = JSON.writeValueAsString(answer);
        var tag = "\"" + sha256(text).substring(0, 32) + "\"";
        var asked = request.getHeader("If-None-Match");
        var cache = CacheControl.maxAge(Duration.ZERO).cachePublic().mustRevalidate();
        if (asked != null
                && (asked.equals("*") || Arrays.asList(asked.split("\\s*,\\s*")).contains(tag))) {
            return ResponseEntity.status(304).eTag(tag).cacheControl(cache).build();
        }
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_JSON)
                .eTag(tag)
                .cacheControl(cache)
                .header("Access-Control-Allow-Origin", "*")
                .body(text);
    }

    private static String sha256(String text) {
        try {
            return HexFormat.of()
                    .formatHex(MessageDigest.getInstance("SHA-256").digest(text.getBytes(StandardCharsets.UTF_8)));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }
}
