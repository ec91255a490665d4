package kite.core.evaluate;

import static org.junit.jupiter.api.Assertions.assertTrue;

import com.sun.management.ThreadMXBean;
import java.lang.management.ManagementFactory;
import java.util.Random;
import kite.core.RandomDocuments;
import kite.core.document.Sequence;
import kite.core.model.Models;
import org.junit.jupiter.api.Test;

class ScrubbingTest {
  private static final int FRAMES = 1000;

  /**
   * Springs keep a table for the stretch they are in, so a little is made when a new one begins.
   */
  private static final double BYTES_A_FRAME = 64;

  @Test
  void goingBackAndForthTakesNoMoreMemory() {
    ThreadMXBean memory = (ThreadMXBean) ManagementFactory.getThreadMXBean();
    for (int seed = 0; seed < 5; seed++) {
      Sequence s = RandomDocuments.of(seed);
      Plan plan = new Plan(s, Models.NONE);
      Random r = new Random(seed);
      for (int i = 0; i < 4 * FRAMES; i++)
        plan.evaluate(r.nextDouble() * 60); // all that is made once
      long before = memory.getCurrentThreadAllocatedBytes();
      for (int i = 0; i < FRAMES; i++) plan.evaluate(r.nextDouble() * 60);
      double each = (memory.getCurrentThreadAllocatedBytes() - before) / (double) FRAMES;
      assertTrue(each < BYTES_A_FRAME, "seed " + seed + ": " + each + " bytes a frame");
    }
  }
}
