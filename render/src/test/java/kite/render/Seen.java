package kite.render;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import kite.core.command.Command;
import kite.core.command.Edit;
import kite.core.command.EntityCommand.Add;
import kite.core.document.Camera;
import kite.core.document.CameraPackage;
import kite.core.document.Channels;
import kite.core.document.Header;
import kite.core.document.Sequence;
import kite.core.number.Rate;
import kite.core.optics.FilmBack;
import kite.core.optics.Fit;
import kite.core.rig.base.Base;

/** A small sequence for tests: what commands add, seen by a camera “cam” on a square film back. */
final class Seen {
  /** Each way, mm: with as long a lens the picture is as wide as it is far away. */
  static final double FILM_MM = 20;

  private Seen() {}

  /**
   * @param lens the camera's own channels
   * @param base where it stands
   */
  static Sequence by(Channels lens, Channels base, List<Command> all) {
    CameraPackage pack =
        new CameraPackage(new FilmBack(FILM_MM, FILM_MM, 1), 100, 100, Fit.WIDTH, 0);
    Camera c =
        new Camera(
            "cam",
            "Cam",
            "A",
            "#f0785a",
            false,
            false,
            lens,
            List.of(new Base("base", true, null, Base.Takes.POSITION, base)));
    List<Command> commands = new ArrayList<>(all);
    commands.add(0, new Add(c));
    return Edit.apply(
        new Sequence(new Header("R", "R", 1, 30, new Rate(24, 1), "m", 1, pack), Map.of()),
        commands);
  }
}
