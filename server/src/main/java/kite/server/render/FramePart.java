package kite.server.render;

import java.util.ArrayList;
import java.util.List;
import kite.core.document.FileNames;
import kite.core.document.Light;
import kite.core.document.Sequence;
import kite.core.naming.OutputNames;
import kite.exchange.picture.ExrWriter;
import kite.render.Pass;

/**
 * What of a rendered frame is in a file of its own where its name says so.
 *
 * @param pass key of a pass, or the picture itself
 * @param light what a light is called that is kept apart, or what stands for all
 */
record FramePart(String pass, String light) {
  /** All of a frame, in one file. */
  static final FramePart WHOLE = new FramePart(OutputNames.PICTURE, OutputNames.ALL_LIGHTS);

  /** Of the layers of a light: light.NAME.diffuse, …specular, …shadow. */
  private static final String OF_LIGHT = Pass.LIGHTS.key + ".";

  /** Of the layers of an ID matte: pieces00, pieces01, … */
  private static final int DIGITS = 2;

  /** The part that a layer of an OpenEXR file belongs to. */
  static FramePart ofLayer(String layer) {
    if (layer.isEmpty()) return WHOLE;
    if (layer.startsWith(OF_LIGHT) && layer.lastIndexOf('.') > OF_LIGHT.length())
      return new FramePart(
          Pass.LIGHTS.key, layer.substring(OF_LIGHT.length(), layer.lastIndexOf('.')));
    String key = layer;
    if (Pass.of(key) == null && layer.length() > DIGITS)
      key = layer.substring(0, layer.length() - DIGITS);
    return new FramePart(key, OutputNames.ALL_LIGHTS);
  }

  /** What there is of frames that are kept so; a light without a share in them is not. */
  static List<FramePart> of(Kept kept, Sequence s) {
    List<FramePart> all = new ArrayList<>(List.of(WHOLE));
    for (String pass : kept.passes())
      if (!pass.equals(Pass.LIGHTS.key)) all.add(new FramePart(pass, OutputNames.ALL_LIGHTS));
      else
        for (String id : kept.lights())
          if (s.get(id) instanceof Light l)
            all.add(new FramePart(pass, ExrWriter.inLayer(l.name())));
    return all;
  }

  /** As far as names tell it from others. */
  FramePart by(FileNames names) {
    return new FramePart(
        names.partsPasses() ? pass : OutputNames.PICTURE,
        names.partsLights() ? light : OutputNames.ALL_LIGHTS);
  }
}
