package kite.core.evaluate;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import kite.core.document.Camera;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.document.Shape;
import kite.core.math.Matrix;
import kite.core.model.ModelPose;
import kite.core.model.Models;
import kite.core.rig.RigPart;
import kite.core.rig.Subject;
import kite.core.rules.Change;

/**
 * A sequence compiled for evaluation. Entities have slots that stay theirs from one plan to the
 * next; a plan made from an earlier one keeps what is unchanged. Belongs to one thread.
 */
public final class Plan {
  private final Sequence sequence;
  private final Models models;
  private final Compilation compiled;
  private final Node[] order;
  private final int[] cameras;
  private final Map<Node, Node[]> leaning = new HashMap<>();
  final double[] world;
  final double[] lens;
  private double frame = Double.NaN;
  private String take;

  public Plan(Sequence sequence, Models models) {
    this(sequence, models, (Plan) null);
  }

  /**
   * @param earlier a plan of a former state of the same sequence, or null
   */
  public Plan(Sequence sequence, Models models, Plan earlier) {
    this(
        sequence,
        models,
        new Compilation(sequence, models, earlier == null ? null : earlier.compiled));
  }

  private Plan(Sequence sequence, Models models, Compilation compiled) {
    this.sequence = sequence;
    this.models = models;
    this.compiled = compiled;
    order = compiled.order();
    cameras =
        Arrays.stream(order).filter(n -> n instanceof CameraNode).mapToInt(n -> n.slot).toArray();
    world = new double[compiled.slots() * Matrix.SIZE];
    lens = new double[compiled.slots() * LensRow.SIZE];
    for (int i = 0; i < compiled.slots(); i++) Matrix.identity(world, i * Matrix.SIZE);
  }

  /**
   * The plan of what an edit made of this one's sequence: only what the edit touched is compiled.
   */
  public Plan after(Sequence edited, Change change) {
    if (change.headerAfter() != null || change.relinks()) return new Plan(edited, models, this);
    Plan now =
        new Plan(edited, models, new Compilation(edited, models, compiled, change.touched()));
    for (Map.Entry<Node, Node[]> e : leaning.entrySet())
      if (now.has(e.getKey()) && Arrays.stream(e.getValue()).allMatch(now::has))
        now.leaning.put(e.getKey(), e.getValue());
    return now;
  }

  /** One more of the same, with numbers of its own: to look at other frames. */
  public Plan apart() {
    return new Plan(sequence, models, compiled);
  }

  private boolean has(Node n) {
    return compiled.node(n.id) == n;
  }

  /** What a piece looks like: an instance looks like the piece it repeats. */
  public static Shape shapeOf(Sequence s, Piece p) {
    return p.shape() instanceof Shape.Instance i && s.get(i.of()) instanceof Piece q
        ? q.shape()
        : p.shape();
  }

  public Sequence sequence() {
    return sequence;
  }

  public Models models() {
    return models;
  }

  /**
   * Says which take of a shot ({@code document.Take#inShot}) is looked at from the next evaluation
   * on: what is laid over that one alone shows. Null for none.
   */
  public Plan inTake(String looked) {
    take = looked;
    return this;
  }

  /** The take that is looked at, or null. */
  public String take() {
    return take;
  }

  /** The frame last evaluated; NaN before the first. */
  public double frame() {
    return frame;
  }

  /** Evaluates everything at a frame. Never allocates. */
  public void evaluate(double atFrame) {
    frame = atFrame;
    for (Node n : order) n.evaluate(atFrame, this);
  }

  /** All that a node leans on, in order of evaluation. */
  public Node[] leansOn(Node node) {
    Node[] known = leaning.get(node);
    if (known != null) return known;
    Set<String> ids = new HashSet<>();
    gather(node, ids);
    List<Node> all = new ArrayList<>();
    if (!ids.isEmpty()) for (Node o : order) if (o != node && ids.contains(o.id)) all.add(o);
    Node[] found = all.toArray(new Node[0]);
    leaning.put(node, found);
    return found;
  }

  private void gather(Node n, Set<String> ids) {
    for (String id : n.uses) {
      Node o = compiled.node(id);
      if (o != null && ids.add(id)) gather(o, ids);
    }
  }

  /** Evaluates one thing and all it leans on; the rest stays as it was. */
  public void evaluateOnly(String id, double atFrame) {
    Node n = compiled.node(id);
    if (n == null) return;
    frame = atFrame;
    rerun(leansOn(n), atFrame);
    n.evaluate(atFrame, this);
  }

  /** Whether something is surely in the same place on every frame. */
  public boolean isStill(String id) {
    Node n = compiled.node(id);
    if (n == null || !n.isStill()) return false;
    for (Node o : leansOn(n)) if (!o.isStill()) return false;
    return true;
  }

  /** The transform a camera's rig part stands on at a frame; 16 numbers. */
  public double[] newBelow(String camera, RigPart part, double atFrame) {
    return newStack(camera, part, atFrame, 0);
  }

  /** The transform a camera's rig part gives to what stands on it at a frame; 16 numbers. */
  public double[] newAbove(String camera, RigPart part, double atFrame) {
    return newStack(camera, part, atFrame, 1);
  }

  private double[] newStack(String camera, RigPart part, double atFrame, int more) {
    CameraNode n = (CameraNode) compiled.node(camera);
    RigPart own = ((Camera) n.entity).part(part.id());
    rerun(leansOn(n), atFrame);
    n.lens(atFrame, this);
    double[] out = Matrix.newIdentity();
    n.below(n.stepsBelow(own) + (n.stepOf(own) == null ? 0 : more), atFrame, this, out);
    return out;
  }

  /** Evaluates some nodes at another frame than the plan's. */
  public void rerun(Node[] some, double atFrame) {
    for (Node n : some) n.evaluateElsewhere(atFrame, this);
  }

  /** The slot of an entity, or −1 when it has no place in space. */
  public int slot(String id) {
    return compiled.slot(id);
  }

  /** Slots of the cameras, the only ones whose lens values mean something. */
  public int[] cameraSlots() {
    return cameras;
  }

  /** How many slots there are. */
  public int slots() {
    return compiled.slots();
  }

  /** World transforms, 16 numbers per slot, column by column, as of the last evaluation. */
  public double[] world() {
    return world;
  }

  /** Lens values, a {@link LensRow} per slot; meaningful for cameras. */
  public double[] lens() {
    return lens;
  }

  /** A model's pose at the last evaluated frame, or null for what is not a model. */
  public ModelPose pose(String id) {
    return compiled.node(id) instanceof PlaceNode n ? n.pose(frame) : null;
  }

  /** Writes an anchor of an entity in the world at the last evaluated frame. */
  public void anchor(String id, String anchor, double[] out) {
    out[0] = out[1] = out[2] = 0;
    if (compiled.node(id) instanceof PlaceNode n) n.anchor(anchor, frame, out);
    Matrix.point(world, slot(id) * Matrix.SIZE, out[0], out[1], out[2], out, 0);
  }

  /** Writes where a subject is in the world at the last evaluated frame. */
  public void subject(Subject s, double[] out) {
    compiled.points(List.of(s)).world(0, frame, this, out);
  }

  /** Gets corner points of boxes that hold a thing. */
  public interface Corners {
    void at(double x, double y, double z);
  }

  /**
   * Gives the corners, in the world at the last evaluated frame, of boxes that together hold all a
   * piece draws: one for a stand-in, one per mesh for a model. Nothing for what draws nothing.
   */
  public void corners(String id, Corners sink) {
    if (compiled.node(id) instanceof PlaceNode n)
      n.corners(frame, world, slot(id) * Matrix.SIZE, sink);
  }
}
