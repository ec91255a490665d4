package kite.core.document;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import kite.core.curve.Channel;
import kite.core.number.Rate;
import kite.core.optics.FilmBack;
import kite.core.optics.Fit;

/**
 * What holds for a whole sequence.
 *
 * @param displayUnit m, cm, mm, ft, in or ft+in: how lengths are shown, never what they are
 * @param gridM size of a grid cell in metres
 * @param gridLines finer lines a cell is divided into
 * @param standards the production's standards as this sequence follows them
 * @param own what it does not follow
 * @param sets the production's sets that stand in it
 */
@RecordBuilder
public record Header(
    String code,
    String title,
    int firstFrame,
    int lastFrame,
    String displayUnit,
    double gridM,
    int gridLines,
    Standards standards,
    Own own,
    List<PlacedSet> sets)
    implements HeaderBuilder.With {
  public Header {
    sets = List.copyOf(sets);
  }

  /** A sequence in which no set of the production stands. */
  public Header(
      String code,
      String title,
      int firstFrame,
      int lastFrame,
      String displayUnit,
      double gridM,
      int gridLines,
      Standards standards,
      Own own) {
    this(
        code,
        title,
        firstFrame,
        lastFrame,
        displayUnit,
        gridM,
        gridLines,
        standards,
        own,
        List.of());
  }

  /** A sequence that follows standards with just this rate and package. */
  public Header(
      String code,
      String title,
      int firstFrame,
      int lastFrame,
      Rate rate,
      String displayUnit,
      double gridM,
      CameraPackage pack) {
    this(
        code,
        title,
        firstFrame,
        lastFrame,
        displayUnit,
        gridM,
        10,
        Standards.of(rate, pack),
        Own.NOTHING);
  }

  /** The rate in force. */
  public Rate rate() {
    return own.rate() != null ? own.rate() : standards.rate();
  }

  /** The camera package in force for cameras that decide nothing for themselves. */
  public CameraPackage cameraPackage() {
    CameraPackage p = standards.cameraPackage();
    Delivery d =
        own.delivery() != null
            ? own.delivery()
            : new Delivery(p.deliveryWidth(), p.deliveryHeight());
    return new CameraPackage(
        own.filmBack() != null ? own.filmBack() : p.filmBack(),
        d.width(),
        d.height(),
        own.fit() != null ? own.fit() : p.fit(),
        own.circleOfConfusionMm() != null ? own.circleOfConfusionMm() : p.circleOfConfusionMm());
  }

  /** The package one camera works with: its own film back and fit over the sequence's. */
  public CameraPackage packageOf(Camera c) {
    CameraPackage p = cameraPackage();
    if (c.filmBack() == null && c.fit() == null) return p;
    FilmBack back = c.filmBack() != null ? c.filmBack() : p.filmBack();
    Fit fit = c.fit() != null ? c.fit() : p.fit();
    return new CameraPackage(
        back, p.deliveryWidth(), p.deliveryHeight(), fit, p.circleOfConfusionMm());
  }

  /** A lens channel of a camera: clips that were never set are the production's usual ones. */
  public Channel channel(Camera c, ChannelSpec spec) {
    if (c.channels().set().containsKey(spec.name())) return c.channels().get(spec);
    if (spec == Camera.NEAR_CLIP) return Channel.fixed(standards.nearClipM());
    if (spec == Camera.FAR_CLIP) return Channel.fixed(standards.farClipM());
    return c.channels().get(spec);
  }
}
