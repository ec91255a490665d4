package kite.server.watch;

import java.util.Locale;
import kite.server.Problem;
import kite.server.live.Happened;
import org.springframework.http.HttpStatus;

/** What kinds of things are called over the line, as {@code edit}. */
final class Words {
  /** What a watcher is told to see whether it hears. */
  static final String HELLO = "hello";

  private Words() {}

  static String of(Happened.Kind kind) {
    return kind.name().toLowerCase(Locale.ROOT);
  }

  /** As it is kept. */
  static Happened.Kind named(String name) {
    return Happened.Kind.valueOf(name);
  }

  static Happened.Kind kind(String word) {
    for (Happened.Kind k : Happened.Kind.values()) if (of(k).equals(word)) return k;
    throw new Problem(
        HttpStatus.UNPROCESSABLE_CONTENT,
        "kind",
        "kinds",
        "Nothing is told that is called “" + word + "”.");
  }
}
