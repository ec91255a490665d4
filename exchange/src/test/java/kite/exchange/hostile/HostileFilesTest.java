package kite.exchange.hostile;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.lang.management.ManagementFactory;
import java.lang.management.MemoryPoolMXBean;
import java.lang.management.MemoryType;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Set;
import kite.exchange.BadFile;
import kite.exchange.Budget;
import kite.exchange.Names;
import kite.exchange.gltf.GlbReader;
import kite.exchange.obj.ObjModel;
import kite.exchange.track.CameraTracks;
import org.junit.jupiter.api.Test;

/** Files made to exhaust a reader end in a sentence, or are read within what a file may take. */
class HostileFilesTest {
  /** Whether what each file took is told: ./kite campaign does. */
  private static final boolean TOLD = Boolean.getBoolean("campaign");

  /** Files that are large but honest. */
  private static final Set<String> FINE =
      Set.of(
          "a face of many corners.obj",
          "many corners of one face each.obj",
          "many attributes.usda");

  @Test
  void modelsThatUnfoldAreRefusedOrRead() throws Exception {
    for (Map.Entry<String, byte[]> f : HostileFiles.models().entrySet())
      check(f.getKey(), measured(f.getKey(), () -> model(f.getKey(), f.getValue())));
  }

  @Test
  void camerasThatUnfoldAreRefusedOrRead() {
    for (Map.Entry<String, byte[]> f : HostileFiles.tracks().entrySet())
      check(
          f.getKey(),
          measured(
              f.getKey(),
              () ->
                  CameraTracks.read(
                      f.getKey(), f.getValue(), 24, budget(FINE.contains(f.getKey())))));
  }

  private static void model(String name, byte[] bytes) throws BadFile {
    Budget budget = budget(FINE.contains(name));
    if (name.endsWith(".obj")) GlbReader.read(ObjModel.read(Map.of(name, bytes), budget).glb());
    else GlbReader.read(bytes, budget);
  }

  /** The usual one; with a moment alone where nobody waits for a file to be read to its end. */
  private static Budget budget(boolean fine) {
    return fine || TOLD
        ? Budget.usual()
        : new Budget(Budget.MOST_BYTES, Duration.ofMillis(300), System::nanoTime);
  }

  private static void check(String name, String said) {
    if (FINE.contains(name)) assertNull(said, name);
    else assertTrue(said != null && said.endsWith("."), name + ": " + said);
  }

  /** Work that may find a file bad. */
  private interface Reading {
    void read() throws BadFile;
  }

  /** What was said of a file, or null; its time and the most memory at once go to the log. */
  private static String measured(String name, Reading work) {
    if (TOLD) System.gc();
    long before = used(false);
    long from = System.nanoTime();
    String said = null;
    try {
      work.read();
    } catch (BadFile e) {
      said = e.getMessage();
    }
    long peak = used(true) - before;
    if (TOLD)
      System.out.printf(
          "%-50s %6d ms %5d MB  %s%n",
          name, (System.nanoTime() - from) / 1_000_000, peak >> 20, said);
    return said;
  }

  /** Heap in use now, or the most since this was last asked. */
  private static long used(boolean peak) {
    long n = 0;
    for (MemoryPoolMXBean p : ManagementFactory.getMemoryPoolMXBeans()) {
      if (p.getType() != MemoryType.HEAP) continue;
      n += peak ? p.getPeakUsage().getUsed() : p.getUsage().getUsed();
      p.resetPeakUsage();
    }
    return n;
  }

  @Test
  void aBudgetCountsMemoryAndTime() throws Exception {
    long[] now = {0};
    Budget b = new Budget(1000, Duration.ofSeconds(2), () -> now[0]);
    b.take(600, "The first");
    b.giveBack(200);
    b.take(600, "The second");
    assertTrue(
        assertThrows(BadFile.class, () -> b.take(1, "The third"))
            .getMessage()
            .startsWith("The third would take more memory"));
    assertThrows(BadFile.class, () -> b.take(Long.MAX_VALUE, "All"));
    for (int i = 0; i < 10_000; i++) b.step();
    now[0] = Duration.ofSeconds(3).toNanos();
    assertThrows(
        BadFile.class,
        () -> {
          for (int i = 0; i < 10_000; i++) b.step();
        });
  }

  @Test
  void namesAreFitToBeKept() {
    assertEquals("a b c", Names.clean("a\u0000b\nc"));
    assertEquals("x\uFFFDy \uD83D\uDC0B", Names.clean("x\uD800y \uD83D\uDC0B"));
    assertEquals(200, Names.clean("n".repeat(9999)).length());
    assertEquals("brick 50%.png", Names.file("C:\\maps\\Brick 50%.PNG"));
    assertEquals(List.of("a"), List.of(Names.file("../../a")));
  }
}
