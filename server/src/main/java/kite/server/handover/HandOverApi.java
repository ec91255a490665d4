package kite.server.handover;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import kite.core.bake.Bake;
import kite.core.bake.PlaceTrack;
import kite.core.document.Camera;
import kite.core.document.Header;
import kite.core.document.Sequence;
import kite.core.evaluate.Plan;
import kite.exchange.cut.EdlWriter;
import kite.exchange.cut.OtioWriter;
import kite.exchange.cut.ShotListCsv;
import kite.exchange.cut.ShotTable;
import kite.exchange.gltf.GlbCameraWriter;
import kite.exchange.usd.UsdCameraWriter;
import kite.server.Problem;
import kite.server.asset.AssetStore;
import kite.server.rights.May;
import kite.server.sequence.SequenceStore;
import kite.server.sound.SoundMix;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

/** Files to hand over, made from the stored sequence when they are asked for. */
@RestController
@RequestMapping("/api/sequences/{id}/hand-over")
class HandOverApi {
  private final SequenceStore sequences;
  private final AssetStore assets;
  private final SoundMix mix;
  private final ShotLists lists;
  private final Clock clock;

  HandOverApi(
      SequenceStore sequences, AssetStore assets, SoundMix mix, ShotLists lists, Clock clock) {
    this.lists = lists;
    this.clock = clock;
    this.sequences = sequences;
    this.assets = assets;
    this.mix = mix;
  }

  @GetMapping("/cut.otio")
  @May.LookAtSequence
  ResponseEntity<byte[]> cut(@PathVariable UUID id) {
    Sequence s = read(id);
    return file(
        s.header().code() + ".otio",
        "application/json",
        OtioWriter.write(s).getBytes(StandardCharsets.UTF_8));
  }

  @GetMapping("/cut.edl")
  @May.LookAtSequence
  ResponseEntity<byte[]> edl(@PathVariable UUID id) {
    Sequence s = read(id);
    return file(
        s.header().code() + ".edl",
        "text/plain",
        EdlWriter.write(s).getBytes(StandardCharsets.US_ASCII));
  }

  /** What is heard from the programme's first to its last frame, as one WAV file. */
  @GetMapping("/sound.wav")
  @May.LookAtSequence
  ResponseEntity<StreamingResponseBody> sound(@PathVariable UUID id) {
    Sequence s = read(id);
    List<SoundMix.Stretch> all = SoundMix.ofProgramme(s);
    if (all.isEmpty()) throw Problem.missing("sound in the programme");
    return ResponseEntity.ok()
        .header(HttpHeaders.CONTENT_DISPOSITION, attached(s.header().code() + ".wav"))
        .contentType(MediaType.parseMediaType("audio/wav"))
        .body(out -> mix.wav(s, all, out));
  }

  @GetMapping("/shot-list.csv")
  @May.LookAtSequence
  ResponseEntity<byte[]> shotTable(@PathVariable UUID id) {
    Sequence s = read(id);
    return file(
        s.header().code() + "_shots.csv",
        "text/csv;charset=UTF-8",
        ShotListCsv.write(lists.table(s, sequences.approved(id))).getBytes(StandardCharsets.UTF_8));
  }

  /** The shot list to print, with a picture of each shot. */
  @GetMapping("/shot-list.pdf")
  @May.LookAtSequence
  ResponseEntity<StreamingResponseBody> shotList(@PathVariable UUID id) {
    Sequence s = read(id);
    ShotTable table = lists.table(s, sequences.approved(id));
    return ResponseEntity.ok()
        .header(HttpHeaders.CONTENT_DISPOSITION, attached(s.header().code() + "_shots.pdf"))
        .contentType(MediaType.APPLICATION_PDF)
        .body(out -> lists.pdf(table, LocalDate.now(clock), out));
  }

  @GetMapping("/cameras/{camera}.usda")
  @May.LookAtSequence
  ResponseEntity<byte[]> usd(@PathVariable UUID id, @PathVariable String camera) {
    Sequence s = read(id);
    Bake bake = bake(s, camera);
    return file(
        name(s, bake) + ".usda",
        "text/plain",
        UsdCameraWriter.write(s, bake, guides(s, bake)).getBytes(StandardCharsets.UTF_8));
  }

  @GetMapping("/cameras/{camera}.glb")
  @May.LookAtSequence
  ResponseEntity<byte[]> glb(@PathVariable UUID id, @PathVariable String camera) {
    Sequence s = read(id);
    Bake bake = bake(s, camera);
    return file(
        name(s, bake) + ".glb",
        "model/gltf-binary",
        GlbCameraWriter.write(bake, s.header().rate().perSecond(), guides(s, bake)));
  }

  private Sequence read(UUID id) {
    return sequences.get(id).sequence();
  }

  private Bake bake(Sequence s, String camera) {
    if (!(s.get(camera) instanceof Camera c)) throw Problem.missing("camera");
    Header h = s.header();
    return Bake.of(plan(s), c, h.firstFrame(), h.lastFrame(), 1);
  }

  private List<PlaceTrack> guides(Sequence s, Bake bake) {
    return PlaceTrack.ofGuides(s, plan(s), bake.frames());
  }

  private Plan plan(Sequence s) {
    return new Plan(s, assets::rig);
  }

  private static String name(Sequence s, Bake b) {
    return (s.header().code() + "_" + b.camera().letter() + "_" + b.camera().name())
        .replaceAll("[^A-Za-z0-9_-]+", "-");
  }

  private static String attached(String name) {
    return ContentDisposition.attachment().filename(name).build().toString();
  }

  private static ResponseEntity<byte[]> file(String name, String type, byte[] body) {
    return ResponseEntity.ok()
        .header(HttpHeaders.CONTENT_DISPOSITION, attached(name))
        .contentType(MediaType.parseMediaType(type))
        .body(body);
  }
}
