package kite.server;

import kite.core.rules.Refusal;
import org.springframework.http.HttpStatus;

/** A request that is not fulfilled, with the sentence the person sees. */
public final class Problem extends RuntimeException {
  private static final long serialVersionUID = 1;
  private final HttpStatus status;
  private final Body body;

  /** What goes over the line: a stable code, the entity and field at fault, and one sentence. */
  public record Body(String code, String entity, String field, String text) {}

  public Problem(HttpStatus status, String code, String text) {
    this(status, new Body(code, "", "", text));
  }

  /**
   * @param field the field it was typed in
   */
  public Problem(HttpStatus status, String code, String field, String text) {
    this(status, new Body(code, "", field, text));
  }

  private Problem(HttpStatus status, Body body) {
    super(body.text());
    this.status = status;
    this.body = body;
  }

  public static Problem of(HttpStatus status, Refusal r) {
    return new Problem(status, new Body(r.code(), r.entity(), r.field(), r.getMessage()));
  }

  public static Problem missing(String what) {
    return new Problem(HttpStatus.NOT_FOUND, "missing", "There is no such " + what + ".");
  }

  public HttpStatus status() {
    return status;
  }

  public Body body() {
    return body;
  }
}
