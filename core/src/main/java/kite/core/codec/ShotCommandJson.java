package kite.core.codec;

import kite.core.command.Command;
import kite.core.command.ShotCommand;
import kite.core.command.ShotCommand.AcceptNote;
import kite.core.command.ShotCommand.ChooseTake;
import kite.core.command.ShotCommand.InsertShot;
import kite.core.command.ShotCommand.JoinShots;
import kite.core.command.ShotCommand.LiftShot;
import kite.core.command.ShotCommand.MoveShots;
import kite.core.command.ShotCommand.OverwriteShot;
import kite.core.command.ShotCommand.PutTake;
import kite.core.command.ShotCommand.RemoveTake;
import kite.core.command.ShotCommand.RetimeShot;
import kite.core.command.ShotCommand.RollCut;
import kite.core.command.ShotCommand.SetBoard;
import kite.core.command.ShotCommand.SetNotes;
import kite.core.command.ShotCommand.SetShotRules;
import kite.core.command.ShotCommand.SetStatus;
import kite.core.command.ShotCommand.SlideShot;
import kite.core.command.ShotCommand.SlipShot;
import kite.core.command.ShotCommand.SplitShot;
import kite.core.command.ShotCommand.SwapCamera;
import kite.core.command.ShotCommand.TrimShot;
import kite.core.document.Shot;
import kite.core.form.EntityJson;
import kite.core.form.Fields;
import kite.core.form.Out;
import kite.core.form.ShotJson;

/** Commands on the programme. */
final class ShotCommandJson {
  private ShotCommandJson() {}

  /** The command of a kind, or null where that is none of these. */
  static Command read(String kind, Fields f) {
    return switch (kind) {
      case InsertShot.KIND -> new InsertShot(shot(f), f.textOrNull("before"));
      case OverwriteShot.KIND ->
          new OverwriteShot(
              shot(f), f.text("at"), f.whole("into"), f.text("restId"), f.text("restCode"));
      case SplitShot.KIND ->
          new SplitShot(f.text("id"), f.whole("after"), f.text("newId"), f.text("newCode"));
      case JoinShots.KIND -> new JoinShots(f.text("id"));
      case LiftShot.KIND -> new LiftShot(f.text("id"), f.text("gapId"));
      case RollCut.KIND -> new RollCut(f.text("id"), f.whole("by"));
      case TrimShot.KIND -> new TrimShot(f.text("id"), f.whole("head"), f.whole("tail"));
      case SlipShot.KIND -> new SlipShot(f.text("id"), f.number("by"));
      case SlideShot.KIND -> new SlideShot(f.text("id"), f.whole("by"));
      case SwapCamera.KIND -> new SwapCamera(f.text("id"), f.textOrNull("camera"));
      case MoveShots.KIND -> new MoveShots(f.texts("ids"), f.textOrNull("before"));
      case RetimeShot.KIND ->
          new RetimeShot(f.text("id"), ShotJson.speed(f.object("speed")), f.whole("frames"));
      case PutTake.KIND ->
          new PutTake(f.text("id"), ShotJson.take(f.object("take")), f.truth("choose"));
      case ChooseTake.KIND -> new ChooseTake(f.text("id"), f.text("take"));
      case RemoveTake.KIND -> new RemoveTake(f.text("id"), f.text("take"));
      case SetStatus.KIND -> new SetStatus(f.texts("ids"), f.word("status", Shot.Status.values()));
      case SetNotes.KIND -> new SetNotes(f.text("id"), f.text("notes"));
      case SetBoard.KIND -> new SetBoard(f.text("id"), f.orNull("board", ShotJson::board));
      case AcceptNote.KIND -> new AcceptNote(f.text("id"), f.text("about"), f.text("word"));
      case SetShotRules.KIND ->
          new SetShotRules(
              f.texts("ids"),
              f.textOrNull("colour"),
              f.isNull("handles") ? null : (Integer) f.whole("handles"));
      default -> null;
    };
  }

  private static Shot shot(Fields f) {
    if (EntityJson.read(f.object("shot")) instanceof Shot s) return s;
    throw Fields.bad(f.path("shot"), "must be a shot");
  }

  static void write(ShotCommand c, Out o) {
    if (c instanceof InsertShot i)
      o.put("shot", EntityJson.write(i.shot())).put("before", i.before());
    else if (c instanceof OverwriteShot w)
      o.put("shot", EntityJson.write(w.shot()))
          .put("at", w.at())
          .put("into", w.into())
          .put("restId", w.restId())
          .put("restCode", w.restCode());
    else if (c instanceof SplitShot x)
      o.put("id", x.id())
          .put("after", x.after())
          .put("newId", x.newId())
          .put("newCode", x.newCode());
    else if (c instanceof JoinShots j) o.put("id", j.id());
    else if (c instanceof LiftShot l) o.put("id", l.id()).put("gapId", l.gapId());
    else if (c instanceof RollCut r) o.put("id", r.id()).put("by", r.by());
    else if (c instanceof TrimShot t)
      o.put("id", t.id()).put("head", t.head()).put("tail", t.tail());
    else if (c instanceof SlipShot x) o.put("id", x.id()).put("by", x.by());
    else if (c instanceof SlideShot x) o.put("id", x.id()).put("by", x.by());
    else if (c instanceof SwapCamera x) o.put("id", x.id()).put("camera", x.camera());
    else if (c instanceof MoveShots m) o.texts("ids", m.ids()).put("before", m.before());
    else if (c instanceof RetimeShot r)
      o.put("id", r.id()).put("speed", ShotJson.write(r.speed())).put("frames", r.frames());
    else if (c instanceof PutTake p)
      o.put("id", p.id()).put("take", ShotJson.write(p.take())).put("choose", p.choose());
    else if (c instanceof ChooseTake t) o.put("id", t.id()).put("take", t.take());
    else if (c instanceof RemoveTake t) o.put("id", t.id()).put("take", t.take());
    else if (c instanceof SetStatus s) o.texts("ids", s.ids()).put("status", s.status());
    else if (c instanceof SetNotes n) o.put("id", n.id()).put("notes", n.notes());
    else if (c instanceof SetBoard b)
      o.put("id", b.id()).putOrNull("board", b.board(), ShotJson::write);
    else if (c instanceof AcceptNote a)
      o.put("id", a.id()).put("about", a.about()).put("word", a.word());
    else if (c instanceof SetShotRules r)
      o.texts("ids", r.ids())
          .put("colour", r.colour())
          .putOrNull("handles", r.handles(), n -> Out.number(n));
    else throw new IllegalStateException("a command that nobody writes: " + c.kind());
  }
}
