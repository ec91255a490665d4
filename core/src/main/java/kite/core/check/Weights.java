package kite.core.check;

import kite.core.check.Finding.Severity;
import kite.core.report.CutNotes;
import kite.core.report.Warnings;

/** How much weighs what an editor or a crew points out, and what would mend it. */
final class Weights {
  private Weights() {}

  static Severity of(CutNotes.About about) {
    return switch (about) {
      case GAP, HELD, LENS_NOT_CHOSEN -> Severity.WRONG;
      case SHORT, SAME_CAMERA, FAST_MOVE, LINE, EYELINE, JUMP, DIRECTION, LEAP, FOCUS, EXPOSURE ->
          Severity.LOOK;
      case CAMERA_UNUSED, SOUND_OUT -> Severity.KNOW;
    };
  }

  static String advice(CutNotes.About about) {
    return switch (about) {
      case GAP -> "Give it a camera or a board, or lift it out.";
      case SHORT -> "Make it longer, or join it with a neighbour.";
      case FAST_MOVE -> "Cut before the turn or after it.";
      case HELD -> "Trim the shot to the action, or slip it.";
      case SAME_CAMERA -> "Join the two, or cut away between them.";
      case JUMP -> "Take another angle, or another size.";
      case LINE -> "Stay on one side of the line, or cross it while it is seen.";
      case EYELINE, DIRECTION -> "Put the camera on the other side.";
      case LEAP -> "Keep who is looked at about where they were.";
      case FOCUS -> "Focus on them from the first frame.";
      case EXPOSURE -> "Give both cameras the same stop and shutter.";
      case CAMERA_UNUSED -> "Use it in a shot, or take it away.";
      case LENS_NOT_CHOSEN -> "Choose a lens.";
      case SOUND_OUT -> "Trim the sound, or make the programme longer.";
    };
  }

  static Severity of(Warnings.Kind kind) {
    return switch (kind) {
      case INSIDE, TOO_NEAR -> Severity.WRONG;
      case FAST_PAN, ROLL, VERTICAL, CORNER, NOTHING_BELOW -> Severity.LOOK;
    };
  }

  static String advice(Warnings.Kind kind) {
    return switch (kind) {
      case FAST_PAN -> "Turn slower, go with somebody, or open the shutter.";
      case ROLL -> "Level the camera, or give the lean a part of its own.";
      case VERTICAL -> "Move the camera a little to the side, or let the head turn freely.";
      case CORNER -> "Go slower, or make the corner wider.";
      case INSIDE -> "Move the camera out.";
      case NOTHING_BELOW -> "Let the shares fill the whole, or put a head below.";
      case TOO_NEAR -> "Focus farther away, or take a lens that focuses closer.";
    };
  }
}
