package kite.render;

import java.awt.image.BufferedImage;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import kite.core.curve.Channel;
import kite.core.document.Finish;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.document.Shape;
import kite.core.evaluate.Plan;
import kite.core.math.Matrix;
import kite.core.model.ModelPose;
import kite.core.shape.Mesh;
import kite.core.shape.StandIns;
import kite.render.trace.MeshTree;
import kite.render.trace.SceneTree;

/**
 * Everything shown in a sequence at one frame. What stays from frame to frame is made once: used
 * for one shot after the other, and by one thread.
 */
public final class SceneBuilder {
  /** A surface with more triangles than this is worth a place of its own. */
  private static final int SMALL = 4096;

  /** Pixels that a picture of a finish has each way at the most. */
  private static final int WIDEST = 4096;

  private final Function<String, ModelGeometry> models;
  private final TreeStore trees;
  private final Function<String, BufferedImage> images;

  /** Pictures of finishes, by their image. */
  private final Map<String, Texture> pictures = new HashMap<>();

  private final Map<StandInKey, Surface> standIns = new HashMap<>();
  private final Map<String, Deformed> deformed = new HashMap<>();

  /** A part of a model, by the model's content. */
  private record PartKey(String asset, int part) {}

  /** A stand-in, by what it is made of. */
  private record StandInKey(Shape.StandIn shape, String colour) {}

  /** Surfaces that stand somewhere, by what they are and where. */
  private record PlaceKey(Object mesh, List<Double> world) {}

  /**
   * @param models geometry of an asset, or null when it is not to be had
   * @param images pictures of surfaces by asset, likewise
   */
  public SceneBuilder(
      Function<String, ModelGeometry> models,
      TreeStore trees,
      Function<String, BufferedImage> images) {
    this.models = models;
    this.trees = trees;
    this.images = images;
  }

  /** As above, with hierarchies of its own and no pictures. */
  public SceneBuilder(Function<String, ModelGeometry> models) {
    this(models, TreeStore.ofOwn(), a -> null);
  }

  /** The scene as the plan last evaluated it. */
  public Scene build(Sequence s, Plan plan) {
    return together(List.of(placed(s, plan))).get(0);
  }

  /** All that is rendered, where the plan last evaluated it to stand. */
  List<Placed> placed(Sequence s, Plan plan) {
    List<Placed> all = new ArrayList<>();
    for (Piece p : s.all(Piece.class)) {
      if (!s.isRendered(p)) continue;
      double[] m = new double[Matrix.SIZE];
      System.arraycopy(plan.world(), plan.slot(p.id()) * Matrix.SIZE, m, 0, Matrix.SIZE);
      Piece like =
          p.shape() instanceof Shape.Instance i && s.get(i.of()) instanceof Piece q ? q : p;
      Finish finish = p.finish() == null ? like.finish() : p.finish();
      if (like.shape() instanceof Shape.StandIn shape) {
        StandInKey key = new StandInKey(shape, like.colour());
        Surface plain = standIn(key);
        Surface own = finished(plain, finish, like.colour(), true);
        all.add(new Placed(p.id(), own, m, stays(s, p) ? key : null));
      } else if (like.shape() instanceof Shape.Model model) {
        ModelGeometry g = models.apply(model.asset());
        ModelPose pose = plan.pose(p.id());
        if (g != null && pose != null) {
          int from = all.size();
          boolean stays = model.clip() == null && stays(s, p);
          addModel(all, p.id(), g, pose, m, model);
          for (int i = from; i < all.size(); i++) {
            Placed q = all.get(i);
            Surface own = finished(q.surface(), finish, like.colour(), false);
            all.set(i, new Placed(q.piece(), own, q.world(), stays ? q.key() : null));
          }
        }
      }
    }
    return all;
  }

  /** Whether nothing in the sequence moves a piece, on whatever frame. */
  private static boolean stays(Sequence s, Piece p) {
    for (Piece q = p; q != null; q = (Piece) s.get(q.parent()))
      for (Channel c : q.channels().set().values()) if (c instanceof Channel.Curve) return false;
    return true;
  }

  /**
   * The scenes of a frame's moments. What is small and stays where it is goes into one mesh that
   * they share, and what is flattened to nothing. That depends on the sequence alone and not on the
   * frames made before: the mesh is rounded in the world, and every worker is to round alike.
   * Moments at which everything stands alike share their scene.
   */
  List<Scene> together(List<List<Placed>> asPlaced) {
    List<List<Placed>> moments = asPlaced.size() == 1 ? asPlaced : withoutFlat(asPlaced);
    List<Placed> first = moments.get(0);
    boolean[] in = new boolean[first.size()];
    List<PlaceKey> keys = new ArrayList<>();
    for (int i = 0; i < in.length; i++) {
      Placed p = first.get(i);
      boolean still = p.key() != null;
      for (List<Placed> m : moments) still &= stands(m.get(i), p);
      in[i] =
          moments.size() == 1 && SceneTree.flat(p.world())
              || still && p.surface().triangles() <= SMALL;
      if (in[i]) keys.add(new PlaceKey(p.key(), Arrays.stream(p.world()).boxed().toList()));
    }
    Merged merged = null;
    if (!keys.isEmpty()) {
      boolean kept = keys.stream().noneMatch(k -> k.mesh() == null);
      MeshTree t = kept ? trees.get(keys, () -> Merged.tree(first, in)) : Merged.tree(first, in);
      merged = Merged.of(t, first, in);
    }
    List<Scene> scenes = new ArrayList<>();
    for (int i = 0; i < moments.size(); i++)
      scenes.add(
          i > 0 && alike(moments.get(i), moments.get(i - 1))
              ? scenes.get(i - 1)
              : new Scene(moments.get(i), in, merged));
    return scenes;
  }

  /** What is flattened, in the world, once for all moments at which it stands alike. */
  private static List<List<Placed>> withoutFlat(List<List<Placed>> moments) {
    List<List<Placed>> all = new ArrayList<>();
    for (int m = 0; m < moments.size(); m++) {
      List<Placed> now = new ArrayList<>(moments.get(m));
      for (int i = 0; i < now.size(); i++) {
        Placed p = now.get(i);
        if (!SceneTree.flat(p.world())) continue;
        boolean same = m > 0 && stands(p, moments.get(m - 1).get(i));
        now.set(i, same ? all.get(m - 1).get(i) : p.inWorld());
      }
      all.add(now);
    }
    return all;
  }

  private static boolean alike(List<Placed> a, List<Placed> b) {
    for (int i = 0; i < a.size(); i++) if (!stands(a.get(i), b.get(i))) return false;
    return true;
  }

  private static boolean stands(Placed a, Placed b) {
    return Arrays.equals(a.world(), b.world()) && a.surface().tree() == b.surface().tree();
  }

  /** A surface as a finish has it, or as it is where there is none. */
  private Surface finished(Surface s, Finish f, String colour, boolean inCorners) {
    if (f == null) return s;
    Texture picture = f.picture() == null ? null : picture(f.picture());
    return s.of(Material.of(f, Surroundings.linear(colour), inCorners, picture));
  }

  private Texture picture(String asset) {
    return pictures.computeIfAbsent(
        asset,
        a -> {
          BufferedImage image = images.apply(a);
          return image == null ? null : Texture.of(image, WIDEST);
        });
  }

  private Surface standIn(StandInKey of) {
    return standIns.computeIfAbsent(
        of,
        k -> {
          Mesh m = StandIns.mesh(k.shape(), k.colour());
          return Surface.of(m, trees.get(k, () -> MeshTree.of(m.positions(), m.indices())));
        });
  }

  private void addModel(
      List<Placed> all,
      String piece,
      ModelGeometry g,
      ModelPose pose,
      double[] place,
      Shape.Model model) {
    double[] root = place.clone();
    for (int c = 0; c < 3; c++) for (int r = 0; r < 3; r++) root[c * 4 + r] *= model.unitM();
    if (model.zUp()) { // the file's Z is our Y, its Y our −Z
      for (int r = 0; r < 3; r++) {
        double y = root[4 + r];
        root[4 + r] = -root[8 + r];
        root[8 + r] = y;
      }
    }
    for (int i = 0; i < g.parts().size(); i++) {
      ModelGeometry.Part p = g.parts().get(i);
      Object key = new PartKey(model.asset(), i);
      MeshTree rest = trees.get(key, () -> MeshTree.of(p.positions(), p.indices()));
      double[] world = root;
      if (p.skin() < 0) {
        world = new double[Matrix.SIZE];
        Matrix.multiply(root, 0, pose.world(), p.node() * Matrix.SIZE, world, 0);
      }
      Surface still =
          new Surface(
              p.positions(),
              p.normals(),
              p.places(),
              p.colours(),
              p.indices(),
              g.materials().get(p.material()),
              rest);
      if (Deformed.deforms(p, pose))
        all.add(
            new Placed(
                piece,
                deformed
                    .computeIfAbsent(piece + " " + i, k -> new Deformed(rest))
                    .at(g, p, pose, still),
                world,
                null));
      else all.add(new Placed(piece, still, world, key));
    }
  }
}
