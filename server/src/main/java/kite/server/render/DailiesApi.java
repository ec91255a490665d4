package kite.server.render;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import java.util.concurrent.Semaphore;
import javax.imageio.ImageIO;
import kite.core.document.OrNull;
import kite.exchange.picture.ExrParts;
import kite.exchange.picture.ExrReader;
import kite.server.Problem;
import kite.server.output.OutputStore;
import kite.server.rights.May;
import org.springframework.core.io.Resource;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Looking closely at frames that were rendered: their layers, and what is in a pixel. */
@RestController
@RequestMapping("/api/renders/{id}")
class DailiesApi {
  private static final double MOST_STOPS = 20;

  /** The layers of ID mattes are for programs, not for looking at. */
  private static final String ID_MATTE = "(pieces|groups|layers)[0-9]{2}";

  private final RenderJobs jobs;
  private final RenderFrames frames;
  private final OutputStore output;

  /** One file is open at a time: each may be hundreds of megabytes then. */
  private final Semaphore turn = new Semaphore(1, true);

  DailiesApi(RenderJobs jobs, RenderFrames frames, OutputStore output) {
    this.jobs = jobs;
    this.frames = frames;
    this.output = output;
  }

  /**
   * What a frame shows.
   *
   * @param camera null for a gap
   * @param take of a shot, as {@code Take.inShot} calls it; null for none
   * @param code of the shot; null for none
   * @param scene the frame of the scene
   * @param frame its own number: of the programme in renders of the cut, else of the scene
   */
  record Place(
      @OrNull String camera, @OrNull String take, @OrNull String code, double scene, int frame) {}

  /** What each frame of a render shows, in their order. */
  @GetMapping("/places")
  @May.LookAtRender
  List<Place> places(@PathVariable UUID id) {
    RenderJob job = jobs.findById(id).orElseThrow(() -> Problem.missing("render"));
    List<Place> all = new ArrayList<>();
    for (Shot s : Shot.read(job.shots))
      for (int i = 0; i < s.frames(); i++) {
        Shot.At at = s.at(i);
        all.add(new Place(at.camera(), at.take(), at.code(), at.scene(), at.frame()));
      }
    return all;
  }

  /** The layers a frame has beside its picture; none where pictures alone were kept. */
  @GetMapping("/frames/{number}/layers")
  @May.LookAtRender
  List<String> layers(@PathVariable UUID id, @PathVariable int number) {
    if (!hasLayers(id)) return List.of();
    List<String> all = new ArrayList<>();
    for (String channel : read(id, number, ExrReader::channels)) {
      String layer = ExrParts.layerOf(channel);
      if (!all.contains(layer) && !layer.matches(ID_MATTE)) all.add(layer);
    }
    return all;
  }

  /**
   * A layer to look at, as PNG.
   *
   * @param name "" for the picture itself
   * @param stops how much lighter it is shown; below 0 darker
   */
  @GetMapping(path = "/frames/{number}/layer.png", produces = MediaType.IMAGE_PNG_VALUE)
  @May.LookAtRender
  ResponseEntity<byte[]> layer(
      @PathVariable UUID id,
      @PathVariable int number,
      @RequestParam(defaultValue = "") String name,
      @RequestParam(defaultValue = "0") double stops) {
    if (!(Math.abs(stops) <= MOST_STOPS))
      throw new Problem(
          HttpStatus.UNPROCESSABLE_CONTENT, "stops", "Pictures are shown up to 20 stops lighter.");
    if (!hasLayers(id)) throw Problem.missing("layer");
    byte[] png =
        read(
            id,
            number,
            file -> {
              ExrReader.Exr exr = ExrReader.read(file, c -> ExrParts.layerOf(c).equals(name));
              if (exr.channels().isEmpty()) throw Problem.missing("layer");
              return png(LayerPicture.of(exr, name, stops));
            });
    return ResponseEntity.ok().contentType(MediaType.IMAGE_PNG).body(png);
  }

  /**
   * What is in a pixel.
   *
   * @param values by layer and channel: linear light, metres, and what else layers hold
   * @param depthM metres along the axis; null where no depth was kept, or nothing is there
   * @param piece that covers most of it; null where no names were kept, or nothing is there
   */
  record Pixel(
      Map<String, Map<String, Float>> values, @OrNull Double depthM, @OrNull String piece) {}

  @GetMapping("/frames/{number}/pixel")
  @May.LookAtRender
  Pixel pixel(
      @PathVariable UUID id, @PathVariable int number, @RequestParam int x, @RequestParam int y) {
    if (!hasLayers(id)) throw Problem.missing("layer");
    return read(id, number, file -> pixel(ExrReader.read(file, c -> true), x, y));
  }

  private static Pixel pixel(ExrReader.Exr exr, int x, int y) {
    if (x < 0 || y < 0 || x >= exr.width() || y >= exr.height()) throw Problem.missing("pixel");
    int at = y * exr.width() + x;
    Map<String, Map<String, Float>> values = new LinkedHashMap<>();
    exr.channels()
        .forEach(
            (channel, plane) -> {
              String layer = ExrParts.layerOf(channel);
              if (!layer.matches(ID_MATTE))
                values
                    .computeIfAbsent(layer, l -> new TreeMap<>())
                    .put(LayerPicture.inLayer(channel), plane[at]);
            });
    float[] depth = exr.channels().get("depth.Z");
    if (depth == null) depth = exr.channels().get("depthSmooth.Z");
    float[] piece = exr.channels().get("pieces00.R");
    Double depthM = depth == null || !Float.isFinite(depth[at]) ? null : (double) depth[at];
    return new Pixel(values, depthM, piece == null ? null : exr.names().get(piece[at]));
  }

  private boolean hasLayers(UUID id) {
    RenderJob job = jobs.findById(id).orElseThrow(() -> Problem.missing("render"));
    return Kept.read(job.kept).form().isExr();
  }

  private interface Reading<T> {
    T of(byte[] file) throws IOException;
  }

  private <T> T read(UUID id, int number, Reading<T> reading) {
    if (!frames.existsById(new RenderFrame.Key(id, number))) throw Problem.missing("frame");
    turn.acquireUninterruptibly();
    try {
      Resource file = output.get(id, FrameFiles.delivered(number, Kept.Form.EXR));
      if (file == null)
        throw Problem.missing("file any more: it was removed from where renders are kept");
      try (InputStream in = file.getInputStream()) {
        return reading.of(in.readAllBytes());
      }
    } catch (IOException e) {
      throw new Problem(
          HttpStatus.INTERNAL_SERVER_ERROR,
          "output",
          "The frame cannot be looked at: " + Film.why(e));
    } finally {
      turn.release();
    }
  }

  private static byte[] png(BufferedImage image) throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ImageIO.write(image, "png", out);
    return out.toByteArray();
  }
}
