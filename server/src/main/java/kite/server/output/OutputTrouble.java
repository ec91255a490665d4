package kite.server.output;

import java.io.IOException;

/**
 * What is made cannot be kept, and the next will not be either. The message is a sentence that says
 * what is wrong and what to do.
 */
public final class OutputTrouble extends IOException {
  private static final long serialVersionUID = 1;

  OutputTrouble(String sentence, Throwable cause) {
    super(sentence, cause);
  }
}
