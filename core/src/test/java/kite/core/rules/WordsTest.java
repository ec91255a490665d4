package kite.core.rules;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Random;
import java.util.function.Predicate;
import org.junit.jupiter.api.Test;

/** The words of {@link Words} against regular expressions that say the same. */
class WordsTest {
  private static final String LETTERS = "azAZ09fgFG_-#/:@[`{ é\0";

  @Test
  void areWhatTheirExpressionsSay() {
    Random random = new Random(7);
    says("[A-Za-z0-9_-]{1,64}", Words::isId, random, 64);
    says("#[0-9a-f]{6}", Words::isColour, random, 7);
    says("[0-9a-f]{64}", Words::isAsset, random, 64);
    says("[0-9a-z]{1,200}", Words::isPlace, random, 200);
    says("[A-Z]{1,2}", Words::isLetter, random, 2);
  }

  private static void says(String expression, Predicate<String> is, Random random, int longest) {
    int right = 0;
    for (int i = 0; i < 3000; i++) {
      String near = word(random, i % 2 == 0 ? "09afAZ" : "AZ", longest + i % 3 - 1);
      for (String text :
          new String[] {
            near,
            near.toLowerCase(),
            "#" + word(random, "0a9f", longest - 1),
            word(random, "0a9f", longest),
            word(random, LETTERS, random.nextInt(longest + 2)),
            ""
          }) {
        boolean matches = text.matches(expression);
        assertEquals(matches, is.test(text), () -> expression + " of " + text);
        if (matches) right++;
      }
    }
    assertTrue(right > 100, expression + " was seen to fit too seldom");
  }

  private static String word(Random random, String of, int length) {
    StringBuilder b = new StringBuilder();
    for (int i = 0; i < length; i++) b.append(of.charAt(random.nextInt(of.length())));
    return b.toString();
  }
}
