package org.jontrel.server.record;

import static org.jontrel.server.record.RecordTypes.SORTS;

import io.swagger.v3.oas.annotations.Parameter;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jontrel.core.format.Shapes;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.serve.record.ReferenceNames;
import org.jontrel.serve.web.Refusal;
import org.jontrel.site.record.read.Audience;
import org.jontrel.site.record.read.BadQuery;
import org.jontrel.site.record.read.ListQuery;
import org.jontrel.site.record.read.RecordList;
import org.jontrel.site.record.read.SystemField;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.core.JacksonException;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Lists of records: filtered, searched, sorted, page by page. */
@RestController
@RequestMapping("/api/sites/{site}/" + SORTS + "/{key}")
class ListController {
    private static final int PAGE = 100;
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private final RecordTypes recordTypes;

    ListController(RecordTypes recordTypes) {
        this.recordTypes = recordTypes;
    }

    @GetMapping("/records")
    RecordViews.ListView list(
            @PathVariable String site,
            @PathVariable String sort,
            @PathVariable String key,
            @Parameter(description = "A condition as in definitions, as JSON, fields and parts by their ids")
                    @RequestParam(defaultValue = "")
                    String where,
            @RequestParam(defaultValue = "") String search,
            @Parameter(description = "Ids of fields or parts with commas between; a minus before one turns it around")
                    @RequestParam(defaultValue = "")
                    String order,
            @RequestParam(defaultValue = "") String after,
            @RequestParam(defaultValue = "100") int most,
            @Parameter(description = "Ids of fields with commas between; all where empty")
                    @RequestParam(defaultValue = "")
                    String fields) {
        var at = recordTypes.at(site, sort, key);
        var query = query(where, search, order, fields).most(Math.clamp(most, 1, PAGE * 5));
        var page = asked(() -> at.engine()
                .records()
                .page(at.id(), after.isEmpty() ? query : query.after(Optional.of(after)))
                .orElseThrow());
        return view(at, page);
    }

    static RecordViews.ListView view(RecordTypes.BoundSite at, RecordList page) {
        var recordType = at.table().recordType();
        var values = page.records().stream().map(record -> record.values()).toList();
        var known = ReferenceNames.of(at.engine(), recordType, values);
        var addresses = at.engine().records().addresses(at.id(), page.records());
        return new RecordViews.ListView(
                page.records().stream()
                        .map(record -> RecordViews.view(
                                at.site(),
                                recordType,
                                record,
                                addresses.getOrDefault(record.id(), record.slug()),
                                known))
                        .toList(),
                page.next().orElse(null));
    }

    @GetMapping("/count")
    RecordViews.CountView count(
            @PathVariable String site,
            @PathVariable String sort,
            @PathVariable String key,
            @RequestParam(defaultValue = "") String where,
            @RequestParam(defaultValue = "") String search) {
        var at = recordTypes.at(site, sort, key);
        var count = asked(() -> at.engine().records().count(at.id(), query(where, search, "", "")));
        return new RecordViews.CountView(count.records(), count.exact());
    }

    interface Asking<T> {
        T ask();
    }

    /** Queries that cannot be are told as what was sent wrongly. */
    static <T> T asked(Asking<T> asking) {
        try {
            return asking.ask();
        } catch (BadQuery e) {
            throw Refusal.invalid(e.getMessage(), List.of());
        }
    }

    static ListQuery query(String where, String search, String order, String fields) {
        var sorts = Arrays.stream(order.split(","))
                .filter(each -> !each.isBlank())
                .map(each -> new ListQuery.SortOrder(each.replaceFirst("^-", ""), each.startsWith("-")))
                .toList();
        return new ListQuery(
                condition(where),
                search.length() > 500 ? search.substring(0, 500) : search,
                sorts,
                Optional.empty(),
                PAGE,
                fields.isBlank() ? null : wanted(fields),
                Audience.PEOPLE);
    }

    private static Set<String> wanted(String fields) {
        var wanted = new HashSet<>(Arrays.asList(fields.split(",")));
        wanted.add("part_title");
        wanted.removeIf(id -> SystemField.of(id).isPresent());
        return wanted;
    }

    private static Condition condition(String where) {
        if (where.isBlank()) {
            return Condition.ALWAYS;
        }
        if (where.length() > 20_000) {
            throw Refusal.invalid("The filter is too long: it can have at most 20,000 characters.", List.of());
        }
        try {
            var tree = JSON.readValue(where, new TypeReference<Object>() {});
            return Shapes.condition(tree)
                    .orElseThrow(() -> Refusal.invalid(
                            "The filter is not a condition. Write it as a condition in a definition, with ids of fields.",
                            List.of()));
        } catch (JacksonException e) {
            throw Refusal.invalid("The filter is not JSON: " + e.getOriginalMessage(), List.of());
        }
    }
}
