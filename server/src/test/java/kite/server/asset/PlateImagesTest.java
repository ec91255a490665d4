package kite.server.asset;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.time.Clock;
import java.util.Arrays;
import java.util.Optional;
import javax.imageio.ImageIO;
import kite.demo.SaltWind;
import kite.exchange.BadFile;
import org.junit.jupiter.api.Test;

class PlateImagesTest {
  private final Assets assets = mock(Assets.class);
  private final AssetStore store = new AssetStore(assets, Clock.systemUTC());

  private static byte[] image(String format, int w, int h) throws Exception {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ImageIO.write(new BufferedImage(w, h, BufferedImage.TYPE_INT_RGB), format, out);
    return out.toByteArray();
  }

  private static String refused(byte[] bytes) {
    return assertThrows(BadFile.class, () -> PlateImages.size("sky.png", bytes)).getMessage();
  }

  @Test
  void sizesAreReadFromTheHeadOfPngAndJpeg() throws Exception {
    assertArrayEquals(new int[] {30, 20}, PlateImages.size("a", image("png", 30, 20)));
    assertArrayEquals(new int[] {17, 9}, PlateImages.size("a", image("jpeg", 17, 9)));
  }

  @Test
  void whatIsNoImageOrAHugeOneIsRefusedBeforeItIsDecoded() throws Exception {
    assertTrue(refused("GIF89a......".getBytes()).contains("neither a PNG nor a JPEG"));
    assertTrue(refused(new byte[0]).contains("neither a PNG nor a JPEG"));
    byte[] huge = image("png", 4, 4);
    ByteBuffer.wrap(huge)
        .putInt(16, 60000)
        .putInt(20, 60000); // the head says so; the rest is small
    assertTrue(refused(huge).contains("60000 × 60000") || refused(huge).contains("damaged"));
    assertTrue(refused(Arrays.copyOf(image("png", 4, 4), 12)).contains("damaged"));
  }

  @Test
  void anImageIsKeptOnceAndIsNoModel() throws Exception {
    byte[] bytes = image("png", 6, 5);
    String report = store.keepImage("sky.png", bytes).report();
    assertTrue(report.contains("\"width\":6") && report.contains("\"height\":5"), report);
    verify(assets).saveAndFlush(any());
    AssetRow row = new AssetRow();
    row.kind = AssetKind.IMAGE;
    row.bytes = bytes;
    row.report = report;
    String sha = report.replaceAll(".*\"asset\":\"([0-9a-f]{64})\".*", "$1");
    when(assets.findById(sha)).thenReturn(Optional.of(row));
    assertEquals(report, store.keepImage("other.png", bytes).report(), "known already");
    assertEquals(6, store.image(sha).getWidth());
    assertEquals(null, store.geometry(sha));
  }

  @Test
  void whatIsBadIsNotKept() {
    assertThrows(BadFile.class, () -> store.keepImage("sky.png", "no".getBytes()));
    assertThrows(BadFile.class, () -> store.keep("a.glb", "no".getBytes()));
    verify(assets, never()).saveAndFlush(any());
  }

  @Test
  void thePlateOfTheDemonstrationIsWhole() throws Exception {
    SaltWind salt = new SaltWind();
    assertEquals(SaltWind.PLATE_LAST - SaltWind.PLATE_FIRST + 1, salt.plate().size());
    for (SaltWind.Asset a : salt.plate())
      assertArrayEquals(new int[] {960, 540}, PlateImages.size(a.name(), a.bytes()));
  }
}
