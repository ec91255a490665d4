package kite.core.codec;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import kite.core.RandomDocuments;
import kite.core.command.Command;
import kite.core.document.Camera;
import kite.core.document.CutEntry;
import kite.core.document.Entity;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.document.Shape;
import kite.core.document.Speed;
import kite.core.form.EntityJson;
import kite.core.form.Fields;
import kite.core.form.RigJson;
import kite.core.motion.MotionEdit;
import kite.core.rig.PartKind;
import kite.core.rig.PartKinds;
import kite.core.rig.RigPart;
import org.junit.jupiter.api.Test;

/** The words by which stored documents and edits say what each thing is. */
class KindsTest {
  static Stream<Class<?>> leaves(Class<?> c) {
    if (c == RigPart.class) return PartKinds.all().stream().map(PartKind::type);
    return c.isSealed()
        ? Arrays.stream(c.getPermittedSubclasses()).flatMap(KindsTest::leaves)
        : Stream.of(c);
  }

  static Set<String> kinds(Class<?> all) {
    return leaves(all).map(KindsTest::kind).collect(Collectors.toCollection(TreeSet::new));
  }

  private static String kind(Class<?> c) {
    try {
      return (String) c.getField("KIND").get(null);
    } catch (ReflectiveOperationException e) {
      throw new AssertionError(c + " has no KIND", e);
    }
  }

  private static Set<String> words(String all) {
    return new TreeSet<>(List.of(all.split(" ")));
  }

  /** Documents and journals are full of these: a word may come, none may go or change. */
  @Test
  void wordsThatWereStoredOnceGoOnMeaningWhatTheyMeant() {
    assertEquals(
        words(
            "acceptedNote actionLine air camera cutEntry layer light mark marker measure path piece plate shot"
                + " sound soundTrack"),
        kinds(Entity.class));
    assertEquals(words("group instance model standIn"), kinds(Shape.class));
    assertEquals(words("curved steady"), kinds(Speed.class));
    assertEquals(
        words("arm attention base dollyZoom framings head operator rail slide spring trim"),
        kinds(RigPart.class));
    assertEquals(
        words(
            "acceptNote add addPart amend attach chooseTake dragHandle duplicate follow insertKey insertShot"
                + " joinShots lay letGo level liftShot lock lockChannels moveCue moveKeys movePart"
                + " moveShots nest orbit overwriteShot placeCamera putCue putTake remove removeCue"
                + " removeKeys removePart removeTake rename replace reroute reshape restore"
                + " retimeShot ride ripple roll rollCut setBack setBoard setChannel setCues"
                + " setDepthOfField setFinish setFocus setHeader setLimits setMotionBlur setNotes"
                + " setPart setRig setShotRules setStatus setValue shapeKeys show slideShot"
                + " slipShot splitShot substitute swap swapCamera switchPart toShots trimShot"
                + " walk"),
        kinds(Command.class));
    assertEquals(
        words(
            "easeSegments easeWhole fitTo flatten gather goOn join linearThrough mirror paste"
                + " reduce reverse scale shift snap soften"),
        kinds(MotionEdit.class));
  }

  @Test
  void noTwoOfAFamilyShareAWord() {
    for (Class<?> family :
        List.of(
            Entity.class, Shape.class, Speed.class, RigPart.class, Command.class, MotionEdit.class))
      assertEquals(leaves(family).count(), kinds(family).size(), family.getSimpleName());
  }

  @Test
  void everyKindOfThingIsReadAsItWasWritten() {
    Set<String> things = new TreeSet<>(), shapes = new TreeSet<>(), parts = new TreeSet<>();
    for (int seed = 0; seed < 200; seed++) {
      Sequence s = RandomDocuments.of(seed);
      for (Entity e : s.entities().values()) {
        assertEquals(e, EntityJson.read(EntityJson.write(e)));
        things.add(e.kind());
        if (e instanceof Piece p) {
          Shape read = EntityJson.shape(Fields.of(EntityJson.write(p.shape()), "$"));
          assertEquals(p.shape(), read);
          shapes.add(read.kind());
        }
        if (!(e instanceof Camera c)) continue;
        for (RigPart p : c.rig()) {
          assertEquals(p, RigJson.read(Fields.of(RigJson.write(p), "$")));
          parts.add(p.kind());
        }
      }
    }
    for (Shape rare :
        List.of(
            new Shape.Group(),
            new Shape.Model("a".repeat(64), "walk", 3, 0.5, true, 0.01, true, null))) {
      Shape read = EntityJson.shape(Fields.of(EntityJson.write(rare), "$"));
      assertEquals(rare, read);
      shapes.add(read.kind());
    }
    CutEntry earlier = new CutEntry("cut", "S_0010", "cam0", 12);
    assertEquals(earlier, EntityJson.read(EntityJson.write(earlier)));
    things.add(earlier.kind());
    assertEquals(kinds(Entity.class), things);
    assertEquals(kinds(Shape.class), shapes);
    assertEquals(kinds(RigPart.class), parts);
  }
}
