package kite.core.evaluate;

import java.util.Set;
import kite.core.document.Entity;
import kite.core.rules.References;

/** One entity ready for evaluation. It writes its world transform into its slot of the plan. */
public abstract class Node {
  final Entity entity;
  final String id;
  final int slot;

  /** Ids of what the entity refers to. */
  final String[] uses;

  /** What this node was compiled from, compared by identity to tell whether it still holds. */
  final Object[] madeFrom;

  Node(Entity entity, int slot, Object... madeFrom) {
    this.entity = entity;
    id = entity.id();
    this.slot = slot;
    uses = usesOf(entity);
    this.madeFrom = madeFrom;
  }

  /** Where its transform and lens are in the plan. */
  public int slot() {
    return slot;
  }

  static String[] usesOf(Entity e) {
    return References.ids(e).toArray(new String[0]);
  }

  boolean usesAny(Set<String> ids) {
    for (String used : uses) if (ids.contains(used)) return true;
    return false;
  }

  abstract void evaluate(double frame, Plan plan);

  /** Whether it is surely in the same place on every frame, but for what it leans on. */
  boolean isStill() {
    return false;
  }

  /** The same for another frame than the plan's, which may be looked at many times. */
  void evaluateElsewhere(double frame, Plan plan) {
    evaluate(frame, plan);
  }
}
