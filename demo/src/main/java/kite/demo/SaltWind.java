package kite.demo;

import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import kite.core.command.Command;
import kite.core.command.Edit;
import kite.core.command.EntityCommand.Add;
import kite.core.cue.Cue;
import kite.core.cue.Ease;
import kite.core.curve.Channel;
import kite.core.curve.Key;
import kite.core.curve.KeyShape;
import kite.core.document.Camera;
import kite.core.document.CameraPackage;
import kite.core.document.Channels;
import kite.core.document.CutEntry;
import kite.core.document.Header;
import kite.core.document.Light;
import kite.core.document.Mark;
import kite.core.document.Path;
import kite.core.document.Piece;
import kite.core.document.Rate;
import kite.core.document.Sequence;
import kite.core.document.Shape;
import kite.core.document.StandInKind;
import kite.core.math.AxisOrder;
import kite.core.optics.FilmBack;
import kite.core.optics.Fit;
import kite.core.path.PathPoint;
import kite.core.path.PathStyle;
import kite.core.rig.Attention;
import kite.core.rig.Base;
import kite.core.rig.Head;
import kite.core.rig.Rail;
import kite.core.rig.RigPart;
import kite.core.rig.Slide;
import kite.core.rig.Subject;

/** Salt Wind: a kite festival on a windy harbour pier. */
public final class SaltWind {
  public static final String PRODUCTION = "Salt Wind";

  /** One model file. */
  public record Asset(String name, String sha256, byte[] bytes) {}

  private final Map<String, Asset> assets = new LinkedHashMap<>();
  private final List<Command> recipe = new ArrayList<>();

  public SaltWind() {
    SaltWindModels.all()
        .forEach((name, bytes) -> assets.put(name, new Asset(name + ".glb", sha256(bytes), bytes)));
  }

  public List<Asset> assets() {
    return List.copyOf(assets.values());
  }

  static String sha256(byte[] bytes) {
    try {
      return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes));
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException(e);
    }
  }

  /** SW010, The kite gets away: frames 1001–1240. */
  public Sequence sw010() {
    recipe.clear();
    CameraPackage pack = new CameraPackage(new FilmBack(24.89, 14.0, 1), 1920, 1080, Fit.WIDTH, 0);
    Header h = new Header("SW010", "The kite gets away", 1001, 1240, new Rate(24, 1), "m", 1, pack);
    set();
    people();
    paths();
    craneDown();
    alongTheStalls();
    lantern();
    dollyZoom();
    cut();
    return Edit.apply(new Sequence(h, Map.of()), recipe);
  }

  private void set() {
    recipe.add(
        new Add(
            new Light(
                "sun",
                "Evening sun",
                "#ffd9a8",
                "#4f80b8",
                "#f2d3ae",
                channels(
                    "heading",
                    62,
                    "elevation",
                    24,
                    "intensity",
                    4.4,
                    "skyIntensity",
                    1.0,
                    "softness",
                    1.2))));
    recipe.add(
        new Add(
            new Piece(
                "sea",
                "Sea",
                null,
                new Shape.StandIn(StandInKind.PLANE, 900, 0, 900),
                "#2f6a80",
                true,
                true,
                AxisOrder.PAN_TILT_ROLL,
                channels("y", -2.4))));
    model("pier", "Pier", "pier", null, "y", 0);
    model("shore", "Shore", "shore", null);
    model("lighthouse", "Lighthouse", "lighthouse", null, "x", 15, "z", -68, "y", -1);
    model("windmill", "Windmill", "windmill", "turning", "x", -17, "z", -34, "y", 0.4, "pan", 62);
    String[] stalls = {"stall-coral", "stall-teal", "stall-marigold", "stall-coral", "stall-teal"};
    for (int i = 0; i < stalls.length; i++)
      model("stall" + (i + 1), "Stall " + (i + 1), stalls[i], null, "x", -2.2, "z", -3 - i * 5.0);
    for (int i = 0; i < 6; i++)
      model("bollard" + (i + 1), "Bollard " + (i + 1), "bollard", null, "x", 2.7, "z", 5 - i * 7.0);
    model("lantern", "Lantern", "lantern", null, "x", 1.5, "z", -1.6);
  }

  private void people() {
    Channels pim =
        channels("x", 0.4)
            .with(
                "z",
                Channel.curve(
                    Key.smooth(1001, -5),
                    Key.smooth(1040, -5.4),
                    Key.smooth(1120, -12),
                    Key.smooth(1170, -12.6)));
    figure(
        "pim",
        "Pim",
        StandInKind.CHILD,
        0.42,
        1.22,
        0.26,
        "#e6a83c",
        pim.with(
            "pan",
            Channel.curve(Key.smooth(1001, 18), Key.smooth(1060, 0), Key.smooth(1150, -24))));
    figure(
        "oda",
        "Oda",
        StandInKind.ADULT,
        0.54,
        1.66,
        0.34,
        "#35617f",
        channels("x", 1.7, "z", -17.5, "pan", 152));
    Channels biscuit =
        channels("x", -0.6)
            .with(
                "z",
                Channel.curve(
                    Key.smooth(1001, -6.2), Key.smooth(1050, -6.6), Key.smooth(1125, -13.4)))
            .with(
                "pan",
                Channel.curve(Key.smooth(1001, -30), Key.smooth(1060, 4), Key.smooth(1130, -40)));
    recipe.add(new Add(modelPiece("biscuit", "Biscuit", "dog", "wagging", biscuit)));
    Channels flight =
        Channels.NONE
            .with(
                "x",
                Channel.curve(
                    Key.smooth(1001, 0.9),
                    Key.smooth(1040, 1.3),
                    Key.smooth(1100, 3.4),
                    Key.smooth(1160, 1.2),
                    Key.smooth(1240, 6.5)))
            .with(
                "y",
                Channel.curve(
                    Key.smooth(1001, 1.9),
                    Key.smooth(1030, 2.1),
                    Key.smooth(1080, 5.6),
                    Key.smooth(1130, 4.9),
                    Key.smooth(1240, 12)))
            .with(
                "z",
                Channel.curve(
                    Key.smooth(1001, -6.2),
                    Key.smooth(1040, -7.5),
                    Key.smooth(1120, -18),
                    Key.smooth(1240, -34)))
            .with(
                "roll",
                Channel.curve(
                    Key.smooth(1001, -8),
                    Key.smooth(1025, 14),
                    Key.smooth(1055, -18),
                    Key.smooth(1090, 16),
                    Key.smooth(1130, -22),
                    Key.smooth(1180, 12),
                    Key.smooth(1240, -10)))
            .with("tilt", Channel.fixed(-24));
    recipe.add(new Add(modelPiece("kite", "Runaway kite", "kite", "fluttering", flight)));
    recipe.add(new Add(new Mark("deck", "Deck end", null, channels("x", 0, "y", 1.2, "z", -44))));
  }

  private void paths() {
    List<PathPoint> points =
        List.of(
            PathPoint.of(2.2, 1.35, 1.5),
            PathPoint.of(1.9, 1.35, -2.5),
            PathPoint.of(2.3, 1.4, -8),
            PathPoint.of(1.1, 1.5, -11.5),
            PathPoint.of(0.4, 1.6, -13.2));
    recipe.add(
        new Add(new Path("stallsPath", "Past the stalls", PathStyle.THROUGH, false, points)));
  }

  private void craneDown() {
    Base base =
        new Base(
            "base",
            true,
            null,
            Base.Takes.POSITION,
            Channels.NONE
                .with("x", keys(KeyShape.SMOOTH, 1001, 8.5, 1058, 3.2))
                .with("y", keys(KeyShape.SMOOTH, 1001, 8.2, 1058, 1.5))
                .with("z", keys(KeyShape.SMOOTH, 1001, 11, 1058, 0.8)));
    Attention look =
        attention(
            "look",
            List.of(Subject.of("pim")),
            List.of(new Cue(1001, 0, Ease.SLOW_BOTH, Map.of("pim", 1.0))),
            channels("across", 0.42, "down", 0.46));
    camera(
        "camA",
        "Crane down",
        "A",
        "#f0785a",
        channels("focalLength", 27, "fStop", 5.6, "focusDistance", 7, "farClip", 1200),
        true,
        base,
        head(),
        look);
  }

  private void alongTheStalls() {
    Base base = new Base("base", true, null, Base.Takes.POSITION, Channels.NONE);
    Rail rail =
        new Rail(
            "rail",
            true,
            "stallsPath",
            Rail.Facing.TRAVEL,
            true,
            Channels.NONE.with("progress", keys(KeyShape.SMOOTH, 1061, 0, 1140, 100)));
    List<Cue> cues =
        List.of(
            new Cue(1061, 0, Ease.SLOW_BOTH, Map.of("pim", 1.0)),
            new Cue(1086, 18, Ease.SLOW_BOTH, Map.of("oda", 1.0)),
            new Cue(1116, 20, Ease.SLOW_BOTH, Map.of("kite", 1.0)));
    Attention look =
        attention(
            "look",
            List.of(Subject.of("pim"), Subject.of("oda"), Subject.of("kite")),
            cues,
            channels("across", 0.5, "down", 0.42));
    camera(
        "camB",
        "Along the stalls",
        "B",
        "#37b6a8",
        channels("focalLength", 32, "fStop", 4, "focusDistance", 6, "farClip", 1200),
        false,
        base,
        rail,
        new Slide("slide", true, Channels.NONE),
        look);
  }

  private void lantern() {
    Channels lens =
        channels("focalLength", 65, "fStop", 2, "farClip", 1200)
            .with("focusDistance", keys(KeyShape.SMOOTH, 1150, 1.75, 1172, 12.9));
    Base base =
        new Base(
            "base",
            true,
            null,
            Base.Takes.POSITION,
            channels("x", 1.2, "y", 1.36, "z", 0.1, "pan", 3));
    camera(
        "camC",
        "Lantern to Pim",
        "C",
        "#b48af0",
        lens,
        true,
        base,
        new Head("head", true, channels("pan", -5, "tilt", -1.6)));
  }

  /** Distance and focal length change together, both straight, so that Oda keeps her size. */
  private void dollyZoom() {
    double near = 2.4, far = 7.2;
    Channels lens =
        channels("fStop", 4, "farClip", 1200)
            .with("focalLength", keys(KeyShape.STRAIGHT, 1195, 21, 1236, 21 * far / near))
            .with("focusDistance", keys(KeyShape.STRAIGHT, 1195, near, 1236, far));
    Base base =
        new Base(
            "base",
            true,
            null,
            Base.Takes.POSITION,
            channels("x", 1.7, "y", 1.5, "z", -17.5 + near, "pan", 0));
    Slide slide =
        new Slide(
            "slide",
            true,
            Channels.NONE.with("dolly", keys(KeyShape.STRAIGHT, 1195, 0, 1236, near - far)));
    camera("camD", "Dolly zoom on Oda", "D", "#f2b441", lens, true, base, slide, head());
  }

  private void cut() {
    String[] cameras = {"camA", "camB", "camC", "camD"};
    int[] first = {1001, 1061, 1141, 1191};
    for (int i = 0; i < 4; i++)
      recipe.add(
          new Add(new CutEntry("cut" + (i + 1), "SW010_00" + (i + 1) + "0", cameras[i], first[i])));
  }

  private static Head head() {
    return new Head("head", true, Channels.NONE);
  }

  private static Attention attention(
      String id, List<Subject> subjects, List<Cue> cues, Channels channels) {
    return new Attention(
        id, true, Attention.Up.WORLD, null, Attention.Blend.DIRECTIONS, subjects, cues, channels);
  }

  private void camera(
      String id,
      String name,
      String letter,
      String colour,
      Channels lens,
      boolean blur,
      RigPart... rig) {
    recipe.add(new Add(new Camera(id, name, letter, colour, false, blur, lens, List.of(rig))));
  }

  private void figure(
      String id,
      String name,
      StandInKind kind,
      double w,
      double h,
      double d,
      String colour,
      Channels channels) {
    recipe.add(
        new Add(
            new Piece(
                id,
                name,
                null,
                new Shape.StandIn(kind, w, h, d),
                colour,
                true,
                false,
                AxisOrder.PAN_TILT_ROLL,
                channels)));
  }

  private void model(String id, String name, String file, String clip, Object... place) {
    recipe.add(new Add(modelPiece(id, name, file, clip, channels(place))));
  }

  private Piece modelPiece(String id, String name, String file, String clip, Channels channels) {
    Shape shape = new Shape.Model(assets.get(file).sha256(), clip, 1001, 1, true, 1);
    return new Piece(
        id, name, null, shape, "#cccccc", true, false, AxisOrder.PAN_TILT_ROLL, channels);
  }

  /** Channels from pairs of name and fixed value. */
  private static Channels channels(Object... pairs) {
    Channels c = Channels.NONE;
    for (int i = 0; i < pairs.length; i += 2)
      c = c.with((String) pairs[i], ((Number) pairs[i + 1]).doubleValue());
    return c;
  }

  private static Channel keys(KeyShape shape, double... frameAndValue) {
    List<Key> keys = new ArrayList<>();
    for (int i = 0; i < frameAndValue.length; i += 2)
      keys.add(Key.of(frameAndValue[i], frameAndValue[i + 1], shape));
    return new Channel.Curve(keys);
  }
}
