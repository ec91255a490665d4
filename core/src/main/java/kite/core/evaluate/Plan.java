package kite.core.evaluate;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import kite.core.command.References;
import kite.core.cue.Cued;
import kite.core.document.Camera;
import kite.core.document.Entity;
import kite.core.document.Header;
import kite.core.document.Light;
import kite.core.document.Mark;
import kite.core.document.Path;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.document.Shape;
import kite.core.math.Matrix;
import kite.core.model.ModelPose;
import kite.core.model.ModelRig;
import kite.core.model.Models;
import kite.core.path.PathTable;
import kite.core.rig.Arm;
import kite.core.rig.Attention;
import kite.core.rig.Base;
import kite.core.rig.DollyZoom;
import kite.core.rig.Framings;
import kite.core.rig.Head;
import kite.core.rig.Operator;
import kite.core.rig.Rail;
import kite.core.rig.RigPart;
import kite.core.rig.Slide;
import kite.core.rig.Spring;
import kite.core.rig.Subject;
import kite.core.rig.Trim;

/**
 * A sequence compiled for evaluation. Entities have slots that stay theirs from one plan to the
 * next; a plan made from an earlier one keeps every node whose entity, and what it leans on, is
 * unchanged. Belongs to one thread.
 */
public final class Plan {
  /** Numbers per slot in {@link #lens()}: the eight lens channels, then the window's four edges. */
  public static final int LENS = 12;

  private final Sequence sequence;
  private final Models models;
  private final Map<String, Integer> slots;
  private final Map<String, Node> nodes = new HashMap<>();
  private final Map<Path, PathTable> paths;
  private final Node[] order;
  private final int[] cameras;
  private final Map<Node, Node[]> leaning = new HashMap<>();
  final double[] world;
  final double[] lens;
  private double frame = Double.NaN;

  public Plan(Sequence sequence, Models models) {
    this(sequence, models, null);
  }

  /**
   * @param earlier a plan of a former state of the same sequence, or null
   */
  public Plan(Sequence sequence, Models models, Plan earlier) {
    this.sequence = sequence;
    this.models = models;
    slots = earlier == null ? new HashMap<>() : earlier.slots;
    paths = earlier == null ? new HashMap<>() : earlier.paths;
    List<Node> sorted = new ArrayList<>();
    Set<String> done = new HashSet<>();
    for (Entity e : sequence.entities().values()) visit(e, sorted, done, earlier);
    order = sorted.toArray(new Node[0]);
    cameras = sorted.stream().filter(n -> n instanceof CameraNode).mapToInt(n -> n.slot).toArray();
    world = new double[slots.size() * Matrix.SIZE];
    lens = new double[slots.size() * LENS];
    for (int i = 0; i < slots.size(); i++) Matrix.identity(world, i * Matrix.SIZE);
  }

  private void visit(Entity e, List<Node> sorted, Set<String> done, Plan earlier) {
    if (!hasPlace(e) || !done.add(e.id())) return;
    Node old = earlier == null ? null : earlier.nodes.get(e.id());
    for (String id : old != null && old.entity == e ? old.uses : References.of(e).keySet()) {
      Entity target = sequence.get(id);
      if (target != null) visit(target, sorted, done, earlier);
    }
    Node n = compile(e, old);
    nodes.put(e.id(), n);
    sorted.add(n);
  }

  private static boolean hasPlace(Entity e) {
    return e instanceof Piece || e instanceof Mark || e instanceof Light || e instanceof Camera;
  }

  private int newSlot(String id) {
    Integer s = slots.get(id);
    if (s == null) slots.put(id, s = slots.size());
    return s;
  }

  private Node compile(Entity e, Node old) {
    if (e instanceof Piece p) {
      Shape shape = shapeOf(sequence, p);
      ModelRig rig = shape instanceof Shape.Model m ? models.rig(m.asset()) : null;
      Object[] from = {e, shape, rig, sequence.header().rate()};
      if (holds(old, from)) return old;
      double fps = sequence.header().rate().perSecond();
      return new PlaceNode(p, shape, newSlot(p.id()), slotOr(p.parent()), rig, fps, from);
    }
    if (e instanceof Mark m) {
      PlaceNode ridden = nodes.get(m.rides()) instanceof PlaceNode n ? n : null;
      Object[] from = {e, ridden};
      return holds(old, from)
          ? old
          : new PlaceNode(m, newSlot(m.id()), slotOr(m.rides()), ridden, from);
    }
    if (e instanceof Light l) return light(l, old);
    return camera((Camera) e, old);
  }

  /** What a piece looks like: an instance looks like the piece it repeats. */
  public static Shape shapeOf(Sequence s, Piece p) {
    return p.shape() instanceof Shape.Instance i && s.get(i.of()) instanceof Piece q
        ? q.shape()
        : p.shape();
  }

  private Node light(Light l, Node old) {
    List<Object> from = new ArrayList<>(List.of(l));
    if (l.attention() != null)
      for (Subject s : l.attention().subjects()) from.add(nodes.get(s.entity()));
    if (holds(old, from.toArray())) return old;
    int slot = newSlot(l.id());
    List<Step> steps = new ArrayList<>();
    if (l.attention() != null && l.attention().on()) addStep(l.attention(), slot, steps);
    Step aim = steps.isEmpty() ? null : steps.get(0);
    return new PlaceNode(l, slot, slotOr(l.parent()), aim, from.toArray());
  }

  private static boolean holds(Node old, Object... from) {
    if (old == null || old.madeFrom.length != from.length) return false;
    for (int i = 0; i < from.length; i++) if (old.madeFrom[i] != from[i]) return false;
    return true;
  }

  private int slotOr(String id) {
    Integer s = id == null ? null : slots.get(id);
    return s == null ? -1 : s;
  }

  private Node camera(Camera c, Node old) {
    Header h = sequence.header();
    List<Object> from = new ArrayList<>(List.of(c, h));
    for (RigPart p : c.rig()) {
      if (p instanceof Rail r && r.path() != null) from.add(sequence.get(r.path()));
      if (p instanceof Rail r && r.guide() != null) from.add(sequence.get(r.guide()));
      if (p instanceof Cued a) for (Subject s : a.subjects()) from.add(nodes.get(s.entity()));
    }
    if (c.focus() != null) for (Subject s : c.focus().subjects()) from.add(nodes.get(s.entity()));
    if (holds(old, from.toArray())) return old;
    int slot = newSlot(c.id());
    List<Step> steps = new ArrayList<>();
    for (RigPart p : c.rig()) if (p.on()) addStep(p, slot, steps);
    FocusStep focus =
        c.focus() == null ? null : new FocusStep(c.focus(), points(c.focus().subjects()));
    return new CameraNode(c, slot, h, steps, focus, from.toArray());
  }

  private void addStep(RigPart part, int slot, List<Step> steps) {
    if (part instanceof Base b) steps.add(new BaseStep(b, slotOr(b.rides())));
    if (part instanceof Slide s) steps.add(new SlideStep(s));
    if (part instanceof Head h) steps.add(new HeadStep(h));
    Header h = sequence.header();
    if (part instanceof Rail r && sequence.get(r.path()) instanceof Path p)
      steps.add(new RailStep(r, table(p), table(sequence.get(r.guide())), h.rate().perSecond()));
    if (part instanceof Arm a) steps.add(new ArmStep(a));
    if (part instanceof DollyZoom z && z.subject() != null)
      steps.add(new DollyZoomStep(z, points(List.of(z.subject())), slot));
    if (part instanceof Trim t) steps.add(new TrimStep(t));
    if (part instanceof Operator o)
      steps.add(new OperatorStep(o, h.firstFrame(), h.rate().perSecond()));
    if (part instanceof Spring s)
      steps.add(new SpringStep(s, h.firstFrame(), h.rate().perSecond()));
    if (part instanceof Framings f)
      steps.add(new FramingsStep(f, f.cameras().stream().mapToInt(this::slotOr).toArray()));
    if (part instanceof Attention a)
      steps.add(new AttentionStep(a, points(a.subjects()), slotOr(a.upPiece())));
  }

  private PathTable table(Entity path) {
    return path instanceof Path p
        ? paths.computeIfAbsent(p, k -> new PathTable(k.points(), k.style(), k.closed()))
        : null;
  }

  private SubjectPoints points(List<Subject> subjects) {
    PlaceNode[] pieces = new PlaceNode[subjects.size()];
    int[] at = new int[pieces.length];
    for (int i = 0; i < at.length; i++) {
      String id = subjects.get(i).entity();
      pieces[i] = nodes.get(id) instanceof PlaceNode n ? n : null;
      at[i] = slotOr(id);
    }
    return new SubjectPoints(subjects, pieces, at);
  }

  public Sequence sequence() {
    return sequence;
  }

  public Models models() {
    return models;
  }

  /** Evaluates everything at a frame. Never allocates. */
  public void evaluate(double atFrame) {
    frame = atFrame;
    for (Node n : order) n.evaluate(atFrame, this);
  }

  /** All that a node leans on, in order of evaluation. */
  Node[] leansOn(Node node) {
    Node[] known = leaning.get(node);
    if (known != null) return known;
    Set<String> ids = new HashSet<>();
    gather(node, ids);
    List<Node> all = new ArrayList<>();
    for (Node o : order) if (o != node && ids.contains(o.entity.id())) all.add(o);
    Node[] found = all.toArray(new Node[0]);
    leaning.put(node, found);
    return found;
  }

  private void gather(Node n, Set<String> ids) {
    for (String id : n.uses) {
      Node o = nodes.get(id);
      if (o != null && ids.add(id)) gather(o, ids);
    }
  }

  /** Evaluates one thing and all it leans on; the rest stays as it was. */
  public void evaluateOnly(String id, double atFrame) {
    Node n = nodes.get(id);
    if (n == null) return;
    frame = atFrame;
    rerun(leansOn(n), atFrame);
    n.evaluate(atFrame, this);
  }

  /** Evaluates some nodes at another frame than the plan's. */
  void rerun(Node[] some, double atFrame) {
    for (Node n : some) n.evaluate(atFrame, this);
  }

  /** The slot of an entity, or −1 when it has no place in space. */
  public int slot(String id) {
    return nodes.containsKey(id) ? slots.get(id) : -1;
  }

  /** Slots of the cameras, the only ones whose lens values mean something. */
  public int[] cameraSlots() {
    return cameras;
  }

  /** How many slots there are. */
  public int slots() {
    return slots.size();
  }

  /** World transforms, 16 numbers per slot, column by column, as of the last evaluation. */
  public double[] world() {
    return world;
  }

  /** Lens values, {@link #LENS} numbers per slot; meaningful for cameras. */
  public double[] lens() {
    return lens;
  }

  /** A model's pose at the last evaluated frame, or null for what is not a model. */
  public ModelPose pose(String id) {
    return nodes.get(id) instanceof PlaceNode n ? n.pose(frame) : null;
  }

  /** Writes an anchor of an entity in the world at the last evaluated frame. */
  public void anchor(String id, String anchor, double[] out) {
    out[0] = out[1] = out[2] = 0;
    if (nodes.get(id) instanceof PlaceNode n) n.anchor(anchor, frame, out);
    Matrix.point(world, slot(id) * Matrix.SIZE, out[0], out[1], out[2], out, 0);
  }

  /** Writes where a subject is in the world at the last evaluated frame. */
  public void subject(Subject s, double[] out) {
    points(List.of(s)).world(0, frame, this, out);
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
    if (nodes.get(id) instanceof PlaceNode n) n.corners(frame, world, slot(id) * Matrix.SIZE, sink);
  }
}
