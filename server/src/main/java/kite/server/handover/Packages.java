package kite.server.handover;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import kite.core.cut.Programme;
import kite.core.document.Camera;
import kite.core.document.Sequence;
import kite.core.form.SequenceJson;
import kite.exchange.Json;
import kite.exchange.archive.SummedZip;
import kite.exchange.pack.PackageManifest;
import kite.server.Problem;
import kite.server.live.Happened;
import kite.server.render.NewestPictures;
import kite.server.sequence.SequenceStore;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Packages of what is handed over: each has a number and stays as it was when it was asked for. */
@Service
class Packages {
  /** Frames of all cameras together: ten hours. */
  private static final long MOST_FRAMES = 900_000;

  private final HandedOnRows rows;
  private final SequenceStore sequences;
  private final Contents contents;
  private final Checks checks;
  private final NewestPictures pictures;
  private final ApplicationEventPublisher events;
  private final Clock clock;

  Packages(
      HandedOnRows rows,
      SequenceStore sequences,
      Contents contents,
      Checks checks,
      NewestPictures pictures,
      ApplicationEventPublisher events,
      Clock clock) {
    this.events = events;
    this.pictures = pictures;
    this.rows = rows;
    this.sequences = sequences;
    this.contents = contents;
    this.checks = checks;
    this.clock = clock;
  }

  /** Begins one of the sequence as it is now; gives its number. */
  @Transactional
  public int begin(UUID sequence, PackageAsked asked, String by) {
    rows.alone(sequence.getLeastSignificantBits());
    SequenceStore.Present now = sequences.get(sequence);
    refuse(now.sequence(), asked);
    if (asked.since() != null) earlier(sequence, asked.since());
    HandedOn h = new HandedOn();
    h.id = UUID.randomUUID();
    h.sequenceId = sequence;
    h.number = rows.lastNumber(sequence) + 1;
    h.byName = by;
    h.madeAt = clock.instant();
    h.revision = now.revision();
    h.document = SequenceJson.write(now.sequence());
    h.settled = Json.MAPPER.writeValueAsString(settled(now, asked));
    rows.save(h);
    events.publishEvent(
        new Happened(
            sequence,
            Happened.Kind.HANDOVER,
            by,
            Map.of(
                "number",
                h.number,
                "revision",
                h.revision,
                "shots",
                codes(now.sequence(), asked))));
    return h.number;
  }

  private Settled settled(SequenceStore.Present now, PackageAsked asked) {
    boolean shows = asked.parts().contains(Part.PICTURES);
    return new Settled(
        asked,
        sequences.approved(now.id()),
        shows ? pictures.of(now.id(), codes(now.sequence(), asked)) : List.of(),
        LocalDate.now(clock));
  }

  /** Codes of the shots that were chosen; none for all. */
  private static Set<String> codes(Sequence s, PackageAsked asked) {
    Set<String> codes = new HashSet<>();
    for (String id : asked.shots()) codes.add(s.get(id).name());
    return codes;
  }

  private void refuse(Sequence s, PackageAsked asked) {
    if (asked.parts().isEmpty())
      throw bad("parts", "Choose what is handed over: the cut, cameras, or one of the others.");
    Programme p = Programme.of(s);
    if (p.isEmpty())
      throw bad("shots", "There is no shot yet. Put a camera in the cut lane first.");
    for (String id : asked.shots()) if (p.of(id) == null) throw Problem.missing("shot");
    long frames = 0;
    for (int i = 0; i < p.placed().size(); i++) {
      Programme.Placed x = p.placed().get(i);
      if (!asked.isAbout(x.id())) continue;
      double handles = asked.handles() ? 2.0 * p.shots().get(i).handlesIn(s.header()) : 0;
      frames += (long) (x.sceneLast() - x.sceneFirst() + handles + 1);
    }
    if (frames > MOST_FRAMES)
      throw bad("shots", "That is more than ten hours of cameras. Choose fewer shots.");
    try {
      contents.check(s, asked);
    } catch (IllegalStateException e) {
      throw bad(
          "parts",
          "The set, and what hides guides and marks, cannot be told: "
              + e.getMessage()
              + ", or leave them out.");
    }
  }

  private static Problem bad(String field, String text) {
    return new Problem(HttpStatus.UNPROCESSABLE_CONTENT, field, text);
  }

  private PackageManifest earlier(UUID sequence, int number) {
    HandedOn h =
        rows.findBySequenceIdAndNumber(sequence, number)
            .orElseThrow(() -> Problem.missing("package"));
    if (h.manifest == null)
      throw bad(
          "since",
          "Package v" + number + " was never fetched: compare with one that was handed on.");
    return PackageManifest.read(h.manifest);
  }

  /** What a package's file is called, without its ending. */
  String name(UUID sequence, int number) {
    String code =
        Json.MAPPER.readTree(row(sequence, number).document).at("/header/code").asString();
    return code.replaceAll("[^A-Za-z0-9_-]+", "-") + "_v" + number;
  }

  private HandedOn row(UUID sequence, int number) {
    return rows.findBySequenceIdAndNumber(sequence, number)
        .orElseThrow(() -> Problem.missing("package"));
  }

  /**
   * Writes a package as a zip, file by file, its manifest last. It says the same whenever it is
   * written; pictures that were removed since end it.
   */
  void write(UUID sequence, int number, String production, OutputStream out) throws IOException {
    HandedOn h = row(sequence, number);
    Settled settled = Json.MAPPER.readValue(h.settled, Settled.class);
    PackageAsked asked = settled.asked();
    Sequence s = SequenceJson.read(h.document);
    Sums sums = new Sums(asked, before(sequence, h, s, asked));
    String root = name(sequence, number) + "/";
    PackageManifest manifest;
    try (SummedZip zip = new SummedZip(out)) {
      contents.each(s, settled, piece -> sums.take(piece, root, zip));
      manifest =
          new PackageManifest(
              PackageManifest.FORMAT,
              PackageManifest.VERSION,
              h.number,
              production,
              about(sequence, h, s),
              h.byName,
              h.madeAt.toString(),
              shots(s, asked),
              sums.files,
              checks.of(s, asked.shots(), settled.approved()),
              sums.since());
      zip.put(root + "SHA256SUMS", false, to -> to.write(sums.lines()));
      zip.put(root + PackageManifest.PATH, false, to -> to.write(manifest.write()));
    }
    // what was signed when it was first handed on stays
    if (h.manifest == null) rows.say(h.id, new String(manifest.write(), StandardCharsets.UTF_8));
  }

  /**
   * Checksums that an earlier package stands for, of what this one is about; none where it is
   * compared with none.
   */
  private Map<String, String> before(UUID sequence, HandedOn h, Sequence s, PackageAsked asked) {
    Map<String, String> sums = new TreeMap<>();
    if (asked.since() == null) return sums;
    List<PackageManifest> all = new ArrayList<>();
    for (HandedOnRows.Listed l : rows.list(sequence))
      if (l.number() < h.number && l.manifest() != null)
        all.add(PackageManifest.read(l.manifest()));
    Set<String> codes = codes(s, asked);
    for (PackageManifest.OfFile f : earlier(sequence, asked.since()).standsFor(all).values())
      for (Part p : asked.parts())
        if (p.kinds.contains(f.kind())
            && (codes.isEmpty()
                || p.isOfTheWhole() && f.shot() == null
                || codes.contains(f.shot()))) sums.put(f.path(), f.sha256());
    return sums;
  }

  private static PackageManifest.OfSequence about(UUID id, HandedOn h, Sequence s) {
    return new PackageManifest.OfSequence(
        id.toString(),
        s.header().code(),
        s.header().title(),
        h.revision,
        s.header().rate().numerator() + "/" + s.header().rate().denominator(),
        s.header().cameraPackage().deliveryWidth(),
        s.header().cameraPackage().deliveryHeight());
  }

  private static List<PackageManifest.OfShot> shots(Sequence s, PackageAsked asked) {
    Programme programme = Programme.of(s);
    List<PackageManifest.OfShot> all = new ArrayList<>();
    for (int i = 0; i < programme.placed().size(); i++) {
      Programme.Placed p = programme.placed().get(i);
      if (!asked.isAbout(p.id())) continue;
      all.add(
          new PackageManifest.OfShot(
              p.shot(),
              programme.shots().get(i).take().name(),
              p.camera() == null ? null : ((Camera) s.get(p.camera())).letter(),
              p.first(),
              p.last(),
              p.sceneFirst(),
              p.sceneLast(),
              asked.handles() ? programme.shots().get(i).handlesIn(s.header()) : 0));
    }
    return all;
  }

  /** What the files of a package came to, and what has changed since an earlier one. */
  private static final class Sums {
    private final PackageAsked asked;
    private final Map<String, String> was;
    private final Map<String, String> is = new TreeMap<>();
    private final Set<String> never = new HashSet<>();
    private final List<PackageManifest.OfFile> files = new ArrayList<>();

    Sums(PackageAsked asked, Map<String, String> was) {
      this.asked = asked;
      this.was = was;
    }

    void take(Contents.Piece piece, String root, SummedZip zip) throws IOException {
      String before = was.get(piece.path());
      if (!piece.alike()) never.add(piece.path());
      boolean same =
          before != null
              && (piece.alike()
                  ? asked.leaveOut() && SummedZip.of(piece.content()).sha256().equals(before)
                  : !changed());
      if (same) is.put(piece.path(), before);
      if (same && asked.leaveOut()) return;
      SummedZip.Sum sum = zip.put(root + piece.path(), piece.packed(), piece.content());
      is.putIfAbsent(piece.path(), sum.sha256());
      files.add(
          new PackageManifest.OfFile(
              piece.path(), piece.kind(), piece.shot(), sum.sha256(), sum.bytes()));
    }

    /** Whether anything that stays alike is another than it was, or is not there any more. */
    private boolean changed() {
      for (Map.Entry<String, String> e : is.entrySet())
        if (!e.getValue().equals(was.get(e.getKey()))) return true;
      for (String path : was.keySet())
        if (!is.containsKey(path) && !never.contains(path)) return true;
      return false;
    }

    PackageManifest.Since since() {
      return asked.since() == null
          ? null
          : PackageManifest.since(asked.since(), asked.leaveOut(), was, is);
    }

    /** As {@code sha256sum -c} reads them. */
    byte[] lines() {
      StringBuilder out = new StringBuilder();
      for (PackageManifest.OfFile f : files)
        out.append(f.sha256()).append("  ").append(f.path()).append('\n');
      return out.toString().getBytes(StandardCharsets.UTF_8);
    }
  }
}
