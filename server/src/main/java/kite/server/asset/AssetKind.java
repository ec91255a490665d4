package kite.server.asset;

/** What an asset is. */
public enum AssetKind {
  MODEL,
  IMAGE,
  SOUND
}
