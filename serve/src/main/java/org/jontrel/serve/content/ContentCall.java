package org.jontrel.serve.content;

import jakarta.servlet.http.HttpServletRequest;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jontrel.core.generate.api.ApiEntity;
import org.jontrel.core.page.PageModel;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.serve.site.SiteTokens;
import org.jontrel.serve.web.Refusal;
import org.jontrel.site.Site;
import org.jontrel.site.record.read.Audience;
import org.jontrel.site.record.read.StoredRecord;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import tools.jackson.databind.json.JsonMapper;

/**
 * One call of a site's content API.
 *
 * @param site the last part of its address
 * @param siteName what people call it
 * @param pages what it has installed, as texts need it that hold values
 * @param token of the program that calls; who has one also sees what is not published
 */
record ContentCall(
        String site,
        String siteName,
        Site engine,
        PageModel pages,
        Optional<SiteTokens.SiteToken> token,
        HttpServletRequest request) {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    Audience audience() {
        return token.isPresent() ? Audience.TOKEN : Audience.PUBLIC_API;
    }

    RecordType recordType(String segment) {
        return engine.installed().tables().values().stream()
                .map(table -> table.recordType())
                .filter(audience()::reads)
                .filter(recordType -> ApiEntity.segment(recordType).equals(segment))
                .findFirst()
                .orElseThrow(() -> Refusal.missing("This site's API has nothing at " + segment + "."));
    }

    /** A record that the caller may see, by number or slug. */
    StoredRecord record(RecordType recordType, String id) {
        var found = id.matches("[0-9]{1,18}")
                ? engine.records().byId(recordType.id(), Long.parseLong(id))
                : engine.records()
                        .byAddress(recordType.id(), id)
                        .filter(each -> !each.moved())
                        .map(each -> each.record());
        return found.filter(each -> audience().reads(each, Instant.now()))
                .orElseThrow(() -> Refusal.missing("There is no " + recordType.singular() + " " + id + "."));
    }

    ContentViews answers(Set<String> include) {
        return new ContentViews(this, include);
    }

    /** A record as the API gives it when nothing special is asked. */
    Object plain(RecordType recordType, StoredRecord record) {
        return answers(Set.of()).of(recordType, List.of(record), Set.of()).getFirst();
    }

    /** Whether what the caller has seen is still so, by {@code If-Match} (RFC 9110, 13.1.1). */
    void seen(Object current) {
        var asked = request.getHeader("If-Match");
        if (asked == null) {
            throw Refusal.unseen(
                    "Send If-Match with the state that you have seen: the ETag of a GET without parameters.");
        }
        if (!matches(asked, tag(JSON.writeValueAsString(current)))) {
            throw Refusal.overtaken("This has changed since you read it. Read it again.");
        }
    }

    /** With a tag of its bytes: who has the same gets nothing but that. */
    ResponseEntity<String> answer(Object answer) {
        return answer(answer, 200);
    }

    ResponseEntity<String> answer(Object answer, int status) {
        var text = JSON.writeValueAsString(answer);
        var tag = tag(text);
        var asked = request.getHeader("If-None-Match");
        var cache = audience().everyState()
                ? CacheControl.noStore()
                : CacheControl.maxAge(Duration.ZERO).cachePublic().mustRevalidate();
        if (asked != null && status == 200 && matches(asked, tag)) {
            return ResponseEntity.status(304)
                    .eTag(tag)
                    .cacheControl(cache)
                    .varyBy("Authorization")
                    .build();
        }
        return ResponseEntity.status(status)
                .contentType(MediaType.APPLICATION_JSON)
                .eTag(tag)
                .cacheControl(cache)
                .varyBy("Authorization")
                .header("Access-Control-Allow-Origin", "*")
                .body(text);
    }

    private static boolean matches(String asked, String tag) {
        return asked.equals("*") || Arrays.asList(asked.split("\\s*,\\s*")).contains(tag);
    }

    private static String tag(String text) {
        try {
            var digest = MessageDigest.getInstance("SHA-256").digest(text.getBytes(StandardCharsets.UTF_8));
            return "\"" + HexFormat.of().formatHex(digest).substring(0, 32) + "\"";
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }
}
