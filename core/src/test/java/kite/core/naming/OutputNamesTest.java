package kite.core.naming;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import kite.core.document.FileNames;
import org.junit.jupiter.api.Test;

class OutputNamesTest {
  private static final OutputNames.Facts FACTS =
      new OutputNames.Facts(
          "Salt Wind",
          "SW010",
          "SW010_0020",
          "2",
          "B",
          OutputNames.PICTURE,
          OutputNames.ALL_LIGHTS,
          7,
          "2026-11-28",
          "pim/../x");

  @Test
  void everyWordIsFilledInAndFramesArePadded() {
    assertEquals(
        "SW010_0020/SW010_0020_v007.1001", OutputNames.of(FileNames.USUAL.pattern(), FACTS, 1001));
    assertEquals(
        "Salt-Wind/SW010/B_2_2026-11-28_pim-x_v007_00012",
        OutputNames.of(
            "{production}/{sequence}/{camera}_{take}_{date}_{user}_{version}_#####", FACTS, 12));
    assertEquals("v007.-0003", OutputNames.of("{version}.####", FACTS, -3));
    assertEquals("v007.123456", OutputNames.of("{version}.##", FACTS, 123456), "never cut");
  }

  @Test
  void passesAndLightsAreToldApart() {
    String by = "{shot}/{pass}/{shot}_{pass}_{light}_{version}.####";
    assertEquals(
        "SW010_0020/beauty/SW010_0020_beauty_all_v007.1001", OutputNames.of(by, FACTS, 1001));
    assertEquals(
        "SW010_0020/light/SW010_0020_light_Key-lamp_v007.1001",
        OutputNames.of(by, FACTS.with("light", "Key lamp"), 1001));
  }

  @Test
  void whatLeadsOutOrWouldBeWrittenOverIsRefusedWithTheReason() {
    for (String bad :
        List.of(
            "../{version}.####",
            "a/../{version}.####",
            "/{version}.####",
            "{version}//a.####",
            ".{version}.####",
            "a\\{version}.####",
            "c:{version}.####",
            "{version}.####/a",
            "{version}",
            "a.####",
            "{version}.##a##",
            "{version}.####{",
            "{colour}{version}.####",
            "",
            "{version}####".repeat(40))) {
      assertNotEquals("", FileNames.fault(bad), bad);
      assertThrows(IllegalArgumentException.class, () -> OutputNames.of(bad, FACTS, 1), bad);
    }
    assertTrue(FileNames.fault("a.####").contains("{version}"));
    assertTrue(FileNames.fault("{colour}{version}.####").contains("{colour}"));
  }

  @Test
  void aValueNeverLeadsOut() {
    OutputNames.Facts sly = new OutputNames.Facts("..", "", "../..", "", "", "", "", 1, "", "");
    assertEquals(
        "-/-/-/v001.0001", OutputNames.of("{production}/{sequence}/{shot}/{version}.####", sly, 1));
  }

  @Test
  void framesCountByTheSceneTheShotOrTheProgramme() {
    assertEquals(1090, OutputNames.number(FileNames.Counts.SCENE, 1090.5, 1120, 1100));
    assertEquals(1021, OutputNames.number(FileNames.Counts.SHOT, 1090.5, 1120, 1100));
    assertEquals(993, OutputNames.number(FileNames.Counts.SHOT, 1, 1092, 1100), "a handle of 8");
    assertEquals(1120, OutputNames.number(FileNames.Counts.PROGRAMME, 1090.5, 1120, 1100));
  }
}
