package lucidsweep.server.web;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import lucidsweep.core.edit.RunawayPattern;
import lucidsweep.server.database.DiskSpace;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.TypeMismatchException;
import org.springframework.core.NestedExceptionUtils;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.validation.FieldError;
import org.springframework.web.ErrorResponse;
import org.springframework.web.bind.MethodArgumentNotValidException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.async.AsyncRequestNotUsableException;
import org.springframework.web.context.request.async.AsyncRequestTimeoutException;
import org.springframework.web.method.annotation.HandlerMethodValidationException;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.servlet.resource.NoResourceFoundException;
import org.springframework.web.util.DisconnectedClientHelper;

/** Every error as a problem detail (RFC 9457). */
@RestControllerAdvice
final class Problems {

    private static final Logger LOG = LoggerFactory.getLogger(Problems.class);
    private static final Set<String> READING = Set.of("GET", "HEAD", "OPTIONS");

    @ExceptionHandler
    ProblemDetail refused(Refusal refusal) {
        ProblemDetail problem = ProblemDetail.forStatusAndDetail(refusal.status(), refusal.getMessage());
        if (!refusal.conflicts().isEmpty()) problem.setProperty("conflicts", refusal.conflicts());
        return problem;
    }

    @ExceptionHandler({IllegalArgumentException.class, RunawayPattern.class})
    ProblemDetail unusable(RuntimeException e) {
        return ProblemDetail.forStatusAndDetail(HttpStatus.UNPROCESSABLE_CONTENT, e.getMessage());
    }

    @ExceptionHandler
    ProblemDetail invalid(MethodArgumentNotValidException e) {
        String fields = e.getFieldErrors().stream()
                .map(error -> error.isBindingFailure()
                        ? error.getField() + ": "
                                + misfit(error.getRejectedValue(), error.unwrap(TypeMismatchException.class))
                        : error.getField() + " " + error.getDefaultMessage())
                .reduce((a, b) -> a + "; " + b)
                .orElse("the request is not complete");
        return ProblemDetail.forStatusAndDetail(HttpStatus.UNPROCESSABLE_CONTENT, fields);
    }

    @ExceptionHandler
    ProblemDetail invalid(HandlerMethodValidationException e) {
        String fields = e.getAllErrors().stream()
                .map(error ->
                        (error instanceof FieldError field ? field.getField() + " " : "") + error.getDefaultMessage())
                .distinct()
                .collect(Collectors.joining("; "));
        return ProblemDetail.forStatusAndDetail(HttpStatus.UNPROCESSABLE_CONTENT, fields);
    }

    @ExceptionHandler
    ProblemDetail unreadable(HttpMessageNotReadableException e) {
        return ProblemDetail.forStatusAndDetail(HttpStatus.BAD_REQUEST, UnreadableBody.said(e));
    }

    @ExceptionHandler
    ProblemDetail mismatched(MethodArgumentTypeMismatchException e) {
        return ProblemDetail.forStatusAndDetail(HttpStatus.BAD_REQUEST, e.getName() + ": " + misfit(e.getValue(), e));
    }

    /** Why a value in an address does not fit; what the framework says of it names our classes. */
    private static String misfit(Object value, Throwable problem) {
        Throwable root = NestedExceptionUtils.getMostSpecificCause(problem);
        return root instanceof CodeParameters.UnknownCode
                ? root.getMessage()
                : "\"" + value + "\" is not what is expected there";
    }

    @ExceptionHandler
    ProblemDetail tooLarge(MaxUploadSizeExceededException e) {
        return ProblemDetail.forStatusAndDetail(HttpStatus.CONTENT_TOO_LARGE, "a file may have 1 GB at most");
    }

    @ExceptionHandler
    ProblemDetail nothingThere(NoResourceFoundException e) {
        return ProblemDetail.forStatusAndDetail(HttpStatus.NOT_FOUND, "there is nothing at /" + e.getResourcePath());
    }

    /** The reader went away, or the application ends while events are listened to: there is nobody to tell. */
    @ExceptionHandler({AsyncRequestNotUsableException.class, AsyncRequestTimeoutException.class})
    void gone(Exception e) {
        LOG.debug("the reader went away", e);
    }

    @ExceptionHandler
    ProblemDetail unexpected(Exception e, HttpServletRequest request) {
        if (e instanceof ErrorResponse known) return known.getBody();
        if (DisconnectedClientHelper.isClientDisconnectedException(e)) {
            gone(e);
            return null;
        }
        DiskSpace.endIfFull(e);
        String number = UUID.randomUUID().toString().substring(0, 8);
        LOG.error("fault {}", number, e);
        String advice =
                READING.contains(request.getMethod()) ? "" : " Look whether your change is there before you try again.";
        if (DiskSpace.isFull(e)) {
            return ProblemDetail.forStatusAndDetail(
                    HttpStatus.INSUFFICIENT_STORAGE, "The disk is full; free some space." + advice);
        }
        return ProblemDetail.forStatusAndDetail(
                HttpStatus.INTERNAL_SERVER_ERROR,
                "Something went wrong on our side; the log has it as fault " + number + "." + advice);
    }
}
