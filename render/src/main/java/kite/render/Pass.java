package kite.render;

/**
 * What can be rendered beside the picture. The light passes together are the picture, but for
 * rounding.
 */
public enum Pass {
  AMBIENT("ambient", "Ambient", "Light of the sky, thrown back dully.", Kind.LIGHT),
  DIFFUSE("diffuse", "Diffuse", "Light of the lamps, thrown back dully.", Kind.LIGHT),
  SPECULAR("specular", "Specular", "Highlights of the lamps.", Kind.LIGHT),
  REFLECTION("reflection", "Reflection", "What is mirrored in surfaces.", Kind.LIGHT),
  BOUNCE("bounce", "Bounced light", "Light that surfaces have from each other.", Kind.LIGHT),
  EMISSION("emission", "Emission", "Light that surfaces give off by themselves.", Kind.LIGHT),
  SURROUNDINGS("surroundings", "Surroundings", "Sky, background, haze and plates.", Kind.LIGHT),
  SHADOW("shadow", "Shadow", "What the lamps would add if nothing cast a shadow.", Kind.COLOUR),
  LIGHTS(
      "light",
      "Each light by itself",
      "Diffuse, specular and shadow of each chosen light apart.",
      Kind.EACH_LIGHT),
  DEPTH(
      "depth",
      "Depth",
      "Metres along the axis to the nearest in the pixel; not smoothed.",
      Kind.NUMBER),
  DEPTH_SMOOTH(
      "depthSmooth",
      "Depth, smooth",
      "The mean of the metres along the axis in the pixel.",
      Kind.NUMBER),
  POSITION(
      "position",
      "Position",
      "Where the nearest in the pixel is in the world, metres.",
      Kind.VECTOR),
  NORMAL("normal", "Normals", "Which way surfaces face in the world.", Kind.VECTOR),
  MOTION(
      "motion",
      "Motion",
      "Pixels to where the nearest will be on the next frame, right and up.",
      Kind.PAIR),
  PIECES(
      "pieces",
      "ID mattes of pieces",
      "Every piece can be picked as a matte, with soft edges.",
      Kind.MATTE),
  GROUPS("groups", "ID mattes of groups", "The same of what is nested together.", Kind.MATTE),
  LAYERS("layers", "ID mattes of layers", "The same of layers.", Kind.MATTE);

  /** What a pixel of a pass holds. */
  public enum Kind {
    /** Linear light that is part of the picture. */
    LIGHT,
    /** Linear light that is not. */
    COLOUR,
    /** The same, for each light. */
    EACH_LIGHT,
    NUMBER,
    PAIR,
    VECTOR,
    /** Names, each with what it covers. */
    MATTE
  }

  /** As it is called in files and requests. */
  public final String key;

  /** What it is called, and what it holds in a sentence. */
  public final String name, says;

  public final Kind kind;

  Pass(String key, String name, String says, Kind kind) {
    this.key = key;
    this.name = name;
    this.says = says;
    this.kind = kind;
  }

  /** The pass of a key, or null. */
  public static Pass of(String key) {
    for (Pass p : values()) if (p.key.equals(key)) return p;
    return null;
  }
}
