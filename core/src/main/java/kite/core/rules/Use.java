package kite.core.rules;

import kite.core.document.Camera;
import kite.core.document.Entity;
import kite.core.document.Layer;
import kite.core.document.Mark;
import kite.core.document.Path;
import kite.core.document.Piece;
import kite.core.document.Shape;
import kite.core.document.Sound;
import kite.core.document.SoundTrack;

/** What one thing uses another for. */
public enum Use {
  NESTED("is nested in"),
  CARRIED("is carried by"),
  RIDES("rides"),
  REPEATS("repeats"),
  ON_LAYER("lies on"),
  CUTS_TO("cuts to"),
  TAKEN_FROM("is taken from"),
  FIXED_TO("is fixed to"),
  RUNS_ON("runs on"),
  FACES_ALONG("faces along"),
  FRAMING("takes a framing from"),
  HOLDS_SIZE("holds the size of"),
  ATTENDS("attends to"),
  UP("takes its up from"),
  FOCUSES("focuses on"),
  ON_TRACK("lies on"),
  SAID_OF("is said of"),
  DRAWN_THROUGH("is drawn through");

  /** How it reads between the names of the two, on the screen alone. */
  public final String words;

  Use(String words) {
    this.words = words;
  }

  /** Whether a thing is nothing without what it uses for this, and goes with it. */
  boolean goesWith() {
    return this == ON_TRACK || this == SAID_OF || this == DRAWN_THROUGH;
  }

  /** Whether a thing can be used by another for this. */
  boolean fits(Entity by, Entity target) {
    return switch (this) {
      case NESTED, CARRIED, UP, DRAWN_THROUGH -> target instanceof Piece;
      case REPEATS -> target instanceof Piece p && !(p.shape() instanceof Shape.Instance);
      case ON_LAYER -> target instanceof Layer;
      case ON_TRACK -> target instanceof SoundTrack;
      case SAID_OF -> target instanceof Camera || target instanceof Sound;
      case CUTS_TO, TAKEN_FROM, FIXED_TO, FRAMING -> target instanceof Camera;
      case RUNS_ON, FACES_ALONG -> target instanceof Path;
      case RIDES, HOLDS_SIZE, ATTENDS, FOCUSES ->
          target instanceof Piece
              || target instanceof Camera
              || target instanceof Mark && !(by instanceof Mark);
    };
  }
}
