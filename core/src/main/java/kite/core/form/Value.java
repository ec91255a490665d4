package kite.core.form;

import com.eclipsesource.json.JsonValue;

/** One JSON value being read, and where it stands: its path is put together when it is told. */
public final class Value {
  private final JsonValue json;
  private final Fields in;
  private final String field;

  /** Its name in the table that the field holds, or null where the field is the value itself. */
  private final String under;

  Value(JsonValue json, Fields in, String field, String under) {
    this.json = json;
    this.in = in;
    this.field = field;
    this.under = under;
  }

  private String place() {
    return under == null ? field : field + "." + under;
  }

  public String path() {
    return in.path(place());
  }

  public boolean isNumber() {
    return json.isNumber();
  }

  /** A finite number. */
  public double number() {
    double d = Fields.numberOf(json);
    if (Double.isFinite(d)) return d;
    throw Fields.notFinite(json, path());
  }

  /** Text as it can be kept: without zero characters, and halves of characters. */
  public String text() {
    String fault = Fields.faultOfText(json);
    if (fault != null) throw Fields.bad(path(), fault);
    return json.asString();
  }

  public Fields object() {
    return new Fields(json, in, place(), Fields.NO_ITEM);
  }
}
