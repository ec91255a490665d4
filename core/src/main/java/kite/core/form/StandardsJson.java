package kite.core.form;

import com.eclipsesource.json.JsonObject;
import com.eclipsesource.json.JsonValue;
import java.util.List;
import kite.core.document.Beginning;
import kite.core.document.CameraPackage;
import kite.core.document.Delivery;
import kite.core.document.FileNames;
import kite.core.document.LimitsOfCuts;
import kite.core.document.Naming;
import kite.core.document.Own;
import kite.core.document.Standards;
import kite.core.number.Rate;
import kite.core.optics.FilmBack;
import kite.core.optics.Fit;
import kite.core.optics.Lens;
import kite.core.optics.LensKit;
import kite.core.rules.StandardsRules;

/** A production's standards, and what a sequence decides for itself. */
public final class StandardsJson {
  private StandardsJson() {}

  public static JsonObject write(Standards s) {
    return new Out()
        .put("rate", write(s.rate()))
        .put("cameraPackage", write(s.cameraPackage()))
        .put("nearClipM", s.nearClipM())
        .put("farClipM", s.farClipM())
        .put("kits", s.kits(), StandardsJson::write)
        .put(
            "naming",
            new Out()
                .put("shots", s.naming().shots())
                .put("pieces", s.naming().pieces())
                .put("cameras", s.naming().cameras())
                .put("files", s.naming().files(), StandardsJson::write)
                .json)
        .put(
            "beginning",
            new Out()
                .put("displayUnit", s.beginning().displayUnit())
                .put("gridM", s.beginning().gridM())
                .put("firstFrame", s.beginning().firstFrame())
                .put("handleFrames", s.beginning().handleFrames())
                .json)
        .put("cut", write(s.cut()))
        .json;
  }

  /** Reads standards and checks them. */
  public static Standards read(String text) {
    Standards s = read(Fields.parse(text));
    StandardsRules.check(s);
    return s;
  }

  /** Reads standards as they are being typed, whatever they say. */
  public static Standards readUnchecked(String text) {
    return read(Fields.parse(text));
  }

  public static Standards read(Fields f) {
    Fields n = f.object("naming");
    return f.done(
        new Standards(
            rate(f.object("rate")),
            pack(f.object("cameraPackage")),
            f.number("nearClipM"),
            f.number("farClipM"),
            f.list("kits", StandardsJson::kit),
            n.done(
                new Naming(
                    n.text("shots"),
                    n.word("pieces", Naming.Style.values()),
                    n.word("cameras", Naming.Style.values()),
                    n.has("files") ? n.list("files", StandardsJson::files) : List.of())),
            f.has("beginning") ? beginning(f.object("beginning")) : Beginning.USUAL,
            f.has("cut") ? limits(f.object("cut")) : LimitsOfCuts.USUAL));
  }

  private static JsonValue write(FileNames f) {
    return new Out()
        .put("name", f.name())
        .put("pattern", f.pattern())
        .put("counts", f.counts())
        .json;
  }

  private static FileNames files(Fields f) {
    return f.done(
        new FileNames(
            f.text("name"), f.text("pattern"), f.word("counts", FileNames.Counts.values())));
  }

  private static JsonValue write(LimitsOfCuts c) {
    return new Out()
        .put("shortFrames", c.shortFrames())
        .put("jumpDegrees", c.jumpDegrees())
        .put("jumpShare", c.jumpShare())
        .put("leapShare", c.leapShare())
        .put("screenDegrees", c.screenDegrees())
        .json;
  }

  private static LimitsOfCuts limits(Fields f) {
    return f.done(
        new LimitsOfCuts(
            f.whole("shortFrames"),
            f.number("jumpDegrees"),
            f.number("jumpShare"),
            f.number("leapShare"),
            f.has("screenDegrees") ? f.number("screenDegrees") : LimitsOfCuts.CINEMA_DEGREES));
  }

  private static Beginning beginning(Fields f) {
    return f.done(
        new Beginning(
            f.text("displayUnit"),
            f.number("gridM"),
            f.whole("firstFrame"),
            f.has("handleFrames") ? f.whole("handleFrames") : Beginning.USUAL.handleFrames()));
  }

  private static JsonValue write(LensKit k) {
    return new Out()
        .put("name", k.name())
        .put("squeeze", k.squeeze())
        .put("lenses", k.lenses(), StandardsJson::write)
        .json;
  }

  private static LensKit kit(Fields f) {
    return f.done(
        new LensKit(
            f.text("name"),
            f.number("squeeze"),
            f.list(
                "lenses",
                l ->
                    l.done(
                        new Lens(
                            l.number("shortestMm"),
                            l.number("longestMm"),
                            l.number("widestStop"),
                            l.number("closestFocusM"))))));
  }

  private static JsonValue write(Lens l) {
    return new Out()
        .put("shortestMm", l.shortestMm())
        .put("longestMm", l.longestMm())
        .put("widestStop", l.widestStop())
        .put("closestFocusM", l.closestFocusM())
        .json;
  }

  public static JsonObject write(Own o) {
    return new Out()
        .putOrNull("rate", o.rate(), StandardsJson::write)
        .putOrNull(
            "delivery",
            o.delivery(),
            d -> new Out().put("width", d.width()).put("height", d.height()).json)
        .putOrNull("filmBack", o.filmBack(), StandardsJson::write)
        .put("fit", o.fit())
        .putOrNull("circleOfConfusionMm", o.circleOfConfusionMm(), Out::number)
        .json;
  }

  public static Own own(Fields f) {
    return f.done(
        new Own(
            f.orNull("rate", StandardsJson::rate),
            f.orNull("delivery", d -> d.done(new Delivery(d.whole("width"), d.whole("height")))),
            f.orNull("filmBack", StandardsJson::back),
            f.wordOrNull("fit", Fit.values()),
            f.numberOrNull("circleOfConfusionMm")));
  }

  public static JsonObject write(FilmBack b) {
    return new Out()
        .put("widthMm", b.widthMm())
        .put("heightMm", b.heightMm())
        .put("squeeze", b.squeeze())
        .json;
  }

  public static FilmBack back(Fields b) {
    return b.done(new FilmBack(b.number("widthMm"), b.number("heightMm"), b.number("squeeze")));
  }

  private static JsonObject write(Rate r) {
    return new Out().put("numerator", r.numerator()).put("denominator", r.denominator()).json;
  }

  private static Rate rate(Fields r) {
    return r.done(new Rate(r.whole("numerator"), r.whole("denominator")));
  }

  /** The camera package, also as the page is told the one in force. */
  public static JsonObject write(CameraPackage p) {
    return new Out()
        .put("filmBack", write(p.filmBack()))
        .put("deliveryWidth", p.deliveryWidth())
        .put("deliveryHeight", p.deliveryHeight())
        .put("fit", p.fit())
        .put("circleOfConfusionMm", p.circleOfConfusionMm())
        .json;
  }

  private static CameraPackage pack(Fields p) {
    return p.done(
        new CameraPackage(
            back(p.object("filmBack")),
            p.whole("deliveryWidth"),
            p.whole("deliveryHeight"),
            p.word("fit", Fit.values()),
            p.number("circleOfConfusionMm")));
  }
}
