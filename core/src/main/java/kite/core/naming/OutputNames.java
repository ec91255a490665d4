package kite.core.naming;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import kite.core.document.FileNames;

/** Names of rendered files, by a production's patterns. They never lead out of their folder. */
public final class OutputNames {
  /** The number of a shot's first frame, as films are numbered for effects. */
  public static final int FIRST_OF_SHOT = 1001;

  /** The pass that is the picture itself, and what stands for a light where none is apart. */
  public static final String PICTURE = "beauty", ALL_LIGHTS = "all";

  private static final int VERSION_DIGITS = 3;

  private OutputNames() {}

  /**
   * What a name is made of; a word that is empty is left out with nothing in its place.
   *
   * @param pass what of a picture is in the file, and {@code light} of which light it is: {@link
   *     #PICTURE} and {@link #ALL_LIGHTS} where all of it is in one
   * @param version from 1
   * @param date as 2026-11-28
   */
  public record Facts(
      String production,
      String sequence,
      String shot,
      String take,
      String camera,
      String pass,
      String light,
      int version,
      String date,
      String user) {
    public Facts with(String nowPass, String nowLight) {
      return new Facts(
          production, sequence, shot, take, camera, nowPass, nowLight, version, date, user);
    }
  }

  /**
   * The name of a frame's file, without its ending.
   *
   * @param number of the frame
   * @throws IllegalArgumentException when the pattern has a fault
   */
  public static String of(String pattern, Facts f, int number) {
    String fault = FileNames.fault(pattern);
    if (!fault.isEmpty()) throw new IllegalArgumentException(fault);
    Map<String, String> words = new LinkedHashMap<>();
    words.put("production", f.production());
    words.put("sequence", f.sequence());
    words.put("shot", f.shot());
    words.put("take", f.take());
    words.put("camera", f.camera());
    words.put("pass", f.pass());
    words.put("light", f.light());
    words.put("version", "v" + padded(f.version(), VERSION_DIGITS));
    words.put("date", f.date());
    words.put("user", f.user());
    int from = pattern.indexOf('#'), to = pattern.lastIndexOf('#') + 1;
    String name = pattern.substring(0, from) + padded(number, to - from) + pattern.substring(to);
    for (Map.Entry<String, String> w : words.entrySet())
      name = name.replace("{" + w.getKey() + "}", clean(w.getValue()));
    List<String> parts = new ArrayList<>();
    for (String part : name.split("/"))
      parts.add(part.isEmpty() || part.startsWith(".") ? "-" + part : part);
    return String.join("/", parts);
  }

  private static String padded(int number, int digits) {
    String text = Integer.toString(Math.abs(number));
    while (text.length() < digits) text = "0" + text;
    return number < 0 ? "-" + text : text;
  }

  /** What every file system takes, and nobody for a way out of the folder. */
  private static String clean(String value) {
    return value.replaceAll("[^A-Za-z0-9_-]+", "-");
  }

  /**
   * The number of a frame.
   *
   * @param scene frame of the scene
   * @param programme frame of the programme
   * @param first the programme's frame that its shot begins on
   */
  public static int number(FileNames.Counts counts, double scene, int programme, int first) {
    return switch (counts) {
      case SCENE -> (int) Math.floor(scene);
      case SHOT -> FIRST_OF_SHOT + programme - first;
      case PROGRAMME -> programme;
    };
  }
}
