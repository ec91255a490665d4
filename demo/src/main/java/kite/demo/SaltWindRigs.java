package kite.demo;

import static kite.demo.SaltWind.attention;
import static kite.demo.SaltWind.channels;
import static kite.demo.SaltWind.head;
import static kite.demo.SaltWind.keys;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import kite.core.command.ChannelCommand;
import kite.core.command.Command;
import kite.core.command.EntityCommand;
import kite.core.command.RigCommand;
import kite.core.command.ShotCommand;
import kite.core.cue.Cue;
import kite.core.cue.Ease;
import kite.core.curve.Channel;
import kite.core.curve.KeyShape;
import kite.core.document.Board;
import kite.core.document.Camera;
import kite.core.document.Channels;
import kite.core.document.Marker;
import kite.core.document.Sequence;
import kite.core.document.Shot;
import kite.core.document.Speed;
import kite.core.document.Take;
import kite.core.rig.RigPart;
import kite.core.rig.Subject;
import kite.core.rig.arm.Arm;
import kite.core.rig.attention.Attention;
import kite.core.rig.base.Base;
import kite.core.rig.dollyzoom.DollyZoom;
import kite.core.rig.framings.Framings;
import kite.core.rig.operator.Operator;
import kite.core.rig.slide.Slide;
import kite.core.rig.spring.Spring;
import kite.core.rig.trim.Trim;

/** Three further cameras of SW010, built of the parts its cut does without. */
final class SaltWindRigs {
  private SaltWindRigs() {}

  static List<Camera> cameras() {
    return List.of(boom(), chase(), threeFramings());
  }

  /** The commands that make SW030 of SW010: its cut, and a dolly zoom whose lens is not keyed. */
  static List<Command> chase(Sequence sw010) {
    List<Command> edit = new ArrayList<>();
    for (Shot s : sw010.all(Shot.class)) edit.add(new EntityCommand.Remove(List.of(s.id()), true));
    edit.add(insert(1, "camF", 1001, 80, Speed.AS_IT_IS));
    // overlaps: the chase begins while she still stands at the rail
    edit.add(insert(2, "camE", 1069, 52, Speed.AS_IT_IS));
    edit.add(insert(3, "camG", 1121, 70, Speed.AS_IT_IS));
    // the same second of it again, at half speed
    edit.add(insert(4, "camE", 1156, 48, new Speed.Steady(1, 2)));
    edit.add(insert(5, "camD", 1191, 50, Speed.AS_IT_IS));
    // nobody has put a camera there yet
    edit.add(insert(6, null, 1217, 36, Speed.AS_IT_IS));
    edit.add(new ShotCommand.SetBoard("cut6", new Board(SaltWind.board().sha256(), false)));
    edit.add(new ShotCommand.SetNotes("cut6", "The kite passes the light, small. Held long."));
    edit.add(new EntityCommand.Replace(SaltWind.scratch(14)));
    edit.add(new EntityCommand.Remove(List.of("marker0"), true));
    edit.add(new EntityCommand.Add(new Marker("marker1", "Pim lets go", 1030, "#f0785a")));
    edit.add(new EntityCommand.Add(new Marker("marker2", "Oda hears it", 1262, "#f2b441")));
    Camera d = (Camera) sw010.get("camD");
    List<RigPart> rig = new ArrayList<>(d.rig());
    double ahead = -15.1 + 17.5; // metres from where the dolly begins to Oda, along its axis
    rig.add(
        new DollyZoom(
            "zoom", true, Subject.of("oda"), DollyZoom.Gives.LENS, 21 / ahead, Channels.NONE));
    edit.add(new RigCommand.SetRig("camD", rig));
    edit.add(new ChannelCommand.SetChannel("camD", "focalLength", Channel.fixed(21)));
    return edit;
  }

  private static Command insert(int number, String camera, int first, int frames, Speed speed) {
    Take take = new Take("take1", "1", camera, first, frames, speed);
    return new ShotCommand.InsertShot(
        Shot.of("cut" + number, "SW030_00" + number + "0", take), null);
  }

  private static Camera camera(
      String id, String name, String letter, String colour, Channels lens, RigPart... rig) {
    return new Camera(
        id, name, letter, colour, false, false, lens.with("farClip", 1200), List.of(rig));
  }

  /** A jib that rises over the stalls, with a note answered by a trim on its last third. */
  private static Camera boom() {
    Base base =
        new Base(
            "base",
            true,
            null,
            Base.Takes.POSITION,
            channels("x", -2.6, "y", 1.1, "z", -0.6, "pan", -38));
    Arm arm =
        new Arm(
            "arm",
            true,
            true,
            channels("length", 3.4)
                .with("lift", keys(KeyShape.SMOOTH, 1020, -4, 1090, 46))
                .with("swing", keys(KeyShape.SMOOTH, 1030, 18, 1100, -24)));
    Attention look =
        attention(
            "look",
            List.of(Subject.of("oda")),
            List.of(new Cue(1001, 0, Ease.SLOW_BOTH, Map.of("oda", 1.0))),
            channels("across", 0.62, "down", 0.45));
    Trim note =
        new Trim(
            "note",
            true,
            "push in a little",
            new Trim.Span(1080, 1240, 24, 0),
            List.of(),
            channels("dolly", 0.45, "focal", 4));
    return camera(
        "camE",
        "Boom over the stalls",
        "E",
        "#e58fb8",
        channels("focalLength", 28, "fStop", 5.6, "focusDistance", 7),
        base,
        arm,
        head(),
        look,
        note);
  }

  /** Someone runs after the kite with the camera; a spring softens what the base does. */
  private static Camera chase() {
    Base base =
        new Base("base", true, null, Base.Takes.POSITION, channels("x", 0.9, "y", 1.55, "z", 3.5));
    Slide run =
        new Slide(
            "slide",
            true,
            Channels.NONE
                .with("dolly", keys(KeyShape.STRAIGHT, 1060, 0, 1150, 13))
                .with("truck", keys(KeyShape.SMOOTH, 1060, 0, 1100, -0.5, 1150, 0.4)));
    Attention look =
        attention(
            "look",
            List.of(Subject.of("biscuit"), Subject.of("kite")),
            List.of(
                new Cue(1001, 0, Ease.SLOW_BOTH, Map.of("biscuit", 1.0)),
                new Cue(1090, 16, Ease.SLOW_BOTH, Map.of("biscuit", 0.25, "kite", 0.75))),
            channels("strength", 0.85));
    return camera(
            "camF",
            "Handheld chase",
            "F",
            "#9ecb6b",
            channels("focalLength", 24, "fStop", 5.6, "focusDistance", 5, "shutter", 90),
            base,
            run,
            head(),
            look,
            new Spring("spring", true, channels("positionHz", 1.6, "rotationHz", 2.2)),
            new Operator("operator", true, Operator.Preset.RUNNING, 2.6, 4, channels("sway", 0.7)))
        .withMotionBlur(true);
  }

  /** Travels from the crane's framing past the lantern's to Oda, swung round what they look at. */
  private static Camera threeFramings() {
    Framings framings =
        new Framings(
            "framings",
            true,
            Framings.Route.SWUNG,
            true,
            List.of("camA", "camC", "camE"),
            List.of(
                new Cue(1001, 0, Ease.SLOW_BOTH, Map.of("camA", 1.0)),
                new Cue(1070, 40, Ease.SLOW_BOTH, Map.of("camC", 1.0)),
                new Cue(1150, 48, Ease.SLOW_BOTH, Map.of("camE", 1.0))),
            Channels.NONE);
    return camera(
        "camG",
        "Through three framings",
        "G",
        "#d8b08c",
        channels("focalLength", 35, "fStop", 4, "focusDistance", 6),
        new Base("base", true, null, Base.Takes.POSITION, channels("y", 1.6, "z", 3)),
        framings);
  }
}
