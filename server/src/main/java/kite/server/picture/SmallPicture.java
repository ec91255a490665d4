package kite.server.picture;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.function.BooleanSupplier;
import javax.imageio.ImageIO;
import kite.core.document.Camera;
import kite.core.document.CameraPackage;
import kite.core.document.Sequence;
import kite.core.evaluate.Plan;
import kite.render.BoardPicture;
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
   * @param take it is seen in ({@code Take.inShot}); null for none
   * @param stopped asked now and then; null is given once it is true
   * @throws IllegalStateException when its models are too large for a small picture
   */
  public byte[] of(Sequence s, Camera camera, String take, double frame, BooleanSupplier stopped) {
    ModelRoom.check(s, assets, ModelRoom.PICTURE);
    Plan plan = new Plan(s, assets::rig).inTake(take);
    SceneBuilder scenes = new SceneBuilder(assets::geometry, assets.trees(), assets::image);
    FrameRenderer r =
        new FrameRenderer(Exposed.sharp(s, plan, camera, frame, scenes, assets::image));
    Picture p = r.render(WIDTH, height(s), Quality.exact(SAMPLES), 1, stopped);
    return p == null ? null : png(p);
  }

  /** A PNG of an image that stands for a shot, as large as the others. */
  public byte[] ofBoard(Sequence s, String image) {
    return png(BoardPicture.of(assets.image(image), WIDTH, height(s)));
  }

  private static int height(Sequence s) {
    CameraPackage delivery = s.header().cameraPackage();
    int height = WIDTH * delivery.deliveryHeight() / delivery.deliveryWidth();
    return Math.max(1, Math.min(TALLEST, height));
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
