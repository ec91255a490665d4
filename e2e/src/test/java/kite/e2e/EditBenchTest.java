package kite.e2e;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.SplittableRandom;
import java.util.UUID;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import kite.core.command.ChannelCommand.SetValue;
import kite.core.command.Command;
import kite.core.command.Edit;
import kite.core.command.EntityCommand.Add;
import kite.core.command.EntityCommand.Remove;
import kite.core.curve.Channel;
import kite.core.curve.Key;
import kite.core.document.Camera;
import kite.core.document.Channels;
import kite.core.document.Header;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.document.Shape;
import kite.core.document.StandInKind;
import kite.core.form.SequenceJson;
import kite.core.math.AxisOrder;
import kite.core.rig.base.Base;
import kite.core.rig.head.Head;
import kite.demo.SaltWind;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** What an edit costs, beside what a bare commit costs in the same minute. Run by ./kite bench. */
@Tag("bench")
class EditBenchTest {
  private static final int PEOPLE = 50, SECONDS = 20, WARM_UP_SECONDS = 180;

  /** A person who works fast sends an edit a second, on the whole. */
  private static final long PACE_MS = 1000;

  @Test
  void editsOfManyPeopleAndOfALargeDocument() throws Exception {
    Application app = Application.get();
    List<String> many = new ArrayList<>();
    for (int i = 0; i < PEOPLE; i++) many.add(app.add("B" + i, new SaltWind().sw010()));
    List<Person> people = new ArrayList<>();
    for (int i = 0; i < PEOPLE; i++)
      people.add(Person.signedIn(app.address(), "pim", "hold-on-tight"));
    List<String> one = new ArrayList<>();
    for (int i = 0; i < PEOPLE; i++) one.add(many.get(0));
    run(people, many, 0, WARM_UP_SECONDS); // until its compiler is idle, on two processors
    bare("bare commit, 50 at once");
    say("50 people on 50 sequences, an edit a second", run(people, many, PACE_MS, SECONDS));
    say("50 people on one sequence, an edit a second", run(people, one, PACE_MS, SECONDS));
    say("50 people on 50 sequences, as fast as answers come", run(people, many, 0, SECONDS));
    bare("bare commit, 50 at once");
    large(app, people.get(0));
    bulk(app, people.get(0));
  }

  private static List<Double> run(
      List<Person> people, List<String> sequences, long paceMs, int seconds) throws Exception {
    ExecutorService all = Executors.newFixedThreadPool(PEOPLE);
    CountDownLatch ready = new CountDownLatch(PEOPLE), go = new CountDownLatch(1);
    List<Future<List<Double>>> taken = new ArrayList<>();
    for (int i = 0; i < PEOPLE; i++) {
      int person = i;
      taken.add(
          all.submit(
              () -> {
                List<Double> ms = new ArrayList<>();
                Person p = people.get(person);
                String id = sequences.get(person);
                long revision =
                    Person.json(p.get("api/sequences/" + id + "/digest")).get("revision").asLong();
                SplittableRandom r = new SplittableRandom(person); // Random begins alike for all
                // each turns a number of its own
                String[] ids = {"oda", "pim", "biscuit", "lantern", "kite", "windmill"};
                String[] channels = {
                  "x", "y", "z", "pan", "tilt", "roll", "scaleX", "scaleY", "scaleZ"
                };
                String piece = ids[person % ids.length], channel = channels[person / ids.length];
                ready.countDown();
                go.await();
                long end = System.nanoTime() + TimeUnit.SECONDS.toNanos(seconds);
                while (true) {
                  // people do not wait for each other: the time between two edits is exponential
                  if (paceMs > 0) Thread.sleep((long) (-Math.log(1 - r.nextDouble()) * paceMs));
                  if (System.nanoTime() >= end) break;
                  long t = System.nanoTime();
                  Command c = new SetValue(piece, channel, 1001, 1 + r.nextDouble(), false);
                  var answer = p.edit(id, UUID.randomUUID(), revision, c);
                  if (answer.statusCode() != 200) throw new AssertionError(answer.body());
                  revision = Person.json(answer).get("revision").asLong();
                  ms.add((System.nanoTime() - t) / 1e6);
                }
                return ms;
              }));
    }
    ready.await(1, TimeUnit.MINUTES);
    go.countDown();
    List<Double> ms = new ArrayList<>();
    for (Future<List<Double>> f : taken) ms.addAll(f.get());
    all.shutdown();
    return ms;
  }

  private static void say(String what, List<Double> ms) {
    double[] sorted = ms.stream().mapToDouble(d -> d).sorted().toArray();
    System.out.printf(
        "%-52s %6d edits  p50 %7.1f ms  p99 %7.1f ms%n",
        what, sorted.length, at(sorted, 0.5), at(sorted, 0.99));
  }

  private static double at(double[] sorted, double share) {
    return sorted[(int) Math.min(sorted.length - 1, Math.floor(sorted.length * share))];
  }

  /** pgbench's own: a row of an edit's size, committed, from 50 connections. */
  private static void bare(String what) throws Exception {
    Path folder = Files.createTempDirectory("bare");
    Path script = folder.resolve("commit.sql");
    Files.writeString(script, "insert into bare_commit (row) values (repeat('x', 600));\n");
    Application.sql("drop table if exists bare_commit");
    Application.sql("create table bare_commit (id bigserial primary key, row text)");
    ProcessBuilder bench =
        Application.program(
                "pgbench",
                "-n",
                "-c",
                "" + PEOPLE,
                "-j",
                "2",
                "-T",
                "5",
                "-R",
                "100",
                "-l",
                "-f",
                script.toString(),
                Application.DATABASE)
            .directory(folder.toFile())
            .redirectErrorStream(true);
    Process p = bench.start();
    String out = new String(p.getInputStream().readAllBytes());
    if (p.waitFor() != 0) throw new AssertionError(out);
    List<Double> ms = new ArrayList<>();
    try (Stream<Path> logs = Files.list(folder)) {
      for (Path log :
          logs.filter(f -> f.getFileName().toString().startsWith("pgbench_log")).toList())
        for (String line : Files.readAllLines(log))
          ms.add(Double.parseDouble(line.split(" ")[2]) / 1000);
    }
    say(what + " (pgbench, 100 a second)", ms);
    Application.sql("drop table bare_commit");
  }

  /** 300 pieces and 40 cameras with six curves of 200 keys each. */
  /** 300 pieces, and 40 cameras with 200 keys on each of six channels. */
  static Sequence largeDocument() {
    return largeDocument(new SaltWind().sw010().header(), 200);
  }

  /** 300 pieces, and 40 cameras with so many keys on each of six channels. */
  static Sequence largeDocument(Header header, int keys) {
    List<Command> all = new ArrayList<>();
    Random r = new Random(2);
    for (int i = 0; i < 300; i++) all.add(new Add(piece("piece" + i)));
    for (int i = 0; i < 40; i++) {
      Channels base = Channels.NONE, head = Channels.NONE;
      for (String n : List.of("x", "y", "z")) base = base.with(n, curve(r, keys, 2));
      for (String n : List.of("pan", "tilt", "roll")) head = head.with(n, curve(r, keys, 40));
      String letter = "" + (char) ('A' + i % 26) + (i < 26 ? "" : "A");
      all.add(
          new Add(
              new Camera(
                  "cam" + i,
                  "Camera " + i,
                  letter,
                  "#f0785a",
                  false,
                  false,
                  Channels.NONE,
                  List.of(
                      new Base("base", true, null, Base.Takes.POSITION, base),
                      new Head("head", true, head)))));
    }
    return Edit.apply(new Sequence(header, java.util.Map.of()), all);
  }

  private static Piece piece(String id) {
    return new Piece(
        id,
        id,
        null,
        new Shape.StandIn(StandInKind.BOX, 1, 1, 1),
        "#808080",
        true,
        false,
        AxisOrder.PAN_TILT_ROLL,
        Channels.NONE);
  }

  private static Channel curve(Random r, int count, double size) {
    Key[] keys = new Key[count];
    for (int i = 0; i < keys.length; i++) keys[i] = Key.smooth(1001 + i, r.nextGaussian() * size);
    return Channel.curve(keys);
  }

  private static void large(Application app, Person p) throws Exception {
    Sequence s = largeDocument();
    String id = app.add("LARGE", s);
    System.out.printf("the large document: %.1f MB%n", SequenceJson.write(s).length() / 1e6);
    List<Double> ms = new ArrayList<>();
    long revision = 0, before = 0;
    for (int i = 0; i < 60; i++) {
      if (i == 20) before = app.log();
      long t = System.nanoTime();
      var answer =
          p.edit(id, UUID.randomUUID(), revision, new SetValue("cam3", "head/pan", 1050, i, true));
      if (answer.statusCode() != 200) throw new AssertionError(answer.body());
      revision = Person.json(answer).get("revision").asLong();
      if (i >= 20) ms.add((System.nanoTime() - t) / 1e6);
    }
    double bytes = (app.log() - before) / 40.0;
    say("a key in the large document", ms);
    System.out.printf("its write-ahead log: %.1f kB an edit%n", bytes / 1000);
  }

  private static void bulk(Application app, Person p) throws Exception {
    List<Command> first = new ArrayList<>(), more = new ArrayList<>(), gone = new ArrayList<>();
    for (int i = 0; i < 5000; i++) first.add(new Add(piece("a" + i)));
    for (int i = 0; i < 4990; i++) {
      more.add(new Add(piece("b" + i)));
      gone.add(new Remove(List.of("b" + i), false));
    }
    Sequence empty = new Sequence(new SaltWind().sw010().header(), java.util.Map.of());
    String id = app.add("BULK", Edit.apply(empty, first));
    for (int i = 0; i < 2; i++) {
      long t = System.nanoTime();
      var a = p.edit(id, UUID.randomUUID(), 2 * i, more.toArray(new Command[0]));
      long u = System.nanoTime();
      var b = p.edit(id, UUID.randomUUID(), 2 * i + 1, gone.toArray(new Command[0]));
      long v = System.nanoTime();
      if (a.statusCode() != 200 || b.statusCode() != 200)
        throw new AssertionError(a.body() + b.body());
      System.out.printf(
          "4,990 pieces added to 5,000: %.0f ms; taken away again: %.0f ms%n",
          (u - t) / 1e6, (v - u) / 1e6);
    }
  }
}
