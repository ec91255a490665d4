package kite.server.handover;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.function.Supplier;
import kite.core.bake.Bake;
import kite.core.bake.InPicture;
import kite.core.bake.PlaceTrack;
import kite.core.cut.Programme;
import kite.core.document.Camera;
import kite.core.document.CameraPackage;
import kite.core.document.Mark;
import kite.core.document.OrNull;
import kite.core.document.Sequence;
import kite.core.evaluate.LensRow;
import kite.core.evaluate.Plan;
import kite.core.math.Matrix;
import kite.exchange.archive.SummedZip;
import kite.exchange.cut.EdlWriter;
import kite.exchange.cut.OtioWriter;
import kite.exchange.cut.ShotListCsv;
import kite.exchange.cut.ShotTable;
import kite.exchange.gltf.GlbCameraWriter;
import kite.exchange.pack.LensSheet;
import kite.exchange.pack.NotesSheet;
import kite.exchange.pack.PlaceSheet;
import kite.exchange.track.CameraTable;
import kite.exchange.usd.UsdCameraWriter;
import kite.render.Hidden;
import kite.render.Scene;
import kite.render.SceneBuilder;
import kite.server.asset.AssetStore;
import kite.server.asset.ModelRoom;
import kite.server.render.NewestPictures;
import kite.server.sound.SoundMix;
import org.springframework.stereotype.Component;

/** The files of a package, one after the other. */
@Component
class Contents {
  private final AssetStore assets;
  private final ShotLists lists;
  private final SoundMix mix;
  private final NewestPictures pictures;
  private final SetContents set;

  Contents(
      AssetStore assets, ShotLists lists, SoundMix mix, NewestPictures pictures, SetContents set) {
    this.assets = assets;
    this.set = set;
    this.lists = lists;
    this.mix = mix;
    this.pictures = pictures;
  }

  /**
   * A file.
   *
   * @param kind as a manifest says it
   * @param shot code of the shot that it is of, or null
   * @param packed whether packing makes it no smaller
   * @param alike whether it is the same, byte by byte, where what it says is; the others are new
   *     whenever anything is
   */
  record Piece(
      String path,
      String kind,
      @OrNull String shot,
      boolean packed,
      boolean alike,
      SummedZip.Content content) {}

  /**
   * Refuses what cannot be made, before anything of it is sent.
   *
   * @throws IllegalStateException when its models are too large to look what hides a place, or to
   *     hand on, or too much of it moves
   */
  void check(Sequence s, PackageAsked asked) {
    if (asked.parts().contains(Part.PLACES) || asked.parts().contains(Part.SET))
      ModelRoom.check(s, assets, ModelRoom.RENDER);
    if (asked.parts().contains(Part.SET)) SetContents.check(s, asked);
  }

  /** Takes the files, one after the other: none of them is held longer. */
  interface Taking {
    void take(Piece piece) throws IOException;
  }

  void each(Sequence s, Settled settled, Taking to) throws IOException {
    PackageAsked asked = settled.asked();
    String code = clean(s.header().code());
    if (asked.parts().contains(Part.CUT)) {
      to.take(text("cut/" + code + ".otio", Part.CUT.kind(), null, () -> OtioWriter.write(s)));
      to.take(text("cut/" + code + ".edl", Part.CUT.kind(), null, () -> EdlWriter.write(s)));
    }
    Programme programme = Programme.of(s);
    Set<String> taken = new HashSet<>();
    for (int i = 0; i < programme.placed().size(); i++) {
      Programme.Placed p = programme.placed().get(i);
      if (p.camera() == null || !asked.isAbout(p.id())) continue;
      shot(s, programme, i, asked, folder(p.shot(), taken), to);
    }
    if (asked.parts().contains(Part.SET)) set.each(s, asked, code, to);
    if (asked.parts().contains(Part.NOTES)) notes(s, settled, code, to);
    if (asked.parts().contains(Part.SOUND)) sound(s, code, to);
    for (NewestPictures.Made m : settled.pictures()) pictures(m, to);
    // last, since whether it is new goes by whether anything is
    if (asked.parts().contains(Part.SHOT_LIST)) list(s, settled, code, to);
  }

  private void notes(Sequence s, Settled settled, String code, Taking to) throws IOException {
    PackageAsked asked = settled.asked();
    NotesSheet sheet = NotesSheet.of(s, asked.shots(), settled.approved());
    to.take(bytes("cut/" + code + "_notes.json", Part.NOTES.kind(), null, sheet::json));
    Programme programme = Programme.of(s);
    Set<String> taken = new HashSet<>();
    for (Programme.Placed p : programme.placed()) {
      if (!asked.isAbout(p.id())) continue;
      byte[] picture = lists.picture(s, programme, p);
      String name = "shots/" + folder(p.shot(), taken) + "/thumbnail.png";
      String kind = Part.NOTES.kinds.get(1);
      if (picture != null)
        to.take(new Piece(name, kind, p.shot(), true, true, out -> out.write(picture)));
    }
  }

  private void list(Sequence s, Settled settled, String code, Taking to) throws IOException {
    ShotTable table = lists.table(s, settled.approved());
    to.take(
        text(
            "cut/" + code + "_shots.csv",
            Part.SHOT_LIST.kind(),
            null,
            () -> ShotListCsv.write(table)));
    SummedZip.Content pdf = out -> lists.pdf(table, settled.day(), out);
    to.take(new Piece("cut/" + code + "_shots.pdf", Part.SHOT_LIST.kind(), null, true, false, pdf));
  }

  private void sound(Sequence s, String code, Taking to) throws IOException {
    List<SoundMix.Stretch> all = SoundMix.ofProgramme(s);
    if (all.isEmpty()) return;
    SummedZip.Content wav = out -> mix.wav(s, all, out);
    to.take(new Piece("sound/" + code + ".wav", Part.SOUND.kind(), null, false, true, wav));
  }

  private void pictures(NewestPictures.Made m, Taking to) throws IOException {
    pictures.each(
        m.job(),
        (name, film, content) ->
            to.take(
                new Piece(
                    "pictures/" + m.folder() + "/" + name,
                    Part.PICTURES.kinds.get(film ? 1 : 0),
                    m.shot(),
                    true,
                    true,
                    content)));
  }

  /** Everything of a shot with a camera, by the frames of the scene that it needs. */
  private void shot(
      Sequence s, Programme programme, int index, PackageAsked asked, String folder, Taking to)
      throws IOException {
    Programme.Placed p = programme.placed().get(index);
    Camera camera = (Camera) s.get(p.camera());
    int handles = asked.handles() ? programme.shots().get(index).handlesIn(s.header()) : 0;
    double first = Math.floor(programme.scene(index, p.first() - handles));
    double last = Math.ceil(programme.scene(index, p.last() + handles));
    Plan plan = new Plan(s, assets::rig).inTake(p.inTake());
    Bake bake = Bake.of(plan, camera, first, last, 1);
    String name = "shots/" + folder + "/" + folder, seen = name + "_cam" + clean(camera.letter());
    List<PlaceTrack> guides = PlaceTrack.ofGuides(s, plan, bake.frames());
    List<PlaceTrack> beside = places(s, plan, bake);
    if (asked.parts().contains(Part.CAMERAS)) {
      String shot = p.shot();
      to.take(
          text(
              seen + ".usda",
              Part.CAMERAS.kind(),
              shot,
              () -> UsdCameraWriter.write(s, bake, beside)));
      to.take(
          bytes(
              seen + ".glb",
              Part.CAMERAS.kind(),
              shot,
              () -> GlbCameraWriter.write(bake, s.header().rate().perSecond(), beside)));
      to.take(text(seen + ".csv", Part.CAMERAS.kind(), shot, () -> CameraTable.write(bake)));
    }
    if (asked.parts().contains(Part.PLACES)) {
      PlaceSheet sheet = places(s, plan, bake, guides, asked.marks());
      if (!sheet.rows().isEmpty()) {
        to.take(text(name + "_places.csv", Part.PLACES.kind(), p.shot(), sheet::csv));
        to.take(bytes(name + "_places.json", Part.PLACES.kind(), p.shot(), sheet::json));
      }
    }
    if (asked.parts().contains(Part.LENS))
      to.take(
          bytes(name + "_lens.json", Part.LENS.kind(), p.shot(), () -> LensSheet.write(s, bake)));
  }

  /** Guides and all marks, which stand beside a camera in its files. */
  static List<PlaceTrack> places(Sequence s, Plan plan, Bake bake) {
    List<PlaceTrack> all = new ArrayList<>(PlaceTrack.ofGuides(s, plan, bake.frames()));
    List<String> marks = s.all(Mark.class).stream().map(Mark::id).toList();
    all.addAll(PlaceTrack.ofMarks(s, plan, bake.frames(), marks));
    return all;
  }

  private PlaceSheet places(
      Sequence s, Plan plan, Bake bake, List<PlaceTrack> guides, List<String> marks) {
    List<PlaceTrack> tracks = new ArrayList<>(guides);
    tracks.addAll(PlaceTrack.ofMarks(s, plan, bake.frames(), marks));
    CameraPackage delivery = s.header().packageOf(bake.camera());
    List<PlaceSheet.Row> rows = new ArrayList<>();
    for (PlaceTrack t : tracks)
      rows.add(
          new PlaceSheet.Row(
              t, InPicture.of(bake, t, delivery), new boolean[bake.frames().length]));
    if (!rows.isEmpty()) hide(s, plan, bake, rows, delivery);
    return new PlaceSheet(bake, delivery, rows);
  }

  /** Looks for each place that is in the picture whether something stands before it. */
  private void hide(
      Sequence s, Plan plan, Bake bake, List<PlaceSheet.Row> rows, CameraPackage delivery) {
    SceneBuilder scenes = new SceneBuilder(assets::geometry, assets.trees(), assets::image);
    Hidden hidden = new Hidden();
    for (int i = 0; i < bake.frames().length; i++) {
      double frame = bake.frames()[i];
      Scene[] there = new Scene[1];
      Supplier<Scene> scene =
          () -> {
            if (there[0] == null) {
              plan.evaluate(frame);
              there[0] = scenes.build(s, plan);
            }
            return there[0];
          };
      double near = bake.lens()[i * LensRow.SIZE + LensRow.NEAR];
      for (PlaceSheet.Row r : rows)
        if (r.seen().isIn(i, delivery))
          r.hidden()[i] =
              hidden.behind(scene, bake.world(), i * Matrix.SIZE, r.track().places(), i * 3, near);
    }
  }

  static Piece text(String path, String kind, String shot, Supplier<String> text) {
    return bytes(path, kind, shot, () -> text.get().getBytes(StandardCharsets.UTF_8));
  }

  private static Piece bytes(String path, String kind, String shot, Supplier<byte[]> bytes) {
    return new Piece(path, kind, shot, false, true, out -> out.write(bytes.get()));
  }

  /** A folder for a shot; a number is put behind a code that two have. */
  static String folder(String code, Set<String> taken) {
    String name = clean(code), free = name;
    for (int i = 2; !taken.add(free.toLowerCase(Locale.ROOT)); i++) free = name + "-" + i;
    return free;
  }

  /** What every file system takes for a name, and nobody for a way out of the folder. */
  static String clean(String name) {
    String s = name.replaceAll("[^A-Za-z0-9_-]+", "-");
    return s.isEmpty() ? "-" : s;
  }
}
