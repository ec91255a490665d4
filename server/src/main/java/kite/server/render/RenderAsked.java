package kite.server.render;

import java.util.List;
import kite.core.document.FileNames;
import kite.core.form.Words;

/**
 * What is to be rendered, and how.
 *
 * @param what {@code cut}, {@code range}, {@code shots}, {@code shot} or {@code frame}
 * @param span id of the shot
 * @param spans ids of several shots
 * @param range first and last frame of the programme
 * @param camera id of the camera, for a frame
 * @param percent of the delivery size, 5–100
 * @param samples lens rays per pixel
 * @param handles whether a shot is rendered with the production's handles; not when left out
 * @param motionBlur whether what moves while the shutter is open is blurred; not when left out
 * @param blur whether cameras that have it blur what is out of focus, {@code plates} whether they
 *     are in the picture, and {@code haze}; each is so when left out
 * @param early whether the first, last and middle frames are made first; not when left out
 * @param every of so many frames one is made, 0 for the first, middle and last of each shot; all
 *     when left out
 * @param urgency when it has its turn; in turn with others when left out
 * @param names how its files are called; the production's usual way when left out
 * @param burnIn what is written into its pictures; nothing when left out
 * @param kept what is kept beside the pictures, and in what form; pictures of 8 bits alone when
 *     left out
 */
record RenderAsked(
    String what,
    String span,
    List<String> spans,
    List<Integer> range,
    String camera,
    double frame,
    int percent,
    int samples,
    Boolean handles,
    Boolean motionBlur,
    Boolean blur,
    Boolean plates,
    Boolean haze,
    Boolean early,
    Integer every,
    Urgency urgency,
    NamesAsked names,
    BurnIn burnIn,
    Kept kept) {
  /** A picture of what a camera sees, and nothing else. */
  static RenderAsked picture(String camera, double frame, int percent, int samples) {
    return new RenderAsked(
        "frame", null, null, null, camera, frame, percent, samples, null, null, null, null, null,
        null, null, null, null, null, null);
  }

  ShotsAsked.Asked shots() {
    return new ShotsAsked.Asked(
        what,
        span == null ? spans : List.of(span),
        range,
        camera,
        frame,
        Boolean.TRUE.equals(handles));
  }

  Look look() {
    return new Look(
        !Boolean.FALSE.equals(blur),
        Boolean.TRUE.equals(motionBlur),
        !Boolean.FALSE.equals(plates),
        !Boolean.FALSE.equals(haze),
        false,
        false);
  }

  /**
   * @param counts scene, shot or programme
   */
  record NamesAsked(String name, String pattern, String counts) {
    FileNames read() {
      if (pattern == null || counts == null)
        throw NewRenders.bad("Say how files are called and counted.");
      return new FileNames(
          name == null ? "" : name, pattern, Words.find(counts, FileNames.Counts.values()));
    }
  }
}
