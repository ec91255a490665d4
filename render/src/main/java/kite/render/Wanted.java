package kite.render;

import java.util.List;
import java.util.Set;

/**
 * What a render is to show, and what is to be kept of it beside the picture.
 *
 * @param lights ids of the lights that {@link Pass#LIGHTS} keeps apart
 * @param surroundings whether sky, background and plates are in the picture; where they are not it
 *     is covered by the set alone
 * @param bounce whether light that surfaces have from each other is followed
 */
public record Wanted(Set<Pass> passes, List<String> lights, boolean surroundings, boolean bounce) {
  /** The picture alone. */
  public static final Wanted PICTURE = new Wanted(Set.of(), List.of(), true, false);

  public Wanted {
    passes = Set.copyOf(passes);
    lights = List.copyOf(lights);
  }

  boolean byLamp() {
    return passes.contains(Pass.LIGHTS);
  }

  boolean mattes() {
    return passes.stream().anyMatch(p -> p.kind == Pass.Kind.MATTE);
  }

  boolean moves() {
    return passes.contains(Pass.MOTION);
  }
}
