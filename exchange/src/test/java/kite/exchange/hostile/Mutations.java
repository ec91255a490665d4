package kite.exchange.hostile;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Small damages to files: to their bytes, their words and lines, and what is in their JSON. */
final class Mutations {
  private static final JsonMapper JSON = JsonMapper.builder().build();

  /** Words that readers stumble over. */
  private static final String[] WORDS = {
    "",
    "-1",
    "0",
    "1e999",
    "-1e999",
    "99999999999",
    "9".repeat(400),
    "NaN",
    "inf",
    "1//",
    "/1/2",
    "1/2/3/4",
    "//",
    "-9999",
    "xformOp:",
    "xformOp:rotateX",
    "!invert!xformOp:",
    "{}",
    "{",
    "}",
    "(",
    ")",
    "[]",
    "\"",
    "'",
    "=",
    ":",
    ",",
    ";",
    "\t",
    "\u0000",
    "\\",
    "#",
    "def",
    "\uD800",
    "0x1p3",
    "1.",
    ".",
    "-",
    "usemtl",
    "mtllib",
    "f",
    "v",
    "vt",
    "vn",
    "newmtl",
    "map_Kd",
    "-s",
    "Kd"
  };

  private final Random random;

  Mutations(Random random) {
    this.random = random;
  }

  /** Bytes changed, cut off, left out or doubled. */
  byte[] bytes(byte[] good) {
    byte[] bad = good.clone();
    for (int n = 1 + random.nextInt(6); n > 0 && bad.length > 1; n--) {
      int at = random.nextInt(bad.length), other = random.nextInt(bad.length);
      int from = Math.min(at, other), to = Math.max(at, other);
      switch (random.nextInt(6)) {
        case 0 -> bad = Arrays.copyOf(bad, at);
        case 1 -> {
          byte[] shorter = Arrays.copyOf(bad, bad.length - (to - from));
          System.arraycopy(bad, to, shorter, from, bad.length - to);
          bad = shorter;
        }
        case 2 -> System.arraycopy(bad, from, bad, random.nextInt(from + 1), to - from);
        default -> bad[random.nextBoolean() ? at : at % Math.min(bad.length, 1200)] = any();
      }
    }
    return bad;
  }

  private byte any() {
    return (byte) random.nextInt(256);
  }

  /** Words replaced, lines left out, doubled or exchanged. */
  byte[] words(byte[] good) {
    List<String> lines =
        new ArrayList<>(List.of(new String(good, StandardCharsets.UTF_8).split("\n", -1)));
    for (int n = 1 + random.nextInt(4); n > 0; n--) {
      int at = random.nextInt(lines.size());
      String line = lines.get(at);
      switch (random.nextInt(8)) {
        case 0 -> lines.remove(at);
        case 1 -> lines.add(at, line);
        case 2 -> lines.set(at, lines.set(random.nextInt(lines.size()), line));
        default -> lines.set(at, word(line));
      }
      if (lines.isEmpty()) lines.add("");
    }
    return String.join("\n", lines).getBytes(StandardCharsets.UTF_8);
  }

  private String word(String line) {
    String[] words = line.split("(?<=[ ,()=:])|(?=[ ,()=:])");
    if (words.length > 0) words[random.nextInt(words.length)] = WORDS[random.nextInt(WORDS.length)];
    return String.join("", words);
  }

  /** Values of a JSON text replaced by others, left out or taken from elsewhere in it. */
  byte[] json(byte[] good) {
    JsonNode root = JSON.readTree(good);
    for (int n = 1 + random.nextInt(3); n > 0; n--) {
      List<JsonNode> inside = new ArrayList<>();
      containers(root, inside);
      JsonNode where = inside.get(random.nextInt(inside.size()));
      if (where.isEmpty()) continue;
      JsonNode with = value(inside);
      if (where instanceof ObjectNode o) {
        List<String> names = new ArrayList<>(o.propertyNames());
        String name = names.get(random.nextInt(names.size()));
        if (random.nextInt(5) == 0) o.remove(name);
        else o.set(name, with);
      } else if (where instanceof ArrayNode a) {
        int at = random.nextInt(a.size());
        if (random.nextInt(5) == 0) a.remove(at);
        else if (random.nextInt(5) == 0) a.add(with);
        else a.set(at, with);
      }
    }
    return JSON.writeValueAsBytes(root);
  }

  private static void containers(JsonNode n, List<JsonNode> into) {
    if (!n.isContainer()) return;
    into.add(n);
    n.forEach(c -> containers(c, into));
  }

  private JsonNode value(List<JsonNode> inside) {
    return JSON.readTree(
        switch (random.nextInt(16)) {
          case 0 -> "null";
          case 1 -> "true";
          case 2 -> "[]";
          case 3 -> "{}";
          case 4 -> "-1";
          case 5 -> "1e300";
          case 6 -> "123456789012345678901234567890";
          case 7 -> "1.5";
          case 8 -> "\"text\"";
          case 9 -> "\"\\u0000\\ud800\"";
          case 10 -> "[[[[]]]]";
          case 11 -> "2147483648";
          case 12 -> "0";
          case 13 -> "" + random.nextInt(40);
          case 14 -> "[1,\"x\",null,{}]";
          default -> inside.get(random.nextInt(inside.size())).toString();
        });
  }
}
