package kite.browser;

import com.eclipsesource.json.Json;
import com.eclipsesource.json.JsonArray;
import com.eclipsesource.json.JsonObject;
import java.util.ArrayList;
import java.util.List;
import kite.core.bake.CalmBase;
import kite.core.bake.PlainCamera;
import kite.core.codec.CommandJson;
import kite.core.command.Command;
import kite.core.command.EntityCommand;
import kite.core.document.Air;
import kite.core.document.Camera;
import kite.core.document.CameraPackage;
import kite.core.document.Entity;
import kite.core.document.Guide;
import kite.core.document.Header;
import kite.core.document.Light;
import kite.core.document.Plate;
import kite.core.document.Sequence;
import kite.core.evaluate.LensRow;
import kite.core.evaluate.Plan;
import kite.core.form.StandardsJson;
import kite.core.form.Words;
import kite.core.frame.Composition;
import kite.core.frame.DepthRuler;
import kite.core.frame.Eye;
import kite.core.frame.Guides;
import kite.core.frame.HoldBoth;
import kite.core.frame.PlatePlace;
import kite.core.frame.RigHandles;
import kite.core.frame.WhatIsSeen;
import kite.core.light.Lit;
import kite.core.naming.NamingRules;
import kite.core.optics.DepthOfField;
import kite.core.optics.FilmBacks;
import kite.core.report.FrameReport;
import kite.core.report.Warnings;
import org.teavm.jso.typedarrays.Float64Array;

/** Puts what the core says about a frame, its light and its camera package into JSON. */
final class FrameAnswers {
  private FrameAnswers() {}

  static String commands(List<Command> all) {
    return CommandJson.writeAll(all);
  }

  static String settings(Header h, Entity camera) {
    CameraPackage p = camera instanceof Camera c ? h.packageOf(c) : h.cameraPackage();
    return new JsonObject()
        .add(
            "rate",
            new JsonObject()
                .add("numerator", h.rate().numerator())
                .add("denominator", h.rate().denominator()))
        .add("cameraPackage", StandardsJson.write(p))
        .add("filmBackName", FilmBacks.nameOf(p.filmBack()))
        .add("circleMm", p.circleMm())
        .toString();
  }

  static String filmBacks() {
    JsonArray all = new JsonArray();
    for (FilmBacks.Named n : FilmBacks.ALL)
      all.add(
          new JsonObject()
              .add("name", n.name())
              .add("widthMm", n.back().widthMm())
              .add("heightMm", n.back().heightMm())
              .add("squeeze", n.back().squeeze()));
    return all.toString();
  }

  static String handles(List<RigHandles.Handle> all) {
    JsonArray a = new JsonArray();
    for (RigHandles.Handle h : all)
      a.add(
          new JsonObject()
              .add("part", h.part())
              .add("from", Answers.numbers(h.from().x(), h.from().y(), h.from().z()))
              .add("at", Answers.numbers(h.at().x(), h.at().y(), h.at().z())));
    return a.toString();
  }

  static String depthRuler(Sequence s, Plan plan, Camera c) {
    int o = plan.slot(c.id()) * LensRow.SIZE;
    double[] l = plan.lens();
    DepthOfField d = Answers.dof(s, plan, c);
    JsonArray bars = new JsonArray();
    for (DepthRuler.Bar b : DepthRuler.bars(s, plan, c))
      bars.add(
          new JsonObject()
              .add("id", b.id())
              .add("name", b.name())
              .add("colour", b.colour())
              .add("nearM", b.nearM())
              .add("farM", b.farM())
              .add("pointM", b.pointM())
              .add("straightM", b.straightM())
              .add("inFrame", b.inFrame()));
    return new JsonObject()
        .add("bars", bars)
        .add("nearClipM", l[o + LensRow.NEAR])
        .add("farClipM", l[o + LensRow.FAR])
        .add("focusM", l[o + LensRow.FOCUS])
        .add("nearLimitM", d.nearLimitM())
        .add("farLimitM", Answers.orNull(d.farLimitM()))
        .add("hyperfocalM", d.hyperfocalM())
        .toString();
  }

  static String seen(Sequence s, Plan plan, Camera c) {
    JsonArray cut = new JsonArray();
    double nearestM = Double.POSITIVE_INFINITY;
    for (WhatIsSeen.Seen x : WhatIsSeen.of(s, plan, c)) {
      nearestM = Math.min(nearestM, x.extent().nearM());
      if (x.cutNear() || x.cutFar())
        cut.add(
            new JsonObject()
                .add("id", x.piece().id())
                .add("name", x.piece().name())
                .add("near", x.cutNear())
                .add("far", x.cutFar()));
    }
    WhatIsSeen.Why why = WhatIsSeen.whyEmpty(s, plan, c);
    return new JsonObject()
        .add("cut", cut)
        .add("whyEmpty", why.text())
        .add("clipsHide", why.clips())
        .add("widestBlur", Answers.widestBlur(s, plan, c, nearestM))
        .toString();
  }

  static String frameReport(List<FrameReport.Row> rows) {
    JsonArray all = new JsonArray();
    for (FrameReport.Row r : rows) {
      JsonArray seen = new JsonArray();
      for (int b : r.seen()) seen.add(b);
      all.add(
          new JsonObject()
              .add("id", r.id())
              .add("name", r.name())
              .add("seen", seen)
              .add("height", Answers.numbers(r.height())));
    }
    return all.toString();
  }

  static String warnings(List<Warnings.Warning> found) {
    JsonArray all = new JsonArray();
    for (Warnings.Warning w : found)
      all.add(
          new JsonObject()
              .add("kind", Words.of(w.kind()))
              .add("text", w.text())
              .add("first", w.first())
              .add("last", w.last())
              .add("part", w.part()));
    return all.toString();
  }

  static String calmed(Camera c, CalmBase b) {
    JsonObject report =
        new JsonObject()
            .add("keys", b.keys())
            .add("mostM", b.mostM())
            .add("mostDegrees", b.mostDegrees());
    return reported(b.commands(c.id()), report);
  }

  static String baked(PlainCamera b) {
    JsonObject report =
        new JsonObject()
            .add("keys", b.keys())
            .add("placeM", b.placeM())
            .add("degrees", b.degrees())
            .add("focalMm", b.focalMm());
    return reported(List.of(new EntityCommand.Add(b.camera())), report);
  }

  private static String reported(List<Command> all, JsonObject report) {
    String said = commands(all);
    return said.substring(0, said.length() - 1) + ",\"report\":" + report + "}";
  }

  static List<Double> numbers(String json) {
    List<Double> all = new ArrayList<>();
    for (var v : Json.parse(json).asArray()) all.add(v.asDouble());
    return all;
  }

  static List<String> ids(String json) {
    List<String> all = new ArrayList<>();
    for (var v : Json.parse(json).asArray()) all.add(v.asString());
    return all;
  }

  static String holdBoth(Sequence s, Plan plan, Camera c, double a, double b) {
    HoldBoth.Answer x = HoldBoth.of(s, plan, c, a, b);
    return new JsonObject()
        .add("can", x.can())
        .add("does", x.does())
        .add("says", x.says())
        .add("focusM", x.focusM())
        .add("fStop", x.fStop())
        .toString();
  }

  static String composition(Sequence s, Plan plan, String camera, String subject) {
    Composition c = Composition.of(plan, s.get(subject), Eye.of(plan, camera));
    if (c == null) return "null";
    return new JsonObject()
        .add("headroom", c.headroom())
        .add("leadRoom", c.leadRoom())
        .add("backRoom", c.backRoom())
        .add("faces", c.faces())
        .add("height", c.height())
        .toString();
  }

  static String guideLines(Sequence s, Plan plan, Camera c) {
    JsonArray all = new JsonArray();
    double aspect = s.header().cameraPackage().aspect();
    Eye eye = Eye.of(plan, c.id());
    for (Guide g : c.guides()) {
      JsonArray lines = new JsonArray();
      for (double[] l : Guides.lines(g, aspect, eye)) lines.add(Answers.numbers(l));
      all.add(
          new JsonObject()
              .add("form", Words.of(g.form()))
              .add("colour", g.colour())
              .add("strength", g.strength())
              .add("lines", lines));
    }
    return all.toString();
  }

  static String breaches(Sequence s) {
    JsonArray all = new JsonArray();
    for (NamingRules.Breach b : NamingRules.breaches(s))
      all.add(new JsonObject().add("id", b.id()).add("name", b.name()).add("better", b.better()));
    return all.toString();
  }

  static String lights(Sequence s, double frame) {
    JsonArray all = new JsonArray();
    for (Light l : s.all(Light.class)) {
      Lit x = Lit.of(l, frame);
      all.add(
          new JsonObject()
              .add("id", l.id())
              .add("form", Words.of(l.form()))
              .add("shines", s.shines(l, false))
              .add("colour", Answers.numbers(x.colour()))
              .add("power", x.power())
              .add("shadowTint", Answers.numbers(x.shadowTint()))
              .add("radiusM", x.radiusM())
              .add("cone", x.coneRadians())
              .add("full", x.fullRadians())
              .add("widthM", x.widthM())
              .add("heightM", x.heightM())
              .add("specular", l.specular()));
    }
    return all.toString();
  }

  static String air(Sequence s, double frame) {
    for (Air a : s.all(Air.class))
      return new JsonObject()
          .add("density", a.channel("density").at(frame))
          .add("heightM", a.channel("height").at(frame))
          .add("colour", a.colour())
          .add("background", a.background() == null ? Json.NULL : Json.value(a.background()))
          .toString();
    return "null";
  }

  static void platePlace(
      Sequence s, String plate, double frame, double imageAspect, Float64Array out) {
    Plate p = (Plate) s.get(plate);
    PlatePlace at = PlatePlace.of(p, frame, imageAspect, s.header().cameraPackage().aspect());
    double[] all = {
      at.left(),
      at.top(),
      at.width(),
      at.height(),
      p.channel("opacity").at(frame),
      p.channel("depth").at(frame)
    };
    out.set(all, 0);
  }

  static String texts(Iterable<String> all) {
    JsonArray a = new JsonArray();
    for (String x : all) a.add(x);
    return a.toString();
  }
}
