package org.jontrel.server.trail;

import jakarta.servlet.http.HttpServletRequest;
import org.jontrel.serve.web.ClientAddress;
import org.jontrel.site.table.RecordIds;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;

/** Writes the trail. Entries are kept for 400 days, refused sign-ins for 90. */
@Service
public class Trail {
    private static final int LONGEST = 300;
    private static final int LONGEST_NAME = 100;
    private final TrailMapper mapper;
    private final RecordIds ids;
    private final HttpServletRequest request;

    Trail(TrailMapper mapper, RecordIds ids, HttpServletRequest request) {
        this.mapper = mapper;
        this.ids = ids;
        this.request = request;
    }

    /** Whoever is signed in did something. */
    public void add(TrailAction act, String about) {
        var principal = request.getUserPrincipal();
        add(principal == null ? "" : principal.getName(), act, about);
    }

    /** Somebody did something, by the address of the present request. */
    public void add(String who, TrailAction act, String about) {
        mapper.add(new TrailMapper.TrailRow(
                ids.next(),
                null,
                shortened(who, LONGEST_NAME),
                ClientAddress.of(request),
                act,
                shortened(about, LONGEST)));
    }

    /** Whether somebody has signed in from this address in the last 90 days. */
    public boolean signedInFrom(String who, String address) {
        return mapper.signedInFrom(who, address);
    }

    private static String shortened(String text, int most) {
        return text.codePointCount(0, text.length()) <= most
                ? text
                : text.substring(0, text.offsetByCodePoints(0, most));
    }

    @Scheduled(fixedDelayString = "PT12H", initialDelayString = "PT1M")
    void prune() {
        mapper.prune();
    }
}
