package kite.server.handover;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import kite.core.check.BeforeItLeaves;
import kite.core.check.Finding;
import kite.core.check.Flag;
import kite.core.cut.Programme;
import kite.core.document.AcceptedNote;
import kite.core.document.AssetsUsed;
import kite.core.document.Entity;
import kite.core.document.Sequence;
import kite.core.evaluate.Plan;
import kite.core.form.Words;
import kite.core.model.Models;
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
   * The findings of the core, and what only the server knows: files that are not there, and shots
   * that nobody approved.
   *
   * @param shots ids of those that are handed over; all where it is empty
   * @param approved ids of shots that are
   */
  List<Check> of(Sequence s, List<String> shots, Set<String> approved) {
    Set<String> missing = new TreeSet<>(AssetsUsed.of(s));
    missing.removeAll(assets.there(missing));
    Models models = asset -> missing.contains(asset) ? Models.NONE.rig(asset) : assets.rig(asset);
    List<Check> all = new ArrayList<>();
    for (Entity e : s.entities().values())
      for (String asset : AssetsUsed.of(List.of(e)))
        if (missing.contains(asset)) {
          all.add(missing(s, e));
          break;
        }
    for (Finding f : BeforeItLeaves.of(s, new Plan(s, models), new HashSet<>(shots)))
      all.add(check(f));
    for (Programme.Placed p : Programme.of(s).placed())
      if ((shots.isEmpty() || shots.contains(p.id())) && !approved.contains(p.id()))
        all.add(check(BeforeItLeaves.of(s, Flag.NOT_APPROVED, p, "Nobody has approved it yet.")));
    return all;
  }

  private static Check missing(Sequence s, Entity e) {
    String about = Words.of(Flag.FILE_MISSING), word = null;
    for (AcceptedNote n : s.all(AcceptedNote.class))
      if (n.of().equals(e.id()) && n.about().equals(about)) word = n.name();
    return new Check(
        about,
        e.id(),
        e.name(),
        null,
        null,
        null,
        Words.of(Flag.FILE_MISSING.severity),
        "A file that “" + e.name() + "” is made of is not there.",
        Flag.FILE_MISSING.advice,
        null,
        word);
  }

  private static Check check(Finding f) {
    return new Check(
        f.about(),
        f.of(),
        f.name(),
        f.shot(),
        f.programme(),
        f.scene(),
        Words.of(f.severity()),
        f.text(),
        f.advice(),
        f.mend(),
        f.accepted());
  }
}
