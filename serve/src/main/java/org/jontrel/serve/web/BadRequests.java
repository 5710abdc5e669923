package org.jontrel.serve.web;

import java.util.stream.Collectors;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.web.bind.MethodArgumentNotValidException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.exc.MismatchedInputException;

/** Bodies that do not have the shape that their address takes: 400, saying where they differ. */
@RestControllerAdvice
@Order(Ordered.HIGHEST_PRECEDENCE)
class BadRequests {
    @ExceptionHandler
    ProblemDetail notValid(MethodArgumentNotValidException thrown) {
        var problems = thrown.getFieldErrors().stream()
                .map(each -> each.getField() + " " + each.getDefaultMessage())
                .sorted()
                .collect(Collectors.joining("; "));
        return problem("The body of the request is not as it must be: " + problems + ".");
    }

    @ExceptionHandler
    ProblemDetail notReadable(HttpMessageNotReadableException thrown) {
        if (!(thrown.getCause() instanceof JacksonException unread)) {
            return problem("The request has no body that can be read as JSON.");
        }
        var where = unread.getPath().stream()
                .map(step ->
                        step.getPropertyName() == null ? "[" + step.getIndex() + "]" : "." + step.getPropertyName())
                .collect(Collectors.joining());
        if (!where.isEmpty()) {
            return problem("The body of the request has a value of another kind than is taken at "
                    + where.replaceFirst("^\\.", "") + ".");
        }
        if (unread instanceof MismatchedInputException) {
            return problem("The body of the request is JSON, but not of the form that is expected here.");
        }
        var at = unread.getLocation();
        return problem(
                at == null
                        ? "The body of the request cannot be read as JSON."
                        : "The body of the request cannot be read as JSON at line " + at.getLineNr() + ", column "
                                + at.getColumnNr() + ".");
    }

    private static ProblemDetail problem(String detail) {
        return ProblemDetail.forStatusAndDetail(HttpStatus.BAD_REQUEST, detail);
    }
}
