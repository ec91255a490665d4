package kite.core.document;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertSame;

import java.util.ArrayList;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import kite.core.curve.Channel;
import org.junit.jupiter.api.Test;

class ChannelMapTest {
  /** A tree is the oracle: the same in the same order, whatever was laid over it. */
  @Test
  void isATreeInArrays() {
    Random random = new Random(3);
    for (int round = 0; round < 300; round++) {
      Map<String, Channel> tree = new TreeMap<>();
      for (int i = random.nextInt(6); i > 0; i--) tree.put("c" + random.nextInt(20), some(random));
      ChannelMap map = ChannelMap.of(tree);
      for (int i = 0; i < 8; i++) {
        String name = "c" + random.nextInt(20);
        Channel channel = some(random);
        Map<String, Channel> before = new TreeMap<>(map);
        ChannelMap was = map;
        map = map.with(name, channel);
        tree.put(name, channel);
        assertEquals(before, was, "what there was stays");
        assertEquals(new ArrayList<>(tree.entrySet()), new ArrayList<>(map.entrySet()));
        assertEquals(tree.hashCode(), map.hashCode());
        assertSame(channel, map.get(name));
        for (int k = 0; k < 20; k++) {
          assertSame(tree.get("c" + k), map.get("c" + k));
          assertEquals(tree.containsKey("c" + k), map.containsKey("c" + k));
        }
      }
      assertNull(map.get("d"));
      assertSame(map, ChannelMap.of(map));
    }
  }

  private static Channel some(Random random) {
    return Channel.fixed(random.nextInt(5));
  }
}
