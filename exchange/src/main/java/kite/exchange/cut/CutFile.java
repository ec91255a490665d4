package kite.exchange.cut;

import java.util.List;
import java.util.Locale;
import kite.core.cutting.BroughtShot;
import kite.core.number.Rate;
import kite.exchange.BadFile;
import kite.exchange.Budget;
import kite.exchange.Names;

/**
 * A cut read from a file.
 *
 * @param problems what could not be taken as it stands, and what was made of it
 */
public record CutFile(String title, List<BroughtShot> shots, List<Trouble> problems) {
  public static final int LARGEST_FILE = 32 << 20;
  static final int MOST_SHOTS = 20_000, MOST_PROBLEMS = 500;

  public CutFile {
    shots = List.copyOf(shots);
    problems = List.copyOf(problems);
  }

  /**
   * @param line of the file, from 1; 0 where it has no lines
   */
  public record Trouble(int line, String text) {}

  /**
   * Reads a cut of whichever form its name says.
   *
   * @param rate of the sequence that it comes into
   * @throws BadFile with one sentence saying what is wrong and what to do
   */
  public static CutFile read(String name, byte[] bytes, Rate rate, Budget budget) throws BadFile {
    if (bytes.length > LARGEST_FILE)
      throw new BadFile("The file has more than 32 MB; cuts are far smaller.");
    String ending = name.substring(name.lastIndexOf('.') + 1).toLowerCase(Locale.ROOT);
    CutFile file =
        switch (ending) {
          case "otio", "json" -> OtioReader.read(bytes, rate, budget);
          case "edl", "txt" -> EdlReader.read(bytes, rate, budget);
          default ->
              throw new BadFile(
                  "Cuts are read from .otio and .edl; this is a ."
                      + Names.shown(ending)
                      + " file.");
        };
    if (file.shots.isEmpty() && file.problems.isEmpty())
      throw new BadFile("There is no shot in " + Names.shown(name) + ".");
    return file;
  }
}
