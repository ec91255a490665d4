package kite.exchange.cut;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.StringReader;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import javax.imageio.ImageIO;
import kite.core.command.Command;
import kite.core.command.Edit;
import kite.core.command.EntityCommand;
import kite.core.command.ShotCommand;
import kite.core.curve.Channel;
import kite.core.curve.Key;
import kite.core.document.Camera;
import kite.core.document.CameraPackage;
import kite.core.document.Channels;
import kite.core.document.Header;
import kite.core.document.Sequence;
import kite.core.document.Shot;
import kite.core.document.Speed;
import kite.core.document.Take;
import kite.core.evaluate.Plan;
import kite.core.model.Models;
import kite.core.number.Rate;
import kite.core.optics.FilmBack;
import kite.core.optics.Fit;
import kite.core.rig.base.Base;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;

class ShotListTest {
  private static final int SHOTS = 40;
  private static final String NOTE = "=the kite, “higher”; Ωδή, каюта";

  /** Forty shots of 24 frames of a camera that pushes in by a metre; the last is a gap. */
  private static Sequence sequence() {
    Header h =
        new Header(
            "SW990",
            "Kites over Łeba",
            1001,
            1960,
            new Rate(24, 1),
            "m",
            1,
            new CameraPackage(new FilmBack(24, 18, 1), 1920, 1080, Fit.WIDTH, 0));
    Channels push =
        Channels.NONE.with("z", Channel.curve(Key.smooth(1001, 0), Key.smooth(1024, -1)));
    Base base = new Base("base", true, null, Base.Takes.POSITION, push);
    Camera c =
        new Camera(
            "cam",
            "Pier",
            "A",
            "#f0785a",
            false,
            true,
            Channels.NONE.with("focalLength", 50).with("focusDistance", 4),
            List.of(base));
    List<Command> all = new ArrayList<>();
    all.add(new EntityCommand.Add(c));
    for (int i = 0; i < SHOTS; i++) {
      Take take = new Take("t", "1", i == SHOTS - 1 ? null : "cam", 1001, 24, Speed.AS_IT_IS);
      all.add(new ShotCommand.InsertShot(Shot.of("s" + i, "SW990_" + (1000 + i), take), null));
    }
    all.add(new ShotCommand.SetNotes("s3", NOTE));
    return Edit.apply(new Sequence(h, Map.of()), all);
  }

  private static ShotTable table() {
    Sequence s = sequence();
    return ShotTable.of(s, new Plan(s, Models.NONE), Set.of("s2"));
  }

  @Test
  void theTableSaysWhatEachShotIs() throws Exception {
    String csv = ShotListCsv.write(table());
    CSVFormat read = CSVFormat.RFC4180.builder().setHeader().setSkipHeaderRecord(true).get();
    List<CSVRecord> lines = read.parse(new StringReader(csv)).getRecords();
    assertEquals(SHOTS, lines.size());
    CSVRecord third = lines.get(2);
    Map<String, String> said =
        Map.ofEntries(
            Map.entry("Shot", "SW990_1002"),
            Map.entry("Camera", "A Pier"),
            Map.entry("First", "1049"),
            Map.entry("Last", "1072"),
            Map.entry("Seconds", "1"),
            Map.entry("Feet + frames", "1+08"),
            Map.entry("Timecode", "00:00:02:00"),
            Map.entry("Scene from", "1001"),
            Map.entry("Speed", "100 %"),
            Map.entry("Move", "push 1 m"),
            Map.entry("Lens", "50 mm"),
            Map.entry("Focus", "4 m"),
            Map.entry("Status", "To do"),
            Map.entry("Approved", "yes"));
    said.forEach((head, words) -> assertEquals(words, third.get(head), head));
    assertEquals("'" + NOTE, lines.get(3).get("Notes"), "no spreadsheet takes it for a formula");
    assertEquals("", lines.get(SHOTS - 1).get("Camera") + lines.get(SHOTS - 1).get("Move"));
  }

  @Test
  void whatIsPrintedHasEveryShotWithItsPictureOnPagesWithAHead() throws Exception {
    BufferedImage small = new BufferedImage(32, 18, BufferedImage.TYPE_INT_RGB);
    ByteArrayOutputStream png = new ByteArrayOutputStream();
    ImageIO.write(small, "png", png);
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ShotListPdf.write(
        table(), "SW990, today", l -> l.camera() == null ? null : png.toByteArray(), out);
    try (PDDocument d = Loader.loadPDF(out.toByteArray())) {
      assertTrue(d.getNumberOfPages() > 3, d.getNumberOfPages() + " pages");
      int pictures = 0, shots = 0;
      for (int n = 1; n <= d.getNumberOfPages(); n++) {
        PDFTextStripper text = new PDFTextStripper();
        text.setStartPage(n);
        text.setEndPage(n);
        String page = text.getText(d);
        assertTrue(page.contains("Picture") && page.contains("Programme"), page);
        assertTrue(page.contains("SW990, today") && page.contains("Page " + n), page);
        PDPage p = d.getPage(n - 1);
        for (COSName name : p.getResources().getXObjectNames())
          if (p.getResources().isImageXObject(name)) pictures++;
        shots += page.split("SW990_1").length - 1;
      }
      assertEquals(SHOTS, shots);
      assertEquals(SHOTS - 1, pictures);
      String all = new PDFTextStripper().getText(d).replace("\r", "").replace("\n", " ");
      for (String word : List.of("Kites over Łeba", "40 shots, 960 frames", "Ωδή", "каюта", "Gap"))
        assertTrue(all.contains(word), word);
      assertTrue(all.contains("push 1 m") && all.contains("1049 – 1072"), all);
    }
  }
}
