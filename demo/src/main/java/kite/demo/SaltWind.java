package kite.demo;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import kite.core.command.Command;
import kite.core.command.Edit;
import kite.core.command.EntityCommand;
import kite.core.command.EntityCommand.Add;
import kite.core.command.SequenceCommand;
import kite.core.command.ShotCommand.InsertShot;
import kite.core.cue.Cue;
import kite.core.cue.Ease;
import kite.core.curve.Channel;
import kite.core.curve.Key;
import kite.core.curve.KeyShape;
import kite.core.document.Camera;
import kite.core.document.CameraPackage;
import kite.core.document.Channels;
import kite.core.document.Header;
import kite.core.document.Layer;
import kite.core.document.Light;
import kite.core.document.Mark;
import kite.core.document.Marker;
import kite.core.document.Own;
import kite.core.document.Path;
import kite.core.document.Piece;
import kite.core.document.Plate;
import kite.core.document.Sequence;
import kite.core.document.Shape;
import kite.core.document.Shot;
import kite.core.document.Sound;
import kite.core.document.SoundTrack;
import kite.core.document.StandInKind;
import kite.core.math.AxisOrder;
import kite.core.number.Rate;
import kite.core.optics.FilmBack;
import kite.core.optics.Fit;
import kite.core.path.PathPoint;
import kite.core.path.PathStyle;
import kite.core.rig.RigPart;
import kite.core.rig.Subject;
import kite.core.rig.attention.Attention;
import kite.core.rig.base.Base;
import kite.core.rig.head.Head;
import kite.core.rig.rail.Rail;
import kite.core.rig.slide.Slide;

/** Salt Wind: a kite festival on a windy harbour pier. */
public final class SaltWind {
  public static final String PRODUCTION = "Salt Wind";

  /** What the codes of its sequences begin with. */
  public static final String CODE = "SW";

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
    for (Camera c : SaltWindRigs.cameras()) recipe.add(new Add(c));
    cut();
    recipe.add(new Add(new Marker("marker0", "The kite gets away", 1141, "#f2b441")));
    recipe.add(new Add(new SoundTrack("track1", "Scratch", "i", 0, false, false)));
    recipe.add(new Add(scratch(10)));
    return Edit.apply(new Sequence(h, Map.of()), recipe);
  }

  /**
   * SW030, The chase: the same action covered by the other rigs, and cut from them. Its dolly zoom
   * is a rig part: the dolly is keyed, the lens follows.
   */
  public Sequence sw030() {
    Sequence s = sw010();
    Header h = s.header();
    List<Command> edit = new ArrayList<>();
    edit.add(
        new SequenceCommand.SetHeader(
            new Header(
                "SW030",
                "The chase",
                h.firstFrame(),
                h.lastFrame(),
                h.displayUnit(),
                h.gridM(),
                h.gridLines(),
                h.standards(),
                h.own())));
    edit.addAll(SaltWindRigs.chase(s));
    return Edit.apply(s, edit);
  }

  /** Images of the plate of SW020, in order: JPEG files rendered from {@link #location()}. */
  public List<Asset> plate() {
    List<Asset> all = new ArrayList<>();
    for (int f = PLATE_FIRST; f <= PLATE_LAST; f++) {
      Asset one = file("/plate/", "whale_plate." + f + ".jpg");
      if (one == null) return List.of();
      all.add(one);
    }
    return all;
  }

  /** The picture that stands for the last shot of SW030, drawn by code. */
  public static Asset board() {
    return file("/boards/", "over_the_light.png");
  }

  /** The scratch track of SW010 and SW030, made by code: wind and sea, a tune and a bell. */
  public static Asset recording() {
    return file("/sounds/", "salt_wind_scratch.ogg");
  }

  private static final double RECORDING_S = 16;

  /** Its beginning, from the first frame on. */
  static Sound scratch(double seconds) {
    String recording = recording().sha256();
    return new Sound(
        "sound1",
        "Wind and sea",
        "track1",
        recording,
        RECORDING_S,
        1001,
        0,
        seconds,
        -3,
        false,
        0.5,
        1);
  }

  private static Asset file(String folder, String name) {
    try (InputStream in = SaltWind.class.getResourceAsStream(folder + name)) {
      if (in == null) return null;
      byte[] bytes = in.readAllBytes();
      return new Asset(name, sha256(bytes), bytes);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Frames of the plate, as it was shot. */
  public static final int PLATE_FIRST = 1001;

  public static final int PLATE_LAST = 1048;

  /** The film back the plate was shot on. */
  private static final FilmBack PLATE_BACK = new FilmBack(36, 24, 1);

  /** The place where the plate was shot, without the whale: what PlateMaker renders. */
  public Sequence location() {
    recipe.clear();
    set();
    figure(
        "oda",
        "Oda",
        StandInKind.ADULT,
        0.54,
        1.66,
        0.34,
        "#35617f",
        channels("x", 1.4, "z", -9, "pan", -20));
    plateCamera(false);
    return Edit.apply(new Sequence(sw020Header(), Map.of()), recipe);
  }

  private static Header sw020Header() {
    CameraPackage pack = new CameraPackage(new FilmBack(24.89, 14.0, 1), 1920, 1080, Fit.WIDTH, 0);
    Header h =
        new Header(
            "SW020", "The whale balloon", PLATE_FIRST, PLATE_LAST, new Rate(24, 1), "m", 1, pack);
    // the sequence decides for itself: it was shot on another film back
    return new Header(
        h.code(),
        h.title(),
        h.firstFrame(),
        h.lastFrame(),
        h.displayUnit(),
        h.gridM(),
        h.gridLines(),
        h.standards(),
        new Own(null, null, PLATE_BACK, null, null));
  }

  /** A slow push with a pan up, as a tracked camera has it: a straight key on every frame. */
  private void plateCamera(boolean blur) {
    List<Key> x = new ArrayList<>(), z = new ArrayList<>(), y = new ArrayList<>();
    List<Key> pan = new ArrayList<>(), tilt = new ArrayList<>();
    for (int f = PLATE_FIRST; f <= PLATE_LAST; f++) {
      double t = (f - PLATE_FIRST) / (double) (PLATE_LAST - PLATE_FIRST), s = t * t * (3 - 2 * t);
      double shake = Math.sin(f * 0.9) * 0.6 + Math.sin(f * 2.3) * 0.4;
      x.add(Key.of(f, -0.6 + 0.9 * s, KeyShape.STRAIGHT));
      y.add(Key.of(f, 1.55 + 0.01 * shake, KeyShape.STRAIGHT));
      z.add(Key.of(f, 1.5 - 1.8 * s, KeyShape.STRAIGHT));
      pan.add(Key.of(f, -7 + 5 * s + 0.08 * shake, KeyShape.STRAIGHT));
      tilt.add(Key.of(f, 3 + 6 * s + 0.05 * shake, KeyShape.STRAIGHT));
    }
    Channels base =
        Channels.NONE
            .with("x", new Channel.Curve(x))
            .with("y", new Channel.Curve(y))
            .with("z", new Channel.Curve(z))
            .with("pan", new Channel.Curve(pan))
            .with("tilt", new Channel.Curve(tilt));
    camera(
        "camA",
        "Tracked plate camera",
        "A",
        "#f0785a",
        channels("focalLength", 32, "fStop", 8, "focusDistance", 20, "farClip", 1200),
        blur,
        new Base("base", true, null, Base.Takes.POSITION, base),
        head());
  }

  /** SW020, The whale balloon: an effects shot over a plate with a matched film back. */
  public Sequence sw020() {
    recipe.clear();
    recipe.add(
        new Add(new Layer("location", "Location, for matching", "#7fb2f0", false, false, true)));
    set();
    plateCamera(false);
    Channels swim =
        channels("tilt", 4)
            .with("x", keys(KeyShape.SMOOTH, 1001, 7.5, 1048, -1.5))
            .with("y", keys(KeyShape.SMOOTH, 1001, 5.2, 1020, 6.4, 1048, 7.6))
            .with("z", keys(KeyShape.SMOOTH, 1001, -24, 1048, -17))
            .with("pan", keys(KeyShape.SMOOTH, 1001, 62, 1048, 78))
            .with("roll", keys(KeyShape.SMOOTH, 1001, -4, 1024, 5, 1048, -3));
    recipe.add(new Add(modelPiece("whale", "Whale balloon", "whale", "swimming", swim)));
    List<String> frames = plate().stream().map(Asset::sha256).toList();
    if (!frames.isEmpty())
      recipe.add(
          new Add(
              new Plate(
                  "plate",
                  "Harbour plate",
                  "camA",
                  frames,
                  Plate.PlateFit.FILL,
                  false,
                  true,
                  PLATE_FIRST,
                  Plate.After.HOLD,
                  Channels.NONE)));
    recipe.add(
        new Add(
            new Camera(
                "camB",
                "From the whale",
                "B",
                "#37b6a8",
                false,
                false,
                channels("focalLength", 21, "farClip", 1200),
                List.of(
                    new Base(
                        "base",
                        true,
                        "whale",
                        Base.Takes.HEADING,
                        channels("y", -2.6, "z", -1.2, "tilt", -14)),
                    head()))));
    int length = sw020Header().lastFrame() - PLATE_FIRST + 1;
    recipe.add(new InsertShot(Shot.of("cut1", "SW020_0010", "camA", PLATE_FIRST, length), null));
    Sequence s = Edit.apply(new Sequence(sw020Header(), Map.of()), recipe);
    List<String> there = new ArrayList<>();
    for (Piece p : s.all(Piece.class)) if (!p.id().equals("whale")) there.add(p.id());
    return Edit.apply(s, List.of(new EntityCommand.Lay(there, "location")));
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
            null,
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
    int[] first = {1001, 1061, 1141, 1191, 1241};
    for (int i = 0; i < 4; i++)
      recipe.add(
          new InsertShot(
              Shot.of(
                  "cut" + (i + 1),
                  "SW010_00" + (i + 1) + "0",
                  cameras[i],
                  first[i],
                  first[i + 1] - first[i]),
              null));
  }

  static Head head() {
    return new Head("head", true, Channels.NONE);
  }

  static Attention attention(String id, List<Subject> subjects, List<Cue> cues, Channels channels) {
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
  static Channels channels(Object... pairs) {
    Channels c = Channels.NONE;
    for (int i = 0; i < pairs.length; i += 2)
      c = c.with((String) pairs[i], ((Number) pairs[i + 1]).doubleValue());
    return c;
  }

  static Channel keys(KeyShape shape, double... frameAndValue) {
    List<Key> keys = new ArrayList<>();
    for (int i = 0; i < frameAndValue.length; i += 2)
      keys.add(Key.of(frameAndValue[i], frameAndValue[i + 1], shape));
    return new Channel.Curve(keys);
  }
}
