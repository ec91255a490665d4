package kite.server.handover;

import java.util.ArrayList;
import java.util.List;
import kite.core.cut.Programme;
import kite.core.document.Camera;
import kite.core.document.Sequence;
import kite.core.evaluate.Plan;
import kite.core.form.Words;
import kite.core.report.CutNotes;
import kite.core.report.Warnings;
import kite.exchange.pack.PackageManifest.Check;
import kite.server.asset.AssetStore;
import org.springframework.stereotype.Component;

/** What is pointed out about shots before they are handed over. */
@Component
class Checks {
  private final AssetStore assets;

  Checks(AssetStore assets) {
    this.assets = assets;
  }

  /**
   * @param shots ids of those that are handed over; all where it is empty
   */
  List<Check> of(Sequence s, List<String> shots) {
    Programme programme = Programme.of(s);
    Plan plan = new Plan(s, assets::rig);
    List<CutNotes.Note> notes = new ArrayList<>();
    List<Check> all = new ArrayList<>();
    for (int i = 0; i < programme.placed().size(); i++) {
      Programme.Placed p = programme.placed().get(i);
      if (!shots.isEmpty() && !shots.contains(p.id())) continue;
      notes.addAll(CutNotes.of(s, plan, programme, i));
      if (s.get(p.camera()) instanceof Camera c) all.addAll(moves(s, plan, c, p));
    }
    notes.addAll(CutNotes.ofCameras(s, programme));
    notes.addAll(CutNotes.ofSounds(s, programme));
    for (CutNotes.Note n : notes) all.add(check(s, n));
    return all;
  }

  private static List<Check> moves(Sequence s, Plan plan, Camera c, Programme.Placed p) {
    int first = (int) Math.floor(p.sceneFirst()), last = (int) Math.ceil(p.sceneLast());
    List<Check> all = new ArrayList<>();
    for (Warnings.Warning w : Warnings.of(s, plan.inTake(p.inTake()), c, first, last))
      all.add(
          new Check(
              Words.of(w.kind()),
              c.id(),
              p.shot() + ", camera " + c.letter(),
              null,
              (int) Math.round(w.first()),
              w.text(),
              null));
    return all;
  }

  private static Check check(Sequence s, CutNotes.Note n) {
    String of = s.get(n.of()) == null ? n.of() : s.get(n.of()).name();
    return new Check(Words.of(n.about()), n.of(), of, n.frame(), null, n.text(), n.accepted());
  }
}
