package org.jontrel.serve.web;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import org.jontrel.core.finding.Finding;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.web.ErrorResponseException;
import tools.jackson.databind.json.JsonMapper;

/** Why a request was not carried out, as problem details (RFC 9457) with findings where there are any. */
public final class Refusal extends ErrorResponseException {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    private Refusal(HttpStatus status, String sentence, List<FindingView> findings, Object current) {
        super(status, body(status, sentence, findings, current), null);
    }

    private static ProblemDetail body(HttpStatus status, String sentence, List<FindingView> findings, Object current) {
        var problem = ProblemDetail.forStatusAndDetail(status, sentence);
        if (!findings.isEmpty()) {
            problem.setProperty("findings", findings);
        }
        if (current != null) {
            problem.setProperty("current", current);
        }
        return problem;
    }

    /** For what is answered before or outside the controllers. */
    public static Map<String, Object> plain(ProblemDetail problem) {
        return Map.of(
                "title", String.valueOf(problem.getTitle()),
                "status", problem.getStatus(),
                "detail", String.valueOf(problem.getDetail()));
    }

    /** Answers with it where no controller does: in a filter. */
    public void answer(HttpServletResponse response) throws IOException {
        response.setStatus(getStatusCode().value());
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        response.getOutputStream().write(JSON.writeValueAsBytes(plain(getBody())));
    }

    /** There is no such thing. */
    public static Refusal missing(String sentence) {
        return new Refusal(HttpStatus.NOT_FOUND, sentence, List.of(), null);
    }

    /** What was sent cannot be used. */
    public static Refusal invalid(String sentence, List<Finding> findings) {
        return new Refusal(HttpStatus.UNPROCESSABLE_CONTENT, sentence, FindingView.of(findings), null);
    }

    /** What was sent cannot be used; {@code problems} say where in it. */
    public static Refusal problems(String sentence, List<Finding> findings, Object problems) {
        var refusal = new Refusal(HttpStatus.UNPROCESSABLE_CONTENT, sentence, FindingView.of(findings), null);
        refusal.getBody().setProperty("problems", problems);
        return refusal;
    }

    /** Things have moved on; {@code current} is how they are now, or {@code null}. */
    public static Refusal conflict(String sentence, Object current) {
        return new Refusal(HttpStatus.CONFLICT, sentence, List.of(), current);
    }

    /** Two sides changed the same things; {@code clashes} are sentences that say which, with both versions. */
    public static Refusal clash(String sentence, List<String> clashes) {
        var refusal = new Refusal(HttpStatus.CONFLICT, sentence, List.of(), null);
        refusal.getBody().setProperty("clashes", clashes);
        return refusal;
    }

    /** Too often; {@code Retry-After} says in how many seconds again (RFC 9110, 10.2.3). */
    public static Refusal tooMany(String sentence, Duration wait) {
        var seconds = wait.toSeconds() + 1;
        var refusal = new Refusal(
                HttpStatus.TOO_MANY_REQUESTS, sentence + " Try again in " + seconds + " s.", List.of(), null);
        refusal.getHeaders().set(HttpHeaders.RETRY_AFTER, String.valueOf(seconds));
        return refusal;
    }

    public static Refusal unauthorized(String sentence) {
        return new Refusal(HttpStatus.UNAUTHORIZED, sentence, List.of(), null);
    }

    public static Refusal forbidden(String sentence) {
        return new Refusal(HttpStatus.FORBIDDEN, sentence, List.of(), null);
    }

    /** The sender must say which state it has seen (RFC 6585). */
    public static Refusal unseen(String sentence) {
        return new Refusal(HttpStatus.PRECONDITION_REQUIRED, sentence, List.of(), null);
    }

    /** The state is not the one that the sender has seen. */
    public static Refusal overtaken(String sentence) {
        return new Refusal(HttpStatus.PRECONDITION_FAILED, sentence, List.of(), null);
    }

    /** A body is longer than may be sent. */
    public static Refusal tooLong(long mostBytes) {
        return new Refusal(
                HttpStatus.CONTENT_TOO_LARGE,
                "This is more than " + (mostBytes >= 1 << 20 ? (mostBytes >> 20) + " MB" : (mostBytes >> 10) + " kB")
                        + ", which is the most that can be sent at once here.",
                List.of(),
                null);
    }

    /** Files are not uploaded here. */
    public static Refusal noUpload() {
        return new Refusal(
                HttpStatus.UNSUPPORTED_MEDIA_TYPE, "Nothing can be uploaded at this address.", List.of(), null);
    }

    /** A body did not arrive in time. */
    public static Refusal tooSlow(Duration most) {
        return new Refusal(
                HttpStatus.REQUEST_TIMEOUT,
                "The request took more than " + most.toSeconds() + " seconds to arrive. Send it again.",
                List.of(),
                null);
    }

    /** There is no room to store it (RFC 4918, 11.5). */
    public static Refusal full(String sentence) {
        return new Refusal(HttpStatus.INSUFFICIENT_STORAGE, sentence, List.of(), null);
    }

    public static Refusal unavailable(String sentence) {
        return new Refusal(HttpStatus.SERVICE_UNAVAILABLE, sentence, List.of(), null);
    }
}
