package kite.demo;

import java.awt.image.BufferedImage;
import java.io.File;
import java.util.HashMap;
import java.util.Map;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import javax.imageio.stream.FileImageOutputStream;
import kite.core.document.Camera;
import kite.core.document.Sequence;
import kite.core.evaluate.Plan;
import kite.exchange.gltf.GlbReader;
import kite.render.Exposed;
import kite.render.FrameRenderer;
import kite.render.ModelGeometry;
import kite.render.Picture;
import kite.render.Quality;
import kite.render.SceneBuilder;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** Renders the plate of SW020 into the demo's resources; run by ./kite plate. */
@Tag("plate")
class PlateMaker {
  private static final int WIDTH = 960;
  private static final int SAMPLES = 24;
  private static final float QUALITY = 0.82f;

  @Test
  void render() throws Exception {
    SaltWind salt = new SaltWind();
    Sequence s = salt.location();
    Map<String, ModelGeometry> models = new HashMap<>();
    for (SaltWind.Asset a : salt.assets())
      models.put(a.sha256(), GlbReader.read(a.bytes()).geometry());
    Plan plan = new Plan(s, a -> models.get(a).rig());
    Camera c = (Camera) s.get("camA");
    File folder = new File("src/main/resources/plate");
    folder.mkdirs();
    for (int f = SaltWind.PLATE_FIRST; f <= SaltWind.PLATE_LAST; f++) {
      Picture p =
          new FrameRenderer(Exposed.sharp(s, plan, c, f, new SceneBuilder(models::get), a -> null))
              .render(WIDTH, WIDTH * 9 / 16, Quality.exact(SAMPLES), 2, () -> false);
      write(p, new File(folder, "whale_plate." + f + ".jpg"));
    }
  }

  private static void write(Picture p, File file) throws Exception {
    BufferedImage image = new BufferedImage(p.width(), p.height(), BufferedImage.TYPE_INT_RGB);
    image.setRGB(0, 0, p.width(), p.height(), p.argb(), 0, p.width());
    ImageWriter writer = ImageIO.getImageWritersByFormatName("jpeg").next();
    ImageWriteParam param = writer.getDefaultWriteParam();
    param.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
    param.setCompressionQuality(QUALITY);
    file.delete();
    try (FileImageOutputStream out = new FileImageOutputStream(file)) {
      writer.setOutput(out);
      writer.write(null, new IIOImage(image, null, null), param);
    }
    writer.dispose();
  }
}
