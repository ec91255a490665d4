package kite.core.evaluate;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import kite.core.document.Camera;
import kite.core.document.Entity;
import kite.core.document.Header;
import kite.core.document.Light;
import kite.core.document.Mark;
import kite.core.document.Path;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.document.Shape;
import kite.core.model.ModelRig;
import kite.core.model.Models;
import kite.core.path.PathTable;
import kite.core.rig.RigPart;
import kite.core.rig.Subject;
import kite.core.rules.References;

/**
 * A sequence's entities compiled to nodes, in an order in which each comes after all it leans on.
 * Made from an earlier one it keeps every node, and every rig part's step, of which nothing
 * changed.
 */
final class Compilation {
  private final Sequence sequence;
  private final Models models;

  /** Entities have slots that stay theirs from one compilation to the next. */
  private final Map<String, Integer> slots;

  private final Map<Path, PathTable> paths = new IdentityHashMap<>();
  private final Map<String, Node> nodes;
  private final List<Node> order;

  /** Compiles everything anew, or looks through everything where there is an earlier one. */
  Compilation(Sequence sequence, Models models, Compilation earlier) {
    this.sequence = sequence;
    this.models = models;
    slots = earlier == null ? new HashMap<>() : earlier.slots;
    keepPaths(earlier);
    int count = sequence.entities().size();
    nodes = new HashMap<>(2 * count);
    order = new ArrayList<>(count);
    Set<String> done = new HashSet<>(2 * count);
    for (Entity e : sequence.entities().values()) visit(e, done, earlier);
  }

  /**
   * Compiles what an edit touched, where the links between things are as they were.
   *
   * @param touched ids of what is no longer what it was
   */
  Compilation(Sequence sequence, Models models, Compilation earlier, Set<String> touched) {
    this.sequence = sequence;
    this.models = models;
    slots = earlier.slots;
    keepPaths(earlier);
    nodes = new HashMap<>(earlier.nodes);
    order = new ArrayList<>(earlier.order);
    Set<String> other = new HashSet<>(touched);
    for (int i = 0; i < order.size(); i++) {
      Node old = order.get(i);
      if (!other.contains(old.id) && !old.usesAny(other)) continue;
      Node now = compile(sequence.get(old.id), old);
      if (now == old) continue;
      order.set(i, now);
      nodes.put(old.id, now);
      other.add(old.id);
    }
  }

  private void keepPaths(Compilation earlier) {
    if (earlier == null) return;
    for (Map.Entry<Path, PathTable> e : earlier.paths.entrySet())
      if (sequence.get(e.getKey().id()) == e.getKey()) paths.put(e.getKey(), e.getValue());
  }

  Node[] order() {
    return order.toArray(new Node[0]);
  }

  int slots() {
    return slots.size();
  }

  /** The slot of an entity that has a place, or −1. */
  int slot(String id) {
    return nodes.containsKey(id) ? slots.get(id) : -1;
  }

  /** The node of an entity, or null. */
  Node node(String id) {
    return nodes.get(id);
  }

  private void visit(Entity e, Set<String> done, Compilation earlier) {
    if (!hasPlace(e) || !done.add(e.id())) return;
    Node old = earlier == null ? null : earlier.nodes.get(e.id());
    String[] uses = old != null && old.entity == e ? old.uses : Node.usesOf(e);
    for (String id : uses) {
      Entity target = sequence.get(id);
      if (target != null) visit(target, done, earlier);
    }
    Node n = compile(e, old);
    nodes.put(e.id(), n);
    order.add(n);
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
      Shape shape = Plan.shapeOf(sequence, p);
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

  private Node light(Light l, Node old) {
    List<Object> from = new ArrayList<>(List.of(l, sequence.header()));
    if (l.attention() != null)
      for (Subject s : l.attention().subjects()) from.add(made(s.entity()));
    if (holds(old, from.toArray())) return old;
    int slot = newSlot(l.id());
    Step aim =
        l.attention() != null && l.attention().on()
            ? newStep(l.attention(), new Standing(slot, List.of()))
            : null;
    return new PlaceNode(l, slot, slotOr(l.parent()), aim, from.toArray());
  }

  private static boolean holds(Node old, Object... from) {
    return old != null && holds(old.madeFrom, from);
  }

  private static boolean holds(Object[] madeFrom, Object[] from) {
    if (madeFrom.length != from.length) return false;
    for (int i = 0; i < from.length; i++) if (madeFrom[i] != from[i]) return false;
    return true;
  }

  private int slotOr(String id) {
    Integer s = id == null ? null : slots.get(id);
    return s == null ? -1 : s;
  }

  private Node camera(Camera c, Node old) {
    Header h = sequence.header();
    List<Object> from = new ArrayList<>(List.of(c, h));
    for (String id : References.ids(c)) from.add(made(id));
    if (holds(old, from.toArray())) return old;
    int slot = newSlot(c.id());
    List<PartStep> steps = new ArrayList<>();
    for (int i = 0; i < c.rig().size(); i++) {
      PartStep step = c.rig().get(i).on() ? step(c, i, slot, old) : null;
      if (step != null) steps.add(step);
    }
    FocusStep focus =
        c.focus() == null ? null : new FocusStep(c.focus(), points(c.focus().subjects()));
    return new CameraNode(c, slot, h, steps, focus, from.toArray());
  }

  /** What a step made of an entity takes: its node, or the entity itself where it has none. */
  private Object made(String id) {
    Node n = nodes.get(id);
    return n != null ? n : sequence.get(id);
  }

  /** A part's step, the former one where nothing of it changed; null where it does nothing. */
  private PartStep step(Camera c, int index, int slot, Node old) {
    RigPart part = c.rig().get(index);
    List<Object> from = new ArrayList<>(List.of(part, sequence.header()));
    for (String id : References.ids(part)) from.add(made(id));
    PartStep kept = old instanceof CameraNode n ? n.stepOf(part) : null;
    PartSteps<RigPart> steps = PartSteps.of(part);
    if (kept != null && !steps.looksAtItsCamera() && holds(kept.madeFrom(), from.toArray()))
      return kept;
    List<RigPart> below = c.rig().subList(0, index);
    Step step = newStep(part, new Standing(slot, below));
    return step == null ? null : new PartStep(step, from.toArray());
  }

  private static Step newStep(RigPart part, Compiling from) {
    return PartSteps.of(part).newStep(part, from);
  }

  private PathTable table(Entity path) {
    return path instanceof Path p
        ? paths.computeIfAbsent(p, k -> new PathTable(k.points(), k.style(), k.closed()))
        : null;
  }

  SubjectPoints points(List<Subject> subjects) {
    PlaceNode[] pieces = new PlaceNode[subjects.size()];
    int[] at = new int[pieces.length];
    for (int i = 0; i < at.length; i++) {
      String id = subjects.get(i).entity();
      pieces[i] = nodes.get(id) instanceof PlaceNode n ? n : null;
      at[i] = slotOr(id);
    }
    return new SubjectPoints(subjects, pieces, at);
  }

  /** What a step is made from. */
  private final class Standing implements Compiling {
    private final int slot;
    private final List<RigPart> below;

    Standing(int slot, List<RigPart> below) {
      this.slot = slot;
      this.below = below;
    }

    @Override
    public Header header() {
      return sequence.header();
    }

    @Override
    public int slot() {
      return slot;
    }

    @Override
    public int slotOf(String id) {
      return slotOr(id);
    }

    @Override
    public PathTable path(String id) {
      return table(sequence.get(id));
    }

    @Override
    public SubjectPoints points(List<Subject> subjects) {
      return Compilation.this.points(subjects);
    }

    @Override
    public List<RigPart> below() {
      return below;
    }
  }
}
