package kite.server.picture;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.function.BooleanSupplier;
import javax.imageio.ImageIO;
import kite.core.document.Camera;
import kite.core.document.Sequence;
import kite.core.evaluate.Plan;
import kite.render.Exposed;
import kite.render.FrameRenderer;
import kite.render.Picture;
import kite.render.Quality;
import kite.render.SceneBuilder;
import kite.server.asset.AssetStore;
import kite.server.asset.ModelRoom;
import org.springframework.stereotype.Component;

/** A small picture of what a camera sees on a frame. */
@Component
public class SmallPicture {
  private static final int WIDTH = 320, TALLEST = 240, SAMPLES = 4;

  private final AssetStore assets;

  SmallPicture(AssetStore assets) {
    this.assets = assets;
  }

  /**
   * A PNG, 320 pixels wide.
   *
   * @param stopped asked now and then; null is given once it is true
   * @throws IllegalStateException when its models are too large for a small picture
   */
  public byte[] of(Sequence s, Camera camera, double frame, BooleanSupplier stopped) {
    ModelRoom.check(s, assets, ModelRoom.PICTURE);
    Plan plan = new Plan(s, assets::rig);
    SceneBuilder scenes = new SceneBuilder(assets::geometry, assets.trees(), assets::image);
    FrameRenderer r =
        new FrameRenderer(Exposed.sharp(s, plan, camera, frame, scenes, assets::image));
    int height =
        Math.min(
            TALLEST,
            WIDTH
                * s.header().cameraPackage().deliveryHeight()
                / s.header().cameraPackage().deliveryWidth());
    Picture p = r.render(WIDTH, Math.max(1, height), Quality.exact(SAMPLES), 1, stopped);
    return p == null ? null : png(p);
  }

  private static byte[] png(Picture p) {
    BufferedImage image = new BufferedImage(p.width(), p.height(), BufferedImage.TYPE_INT_RGB);
    image.setRGB(0, 0, p.width(), p.height(), p.argb(), 0, p.width());
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try {
      ImageIO.write(image, "png", out);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return out.toByteArray();
  }
}
