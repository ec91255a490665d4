package kite.server.sequence;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import java.util.function.Consumer;
import kite.core.document.AssetsUsed;
import kite.core.document.Sequence;
import kite.core.form.SequenceJson;
import kite.exchange.BadFile;
import kite.exchange.Names;
import kite.exchange.archive.Manifest;
import kite.exchange.archive.SequenceFileReader;
import kite.exchange.archive.SequenceFileWriter;
import kite.server.CoreJson;
import kite.server.asset.AssetKind;
import kite.server.asset.AssetStore;
import kite.server.asset.Imports;
import kite.server.asset.ProductionAssets;
import kite.server.sound.Recordings;
import org.springframework.stereotype.Service;

/** Sequences as files: out of one copy of Jolly Kite and into another. */
@Service
class SequenceFiles {
  private final SequenceStore sequences;
  private final VersionStore versions;
  private final Library library;
  private final Carrying carrying;
  private final AssetStore assets;
  private final Recordings recordings;
  private final ProductionAssets owners;
  private final Clock clock;

  SequenceFiles(
      SequenceStore sequences,
      VersionStore versions,
      Library library,
      Carrying carrying,
      AssetStore assets,
      Recordings recordings,
      ProductionAssets owners,
      Clock clock) {
    this.sequences = sequences;
    this.versions = versions;
    this.library = library;
    this.carrying = carrying;
    this.assets = assets;
    this.recordings = recordings;
    this.owners = owners;
    this.clock = clock;
  }

  /** What a file is called. */
  String name(UUID id) {
    return sequences.get(id).sequence().header().code() + ".kite.zip";
  }

  /** Writes a sequence with its versions, models, images and recordings, one after the other. */
  void write(UUID id, UUID production, String by, OutputStream out) throws IOException {
    Sequence now = sequences.get(id).sequence();
    Set<String> used = new TreeSet<>(AssetsUsed.of(now));
    try (SequenceFileWriter w = new SequenceFileWriter(out)) {
      w.document(SequenceJson.write(now));
      List<VersionStore.Kept> kept = new ArrayList<>(versions.list(id));
      kept.sort(Comparator.comparingInt(VersionStore.Kept::number));
      for (VersionStore.Kept v : kept) {
        String text = versions.document(id, v.number());
        used.addAll(AssetsUsed.of(SequenceJson.read(text)));
        w.version(
            new Manifest.Kept(
                v.number(), v.name(), v.note(), v.author(), v.keptAt().toString(), v.revision()),
            text);
      }
      for (String sha : used) {
        AssetStore.Stored a = assets.stored(sha);
        if (a == null) continue; // missing here, too
        w.asset(kind(a.kind()), sha, ending(a), a.name(), a.bytes());
      }
      w.manifest(
          now.header().code(),
          now.header().title(),
          library.nameOf(production),
          by,
          clock.instant().toString());
    }
  }

  /**
   * What came in.
   *
   * @param differs what the production's standards would change in it; it is taken as it is
   */
  record Taken(UUID id, String code, List<String> differs) {}

  /**
   * Takes a sequence from a file into a production. Models and images are kept before the sequence
   * is there: what fails leaves no sequence.
   *
   * @param code blank for its own, or the next one where that is taken
   */
  Taken read(UUID production, String code, Path file) throws BadFile, IOException {
    try (SequenceFileReader in = SequenceFileReader.open(file)) {
      Sequence s = SequenceJson.read(in.text(in.document()));
      Set<String> used = new TreeSet<>(AssetsUsed.of(s));
      for (Manifest.Part p : in.manifest().parts()) {
        if (p.kind() == Manifest.Kind.VERSION) used.addAll(AssetsUsed.of(version(in, p)));
        keep(in, p);
      }
      UUID id = carrying.takeIn(production, code, s, used, take -> versions(in, take));
      return new Taken(
          id, sequences.get(id).sequence().header().code(), carrying.differences(production, s));
    }
  }

  /**
   * What a file holds, to take some of it into a sequence that is there. Its models and images are
   * kept for the production.
   */
  record Held(String code, String title, CoreJson document) {}

  Held hold(UUID production, Path file) throws BadFile, IOException {
    try (SequenceFileReader in = SequenceFileReader.open(file)) {
      Sequence s = SequenceJson.read(in.text(in.document()));
      for (Manifest.Part p : in.manifest().parts()) keep(in, p);
      owners.give(production, AssetsUsed.of(s));
      return new Held(s.header().code(), s.header().title(), new CoreJson(SequenceJson.write(s)));
    }
  }

  private void keep(SequenceFileReader in, Manifest.Part p) throws BadFile, IOException {
    if (p.kind() == Manifest.Kind.MODEL) assets.keep(Names.clean(p.name()), in.bytes(p));
    else if (p.kind() == Manifest.Kind.IMAGE) assets.keepImage(Names.clean(p.name()), in.bytes(p));
    else if (p.kind() == Manifest.Kind.SOUND) {
      try (Imports.Brought brought = new Imports.Brought()) {
        Path file = brought.file("sound");
        Files.write(file, in.bytes(p));
        recordings.keep(Names.clean(p.name()), file);
      }
    }
  }

  private static Manifest.Kind kind(AssetKind kind) {
    return switch (kind) {
      case MODEL -> Manifest.Kind.MODEL;
      case IMAGE -> Manifest.Kind.IMAGE;
      case SOUND -> Manifest.Kind.SOUND;
    };
  }

  private static String ending(AssetStore.Stored a) {
    return switch (a.kind()) {
      case MODEL -> ".glb";
      case IMAGE -> a.bytes()[1] == 'P' ? ".png" : ".jpg";
      case SOUND -> Recordings.ending(a.bytes());
    };
  }

  private static Sequence version(SequenceFileReader in, Manifest.Part p) throws IOException {
    return SequenceJson.read(in.text(p));
  }

  /** Hands the versions on, one after the other: all of them together may be very large. */
  private static void versions(SequenceFileReader in, Consumer<VersionStore.Brought> take)
      throws BadFile, IOException {
    for (Manifest.Part p : in.manifest().parts())
      if (p.kind() == Manifest.Kind.VERSION)
        take.accept(
            new VersionStore.Brought(
                p.kept().number(),
                plain(p.kept().name()),
                plain(p.kept().note()),
                Names.clean(plain(p.kept().author())),
                at(p.kept().keptAt()),
                SequenceJson.write(version(in, p))));
  }

  /** Text as it can be kept. */
  private static String plain(String text) {
    return text == null ? "" : text.replace('\0', ' ');
  }

  private static Instant at(String text) throws BadFile {
    try {
      return Instant.parse(text == null ? "" : text);
    } catch (DateTimeParseException e) {
      throw new BadFile("A version in this file says no moment when it was kept. Get it again.");
    }
  }
}
