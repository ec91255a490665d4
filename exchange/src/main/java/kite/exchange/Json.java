package kite.exchange;

import tools.jackson.databind.json.JsonMapper;

/**
 * The mapper of everything that is written and read as JSON outside the core. Readers of files from
 * outside have one of their own, with limits.
 */
public final class Json {
  public static final JsonMapper MAPPER = JsonMapper.builder().build();

  private Json() {}
}
