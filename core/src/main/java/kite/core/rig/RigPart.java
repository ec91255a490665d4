package kite.core.rig;

import java.util.List;
import kite.core.document.ChannelSpec;
import kite.core.document.Channels;
import kite.core.number.Unit;

/** One element of a camera's stack, as it stands in a document; see {@link PartKind}. */
public interface RigPart {
  /** The word it is known by in stored documents and edits: it never changes. */
  String kind();

  ChannelSpec STRENGTH = ChannelSpec.of("strength", "Strength", Unit.SHARE, 1, 0, 1);

  String id();

  /** A part that is off yields the transform below it. */
  boolean on();

  Channels channels();

  /** The part's channels in reading order. */
  List<ChannelSpec> specs();

  RigPart withChannels(Channels c);

  RigPart withOn(boolean nowOn);
}
