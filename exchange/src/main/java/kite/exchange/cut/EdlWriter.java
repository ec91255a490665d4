package kite.exchange.cut;

import java.text.Normalizer;
import java.util.Locale;
import kite.core.cut.Programme;
import kite.core.document.Camera;
import kite.core.document.Sequence;
import kite.core.document.Shot;
import kite.core.document.Speed;
import kite.core.document.Take;
import kite.core.number.Rate;
import kite.core.number.Timecode;

/**
 * The cut as an edit decision list of the CMX 3600 layout: one event a shot, all of them cuts on
 * the first picture track. Source timecodes count frames of the scene from 0, so that frame 1001 at
 * 24 frames a second is 00:00:41:17; those of the record count from the programme's first frame. A
 * reel is a camera; black stands for a gap. A speed of its own is an M2 line with frames of the
 * scene a second.
 */
public final class EdlWriter {
  /** Reels have up to eight letters and digits. */
  static final int REEL = 8;

  /** What stands before a camera's letter, and what stands for none. */
  static final String CAMERA = "CAM", BLACK = "BL", BOARD = "AX";

  private static final String END = "\r\n";

  private EdlWriter() {}

  /** The text of an .edl file. */
  public static String write(Sequence s) {
    Rate rate = s.header().rate();
    StringBuilder out = new StringBuilder();
    out.append("TITLE: ").append(plain(s.header().code())).append(END);
    out.append("FCM: ")
        .append(Timecode.dropsFrames(rate) ? "DROP FRAME" : "NON-DROP FRAME")
        .append(END);
    int number = 0, at = 0;
    for (Shot shot : Programme.order(s)) {
      event(out, ++number, shot, reel(s, shot), at, rate);
      at += shot.take().frames();
      out.append("* FROM CLIP NAME: ").append(plain(shot.name())).append(END);
      if (shot.take().camera() != null) {
        Camera c = (Camera) s.get(shot.take().camera());
        out.append("* COMMENT: CAMERA ")
            .append(plain(c.letter() + " " + c.name()))
            .append(", TAKE ")
            .append(plain(shot.take().name()))
            .append(END);
      }
      for (String line : shot.notes().lines().toList())
        if (!line.isBlank()) out.append("* COMMENT: ").append(plain(line.strip())).append(END);
    }
    return out.toString();
  }

  private static void event(
      StringBuilder out, int number, Shot shot, String reel, int at, Rate rate) {
    Take take = shot.take();
    boolean isSeen = take.camera() != null;
    long from = isSeen ? Math.round(take.scene(0)) : 0;
    long until = isSeen ? Math.round(take.scene(take.frames())) : take.frames();
    // what is held stands still: a source lasts a frame at least
    if (until <= from) until = from + 1;
    out.append(String.format(Locale.ROOT, "%03d  %-8s V     C        ", number, reel));
    out.append(code(from, rate)).append(' ').append(code(until, rate)).append(' ');
    out.append(code(at, rate)).append(' ').append(code(at + take.frames(), rate)).append(END);
    if (!isSeen || take.speed().isAsItIs()) return;
    double mean = (take.scene(take.frames()) - take.scene(0)) / take.frames();
    out.append(
            String.format(
                Locale.ROOT,
                "M2   %-8s       %06.2f                %s",
                reel,
                mean * rate.nominal(),
                code(from, rate)))
        .append(END);
    if (take.speed() instanceof Speed.Curved)
      out.append("* COMMENT: THE SPEED CHANGES WITHIN THIS EVENT; ITS MEAN IS GIVEN").append(END);
  }

  private static String reel(Sequence s, Shot shot) {
    if (shot.take().camera() == null) return shot.boardSeen() == null ? BLACK : BOARD;
    return reel(((Camera) s.get(shot.take().camera())).letter());
  }

  /** The reel that stands for a camera. */
  static String reel(String letter) {
    String reel = CAMERA + letter.toUpperCase(Locale.ROOT).replaceAll("[^A-Z0-9]", "");
    return reel.substring(0, Math.min(REEL, reel.length()));
  }

  private static String code(long frame, Rate rate) {
    return Timecode.of((int) frame, rate);
  }

  /** As it can be written: the layout knows ASCII, and a line is a line. */
  static String plain(String words) {
    return Normalizer.normalize(words, Normalizer.Form.NFKD)
        .replaceAll("\\p{M}+", "")
        .replace('–', '-')
        .replaceAll("[^\\x20-\\x7e]", "?");
  }
}
