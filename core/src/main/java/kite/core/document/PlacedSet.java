package kite.core.document;

import java.util.Collections;
import java.util.Map;
import java.util.TreeMap;

/**
 * A set of the production that stands in a sequence.
 *
 * @param id names the placing; one set may be placed more than once
 * @param set the production's id of the set
 * @param name of the set when it was placed or taken last
 * @param version the version of it that stands here
 * @param ids for each thing of the set by its id there, its id here
 */
public record PlacedSet(String id, String set, String name, int version, Map<String, String> ids) {
  public PlacedSet {
    ids = Collections.unmodifiableMap(new TreeMap<>(ids));
  }
}
