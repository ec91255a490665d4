package kite.server.render;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** In which order a job's frames are made. Frames are numbered from 1 in the order of the film. */
final class Order {
  private Order() {}

  private record At(int number, int level) {}

  /**
   * @param early of every shot the first frame, then the last, the middle, the quarters and so on,
   *     so that it is soon seen whether they are right; else one after the other
   */
  static List<Integer> of(List<Shot> shots, boolean early) {
    List<At> all = new ArrayList<>();
    int first = 1;
    for (Shot s : shots) {
      int last = first + s.frames() - 1;
      all.add(new At(first, 0));
      if (last > first) all.add(new At(last, 1));
      between(first, last, 2, all);
      first = last + 1;
    }
    Comparator<At> order = Comparator.comparingInt(At::number);
    if (early) order = Comparator.comparingInt(At::level).thenComparing(order);
    return all.stream().sorted(order).map(At::number).toList();
  }

  /** Halves what lies between two frames until there is none. */
  private static void between(int first, int last, int level, List<At> all) {
    if (last - first < 2) return;
    int middle = (first + last) / 2;
    all.add(new At(middle, level));
    between(first, middle, level + 1, all);
    between(middle, last, level + 1, all);
  }
}
