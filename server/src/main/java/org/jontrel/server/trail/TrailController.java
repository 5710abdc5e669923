package org.jontrel.server.trail;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The trail, for architects. */
@RestController
class TrailController {
    private static final int PAGE = 100;
    private final TrailMapper mapper;

    TrailController(TrailMapper mapper) {
        this.mapper = mapper;
    }

    /** An entry of the trail; {@code who} is empty where nobody was signed in. */
    @Schema(requiredProperties = {"id", "at", "who", "address", "act", "about"})
    record TrailView(long id, Instant at, String who, String address, TrailAction act, String about) {}

    /** A page of entries, the newest first. */
    @GetMapping("/api/trail")
    List<TrailView> page(
            @RequestParam(required = false) @Schema(description = "The id of the last entry of the page before")
                    Long before) {
        return mapper.before(before == null ? Long.MAX_VALUE : before, PAGE).stream()
                .map(row -> new TrailView(
                        row.id(), row.at().toInstant(ZoneOffset.UTC), row.who(), row.address(), row.act(), row.about()))
                .toList();
    }
}
