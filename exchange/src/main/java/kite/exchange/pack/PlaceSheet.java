package kite.exchange.pack;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import kite.core.bake.Bake;
import kite.core.bake.InPicture;
import kite.core.bake.PlaceTrack;
import kite.core.document.CameraPackage;
import kite.exchange.Json;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Guides and marks as a camera sees them, frame by frame: in the world, and in pixels of the
 * delivered picture from its upper left corner, so that something can be put there in compositing.
 */
public record PlaceSheet(Bake bake, CameraPackage delivery, List<Row> rows) {
  public PlaceSheet {
    rows = List.copyOf(rows);
  }

  /**
   * @param hidden on each frame whether something stands before it
   */
  public record Row(PlaceTrack track, InPicture seen, boolean[] hidden) {}

  /** A line for each place on each frame, RFC 4180. Where it is behind the lens it has no pixel. */
  public String csv() {
    StringBuilder out = new StringBuilder();
    try (CSVPrinter csv = new CSVPrinter(out, CSVFormat.RFC4180)) {
      csv.printRecord(
          "name", "frame", "x", "y", "z", "pixel_x", "pixel_y", "depth_m", "in_frame", "hidden");
      for (Row r : rows)
        for (int i = 0; i < bake.frames().length; i++) {
          double[] p = r.track.places();
          double[] at = r.seen.pixels();
          csv.printRecord(
              r.track.name(),
              bake.frames()[i],
              p[i * 3],
              p[i * 3 + 1],
              p[i * 3 + 2],
              orNothing(at[i * 2]),
              orNothing(at[i * 2 + 1]),
              r.seen.depthM()[i],
              r.seen.isIn(i, delivery) ? 1 : 0,
              r.hidden[i] ? 1 : 0);
        }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return out.toString();
  }

  private static Object orNothing(double v) {
    return Double.isFinite(v) ? v : "";
  }

  /** The same by {@code docs/schema/places.json}. */
  public byte[] json() {
    ObjectNode root = Json.MAPPER.createObjectNode();
    root.put("format", "jolly-kite places").put("version", 1);
    root.put("camera", bake.camera().letter());
    root.put("width", delivery.deliveryWidth()).put("height", delivery.deliveryHeight());
    ArrayNode frames = root.putArray("frames");
    for (double f : bake.frames()) frames.add(f);
    ArrayNode all = root.putArray("places");
    for (Row r : rows) {
      ObjectNode place = all.addObject().put("name", r.track.name());
      ArrayNode world = place.putArray("world"), pixels = place.putArray("pixels");
      ArrayNode depth = place.putArray("depthM");
      ArrayNode in = place.putArray("inFrame"), hidden = place.putArray("hidden");
      double[] p = r.track.places();
      double[] at = r.seen.pixels();
      for (int i = 0; i < bake.frames().length; i++) {
        world.addArray().add(p[i * 3]).add(p[i * 3 + 1]).add(p[i * 3 + 2]);
        if (Double.isFinite(at[i * 2])) pixels.addArray().add(at[i * 2]).add(at[i * 2 + 1]);
        else pixels.addNull();
        depth.add(r.seen.depthM()[i]);
        in.add(r.seen.isIn(i, delivery));
        hidden.add(r.hidden[i]);
      }
    }
    return Json.MAPPER.writerWithDefaultPrettyPrinter().writeValueAsBytes(root);
  }
}
