package kite.core.document;

import java.util.AbstractMap;
import java.util.AbstractSet;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.NoSuchElementException;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Consumer;

/**
 * Entities by id, in order of id, never changed: a change gives another map that shares all but the
 * way to what changed, in steps of the logarithm of how many there are. Height-balanced tree
 * (Adelson-Velsky and Landis, 1962).
 */
final class EntityMap extends AbstractMap<String, Entity> {
  static final EntityMap EMPTY = new EntityMap(null);

  private final Node root;

  private EntityMap(Node root) {
    this.root = root;
  }

  static EntityMap of(Map<String, Entity> all) {
    if (all instanceof EntityMap m) return m;
    List<Map.Entry<String, Entity>> sorted = new ArrayList<>(new TreeMap<>(all).entrySet());
    return new EntityMap(built(sorted, 0, sorted.size()));
  }

  private static Node built(List<Map.Entry<String, Entity>> sorted, int from, int to) {
    if (from == to) return null;
    int middle = (from + to) >>> 1;
    Map.Entry<String, Entity> e = sorted.get(middle);
    return new Node(
        e.getKey(), e.getValue(), built(sorted, from, middle), built(sorted, middle + 1, to));
  }

  EntityMap with(Entity e) {
    return new EntityMap(put(root, e.id(), e));
  }

  EntityMap without(String id) {
    return containsKey(id) ? new EntityMap(removed(root, id)) : this;
  }

  @Override
  public Entity get(Object id) {
    Node n = find(id);
    return n == null ? null : n.entity;
  }

  @Override
  public boolean containsKey(Object id) {
    return find(id) != null;
  }

  private Node find(Object id) {
    if (!(id instanceof String key)) return null;
    Node n = root;
    while (n != null) {
      int c = key.compareTo(n.id);
      if (c == 0) return n;
      n = c < 0 ? n.left : n.right;
    }
    return null;
  }

  @Override
  public int size() {
    return sizeOf(root);
  }

  @Override
  public Set<Map.Entry<String, Entity>> entrySet() {
    return new AbstractSet<>() {
      @Override
      public Iterator<Map.Entry<String, Entity>> iterator() {
        return new InOrder(root);
      }

      @Override
      public int size() {
        return EntityMap.this.size();
      }
    };
  }

  /**
   * Tells what is another thing in two maps, in order of id; stretches that they share are passed
   * over, so that it costs what differs.
   */
  static void differences(EntityMap a, EntityMap b, Sequence.Difference told) {
    Ahead was = new Ahead(a.root), is = new Ahead(b.root);
    while (was.any() && is.any()) {
      if (was.next() == is.next() && was.isWhole() == is.isWhole()) {
        was.pass();
        is.pass();
      } else if (was.isWhole() && (!is.isWhole() || was.next().size >= is.next().size)) {
        was.open();
      } else if (is.isWhole()) {
        is.open();
      } else {
        int order = was.next().id.compareTo(is.next().id);
        Entity old = order <= 0 ? was.pass().entity : null;
        Entity now = order >= 0 ? is.pass().entity : null;
        if (old != now) told.is(old, now);
      }
    }
    for (; was.any(); was.pass()) was.each(e -> told.is(e, null));
    for (; is.any(); is.pass()) is.each(e -> told.is(null, e));
  }

  /** What of a map is still to come, in order: trees that are whole, and nodes alone. */
  private static final class Ahead {
    private final Deque<Node> nodes = new ArrayDeque<>();
    private final Deque<Boolean> wholes = new ArrayDeque<>();

    Ahead(Node root) {
      add(root, true);
    }

    private void add(Node n, boolean whole) {
      if (n == null) return;
      nodes.push(n);
      wholes.push(whole);
    }

    boolean any() {
      return !nodes.isEmpty();
    }

    Node next() {
      return nodes.peek();
    }

    /** Whether what comes next is a node with all below it. */
    boolean isWhole() {
      return wholes.peek();
    }

    Node pass() {
      wholes.pop();
      return nodes.pop();
    }

    /** Makes a whole tree the node alone between its two sides. */
    void open() {
      Node n = pass();
      add(n.right, true);
      add(n, false);
      add(n.left, true);
    }

    /** Every entity of what comes next, in order. */
    void each(Consumer<Entity> to) {
      if (isWhole()) new InOrder(next()).forEachRemaining(e -> to.accept(e.getValue()));
      else to.accept(next().entity);
    }
  }

  private static int sizeOf(Node n) {
    return n == null ? 0 : n.size;
  }

  private static int heightOf(Node n) {
    return n == null ? 0 : n.height;
  }

  private static Node put(Node n, String id, Entity e) {
    if (n == null) return new Node(id, e, null, null);
    int c = id.compareTo(n.id);
    if (c == 0) return n.entity == e ? n : new Node(id, e, n.left, n.right);
    return c < 0
        ? balanced(n, put(n.left, id, e), n.right)
        : balanced(n, n.left, put(n.right, id, e));
  }

  private static Node removed(Node n, String id) {
    int c = id.compareTo(n.id);
    if (c < 0) return balanced(n, removed(n.left, id), n.right);
    if (c > 0) return balanced(n, n.left, removed(n.right, id));
    if (n.left == null) return n.right;
    if (n.right == null) return n.left;
    Node next = n.right;
    while (next.left != null) next = next.left;
    return balanced(next, n.left, removed(n.right, next.id));
  }

  /** A node with other children, turned where one side has grown two higher than the other. */
  private static Node balanced(Node n, Node left, Node right) {
    int lean = heightOf(left) - heightOf(right);
    if (lean > 1) {
      if (heightOf(left.left) < heightOf(left.right)) left = turnedLeft(left);
      return new Node(left.id, left.entity, left.left, new Node(n.id, n.entity, left.right, right));
    }
    if (lean < -1) {
      if (heightOf(right.right) < heightOf(right.left)) right = turnedRight(right);
      return new Node(
          right.id, right.entity, new Node(n.id, n.entity, left, right.left), right.right);
    }
    return new Node(n.id, n.entity, left, right);
  }

  private static Node turnedLeft(Node n) {
    Node r = n.right;
    return new Node(r.id, r.entity, new Node(n.id, n.entity, n.left, r.left), r.right);
  }

  private static Node turnedRight(Node n) {
    Node l = n.left;
    return new Node(l.id, l.entity, l.left, new Node(n.id, n.entity, l.right, n.right));
  }

  private static final class Node implements Map.Entry<String, Entity> {
    final String id;
    final Entity entity;
    final Node left;
    final Node right;
    final int height;
    final int size;

    Node(String id, Entity entity, Node left, Node right) {
      this.id = id;
      this.entity = entity;
      this.left = left;
      this.right = right;
      height = 1 + Math.max(heightOf(left), heightOf(right));
      size = 1 + sizeOf(left) + sizeOf(right);
    }

    @Override
    public String getKey() {
      return id;
    }

    @Override
    public Entity getValue() {
      return entity;
    }

    @Override
    public Entity setValue(Entity e) {
      throw new UnsupportedOperationException("a sequence never changes: make another");
    }

    @Override
    public boolean equals(Object o) {
      return o instanceof Map.Entry<?, ?> e && id.equals(e.getKey()) && entity.equals(e.getValue());
    }

    @Override
    public int hashCode() {
      return id.hashCode() ^ entity.hashCode();
    }
  }

  private static final class InOrder implements Iterator<Map.Entry<String, Entity>> {
    private final Deque<Node> ahead = new ArrayDeque<>();

    InOrder(Node root) {
      descend(root);
    }

    private void descend(Node n) {
      for (; n != null; n = n.left) ahead.push(n);
    }

    @Override
    public boolean hasNext() {
      return !ahead.isEmpty();
    }

    @Override
    public Map.Entry<String, Entity> next() {
      if (ahead.isEmpty()) throw new NoSuchElementException();
      Node n = ahead.pop();
      descend(n.right);
      return n;
    }
  }
}
