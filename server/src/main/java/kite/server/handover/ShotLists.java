package kite.server.handover;

import java.io.IOException;
import java.io.OutputStream;
import java.time.Clock;
import java.time.LocalDate;
import java.util.UUID;
import java.util.concurrent.Semaphore;
import kite.core.cut.Programme;
import kite.core.document.OrNull;
import kite.core.document.Sequence;
import kite.core.evaluate.Plan;
import kite.exchange.cut.ShotListPdf;
import kite.exchange.cut.ShotTable;
import kite.server.asset.AssetStore;
import kite.server.picture.SmallPicture;
import kite.server.sequence.SequenceStore;
import org.springframework.stereotype.Service;

/** Lists of the shots of a stored cut. */
@Service
class ShotLists {
  private final SequenceStore sequences;
  private final AssetStore assets;
  private final SmallPicture pictures;
  private final Clock clock;

  /** One picture at a time, whoever asked for it: they are made beside everybody's work. */
  private final Semaphore turn = new Semaphore(1, true);

  ShotLists(SequenceStore sequences, AssetStore assets, SmallPicture pictures, Clock clock) {
    this.sequences = sequences;
    this.assets = assets;
    this.pictures = pictures;
    this.clock = clock;
  }

  ShotTable table(UUID id, Sequence s) {
    return ShotTable.of(s, new Plan(s, assets::rig), sequences.approved(id));
  }

  /** Writes the list to print with a picture of each shot's middle, as they are made. */
  void pdf(ShotTable table, OutputStream out) throws IOException {
    Programme programme = Programme.of(table.sequence());
    String made = table.sequence().header().code() + ", " + LocalDate.now(clock);
    ShotListPdf.write(table, made, line -> picture(table.sequence(), programme, line), out);
  }

  private @OrNull byte[] picture(Sequence s, Programme programme, ShotTable.Line line) {
    Programme.Placed place = programme.of(line.row().id());
    if (place.board() != null) return pictures.ofBoard(s, place.board());
    if (line.camera() == null) return null;
    turn.acquireUninterruptibly();
    try {
      return pictures.of(s, line.camera(), place.inTake(), line.row().middle(), () -> false);
    } catch (IllegalStateException e) {
      return null; // more than a small picture is worth; the line says the rest
    } finally {
      turn.release();
    }
  }
}
