package org.jontrel.serve.content;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Duration;
import java.util.Locale;
import java.util.Optional;
import org.jontrel.serve.site.PageModels;
import org.jontrel.serve.site.ServedSites;
import org.jontrel.serve.site.SiteTokens;
import org.jontrel.serve.web.ClientAddress;
import org.jontrel.serve.web.Rate;
import org.jontrel.serve.web.Refusal;
import org.jontrel.serve.web.ServeSettings;
import org.springframework.stereotype.Component;

/** Who asks a content API: anybody, or a program with a token; each only so often in a minute. */
@Component
class Callers {
    private static final String BEARER = "bearer ";
    private final ServedSites sites;
    private final SiteTokens tokens;
    private final PageModels models;
    private final int aMinute;
    private final Rate rate;

    Callers(ServedSites sites, SiteTokens tokens, PageModels models, ServeSettings settings) {
        this.models = models;
        this.sites = sites;
        this.tokens = tokens;
        this.aMinute = settings.requestsAMinute();
        this.rate = new Rate(aMinute, Duration.ofMinutes(1));
    }

    /** A call that reads. */
    ContentCall of(String site, HttpServletRequest request) {
        var wait = rate.take(ClientAddress.of(request));
        if (wait.isPositive()) {
            throw Refusal.tooMany("More than " + aMinute + " requests in a minute.", wait);
        }
        var engine = sites.engine(site);
        return new ContentCall(site, sites.get(site).name(), engine, models.of(engine), token(site, request), request);
    }

    /** A call that writes. */
    ContentCall writing(String site, HttpServletRequest request) {
        var call = of(site, request);
        if (call.token().isEmpty()) {
            throw Refusal.unauthorized("Writing needs a token of this site, sent as Authorization: Bearer.");
        }
        if (!call.token().get().writes()) {
            throw Refusal.forbidden("The token " + call.token().get().name() + " may read only.");
        }
        return call;
    }

    private Optional<SiteTokens.SiteToken> token(String site, HttpServletRequest request) {
        var header = request.getHeader("Authorization");
        if (header == null) {
            return Optional.empty();
        }
        var secret = header.toLowerCase(Locale.ROOT).startsWith(BEARER)
                ? header.substring(BEARER.length()).strip()
                : "";
        return Optional.of(tokens.find(site, secret)
                .orElseThrow(() -> Refusal.unauthorized("This token is not one of this site, or it was revoked.")));
    }
}
