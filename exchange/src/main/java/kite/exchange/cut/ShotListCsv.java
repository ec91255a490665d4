package kite.exchange.cut;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import kite.exchange.cut.ShotTable.Column;
import kite.exchange.cut.ShotTable.Line;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;

/** The shot list as a table of text: a line a shot, RFC 4180. */
public final class ShotListCsv {
  /** What spreadsheets would take for a formula begins with one of these. */
  private static final String FORMULAS = "=+-@\t\r";

  /** Columns of people's own words; numbers may begin with a minus. */
  private static final Set<Column> WORDS =
      Set.of(Column.SHOT, Column.TAKE, Column.CAMERA, Column.IN_FRAME, Column.NOTES);

  private ShotListCsv() {}

  /** The text of the file, headed by the names of its columns. */
  public static String write(ShotTable table) {
    StringBuilder out = new StringBuilder();
    try (CSVPrinter csv = new CSVPrinter(out, CSVFormat.RFC4180)) {
      csv.printRecord(List.of(Column.values()).stream().map(c -> c.head).toList());
      for (Line line : table.lines()) {
        List<String> all = new ArrayList<>();
        for (Column c : Column.values())
          all.add(WORDS.contains(c) ? harmless(table.said(line, c)) : table.said(line, c));
        csv.printRecord(all);
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return out.toString();
  }

  private static String harmless(String said) {
    return !said.isEmpty() && FORMULAS.indexOf(said.charAt(0)) >= 0 ? "'" + said : said;
  }
}
