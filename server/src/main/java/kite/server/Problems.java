package kite.server;

import jakarta.servlet.http.HttpServletRequest;
import java.sql.SQLException;
import java.util.Map;
import kite.core.rules.Refusal;
import org.apache.tomcat.util.http.InvalidParameterException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.slf4j.MDC;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.web.HttpMediaTypeNotSupportedException;
import org.springframework.web.HttpRequestMethodNotSupportedException;
import org.springframework.web.bind.MissingServletRequestParameterException;
import org.springframework.web.bind.ServletRequestBindingException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.multipart.support.MissingServletRequestPartException;
import org.springframework.web.servlet.resource.NoResourceFoundException;

/** Turns whatever goes wrong into {@code {"refusal": {code, entity, field, text}}}. */
@RestControllerAdvice
class Problems {
  /** PostgreSQL's own: appendix A of its manual, class 23. */
  private static final String UNIQUE_VIOLATION = "23505";

  private static final Logger LOG = LoggerFactory.getLogger(Problems.class);

  @ExceptionHandler
  ResponseEntity<Map<String, Problem.Body>> problem(Problem p) {
    return answer(p.status(), p.body());
  }

  /** Who asks may not; where that has a sentence of its own, it comes as a {@link Problem}. */
  @ExceptionHandler
  ResponseEntity<Map<String, Problem.Body>> denied(AccessDeniedException e) {
    return answer(
        HttpStatus.FORBIDDEN,
        new Problem.Body("rights", "", "", "Your account may not do this. Ask an administrator."));
  }

  @ExceptionHandler
  ResponseEntity<Map<String, Problem.Body>> refusal(Refusal r) {
    return problem(Problem.of(HttpStatus.UNPROCESSABLE_CONTENT, r));
  }

  /** Two asked for the same at one moment, and the other was first: a name, a code, a key. */
  @ExceptionHandler
  ResponseEntity<Map<String, Problem.Body>> beaten(
      DataIntegrityViolationException e, HttpServletRequest rq) {
    if (!(e.getMostSpecificCause() instanceof SQLException s)
        || !UNIQUE_VIOLATION.equals(s.getSQLState())) return other(e, rq);
    LOG.info("Two asked for the same at once: {}", e.getMostSpecificCause().getMessage());
    return answer(
        HttpStatus.CONFLICT,
        new Problem.Body(
            "taken",
            "",
            "",
            "Somebody else asked for the same at this moment, and was first. Look again, then try"
                + " again."));
  }

  @ExceptionHandler({
    HttpMessageNotReadableException.class,
    MethodArgumentTypeMismatchException.class,
    InvalidParameterException.class
  })
  ResponseEntity<Map<String, Problem.Body>> unreadable(Exception e) {
    LOG.info("A request could not be read: {}", e.getMessage());
    return answer(
        HttpStatus.BAD_REQUEST,
        new Problem.Body(
            "request",
            "",
            "",
            "The request cannot be read; the page may be older than the server. Reload the page."));
  }

  @ExceptionHandler
  ResponseEntity<Map<String, Problem.Body>> tooLarge(MaxUploadSizeExceededException e) {
    return answer(
        HttpStatus.CONTENT_TOO_LARGE,
        new Problem.Body(
            "file",
            "",
            "",
            "These files have more than 200 MB together. Bring a lighter version."));
  }

  @ExceptionHandler
  ResponseEntity<Map<String, Problem.Body>> nothing(NoResourceFoundException e) {
    return answer(
        HttpStatus.NOT_FOUND,
        new Problem.Body("missing", "", "", "There is nothing at this address."));
  }

  @ExceptionHandler
  ResponseEntity<Map<String, Problem.Body>> method(HttpRequestMethodNotSupportedException e) {
    return answer(
        HttpStatus.METHOD_NOT_ALLOWED,
        new Problem.Body("method", "", "", "This address does not take " + e.getMethod() + "."));
  }

  @ExceptionHandler
  ResponseEntity<Map<String, Problem.Body>> type(HttpMediaTypeNotSupportedException e) {
    return answer(
        HttpStatus.UNSUPPORTED_MEDIA_TYPE,
        new Problem.Body(
            "type",
            "",
            "",
            "This address does not take "
                + e.getContentType()
                + "; it takes what the HTTP"
                + " reference says."));
  }

  @ExceptionHandler
  ResponseEntity<Map<String, Problem.Body>> missing(MissingServletRequestParameterException e) {
    return incomplete("the parameter “" + e.getParameterName() + "”");
  }

  @ExceptionHandler
  ResponseEntity<Map<String, Problem.Body>> missing(MissingServletRequestPartException e) {
    return incomplete("the part “" + e.getRequestPartName() + "”");
  }

  @ExceptionHandler
  ResponseEntity<Map<String, Problem.Body>> missing(ServletRequestBindingException e) {
    LOG.info("A request is not complete: {}", e.getMessage());
    return incomplete("something that the HTTP reference names");
  }

  private static ResponseEntity<Map<String, Problem.Body>> incomplete(String what) {
    return answer(
        HttpStatus.BAD_REQUEST,
        new Problem.Body("parameter", "", "", "The request lacks " + what + "."));
  }

  @ExceptionHandler
  ResponseEntity<Map<String, Problem.Body>> other(Exception e, HttpServletRequest rq) {
    // what somebody reads out finds the lines in the log
    String id = String.valueOf(MDC.get(RequestIds.KEY));
    LOG.error("{} {} failed ({})", rq.getMethod(), rq.getRequestURI(), id, e);
    return answer(
        HttpStatus.INTERNAL_SERVER_ERROR,
        new Problem.Body(
            "server",
            "",
            "",
            "The server could not do this; its log says why under "
                + id
                + ". What was saved before is safe."));
  }

  private static ResponseEntity<Map<String, Problem.Body>> answer(
      HttpStatus status, Problem.Body body) {
    return ResponseEntity.status(status).body(Map.of("refusal", body));
  }
}
