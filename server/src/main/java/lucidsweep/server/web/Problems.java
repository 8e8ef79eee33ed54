package lucidsweep.server.web;

import java.util.UUID;
import lucidsweep.core.compose.RunawayPattern;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.web.bind.MethodArgumentNotValidException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.async.AsyncRequestNotUsableException;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.servlet.resource.NoResourceFoundException;

/** Every error as a problem detail (RFC 9457). */
@RestControllerAdvice
final class Problems {

    private static final Logger LOG = LoggerFactory.getLogger(Problems.class);

    @ExceptionHandler
    ProblemDetail refused(Refusal refusal) {
        return ProblemDetail.forStatusAndDetail(refusal.status(), refusal.getMessage());
    }

    @ExceptionHandler({IllegalArgumentException.class, RunawayPattern.class})
    ProblemDetail unusable(RuntimeException e) {
        return ProblemDetail.forStatusAndDetail(HttpStatus.UNPROCESSABLE_CONTENT, e.getMessage());
    }

    @ExceptionHandler
    ProblemDetail invalid(MethodArgumentNotValidException e) {
        String fields = e.getFieldErrors().stream()
                .map(error -> error.getField() + " " + error.getDefaultMessage())
                .reduce((a, b) -> a + "; " + b)
                .orElse("the request is not complete");
        return ProblemDetail.forStatusAndDetail(HttpStatus.UNPROCESSABLE_CONTENT, fields);
    }

    @ExceptionHandler({HttpMessageNotReadableException.class, MethodArgumentTypeMismatchException.class})
    ProblemDetail unreadable(Exception e) {
        Throwable cause = e;
        while (cause.getCause() != null) cause = cause.getCause();
        String detail = "the request cannot be read: " + firstLine(cause.getMessage());
        return ProblemDetail.forStatusAndDetail(HttpStatus.BAD_REQUEST, detail);
    }

    @ExceptionHandler
    ProblemDetail tooLarge(MaxUploadSizeExceededException e) {
        return ProblemDetail.forStatusAndDetail(HttpStatus.CONTENT_TOO_LARGE, "a file may have 1 GB at most");
    }

    @ExceptionHandler
    ProblemDetail nothingThere(NoResourceFoundException e) {
        return ProblemDetail.forStatusAndDetail(HttpStatus.NOT_FOUND, "there is nothing at /" + e.getResourcePath());
    }

    @ExceptionHandler
    void gone(AsyncRequestNotUsableException e) {
        LOG.debug("the reader went away", e);
    }

    @ExceptionHandler
    ProblemDetail unexpected(Exception e) {
        if (e instanceof org.springframework.web.ErrorResponse known) return known.getBody();
        String number = UUID.randomUUID().toString().substring(0, 8);
        LOG.error("fault {}", number, e);
        return ProblemDetail.forStatusAndDetail(
                HttpStatus.INTERNAL_SERVER_ERROR,
                "Something went wrong on our side; nothing was changed. The log has it as fault " + number + ".");
    }

    private static String firstLine(String message) {
        return message == null ? "" : message.lines().findFirst().orElse("");
    }
}
