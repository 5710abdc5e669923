package org.jontrel.serve.publicsite;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import java.time.LocalDate;
import java.time.ZoneOffset;
import org.jontrel.serve.site.ServedSite;
import org.jontrel.serve.site.ServedSites;
import org.jontrel.serve.web.Secrets;
import org.jontrel.site.Site;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpMethod;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * A tag for all pages of a site: another after each change of anything they may show. Who has a page with the present tag
 * gets nothing but that, before anything else is asked or done.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 1)
class PageTags extends OncePerRequestFilter {
    static final CacheControl ASK_AGAIN =
            CacheControl.maxAge(Duration.ZERO).cachePublic().mustRevalidate();

    /** Pages of another version of this program are others. */
    private static final String STARTED = Secrets.fresh();

    private static final String PAGES = "/at/";
    /** What comes compressed is the same page and not the same bytes. */
    private static final String WEAK = "W/";

    private static final int LENGTH = 24;

    private final ServedSites sites;

    PageTags(ServedSites sites) {
        this.sites = sites;
    }

    /** Tells that something was saved, and not how much; and pages of another day are others, since days can be near. */
    static String of(ServedSite site, Site engine) {
        var state = STARTED + site + engine.state() + LocalDate.now(ZoneOffset.UTC);
        return WEAK + "\"" + Secrets.hash(state).substring(0, LENGTH) + "\"";
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return request.getHeader(HttpHeaders.IF_NONE_MATCH) == null
                || !request.getRequestURI().startsWith(PAGES)
                || !HttpMethod.GET.matches(request.getMethod()) && !HttpMethod.HEAD.matches(request.getMethod());
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        var tag = request.getHeader(HttpHeaders.IF_NONE_MATCH);
        if (tag.startsWith(WEAK) && tag.equals(present(request))) {
            response.setStatus(HttpServletResponse.SC_NOT_MODIFIED);
            response.setHeader(HttpHeaders.ETAG, tag);
            response.setHeader(HttpHeaders.CACHE_CONTROL, ASK_AGAIN.getHeaderValue());
        } else {
            chain.doFilter(request, response);
        }
    }

    /** The tag of the site at the beginning of the address; empty where there is none. */
    private String present(HttpServletRequest request) {
        var rest = request.getRequestURI().substring(PAGES.length());
        int end = rest.indexOf('/');
        var path = end < 0 ? rest : rest.substring(0, end);
        return sites.find(path).map(site -> of(site, sites.engine(path))).orElse("");
    }
}
