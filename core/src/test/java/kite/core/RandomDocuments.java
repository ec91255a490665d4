package kite.core;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import kite.core.command.Command;
import kite.core.command.Edit;
import kite.core.command.EntityCommand.Add;
import kite.core.command.ShotCommand.InsertShot;
import kite.core.cue.Cue;
import kite.core.cue.Ease;
import kite.core.curve.Channel;
import kite.core.curve.Extrapolation;
import kite.core.curve.Key;
import kite.core.curve.KeyShape;
import kite.core.document.Accepted;
import kite.core.document.AcceptedNote;
import kite.core.document.ActionLine;
import kite.core.document.Air;
import kite.core.document.Board;
import kite.core.document.Camera;
import kite.core.document.CameraPackage;
import kite.core.document.ChannelSpec;
import kite.core.document.Channels;
import kite.core.document.Finish;
import kite.core.document.Focus;
import kite.core.document.Guide;
import kite.core.document.Header;
import kite.core.document.Layer;
import kite.core.document.Light;
import kite.core.document.Mark;
import kite.core.document.Marker;
import kite.core.document.Measure;
import kite.core.document.Path;
import kite.core.document.Piece;
import kite.core.document.Plate;
import kite.core.document.Sequence;
import kite.core.document.Shape;
import kite.core.document.Shot;
import kite.core.document.Sound;
import kite.core.document.SoundTrack;
import kite.core.document.Speed;
import kite.core.document.StandInKind;
import kite.core.document.Take;
import kite.core.math.AxisOrder;
import kite.core.math.Vec3;
import kite.core.number.Rate;
import kite.core.optics.FilmBack;
import kite.core.optics.Fit;
import kite.core.path.PathPoint;
import kite.core.path.PathStyle;
import kite.core.rig.PartKind;
import kite.core.rig.PartKinds;
import kite.core.rig.RigPart;
import kite.core.rig.Subject;
import kite.core.rig.arm.Arm;
import kite.core.rig.attention.Attention;
import kite.core.rig.base.Base;
import kite.core.rig.dollyzoom.DollyZoom;
import kite.core.rig.framings.Framings;
import kite.core.rig.head.Head;
import kite.core.rig.operator.Operator;
import kite.core.rig.rail.Rail;
import kite.core.rig.slide.Slide;
import kite.core.rig.spring.Spring;
import kite.core.rig.trim.Trim;
import kite.core.rules.PartRules;

/**
 * Documents made of chance, the same for the same seed, that use everything a document can hold.
 */
public final class RandomDocuments {
  private final Random r;

  /** For what came later, so that the rest of a seed’s document stays as it was. */
  private final Random more;

  private RandomDocuments(long seed) {
    r = new Random(seed);
    more = new Random(~seed);
  }

  public static Header header() {
    return new Header(
        "RND",
        "Chance",
        1,
        40,
        new Rate(24000, 1001),
        "m",
        1,
        new CameraPackage(new FilmBack(24.89, 18.66, 1), 1280, 720, Fit.WIDTH, 0));
  }

  public static Sequence of(long seed) {
    return new RandomDocuments(seed).make();
  }

  private Sequence make() {
    List<Command> all = new ArrayList<>();
    List<String> pieces = new ArrayList<>();
    for (int i = 0; i < 6; i++) {
      String id = "piece" + i,
          parent = i > 0 && r.nextBoolean() ? pieces.get(r.nextInt(pieces.size())) : null;
      Channels c = Channels.NONE;
      for (String n : List.of("x", "y", "z")) c = c.with(n, channel(8));
      for (String n : List.of("pan", "tilt", "roll")) c = c.with(n, channel(200));
      c = c.with("scaleX", 0.5 + r.nextDouble()).with("scaleZ", 0.5 + r.nextDouble());
      if (r.nextBoolean()) c = c.with("pivotX", r.nextDouble());
      StandInKind kind = StandInKind.values()[r.nextInt(StandInKind.values().length)];
      all.add(
          new Add(
              new Piece(
                      id,
                      "Piece " + i,
                      parent,
                      new Shape.StandIn(kind, 1, 1.7, 0.5),
                      "#a0b0c0",
                      true,
                      false,
                      AxisOrder.values()[r.nextInt(6)],
                      c)
                  .withFinish(i % 2 == 1 ? finish(i) : null)));
      pieces.add(id);
    }
    all.add(
        new Add(
            new Mark(
                "mark", "Mark", pieces.get(r.nextInt(6)), Channels.NONE.with("x", channel(2)))));
    all.add(
        new Add(
            new Light(
                "sun",
                "Sun",
                "#ffffff",
                "#88aacc",
                "#ddeeff",
                Channels.NONE.with("heading", channel(90)))));
    all.add(new Add(new Layer("layer", "Layer", "#a0b0c0", true, r.nextBoolean(), false)));
    all.add(
        new Add(
            new Piece(
                "repeat",
                "Again",
                "piece1",
                "layer",
                new Shape.Instance("piece0"),
                "#a0b0c0",
                true,
                false,
                AxisOrder.PAN_TILT_ROLL,
                pose(3, 40))));
    all.add(
        new Add(
            new Mark("rider", "On head", "piece2", "head", Channels.NONE.with("y", channel(1)))
                .withLayer("layer")
                .withShown(false)));
    all.add(new Add(spot(pieces)));
    all.add(
        new Add(
            new Air("air", "Air", "#c0c8d0", null, Channels.NONE.with("density", r.nextDouble()))));
    List<PathPoint> points = new ArrayList<>();
    for (int i = 0; i < 5; i++)
      points.add(new PathPoint(vec(6).plus(new Vec3(i * 4, 0, 0)), vec(1), vec(1)));
    all.add(
        new Add(
            new Path(
                "path",
                "Path",
                r.nextBoolean() ? PathStyle.THROUGH : PathStyle.BEZIER,
                r.nextBoolean(),
                points)));
    List<PathPoint> guide = new ArrayList<>();
    for (int i = 0; i < 3; i++)
      guide.add(new PathPoint(vec(4).plus(new Vec3(i * 5, 1, -9)), Vec3.ZERO, Vec3.ZERO));
    all.add(new Add(new Path("guide", "Guide", PathStyle.THROUGH, false, guide)));
    for (int i = 0; i < 3; i++) all.add(new Add(camera("cam" + i, i, pieces)));
    all.add(new Add(travelling()));
    all.add(
        new Add(
            new Plate(
                "plate",
                "Plate",
                "cam0",
                List.of("ab".repeat(32), "cd".repeat(32)),
                Plate.PlateFit.values()[r.nextInt(5)],
                r.nextBoolean(),
                true,
                3,
                Plate.After.values()[r.nextInt(2)],
                Channels.NONE.with("across", channel(1)))));
    all.add(new Add(new Measure("measure", "Measure", "cam1", vec(3), vec(3))));
    all.add(new InsertShot(Shot.of("cut0", "RND_0010", "cam0", 1, 19), null));
    String second = r.nextBoolean() ? "cam1" : null;
    all.add(new InsertShot(Shot.of("cut1", "RND_0020", second, 20, 21), null));
    all.add(new InsertShot(twoTakes(), null));
    all.add(new Add(new Marker("marker", "the kite goes", 12, "#f2b441")));
    all.add(new Add(new SoundTrack("track", "Scratch", "i", -3, false, r.nextBoolean())));
    all.add(new Add(sound(r)));
    all.add(new Add(new ActionLine("zline", "Line", "piece0", "piece1")));
    all.add(new Add(new AcceptedNote("accepted", "a wild track", "sound", "soundOut")));
    return Edit.apply(new Sequence(header(), Map.of()), all);
  }

  private static Sound sound(Random r) {
    String recording = "0123456789abcdef".repeat(4);
    double from = r.nextDouble() * 3;
    return new Sound(
        "sound", "Wind", "track", recording, 9.5, -3.25, from, 6, -6.5, false, 0.5, r.nextDouble());
  }

  /** Kinds of rig parts of which the documents have more than channels. */
  private static final Set<String> TOLD_ABOVE =
      Set.of(
          Base.KIND,
          Framings.KIND,
          Rail.KIND,
          Slide.KIND,
          Arm.KIND,
          Head.KIND,
          Attention.KIND,
          Spring.KIND,
          Operator.KIND,
          DollyZoom.KIND,
          Trim.KIND);

  /** A part of any other kind, with keys on all its channels. */
  private RigPart anyOf(PartKind<?> kind) {
    RigPart begun = ((PartRules<?>) kind).begin(kind.word());
    Channels c = Channels.NONE;
    for (ChannelSpec s : begun.specs())
      c = c.with(s.name(), channelWithin(Math.max(-1, s.least()), Math.min(1, s.most())));
    return begun.withChannels(c);
  }

  private Camera camera(String id, int i, List<String> pieces) {
    String rides =
        i > 0 && r.nextBoolean()
            ? "cam" + (i - 1)
            : r.nextBoolean() ? pieces.get(r.nextInt(6)) : null;
    List<RigPart> rig = new ArrayList<>();
    rig.add(new Base("base", true, rides, Base.Takes.values()[r.nextInt(3)], pose(6, 90)));
    if (r.nextBoolean())
      rig.add(
          new Rail(
              "rail",
              true,
              "path",
              Rail.Facing.values()[r.nextInt(3)],
              r.nextBoolean() ? "guide" : null,
              r.nextBoolean(),
              Channels.NONE
                  .with("progress", channel(90))
                  .with("side", channel(1))
                  .with("lookAhead", r.nextInt(2) * 1.5)
                  .with("bank", r.nextInt(2))
                  .with("strength", r.nextDouble())));
    rig.add(
        new Slide(
            "slide",
            r.nextBoolean(),
            Channels.NONE.with("dolly", channel(3)).with("truck", channel(2))));
    rig.add(
        new Head(
            "head",
            true,
            Channels.NONE
                .with("pan", channel(120))
                .with("tilt", channel(60))
                .with("roll", channel(30))));
    if (r.nextBoolean())
      rig.add(
          rig.size() - 1,
          new Arm(
              "arm",
              true,
              r.nextBoolean(),
              Channels.NONE
                  .with("length", 1 + r.nextDouble() * 5)
                  .with("swing", channel(80))
                  .with("lift", channel(50))));
    rig.add(attention(pieces));
    if (r.nextBoolean())
      rig.add(
          new Spring(
              "spring",
              true,
              Channels.NONE
                  .with("positionHz", 1 + r.nextDouble() * 3)
                  .with("rotationDamping", 0.4 + r.nextDouble())
                  .with("strength", channelWithin(0, 1))));
    if (r.nextBoolean())
      rig.add(
          new Operator(
              "operator",
              true,
              Operator.Preset.values()[r.nextInt(5)],
              1.4 + r.nextDouble(),
              r.nextInt(1000),
              Channels.NONE.with("strength", channelWithin(0, 1))));
    if (r.nextBoolean())
      rig.add(
          new DollyZoom(
              "zoom",
              r.nextBoolean(),
              Subject.of("mark"),
              DollyZoom.Gives.values()[r.nextInt(2)],
              4 + r.nextDouble() * 6,
              Channels.NONE.with("strength", channelWithin(0, 1))));
    rig.add(
        new Trim(
            "trim",
            r.nextBoolean(),
            "push in a little",
            r.nextBoolean() ? new Trim.Span(4, 30, 6, 9) : null,
            more.nextBoolean() ? List.of("cut1/take1") : List.of(),
            Channels.NONE.with("dolly", channel(0.5)).with("pan", channel(4)).with("focal", 3)));
    for (PartKind<?> k : PartKinds.all()) if (!TOLD_ABOVE.contains(k.word())) rig.add(anyOf(k));
    Channels lens =
        Channels.NONE
            .with("focalLength", 20 + r.nextInt(60))
            .with("focusDistance", 3 + r.nextDouble() * 10)
            .with("shiftX", r.nextInt(3));
    Attention looked =
        (Attention) rig.stream().filter(p -> p instanceof Attention).findFirst().orElseThrow();
    return new Camera(
        id,
        "Camera " + i,
        "" + (char) ('A' + i),
        "#f0785a",
        false,
        List.of("fStop"),
        r.nextBoolean(),
        i % 2 == 1,
        r.nextBoolean() ? new FilmBack(36, 24, 1) : null,
        r.nextBoolean() ? Fit.values()[r.nextInt(4)] : null,
        0.5 + r.nextDouble(),
        r.nextBoolean() ? new Focus(looked.subjects(), looked.cues()) : null,
        List.of(new Guide(Guide.Rule.values()[r.nextInt(11)], 0.9, 0.9, 2, "#f6efe0", 0.5)),
        r.nextDouble(),
        i == 1 ? "layer" : null,
        i != 2,
        lens,
        rig);
  }

  /** Repeats some of the action, slower; its other take runs by a curve. */
  private static Shot twoTakes() {
    Take slow = new Take("take1", "Slow", "cam2", 10.5, 12, new Speed.Steady(1, 2));
    Channel.Curve ramp =
        new Channel.Curve(
            List.of(Key.smooth(0, 0), Key.smooth(6, 9), Key.smooth(12, 10)),
            Extrapolation.STRAIGHT,
            Extrapolation.STRAIGHT);
    Take other = new Take("take2", "Ramp", "cam0", 4, 12, new Speed.Curved(ramp));
    return new Shot(
        "cut2",
        "RND_0030",
        "",
        List.of(slow, other),
        "take1",
        8,
        Shot.Status.IN_WORK,
        "#a0b0c0",
        "slower, please",
        List.of(new Accepted("gap", "a breath")),
        new Board("7f".repeat(32), false));
  }

  private static Finish finish(int i) {
    return new Finish(i / 7.0, i % 3 / 2.0, i / 3.0, i % 3 == 0 ? "5e".repeat(32) : null);
  }

  /** A camera that travels between the other three. */
  private Camera travelling() {
    List<Cue> cues = new ArrayList<>();
    for (int i = 0; i < 3; i++)
      cues.add(new Cue(2 + i * 12, r.nextInt(16), Ease.SLOW_BOTH, Map.of("cam" + (2 - i), 1.0)));
    return new Camera(
        "travel",
        "Travelling",
        "T",
        "#37b6a8",
        false,
        true,
        Channels.NONE.with("focalLength", 40),
        List.of(
            new Base("base", true, null, Base.Takes.ALL, pose(4, 40)),
            new Framings(
                "framings",
                true,
                Framings.Route.values()[r.nextInt(2)],
                r.nextBoolean(),
                List.of("cam0", "cam1", "cam2"),
                cues,
                Channels.NONE.with("strength", channelWithin(0, 1))),
            new Head("head", true, Channels.NONE.with("roll", channel(5)))));
  }

  private Light spot(List<String> pieces) {
    return new Light(
        "spot",
        "Spot",
        Light.Form.SPOT,
        pieces.get(3),
        "layer",
        "#ffffff",
        3200,
        r.nextBoolean(),
        "#102030",
        r.nextBoolean(),
        "#000000",
        "#000000",
        true,
        attention(pieces),
        pose(4, 60).with("power", 20));
  }

  private Attention attention(List<String> pieces) {
    List<Subject> subjects =
        List.of(
            new Subject(pieces.get(0), null, vec(1)),
            new Subject(pieces.get(1), "head", Vec3.ZERO),
            Subject.of("mark"));
    List<Cue> cues = new ArrayList<>();
    for (int i = 0; i < 4; i++) {
      Map<String, Double> mix = new HashMap<>();
      double left = 1;
      for (Subject s : subjects) {
        double share = left * r.nextDouble();
        mix.put(s.entity(), share);
        left -= share;
      }
      cues.add(new Cue(1 + i * 8, r.nextInt(14), Ease.values()[r.nextInt(4)], mix));
    }
    Attention.Up up = Attention.Up.values()[r.nextInt(3)];
    return new Attention(
        "look",
        true,
        up,
        pieces.get(2),
        Attention.Blend.values()[r.nextInt(2)],
        subjects,
        cues,
        Channels.NONE
            .with("across", r.nextDouble())
            .with("down", 0.3 + r.nextDouble() * 0.4)
            .with("strength", channelWithin(0, 1))
            .with("roll", channel(20)));
  }

  private Channels pose(double metres, double degrees) {
    Channels c = Channels.NONE;
    for (String n : List.of("x", "y", "z")) c = c.with(n, channel(metres));
    for (String n : List.of("pan", "tilt", "roll")) c = c.with(n, channel(degrees));
    return c;
  }

  private Vec3 vec(double reach) {
    return new Vec3(
        (r.nextDouble() - 0.5) * reach,
        (r.nextDouble() - 0.5) * reach,
        (r.nextDouble() - 0.5) * reach);
  }

  public Channel channel(double reach) {
    return channelWithin(-reach, reach);
  }

  private Channel channelWithin(double least, double most) {
    if (r.nextInt(3) == 0) return Channel.fixed(least + r.nextDouble() * (most - least));
    List<Key> keys = new ArrayList<>();
    double frame = r.nextInt(5);
    for (int i = 0; i < 2 + r.nextInt(5); i++) {
      KeyShape shape = KeyShape.values()[r.nextInt(4)];
      keys.add(
          new Key(
              frame,
              least + r.nextDouble() * (most - least),
              shape,
              r.nextDouble() * 6,
              r.nextDouble() - 0.5,
              r.nextDouble() * 6,
              r.nextDouble() - 0.5,
              r.nextBoolean()));
      frame += 1 + r.nextInt(8) + (r.nextBoolean() ? 0.5 : 0);
    }
    boolean bounded = least == 0; // a share may not leave its range
    if (bounded)
      keys.replaceAll(k -> k.shape() == KeyShape.FREE ? k.withShape(KeyShape.SMOOTH) : k);
    return new Channel.Curve(
        keys,
        bounded ? Extrapolation.HOLD : Extrapolation.values()[r.nextInt(4)],
        bounded ? Extrapolation.HOLD : Extrapolation.values()[r.nextInt(4)]);
  }
}
