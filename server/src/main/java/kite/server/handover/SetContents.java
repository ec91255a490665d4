package kite.server.handover;

import java.io.IOException;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Supplier;
import kite.core.bake.Bake;
import kite.core.bake.PlaceTrack;
import kite.core.cut.Programme;
import kite.core.document.Camera;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.evaluate.Plan;
import kite.exchange.gltf.GlbSetWriter;
import kite.exchange.usd.UsdSetWriter;
import kite.exchange.usd.UsdzWriter;
import kite.render.SceneBuilder;
import kite.render.SetOverTime;
import kite.server.asset.AssetStore;
import org.springframework.stereotype.Component;

/** The set of a package: its layers, and one file of it with the shots' cameras. */
@Component
class SetContents {
  private final AssetStore assets;

  SetContents(AssetStore assets) {
    this.assets = assets;
  }

  /** Frames of the scene that shots need, with their handles. */
  private record Span(double first, double last) {
    static Span of(Sequence s, Programme programme, int index, PackageAsked asked) {
      Programme.Placed p = programme.placed().get(index);
      int handles = asked.handles() ? programme.shots().get(index).handlesIn(s.header()) : 0;
      return new Span(
          Math.floor(programme.scene(index, p.first() - handles)),
          Math.ceil(programme.scene(index, p.last() + handles)));
    }

    static Span of(Sequence s, PackageAsked asked) {
      Programme programme = Programme.of(s);
      double first = Double.POSITIVE_INFINITY, last = Double.NEGATIVE_INFINITY;
      for (int i = 0; i < programme.placed().size(); i++) {
        if (!asked.isAbout(programme.placed().get(i).id())) continue;
        Span one = of(s, programme, i, asked);
        first = Math.min(first, one.first);
        last = Math.max(last, one.last);
      }
      return new Span(first, last);
    }

    double[] frames() {
      double[] all = new double[(int) (last - first) + 1];
      for (int i = 0; i < all.length; i++) all[i] = first + i;
      return all;
    }
  }

  /**
   * @throws IllegalStateException when more moves for longer than is held
   */
  static void check(Sequence s, PackageAsked asked) {
    Span span = Span.of(s, asked);
    long pieces = s.all(Piece.class).stream().filter(s::isRendered).count();
    if (pieces * (span.last - span.first + 1) > SetOverTime.MOST_PLACES)
      throw new IllegalStateException(
          pieces
              + " pieces over "
              + (long) (span.last - span.first + 1)
              + " frames are more than is held. Hand over fewer shots");
  }

  void each(Sequence s, PackageAsked asked, String code, Contents.Taking to) throws IOException {
    Plan plan = new Plan(s, assets::rig);
    double[] frames = Span.of(s, asked).frames();
    SceneBuilder scenes = new SceneBuilder(assets::geometry, assets.trees(), assets::image);
    SetOverTime set = SetOverTime.of(s, plan, scenes, frames, asked.bend());
    UsdSetWriter writer = new UsdSetWriter(s, set);
    for (Map.Entry<String, UsdSetWriter.Content> l :
        writer.layers(code + "_set", Map.of()).entrySet())
      to.take(piece("set/" + l.getKey(), false, l.getValue()));
    to.take(piece("set/" + code + "_set.glb", false, out -> out.write(GlbSetWriter.write(s, set))));
    Map<String, UsdSetWriter.Content> all = writer.layers(code, cameras(s, asked));
    to.take(piece("set/" + code + ".usdz", true, out -> UsdzWriter.write(all, out)));
  }

  private record Shown(Bake bake, List<PlaceTrack> guides) implements UsdSetWriter.Shown {}

  /** The shots' cameras, by their codes. */
  private Map<String, Supplier<UsdSetWriter.Shown>> cameras(Sequence s, PackageAsked asked) {
    Map<String, Supplier<UsdSetWriter.Shown>> all = new LinkedHashMap<>();
    Programme programme = Programme.of(s);
    Set<String> taken = new HashSet<>();
    for (int i = 0; i < programme.placed().size(); i++) {
      Programme.Placed p = programme.placed().get(i);
      if (!(s.get(p.camera()) instanceof Camera c) || !asked.isAbout(p.id())) continue;
      Span span = Span.of(s, programme, i, asked);
      all.put(
          Contents.folder(p.shot(), taken),
          () -> {
            Plan plan = new Plan(s, assets::rig).inTake(p.inTake());
            Bake bake = Bake.of(plan, c, span.first, span.last, 1);
            return new Shown(bake, Contents.places(s, plan, bake));
          });
    }
    return all;
  }

  private static Contents.Piece piece(String path, boolean packed, UsdSetWriter.Content content) {
    return new Contents.Piece(path, Part.SET.kind(), null, packed, true, content::write);
  }
}
