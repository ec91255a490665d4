package kite.server.render;

import java.util.List;
import kite.exchange.Json;
import kite.server.sound.SoundMix;
import tools.jackson.core.type.TypeReference;

/**
 * A run of pictures through one camera.
 *
 * @param camera null for a gap, which becomes black
 * @param first the number of its first frame
 * @param last included
 * @param code of the shot; null for a frame alone, and in jobs of earlier builds
 * @param board an image that is seen in place of what the camera sees; null for none
 * @param programme the frame of the programme that its first one is; null for a frame alone
 * @param take of a shot ({@code document.Take#inShot}); null for none
 * @param only some of its frames alone; null for all
 * @param scenes the frame of the scene that each shows, sub-frames too; null where that is its
 *     number
 */
record Shot(
    String camera,
    int first,
    int last,
    String code,
    List<Double> scenes,
    String board,
    Integer programme,
    String take,
    List<Some> only) {
  /**
   * One of some frames alone.
   *
   * @param index of it among all, from 0
   * @param next the frame of the scene that the picture after it would show
   */
  record Some(int index, double next) {}

  Shot(String camera, int first, int last, String code, List<Double> scenes) {
    this(camera, first, last, code, scenes, null, null, null, null);
  }

  int frames() {
    return only == null ? last - first + 1 : only.size();
  }

  /** Of how many of its frames one is there; 0 where they are not evenly apart. */
  int every() {
    if (only == null) return 1;
    int step = only.size() < 2 ? 1 : only.get(1).index() - only.get(0).index();
    for (int i = 1; i < only.size(); i++)
      if (only.get(i).index() - only.get(i - 1).index() != step) return 0;
    return step;
  }

  /** Some of its frames alone, by their indexes among all, in their order. */
  Shot some(List<Integer> indexes) {
    List<Some> some = indexes.stream().map(i -> new Some(i, at(i).next())).toList();
    return new Shot(camera, first, last, code, scenes, board, programme, take, some);
  }

  /**
   * A frame of a run.
   *
   * @param frame its number
   * @param scene the frame of the scene it shows
   * @param next the frame of the scene that the picture after it shows, or would
   */
  record At(
      String camera, int frame, double scene, double next, String code, String board, String take) {
    At(String camera, int frame, double scene, double next, String code) {
      this(camera, frame, scene, next, code, null, null);
    }

    /** Frames of the scene that pass until the next. */
    double rate() {
      return next - scene;
    }
  }

  /**
   * @param number of a frame in all runs, from 1
   */
  static At at(List<Shot> shots, int number) {
    int before = 0;
    for (Shot s : shots) {
      if (number <= before + s.frames()) return s.at(number - before - 1);
      before += s.frames();
    }
    throw new IllegalArgumentException("There is no frame " + number + " in " + before);
  }

  /** The run that a frame of all is in. */
  static Shot of(List<Shot> shots, int number) {
    int before = 0;
    for (Shot s : shots) {
      if (number <= before + s.frames()) return s;
      before += s.frames();
    }
    throw new IllegalArgumentException("There is no frame " + number + " in " + before);
  }

  /** The frame of the programme that a frame of this run is, and the scene's for a frame alone. */
  int programmeOf(At at) {
    return programme == null ? at.frame : programme + at.frame - first;
  }

  /** The frame at an index of this run, from 0. */
  At at(int index) {
    if (only != null) {
      Some one = only.get(index);
      int i = one.index();
      return new At(camera, first + i, scene(i), one.next(), code, board, take);
    }
    double scene = scene(index);
    // the last goes on as it came
    double next =
        scenes == null || frames() == 1
            ? scene + 1
            : index + 1 < frames() ? scene(index + 1) : scene + scene - scene(index - 1);
    return new At(camera, first + index, scene, next, code, board, take);
  }

  private double scene(int index) {
    return scenes == null ? first + index : scenes.get(index);
  }

  /** What of the programme's sound belongs to some runs. */
  static List<SoundMix.Stretch> heard(List<Shot> shots) {
    return shots.stream()
        // what is left out is not heard either
        .map(
            s ->
                new SoundMix.Stretch(
                    s.programme == null || s.only != null ? Double.NaN : s.programme, s.frames()))
        .toList();
  }

  static String write(List<Shot> shots) {
    return Json.MAPPER.writeValueAsString(shots);
  }

  static List<Shot> read(String json) {
    return Json.MAPPER.readValue(json, new TypeReference<>() {});
  }
}
