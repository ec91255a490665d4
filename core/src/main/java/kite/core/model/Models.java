package kite.core.model;

/** Where evaluation finds the rigs of models; null for one that is not there (yet). */
public interface Models {
  Models NONE = asset -> null;

  ModelRig rig(String asset);
}
