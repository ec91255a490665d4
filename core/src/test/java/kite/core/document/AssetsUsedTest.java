package kite.core.document;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Set;
import java.util.TreeSet;
import kite.core.RandomDocuments;
import kite.core.form.SequenceJson;
import org.junit.jupiter.api.Test;

class AssetsUsedTest {
  /** Whatever looks like one in the document's text is one, and the other way round. */
  @Test
  void areThoseThatTheDocumentNames() {
    int some = 0;
    for (int seed = 0; seed < 60; seed++) {
      Sequence s = RandomDocuments.of(seed);
      Set<String> named = new TreeSet<>();
      var hex =
          java.util.regex.Pattern.compile("\"([0-9a-f]{64})\"").matcher(SequenceJson.write(s));
      while (hex.find()) named.add(hex.group(1));
      assertEquals(named, AssetsUsed.of(s));
      some += named.size();
    }
    assertTrue(some > 10, "documents with models and plates are among them: " + some);
  }
}
