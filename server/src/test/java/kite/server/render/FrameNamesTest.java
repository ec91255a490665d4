package kite.server.render;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Instant;
import java.util.List;
import kite.core.command.Edit;
import kite.core.command.EntityCommand.Add;
import kite.core.command.EntityCommand.Rename;
import kite.core.document.FileNames;
import kite.core.document.Light;
import kite.core.document.Sequence;
import kite.core.form.SequenceJson;
import kite.demo.SaltWind;
import kite.server.Problem;
import org.junit.jupiter.api.Test;

class FrameNamesTest {
  private static final String APART = "{shot}_{pass}_{light}_{version}.####";

  private final Sequence demo = withALamp(new SaltWind().sw010());
  private final Light lamp = (Light) demo.get("lamp");
  private final Light sun =
      demo.all(Light.class).stream().filter(l -> l != lamp).findFirst().orElseThrow();

  private static Sequence withALamp(Sequence s) {
    Light sun = s.all(Light.class).get(0);
    return Edit.apply(s, List.of(new Add(sun.withId("lamp").withName("Key/lamp (A)"))));
  }

  private RenderJob job(Sequence s, Kept.Form form, String... passes) {
    RenderJob job = new RenderJob();
    job.document = SequenceJson.write(s);
    job.shots = Shot.write(List.of(new Shot("camA", 1001, 1002, "SW010_0010", null)));
    job.askedAt = Instant.parse("2026-01-02T03:04:05Z");
    job.askedBy = "pim";
    job.numbered = 2;
    List<String> two = List.of(sun.id(), lamp.id());
    job.kept = new Kept(form, List.of(passes), two, true, false).write();
    return job;
  }

  private static FrameNames by(String pattern) {
    return new FrameNames(new FileNames("a", pattern, FileNames.Counts.SCENE), "Salt Wind");
  }

  @Test
  void eachPassAndEachLightHasAFileWhereTheNameSaysSo() {
    RenderJob job = job(demo, Kept.Form.EXR, "depth", "light");
    String first = sun.name().replaceAll("[^A-Za-z0-9_-]+", "-");
    String second = "Key_lamp-_A_";
    assertEquals(
        List.of(
            "SW010_0010_beauty_all_v002.1001.exr",
            "SW010_0010_depth_all_v002.1001.exr",
            "SW010_0010_light_" + first + "_v002.1001.exr",
            "SW010_0010_light_" + second + "_v002.1001.exr"),
        by(APART).first(job, demo));
    assertEquals(3, by("{pass}_{version}.####").first(job, demo).size(), "lights in one");
    assertEquals(3, by("{light}_{version}.####").first(job, demo).size(), "passes in one");
    assertEquals(1, by("{version}.####").first(job, demo).size());
    assertEquals(1, by(APART).first(job(demo, Kept.Form.PNG), demo).size(), "nothing to part");
  }

  @Test
  void lightsThatWouldHaveOneFileAreRefused() {
    Sequence alike =
        Edit.apply(demo, List.of(new Rename(sun.id(), "Lamp é"), new Rename(lamp.id(), "Lamp è")));
    RenderJob job = job(alike, Kept.Form.EXR, "light");
    Problem p = assertThrows(Problem.class, () -> by(APART).check(job, alike));
    assertTrue(p.getMessage().startsWith("Two lights"), p.getMessage());
    by("{pass}_{version}.####").check(job, alike);
  }

  @Test
  void aLayerIsOfTheFileThatWasTold() {
    RenderJob job = job(demo, Kept.Form.EXR, "depth", "pieces", "light");
    FrameNames.Frame frame = FrameNames.of(named(job, by(APART))).get(1);
    List<String> told = by(APART).first(job, demo);
    String name = "Key_lamp _A_"; // as the file has it
    for (String layer :
        List.of(
            "",
            "depth",
            "pieces00",
            "pieces02",
            "light." + name + ".diffuse",
            "light." + name + ".shadow"))
      assertTrue(told.contains(frame.of(FramePart.ofLayer(layer)) + ".exr"), layer);
  }

  private static RenderJob named(RenderJob job, FrameNames names) {
    job.names = names.write();
    return job;
  }
}
