package kite.browser;

import java.util.ArrayList;
import java.util.List;
import kite.bridge.Answers;
import kite.core.bake.CalmBase;
import kite.core.bake.CameraTrack;
import kite.core.bake.PlainCamera;
import kite.core.bake.Route;
import kite.core.command.Command;
import kite.core.command.EntityCommand;
import kite.core.document.Camera;
import kite.core.motion.MoveTogether;

/** Rigs made plain, and plain motion made rigs: bakes, paths and tracks. */
@Answers
final class BakeAnswers {
  private BakeAnswers() {}

  /** Ids of the cameras that are no plain ones yet. */
  public static List<String> rigsToBake() {
    List<String> all = new ArrayList<>();
    for (Camera c : Opened.base().all(Camera.class)) if (!PlainCamera.is(c)) all.add(c.id());
    return all;
  }

  /** What was lost at most. */
  record CalmReport(int keys, double mostM, double mostDegrees) {}

  record Calmed(List<Command> commands, CalmReport report) {}

  /** A camera's motion as a base with few keys and a trim with the rest. */
  public static Calmed calmBase(String camera, int first, int last, double metres, double degrees) {
    Camera c = Opened.camera(camera);
    CalmBase b = CalmBase.of(Opened.shown(), Opened::rig, c, first, last, metres, degrees);
    return new Calmed(b.commands(c.id()), new CalmReport(b.keys(), b.mostM(), b.mostDegrees()));
  }

  /** What was lost at most. */
  record BakeReport(int keys, double placeM, double degrees, double focalMm) {}

  record Baked(List<Command> commands, BakeReport report) {}

  /**
   * A camera's rig as a plain camera: the command that adds it.
   *
   * @param metres tolerance for places, with {@code degrees} and {@code millimetres}; 0 keeps a key
   *     on every frame
   */
  public static Baked bakePlain(
      String camera,
      int first,
      int last,
      double metres,
      double degrees,
      double millimetres,
      String id) {
    PlainCamera b =
        PlainCamera.of(
            Opened.shown(),
            Opened::rig,
            Opened.camera(camera),
            first,
            last,
            new PlainCamera.Tolerance(metres, degrees, millimetres),
            id);
    return new Baked(
        List.of(new EntityCommand.Add(b.camera())),
        new BakeReport(b.keys(), b.placeM(), b.degrees(), b.focalMm()));
  }

  /**
   * The commands that make a path of where a camera stands on the frames of its keys.
   *
   * @param ride whether the camera is put on it as on a rail
   */
  public static List<Command> pathFromKeys(String camera, String pathId, boolean ride) {
    Camera c = Opened.camera(camera);
    return Route.path(Opened.shown(), Opened::rig, c, MoveTogether.frames(c), pathId, ride);
  }

  /** Places of a camera track in metres, x, y, z each. */
  public static double[] trackPlaces(CameraTrack track, double unitM, boolean zUp) {
    return track.places(new CameraTrack.Taken(zUp, unitM, 0));
  }

  /** The commands that add a camera which moves as a track says. */
  public static List<Command> cameraFromTrack(
      CameraTrack track, double unitM, boolean zUp, double firstFrame, String id) {
    CameraTrack.Taken taken = new CameraTrack.Taken(zUp, unitM, firstFrame);
    return List.of(new EntityCommand.Add(track.camera(Opened.shown(), taken, id)));
  }
}
