package org.jontrel.server.record;

import static org.jontrel.server.record.RecordTypes.SORTS;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.util.List;
import org.jontrel.serve.web.Refusal;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Lists as people have arranged them, for everybody who works on the site. */
@RestController
@RequestMapping("/api/sites/{site}/" + SORTS + "/{key}/views")
class ListViewController {
    private static final int MOST = 50;
    private final RecordTypes recordTypes;
    private final ListViewMapper mapper;

    ListViewController(RecordTypes recordTypes, ListViewMapper mapper) {
        this.recordTypes = recordTypes;
        this.mapper = mapper;
    }

    @Schema(requiredProperties = {"name", "content", "by"})
    record KeptView(
            String name,

            @Schema(description = "The list's address parameters: filter, search, order and columns")
            String content,

            String by) {}

    record SaveView(
            @NotBlank @Size(max = 100) String name,
            @NotNull @Size(max = 20_000) String content) {}

    @GetMapping
    List<KeptView> all(@PathVariable String site, @PathVariable String sort, @PathVariable String key) {
        return mapper.of(site, recordTypes.at(site, sort, key).id()).stream()
                .map(row -> new KeptView(row.name(), row.content(), row.byWhom()))
                .toList();
    }

    /** A view of this name is replaced. */
    @PutMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void save(
            @PathVariable String site,
            @PathVariable String sort,
            @PathVariable String key,
            @Valid @RequestBody SaveView body,
            Principal principal) {
        var recordType = recordTypes.at(site, sort, key).id();
        var name = body.name().strip();
        var there = mapper.of(site, recordType);
        if (there.size() >= MOST && there.stream().noneMatch(row -> row.name().equals(name))) {
            throw Refusal.invalid("A list can have at most " + MOST + " saved views. Delete one first.", List.of());
        }
        mapper.put(new ListViewMapper.ListViewRow(site, recordType, name, body.content(), principal.getName()));
    }

    @DeleteMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void delete(
            @PathVariable String site, @PathVariable String sort, @PathVariable String key, @RequestParam String name) {
        if (mapper.delete(site, recordTypes.at(site, sort, key).id(), name) == 0) {
            throw Refusal.missing("There is no view named " + name + ".");
        }
    }
}
