package kite.exchange.cut;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import kite.core.document.Marker;
import kite.core.document.Sequence;
import tools.jackson.databind.node.ObjectNode;

/** Markers of the programme. The format knows some colours by name: each gets the nearest. */
final class OtioMarkers {
  private static final Map<String, Integer> COLOURS =
      Map.ofEntries(
          Map.entry("RED", 0xff0000),
          Map.entry("PINK", 0xffc0cb),
          Map.entry("ORANGE", 0xffa500),
          Map.entry("YELLOW", 0xffff00),
          Map.entry("GREEN", 0x00ff00),
          Map.entry("CYAN", 0x00ffff),
          Map.entry("BLUE", 0x0000ff),
          Map.entry("PURPLE", 0x800080),
          Map.entry("MAGENTA", 0xff00ff),
          Map.entry("BLACK", 0x000000),
          Map.entry("WHITE", 0xffffff));

  private static final int HEX = 16, BYTE = 8, BYTES = 3, LOW = 0xff;

  private OtioMarkers() {}

  static List<ObjectNode> of(Sequence s, OtioTimes times) {
    List<Marker> markers = new ArrayList<>(s.all(Marker.class));
    markers.sort(Comparator.comparingInt(Marker::frame));
    List<ObjectNode> all = new ArrayList<>();
    for (Marker m : markers) {
      ObjectNode marker =
          OtioTimes.schema("Marker.2").put("name", m.name()).put("color", nearest(m.colour()));
      marker.set("marked_range", times.range(m.frame() - s.header().firstFrame(), 0));
      marker.putObject("metadata").putObject("jolly_kite").put("colour", m.colour());
      all.add(marker);
    }
    return all;
  }

  private static String nearest(String colour) {
    int wanted = Integer.parseInt(colour.substring(1), HEX);
    return COLOURS.entrySet().stream()
        .min(
            Comparator.comparingInt((Map.Entry<String, Integer> c) -> far(c.getValue(), wanted))
                .thenComparing(Map.Entry::getKey))
        .orElseThrow()
        .getKey();
  }

  private static int far(int a, int b) {
    int sum = 0;
    for (int i = 0; i < BYTES; i++) {
      int d = (a >> i * BYTE & LOW) - (b >> i * BYTE & LOW);
      sum += d * d;
    }
    return sum;
  }
}
