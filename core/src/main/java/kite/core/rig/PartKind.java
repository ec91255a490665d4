package kite.core.rig;

/**
 * A kind of rig part. Each has a folder of its own under this one, with the part as it stands in a
 * document, its step and what else is known of it; what there is to be known, each layer above says
 * for itself.
 */
public interface PartKind<P extends RigPart> {
  /** The word it is known by in stored documents and edits: it never changes. */
  String word();

  /** What stands in a document. */
  Class<P> type();
}
