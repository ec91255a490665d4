package kite.server.handover;

import java.io.IOException;
import java.io.OutputStream;
import java.time.LocalDate;
import java.util.Set;
import java.util.concurrent.Semaphore;
import kite.core.cut.Programme;
import kite.core.document.Camera;
import kite.core.document.OrNull;
import kite.core.document.Sequence;
import kite.core.evaluate.Plan;
import kite.exchange.cut.ShotListPdf;
import kite.exchange.cut.ShotTable;
import kite.server.asset.AssetStore;
import kite.server.picture.SmallPicture;
import org.springframework.stereotype.Service;

/** Lists of the shots of a cut. */
@Service
class ShotLists {
  private final AssetStore assets;
  private final SmallPicture pictures;

  /** One picture at a time, whoever asked for it: they are made beside everybody's work. */
  private final Semaphore turn = new Semaphore(1, true);

  ShotLists(AssetStore assets, SmallPicture pictures) {
    this.assets = assets;
    this.pictures = pictures;
  }

  /**
   * @param approved ids of shots that are
   */
  ShotTable table(Sequence s, Set<String> approved) {
    return ShotTable.of(s, new Plan(s, assets::rig), approved);
  }

  /** Writes the list to print with a picture of each shot's middle, as they are made. */
  void pdf(ShotTable table, LocalDate day, OutputStream out) throws IOException {
    Programme programme = Programme.of(table.sequence());
    String made = table.sequence().header().code() + ", " + day;
    ShotListPdf.write(table, made, line -> picture(table.sequence(), programme, line), out);
  }

  private @OrNull byte[] picture(Sequence s, Programme programme, ShotTable.Line line) {
    return picture(s, programme, programme.of(line.row().id()));
  }

  /** A small picture of a shot's middle, or its board, as PNG; null where nothing is to be seen. */
  @OrNull
  byte[] picture(Sequence s, Programme programme, Programme.Placed place) {
    if (place.board() != null) return pictures.ofBoard(s, place.board());
    if (!(s.get(place.camera()) instanceof Camera camera)) return null;
    double middle = programme.scene(Math.floor((place.first() + place.last()) / 2.0));
    turn.acquireUninterruptibly();
    try {
      return pictures.of(s, camera, place.inTake(), middle, () -> false);
    } catch (IllegalStateException e) {
      return null; // more than a small picture is worth; the line says the rest
    } finally {
      turn.release();
    }
  }
}
