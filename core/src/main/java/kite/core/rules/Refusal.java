package kite.core.rules;

/** Why an edit or a document was not taken: which entity, which field, and one sentence. */
public final class Refusal extends RuntimeException {
  private static final long serialVersionUID = 1;
  private final String code;
  private final String entity;
  private final String field;

  /**
   * @param code a stable word for programs, e.g. {@code missing}
   * @param entity id of the entity at fault, or "" for the whole sequence
   * @param field channel address or JSON path, or ""
   */
  public Refusal(String code, String entity, String field, String text) {
    super(text);
    this.code = code;
    this.entity = entity;
    this.field = field;
  }

  public String code() {
    return code;
  }

  public String entity() {
    return entity;
  }

  public String field() {
    return field;
  }
}
