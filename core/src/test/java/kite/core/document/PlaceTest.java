package kite.core.document;

import static org.junit.jupiter.api.Assertions.assertEquals;

import org.junit.jupiter.api.Test;

class PlaceTest {
  @Test
  void eachGroupOfChannelsBeginsWhereItIsLookedFor() {
    assertEquals(Place.X, Place.FULL.get(Place.AT));
    assertEquals(Place.PAN, Place.FULL.get(Place.TURN));
    assertEquals(Place.SCALE_X, Place.FULL.get(Place.SCALE));
    assertEquals(Place.PIVOT_X, Place.FULL.get(Place.PIVOT));
  }
}
