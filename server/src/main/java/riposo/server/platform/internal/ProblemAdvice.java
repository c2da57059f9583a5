package riposo.server.platform.internal;

import jakarta.persistence.OptimisticLockException;
import jakarta.persistence.PessimisticLockException;
import jakarta.servlet.http.HttpServletRequest;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.dao.ConcurrencyFailureException;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.security.core.AuthenticationException;
import org.springframework.web.bind.MethodArgumentNotValidException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.WebRequest;
import org.springframework.web.method.annotation.HandlerMethodValidationException;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;
import riposo.server.platform.Problems;
import tools.jackson.core.exc.InputCoercionException;
import tools.jackson.databind.DatabindException;

/** Every failure as an RFC 9457 problem with a stable code; never a stack trace. */
@RestControllerAdvice
@Order(Ordered.HIGHEST_PRECEDENCE)
class ProblemAdvice extends ResponseEntityExceptionHandler {
  private static final Logger LOG = LoggerFactory.getLogger(ProblemAdvice.class);

  static ProblemDetail detail(HttpStatusCode status, String code, String sentence) {
    ProblemDetail p = ProblemDetail.forStatusAndDetail(status, sentence);
    p.setType(java.net.URI.create("urn:riposo:problem:" + code));
    p.setProperty("code", code);
    return p;
  }

  @ExceptionHandler
  ResponseEntity<ProblemDetail> problem(Problems e) {
    ProblemDetail p = detail(e.status(), e.code(), String.valueOf(e.getMessage()));
    if (!e.fields().isEmpty()) {
      p.setProperty("errors", e.fields());
    }
    e.more().forEach(p::setProperty);
    ResponseEntity.BodyBuilder answer = ResponseEntity.status(e.status());
    if (e.again() > 0) {
      answer.header(HttpHeaders.RETRY_AFTER, String.valueOf(e.again()));
    }
    return answer.body(p);
  }

  private static ResponseEntity.BodyBuilder again(ResponseEntity.BodyBuilder answer) {
    return answer.header(HttpHeaders.RETRY_AFTER, String.valueOf(Problems.AGAIN_SECONDS));
  }

  @ExceptionHandler
  ResponseEntity<ProblemDetail> mismatch(MethodArgumentTypeMismatchException e) {
    Throwable why = e.getMostSpecificCause();
    boolean place = e.getParameter().hasParameterAnnotation(PathVariable.class);
    HttpStatus status = place ? HttpStatus.NOT_FOUND : HttpStatus.BAD_REQUEST;
    String sentence =
        LocalDate.class.equals(e.getRequiredType()) && why.getMessage() != null
            ? "“" + e.getName() + "”: " + why.getMessage()
            : "“" + e.getName() + "” is not a valid value here.";
    return ResponseEntity.status(status)
        .body(detail(status, place ? "not-found" : "invalid", sentence));
  }

  /** Two at once on the same rows: the one that came second, or that the database gave up. */
  @ExceptionHandler({
    ConcurrencyFailureException.class,
    DataIntegrityViolationException.class,
    OptimisticLockException.class,
    PessimisticLockException.class
  })
  ResponseEntity<ProblemDetail> race(Exception e) {
    LOG.info("write refused by the database: {}", e.getClass().getSimpleName());
    return ResponseEntity.status(HttpStatus.CONFLICT)
        .body(
            detail(
                HttpStatus.CONFLICT,
                "stale",
                "Someone changed this at the same moment. Nothing was saved; load again."));
  }

  @ExceptionHandler
  ResponseEntity<ProblemDetail> core(IllegalArgumentException e) {
    return ResponseEntity.status(HttpStatus.UNPROCESSABLE_CONTENT)
        .body(detail(HttpStatus.UNPROCESSABLE_CONTENT, "invalid", String.valueOf(e.getMessage())));
  }

  @ExceptionHandler
  ResponseEntity<ProblemDetail> other(Exception e, HttpServletRequest request) throws Exception {
    if (e instanceof AccessDeniedException || e instanceof AuthenticationException) {
      throw e;
    }
    NoDatabase.Trouble trouble = NoDatabase.in(e);
    if (trouble != null) {
      LOG.warn("the database: {}", trouble);
      return again(ResponseEntity.status(HttpStatus.SERVICE_UNAVAILABLE))
          .body(detail(HttpStatus.SERVICE_UNAVAILABLE, trouble.code, trouble.sentence));
    }
    LOG.error("unexpected failure at {} {}", request.getMethod(), request.getRequestURI(), e);
    return ResponseEntity.status(HttpStatus.INTERNAL_SERVER_ERROR)
        .body(
            detail(
                HttpStatus.INTERNAL_SERVER_ERROR,
                "unexpected",
                "Something failed on our side. Nothing was saved."));
  }

  @Override
  protected @Nullable ResponseEntity<Object> handleMethodArgumentNotValid(
      MethodArgumentNotValidException e,
      HttpHeaders headers,
      HttpStatusCode status,
      WebRequest request) {
    List<Problems.Field> fields =
        e.getBindingResult().getFieldErrors().stream()
            .map(
                f ->
                    new Problems.Field(
                        "/" + f.getField().replace('.', '/').replaceAll("\\[(\\d+)]", "/$1"),
                        String.valueOf(f.getDefaultMessage())))
            .toList();
    ProblemDetail p =
        detail(
            HttpStatus.UNPROCESSABLE_CONTENT,
            "invalid",
            fields.size() == 1
                ? fields.get(0).detail()
                : fields.size() + " fields need another look.");
    p.setProperty("errors", fields);
    return ResponseEntity.status(HttpStatus.UNPROCESSABLE_CONTENT).body(p);
  }

  /** A value of the address that is out of its range: which, and what is wanted. */
  @Override
  protected @Nullable ResponseEntity<Object> handleHandlerMethodValidationException(
      HandlerMethodValidationException e,
      HttpHeaders headers,
      HttpStatusCode status,
      WebRequest request) {
    String wanted =
        e.getParameterValidationResults().stream()
            .flatMap(
                r ->
                    r.getResolvableErrors().stream()
                        .map(
                            x ->
                                "“"
                                    + r.getMethodParameter().getParameterName()
                                    + "” "
                                    + x.getDefaultMessage()))
            .distinct()
            .sorted()
            .collect(Collectors.joining("; "));
    return ResponseEntity.badRequest()
        .body(
            detail(
                HttpStatus.BAD_REQUEST,
                "invalid",
                wanted.isEmpty()
                    ? "A value in the address is out of its range."
                    : wanted.endsWith(".") ? wanted : wanted + "."));
  }

  @Override
  protected @Nullable ResponseEntity<Object> handleHttpMessageNotReadable(
      HttpMessageNotReadableException e,
      HttpHeaders headers,
      HttpStatusCode status,
      WebRequest request) {
    if (BodyLimitFilter.TooLarge.in(e)) {
      return ResponseEntity.status(HttpStatus.CONTENT_TOO_LARGE)
          .body(
              detail(
                  HttpStatus.CONTENT_TOO_LARGE, "too-large", BodyLimitFilter.TooLarge.sentence(e)));
    }
    String pointer = "";
    String sentence =
        e.getCause() instanceof InputCoercionException
            ? "A number here is larger than it can be."
            : "The request is not readable.";
    if (e.getCause() instanceof DatabindException d) {
      StringBuilder path = new StringBuilder();
      d.getPath()
          .forEach(
              r ->
                  path.append('/')
                      .append(r.getPropertyName() != null ? r.getPropertyName() : r.getIndex()));
      pointer = path.toString();
      Throwable root = d.getCause();
      sentence =
          root instanceof IllegalArgumentException && root.getMessage() != null
              ? root.getMessage()
              : "This value cannot be read here.";
    }
    ProblemDetail p = detail(HttpStatus.UNPROCESSABLE_CONTENT, "unreadable", sentence);
    p.setProperty("errors", List.of(new Problems.Field(pointer, sentence)));
    return ResponseEntity.status(HttpStatus.UNPROCESSABLE_CONTENT).body(p);
  }

  @Override
  protected @Nullable ResponseEntity<Object> handleExceptionInternal(
      Exception e,
      @Nullable Object body,
      HttpHeaders headers,
      HttpStatusCode status,
      WebRequest request) {
    NoDatabase.Trouble trouble = NoDatabase.in(e);
    if (trouble != null) {
      LOG.warn("the database: {}", trouble);
      return again(ResponseEntity.status(HttpStatus.SERVICE_UNAVAILABLE))
          .body(detail(HttpStatus.SERVICE_UNAVAILABLE, trouble.code, trouble.sentence));
    }
    if (status.is5xxServerError()) {
      LOG.error("unexpected failure at {}", request.getDescription(false), e);
    }
    Map<Integer, String> codes =
        Map.of(404, "not-found", 405, "method", 415, "media-type", 406, "media-type");
    String code = codes.getOrDefault(status.value(), "invalid");
    String sentence =
        status.value() == 404
            ? "There is nothing at this address."
            : "This request does not fit here.";
    return ResponseEntity.status(status).headers(headers).body(detail(status, code, sentence));
  }
}
