package kite.core.cutting;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import kite.core.command.Command;
import kite.core.command.Edit;
import kite.core.command.EntityCommand;
import kite.core.command.ShotCommand;
import kite.core.cut.Programme;
import kite.core.document.Camera;
import kite.core.document.OrNull;
import kite.core.document.Sequence;
import kite.core.document.Shot;
import kite.core.document.Speed;
import kite.core.document.Take;
import kite.core.naming.ShotCodes;
import kite.core.number.NumberText;
import kite.core.rules.Refusal;
import kite.core.rules.Rules;

/**
 * A cut that comes back from somebody who moved things, laid beside that of today: which of its
 * shots is which of ours, what changes, and the commands that make ours like it. Shots are known by
 * their codes, else by their camera and action, else by whoever says so; the others are new.
 */
public final class CutBrought {
  /** What stands for a new shot where somebody says which of ours one is. */
  public static final String NEW = "new";

  /** Frames of the scene nearer than this are one: timecodes have whole ones. */
  private static final double SAME_FRAME = 0.5;

  private final Sequence s;
  private final Programme programme;
  private final List<BroughtShot> brought;
  private final Map<Integer, String> byHand;
  private final String[] found;
  private final KnownBy[] how;

  /** How a shot was found to be one of ours. */
  public enum KnownBy {
    CODE,
    ACTION,
    HAND,
    NEW
  }

  /**
   * A shot of the cut that comes, beside ours.
   *
   * @param id of ours that it is; null for a new one
   * @param changes what becomes of ours, in words; none where it stays as it is
   */
  public record BroughtRow(
      int index, String code, @OrNull String id, KnownBy known, int frames, List<String> changes) {
    public BroughtRow {
      changes = List.copyOf(changes);
    }
  }

  /** A shot of ours that the cut that comes has not. */
  public record NotInCut(String id, String code) {}

  /** Which one somebody said that a shot is: the id of ours, or {@link #NEW}. */
  public record SaidWhich(int index, String id) {}

  /**
   * @param commands that make our cut like the one that comes; none where it is the same
   */
  public record CutAnswer(List<BroughtRow> rows, List<NotInCut> missing, List<Command> commands) {
    public CutAnswer {
      rows = List.copyOf(rows);
      missing = List.copyOf(missing);
      commands = List.copyOf(commands);
    }
  }

  private CutBrought(Sequence s, List<BroughtShot> brought, List<SaidWhich> said) {
    this.s = s;
    this.programme = Programme.of(s);
    this.brought = brought;
    byHand = new HashMap<>();
    for (SaidWhich x : said) byHand.put(x.index(), x.id());
    found = new String[brought.size()];
    how = new KnownBy[brought.size()];
  }

  /**
   * @param ids of shots that are new, one for each of those that come; not all of them are used
   * @param keep whether shots that are not in it stay, behind all others
   */
  public static CutAnswer of(
      Sequence s, List<BroughtShot> brought, List<SaidWhich> said, List<String> ids, boolean keep) {
    CutBrought c = new CutBrought(s, brought, said);
    c.match();
    return c.result(ids, keep);
  }

  private void match() {
    Set<String> taken = new HashSet<>();
    for (int i = 0; i < found.length; i++) {
      String id = byHand.get(i);
      if (id == null) continue;
      boolean is = !id.equals(NEW) && programme.of(id) != null && taken.add(id);
      take(i, is ? id : null, KnownBy.HAND);
    }
    for (int i = 0; i < found.length; i++)
      if (how[i] == null) {
        String id = byCode(brought.get(i), taken);
        if (id != null && taken.add(id)) take(i, id, KnownBy.CODE);
      }
    for (int i = 0; i < found.length; i++)
      if (how[i] == null) {
        String id = byAction(brought.get(i), taken);
        if (id != null && taken.add(id)) take(i, id, KnownBy.ACTION);
        else take(i, null, KnownBy.NEW);
      }
  }

  private void take(int i, String id, KnownBy known) {
    found[i] = id;
    how[i] = known;
  }

  private static String compared(String code) {
    return code.strip().toLowerCase(Locale.ROOT);
  }

  private String byCode(BroughtShot b, Set<String> taken) {
    for (Programme.Placed p : programme.placed())
      if (!taken.contains(p.id()) && compared(p.shot()).equals(compared(b.code()))) return p.id();
    return null;
  }

  /** The one with the same camera that has most of its action; a gap is the next gap. */
  private String byAction(BroughtShot b, Set<String> taken) {
    String best = null;
    double most = 0;
    for (Programme.Placed p : programme.placed()) {
      if (taken.contains(p.id())) continue;
      if (b.isGap() && p.camera() == null) return p.id();
      if (b.isGap() || b.first() == null || !(s.get(p.camera()) instanceof Camera c)) continue;
      if (!c.letter().equalsIgnoreCase(b.camera())) continue;
      double last = b.first() + (b.frames() - 1.0) * b.scene() / b.programme();
      double shared = Math.min(last, p.sceneLast()) - Math.max(b.first(), p.sceneFirst()) + 1;
      if (shared > most) {
        most = shared;
        best = p.id();
      }
    }
    return best;
  }

  private CutAnswer result(List<String> ids, boolean keep) {
    List<Command> all = new ArrayList<>();
    List<BroughtRow> rows = new ArrayList<>();
    List<String> order = new ArrayList<>();
    Sequence now = s;
    for (int i = 0; i < brought.size(); i++) {
      BroughtShot b = brought.get(i);
      List<String> changes = new ArrayList<>();
      Command c = null;
      if (found[i] == null) {
        Shot made = made(now, b, ids.get(i), changes);
        c = new ShotCommand.InsertShot(made, null);
        order.add(made.id());
      } else {
        order.add(found[i]);
        Shot shot = programme.shots().get(indexOf(found[i]));
        Take is = changed(shot.take(), b, changes);
        if (!changes.isEmpty()) c = new ShotCommand.PutTake(shot.id(), is, true);
      }
      if (c != null) all.add(c);
      // codes of those that come next lean on what is new, and on nothing else
      if (found[i] == null) now = Edit.apply(now, List.of(c));
      rows.add(new BroughtRow(i, called(b, i), found[i], how[i], b.frames(), changes));
    }
    List<NotInCut> missing = missing(order);
    order(order, keep ? missing : List.of(), rows, all);
    if (!keep && !missing.isEmpty())
      all.add(new EntityCommand.Remove(missing.stream().map(NotInCut::id).toList(), true));
    return new CutAnswer(rows, missing, all);
  }

  private String called(BroughtShot b, int i) {
    if (found[i] != null) return programme.of(found[i]).shot();
    return b.code().isEmpty() ? b.isGap() ? "Gap" : "New shot" : b.code();
  }

  private int indexOf(String id) {
    for (int i = 0; i < programme.placed().size(); i++)
      if (programme.placed().get(i).id().equals(id)) return i;
    throw new Refusal("missing", id, "", "There is no such shot any more.");
  }

  private List<NotInCut> missing(List<String> order) {
    List<NotInCut> all = new ArrayList<>();
    for (Programme.Placed p : programme.placed())
      if (!order.contains(p.id())) all.add(new NotInCut(p.id(), p.shot()));
    return all;
  }

  /** Puts all into their order, and says of which that is another one than it was. */
  private void order(
      List<String> order, List<NotInCut> behind, List<BroughtRow> rows, List<Command> all) {
    List<String> is = new ArrayList<>(order);
    for (NotInCut m : behind) is.add(m.id());
    List<String> was = new ArrayList<>(), now = new ArrayList<>();
    for (Programme.Placed p : programme.placed()) was.add(p.id());
    now.addAll(was);
    now.retainAll(is);
    List<String> stayed = List.copyOf(now), known = new ArrayList<>(is);
    known.retainAll(was);
    for (String id : is) if (!was.contains(id)) now.add(id); // new ones were put behind all
    if (!now.equals(is)) all.add(new ShotCommand.MoveShots(is, null));
    for (int i = 0; i < rows.size(); i++) {
      BroughtRow r = rows.get(i);
      if (r.id() == null || stayed.indexOf(r.id()) == known.indexOf(r.id())) continue;
      List<String> changes = new ArrayList<>(r.changes());
      changes.add(0, "place " + (was.indexOf(r.id()) + 1) + " → " + (i + 1));
      rows.set(i, new BroughtRow(r.index(), r.code(), r.id(), r.known(), r.frames(), changes));
    }
  }

  /** A shot that was not there: of its camera where there is one, else to be done. */
  private Shot made(Sequence now, BroughtShot b, String id, List<String> changes) {
    String camera = b.isGap() ? null : letter(b.camera());
    double first = b.first() != null ? b.first() : s.header().firstFrame();
    boolean free =
        !b.code().isBlank()
            && b.code().strip().length() <= Rules.LONGEST_NAME
            && Programme.of(now).placed().stream()
                .noneMatch(p -> compared(p.shot()).equals(compared(b.code())));
    String code = free ? b.code().strip() : ShotCodes.next(now, Programme.of(now).placed().size());
    changes.add(camera != null ? "new" : b.isGap() ? "new gap" : "new, with no camera yet");
    Shot made = Shot.of(id, code, camera, first, b.frames());
    return made.withTakes(List.of(made.take().withSpeed(speed(b))), made.chosen());
  }

  private static Speed speed(BroughtShot b) {
    return b.scene() == b.programme() ? Speed.AS_IT_IS : new Speed.Steady(b.scene(), b.programme());
  }

  /** The take as it comes back. What a timecode cannot say stays as it was. */
  private Take changed(Take was, BroughtShot b, List<String> changes) {
    Take is = was;
    if (b.frames() != was.frames()) {
      int longer = b.frames() - was.frames();
      changes.add(Math.abs(longer) + (longer > 0 ? " f longer" : " f shorter"));
      is = is.withFrames(b.frames());
    }
    String camera = b.isGap() ? null : letter(b.camera());
    if (b.isGap() && was.camera() != null) {
      changes.add("a gap");
      is = is.withCamera(null);
    } else if (camera != null && !camera.equals(was.camera())) {
      changes.add("camera " + b.camera().toUpperCase(Locale.ROOT));
      is = is.withCamera(camera);
    }
    if (b.isGap()) return is;
    if (!alike(was, b)) {
      changes.add(
          "at " + NumberText.plain(Math.round(1000.0 * b.scene() / b.programme()) / 10.0) + " %");
      is = is.withSpeed(speed(b));
    }
    if (b.first() != null && Math.abs(b.first() - was.first()) > SAME_FRAME) {
      double later = b.first() - was.first();
      changes.add(
          "action " + NumberText.plain(Math.abs(later)) + (later > 0 ? " f later" : " f earlier"));
      is = is.withFirst(b.first());
    }
    return is;
  }

  /** Whether a speed is what is told of ours: of a curve that is its mean. */
  private boolean alike(Take was, BroughtShot b) {
    double mean = (was.scene(was.frames()) - was.scene(0)) / was.frames();
    double told = (double) b.scene() / b.programme();
    double off =
        was.speed() instanceof Speed.Curved ? MEAN_OFF : TOLD_OFF / s.header().rate().nominal();
    return Math.abs(mean - told) <= off + ROUNDING;
  }

  /** Twice half of the last digit, frames a second: a speed is told by two decimals, and simply. */
  private static final double TOLD_OFF = 0.01;

  /** A curve's mean is told of the whole it had, whatever was taken off its ends. */
  private static final double MEAN_OFF = 0.02;

  private static final double ROUNDING = 1e-9;

  private String letter(String letter) {
    for (Camera c : s.all(Camera.class)) if (c.letter().equalsIgnoreCase(letter)) return c.id();
    return null;
  }
}
