package kite.core.report;

import java.util.ArrayList;
import java.util.List;
import kite.core.cut.Programme;
import kite.core.document.OrNull;
import kite.core.document.Sequence;
import kite.core.document.Shot;
import kite.core.number.FeetFrames;
import kite.core.number.Timecode;

/**
 * What a list says of a shot's place and length.
 *
 * @param camera null for a gap
 * @param first of the programme
 * @param last of the programme, included
 * @param middle the frame of the scene in its middle
 * @param sceneFirst the frame of the scene it begins with, a whole one
 * @param sceneLast the frame of the scene it ends with, a whole one
 * @param feet its length in feet and frames of 35 mm film
 * @param timecode of its first frame in the programme
 * @param speed frames of the scene in one of the programme, on average
 */
public record ShotRow(
    String id,
    String code,
    String take,
    int takes,
    @OrNull String camera,
    int first,
    int last,
    int frames,
    double seconds,
    double middle,
    int sceneFirst,
    int sceneLast,
    String feet,
    String timecode,
    double speed,
    Shot.Status status,
    String notes) {

  /** All shots of a programme in their order. */
  public static List<ShotRow> all(Sequence s, Programme p) {
    List<ShotRow> all = new ArrayList<>();
    for (int i = 0; i < p.placed().size(); i++) {
      Programme.Placed c = p.placed().get(i);
      Shot shot = p.shots().get(i);
      int frames = c.frames();
      all.add(
          new ShotRow(
              c.id(),
              c.shot(),
              shot.take().name(),
              shot.takes().size(),
              c.camera(),
              c.first(),
              c.last(),
              frames,
              frames / s.header().rate().perSecond(),
              p.scene(i, (c.first() + c.last()) / 2),
              (int) Math.round(c.sceneFirst()),
              (int) Math.round(c.sceneLast()),
              FeetFrames.of(frames),
              Timecode.of(c.first() - p.firstFrame(), s.header().rate()),
              frames == 1 ? 1 : (c.sceneLast() - c.sceneFirst()) / (frames - 1),
              shot.status(),
              shot.notes()));
    }
    return all;
  }
}
