package kite.server.render;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.security.Principal;
import java.time.Clock;
import java.util.UUID;
import javax.imageio.ImageIO;
import kite.core.cut.Programme;
import kite.core.document.Camera;
import kite.core.document.Sequence;
import kite.core.evaluate.Plan;
import kite.server.Problem;
import kite.server.asset.AssetStore;
import kite.server.rights.May;
import kite.server.rights.Rights;
import kite.server.sequence.SequenceStore;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.core.JacksonException;

/** Trying what is written into pictures before a render is asked for. */
@RestController
@RequestMapping("/api")
class BurnInApi {
  private final SequenceStore sequences;
  private final AssetStore assets;
  private final Rights rights;
  private final Clock clock;

  BurnInApi(SequenceStore sequences, AssetStore assets, Rights rights, Clock clock) {
    this.sequences = sequences;
    this.assets = assets;
    this.rights = rights;
    this.clock = clock;
  }

  /** How wide a try of what is written into pictures is, pixels. */
  private static final int TRY_PX = 640;

  /**
   * What is written into a picture, tried on grey.
   *
   * @param burnIn as a render is asked for with it, JSON
   * @param camera id of the camera that is seen through, if any
   * @param frame of the scene
   */
  @GetMapping(path = "/sequences/{id}/burn-in.png", produces = MediaType.IMAGE_PNG_VALUE)
  @May.LookAtSequence
  byte[] tried(
      @PathVariable UUID id,
      @RequestParam String burnIn,
      @RequestParam(required = false) String camera,
      @RequestParam double frame,
      Principal who)
      throws IOException {
    Sequence s = sequences.get(id).sequence();
    if (!Double.isFinite(frame)) throw bad("There is no such frame.");
    int number = (int) Math.round(frame);
    Programme programme = Programme.of(s);
    Programme.Seen seen = programme.showing(frame).stream().findFirst().orElse(null);
    Programme.Placed p = seen == null ? null : programme.of(seen.id());
    RenderJob job = new RenderJob();
    job.askedAt = clock.instant();
    job.askedBy = who.getName();
    job.numbered = 1;
    Shot.At at =
        new Shot.At(
            s.get(camera) instanceof Camera ? camera : null,
            number,
            frame,
            frame + 1,
            p == null ? null : p.shot());
    String production = sequences.nameOfProduction(rights.productionOf(id));
    int height =
        Math.max(
            1,
            TRY_PX
                * s.header().cameraPackage().deliveryHeight()
                / s.header().cameraPackage().deliveryWidth());
    BufferedImage picture =
        new BufferedImage(TRY_PX, Math.min(height, 4 * TRY_PX), BufferedImage.TYPE_INT_RGB);
    Graphics2D pen = picture.createGraphics();
    pen.setColor(Color.GRAY);
    pen.fillRect(0, 0, picture.getWidth(), picture.getHeight());
    pen.dispose();
    Plan plan = new Plan(s, assets::rig);
    int of = seen == null ? number : (int) Math.floor(seen.frame());
    read(burnIn).draw(picture, Said.of(job, s, plan, at, production, p, of));
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ImageIO.write(picture, "png", out);
    return out.toByteArray();
  }

  private static BurnIn read(String burnIn) {
    try {
      return BurnIn.read(burnIn);
    } catch (JacksonException e) {
      throw bad("What is written into pictures is not said as it must be: see docs/http.md.");
    }
  }

  private static Problem bad(String text) {
    return new Problem(HttpStatus.UNPROCESSABLE_CONTENT, "burnIn", text);
  }
}
