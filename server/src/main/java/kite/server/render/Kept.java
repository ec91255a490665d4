package kite.server.render;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import kite.core.document.Light;
import kite.core.document.Sequence;
import kite.exchange.Json;
import kite.render.Pass;
import kite.render.Wanted;
import kite.server.Problem;
import org.springframework.http.HttpStatus;

/**
 * What is kept of a rendered frame beside the picture that is looked at, and how.
 *
 * @param passes keys of passes
 * @param lights ids of the lights that are kept apart
 * @param surroundings whether sky, background and plates are in the picture
 * @param bounce whether light that surfaces have from each other is followed
 */
record Kept(
    Form form, List<String> passes, List<String> lights, boolean surroundings, boolean bounce) {
  /** Files that a frame is kept in. */
  enum Form {
    /** Pictures of 8 bits. */
    PNG("png"),
    /** Pictures of 16 bits. */
    FINE_PNG("fine.png"),
    /** OpenEXR; light in half precision. */
    EXR_HALF("exr"),
    /** OpenEXR in full precision. */
    EXR("exr");

    final String ending;

    Form(String ending) {
      this.ending = ending;
    }

    boolean isExr() {
      return ending.equals("exr");
    }
  }

  /** Pictures of 8 bits alone, as renders of earlier builds are. */
  static final Kept PICTURES = new Kept(Form.PNG, List.of(), List.of(), true, false);

  /** Numbers of a pixel that passes of a kind have. */
  private static final int LIGHT = 3, OF_EACH_LIGHT = 9, MATTE = 24, PICTURE = 4;

  /** Bytes of a number while the file is written: gathered, and once more for the writer. */
  private static final int BYTES = 8;

  Kept {
    passes = passes == null ? List.of() : List.copyOf(passes);
    lights = lights == null ? List.of() : List.copyOf(lights);
    if (form == null) form = Form.PNG;
  }

  /**
   * @throws Problem saying what cannot be kept
   */
  void check(Sequence s) {
    for (String p : passes) if (Pass.of(p) == null) throw bad("There is no pass “" + p + "”.");
    if (!passes.isEmpty() && !form.isExr())
      throw bad("Passes are kept in OpenEXR files. Choose that form, or no passes.");
    for (String l : lights)
      if (!(s.get(l) instanceof Light)) throw bad("A light that was chosen is not there any more.");
    if (passes.contains(Pass.LIGHTS.key) && lights.isEmpty())
      throw bad("Choose the lights that are to be kept apart.");
  }

  private static Problem bad(String text) {
    return new Problem(HttpStatus.UNPROCESSABLE_CONTENT, "range", text);
  }

  Wanted wanted() {
    Set<Pass> all = EnumSet.noneOf(Pass.class);
    for (String p : passes) all.add(Pass.of(p));
    return new Wanted(all, lights, surroundings, bounce);
  }

  boolean picturesAlone() {
    return form == Form.PNG;
  }

  /** What a pixel takes in memory beside the picture itself. */
  int bytesAPixel() {
    if (picturesAlone()) return 0;
    int n = PICTURE;
    for (String p : passes)
      n +=
          switch (Pass.of(p).kind) {
            case LIGHT, COLOUR, VECTOR -> LIGHT;
            case EACH_LIGHT -> OF_EACH_LIGHT * lights.size();
            case NUMBER -> 1;
            case PAIR -> 2;
            case MATTE -> MATTE;
          };
    return n * BYTES;
  }

  String write() {
    return Json.MAPPER.writeValueAsString(this);
  }

  static Kept read(String json) {
    return json == null ? PICTURES : Json.MAPPER.readValue(json, Kept.class);
  }

  /** A pass as a list of them shows it. */
  record Shown(String key, String name, String says, boolean ofLights) {}

  static List<Shown> all() {
    List<Shown> all = new ArrayList<>();
    for (Pass p : Pass.values())
      all.add(new Shown(p.key, p.name, p.says, p.kind == Pass.Kind.EACH_LIGHT));
    return all;
  }
}
