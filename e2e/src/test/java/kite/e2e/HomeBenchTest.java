package kite.e2e;

import java.net.http.HttpResponse;
import java.util.Arrays;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** How quickly Home answers with many productions and sequences. Run by ./kite bench. */
@Tag("bench")
class HomeBenchTest {
  private static final int PRODUCTIONS = 200, SEQUENCES = 200, RUNS = 40, WARM_UP = 10;

  @Test
  void fortyThousandSequences() throws Exception {
    Application application = Application.get();
    Application.sql(
        "insert into production (id, name, code, standards, demo, version)"
            + " select gen_random_uuid(), 'Bench ' || i, 'BN' || i, p.standards, false, 0"
            + " from generate_series(1, "
            + PRODUCTIONS
            + ") i, production p where p.demo");
    Application.sql(
        "insert into sequence (id, production_id, code, title, revision, version)"
            + " select gen_random_uuid(), p.id, p.code || '_' || i, 'Scene ' || md5(p.code || i),"
            + " 0, 0 from production p, generate_series(1, "
            + SEQUENCES
            + ") i where p.code like 'BN%'");
    Application.sql("analyze sequence");
    try {
      Person pim = Person.signedIn(application.address(), "pim", "hold-on-tight");
      measure(pim, "productions", "api/productions");
      measure(pim, "first page of all", "api/sequences");
      measure(pim, "page 300", "api/sequences?page=300");
      measure(pim, "last edited first", "api/sequences?sort=recent");
      measure(pim, "found by part of a title", "api/sequences?find=abc1");
      measure(pim, "nothing found", "api/sequences?find=no+such+thing");
      measure(pim, "favourites", "api/sequences?favourites=true");
    } finally {
      Application.sql("delete from sequence where code like 'BN%'");
      Application.sql("delete from production where code like 'BN%'");
    }
  }

  private static void measure(Person who, String what, String path) throws Exception {
    double[] ms = new double[RUNS];
    for (int i = -WARM_UP; i < RUNS; i++) {
      long from = System.nanoTime();
      HttpResponse<String> r = who.get(path);
      if (r.statusCode() != 200) throw new AssertionError(r.body());
      if (i >= 0) ms[i] = (System.nanoTime() - from) / 1e6;
    }
    Arrays.sort(ms);
    System.out.printf(
        "Home, %d sequences, %s: median %.0f ms, slowest %.0f ms%n",
        PRODUCTIONS * SEQUENCES, what, ms[RUNS / 2], ms[RUNS - 1]);
  }
}
