package kite.server.sharedset;

import java.security.Principal;
import java.util.List;
import java.util.UUID;
import kite.server.CoreJson;
import kite.server.Problem;
import kite.server.rights.May;
import kite.server.rights.Rights;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/**
 * The sets of a sequence's production. Placing one is an edit that the page makes like any other.
 */
@RestController
@RequestMapping("/api/sequences/{id}/sets")
class SharedSetApi {
  private static final int LARGEST = 64 << 20;
  private final SharedSets sets;
  private final VersionPictures pictures;
  private final Rights rights;

  SharedSetApi(SharedSets sets, VersionPictures pictures, Rights rights) {
    this.sets = sets;
    this.pictures = pictures;
    this.rights = rights;
  }

  @GetMapping
  @May.LookAtSequence
  List<SharedSets.Shown> list(@PathVariable UUID id) {
    return sets.of(rights.productionOf(id));
  }

  record Asked(String name, String note, CoreJson document) {}

  /** Makes a set, with its first version. */
  @PostMapping
  @May.EditSequence
  SharedSets.Kept make(@PathVariable UUID id, @RequestBody Asked asked, Principal who) {
    String document = bounded(asked.document());
    return sets.make(rights.productionOf(id), asked.name(), asked.note(), document, who.getName());
  }

  record VersionAsked(String note, CoreJson document) {}

  /** Keeps the next version of a set. */
  @PostMapping("/{set}/versions")
  @May.EditSequence
  SharedSets.Kept keep(
      @PathVariable UUID id,
      @PathVariable UUID set,
      @RequestBody VersionAsked asked,
      Principal who) {
    String document = bounded(asked.document());
    return sets.keep(rights.productionOf(id), set, asked.note(), document, who.getName());
  }

  @GetMapping(path = "/{set}/versions/{number}", produces = MediaType.APPLICATION_JSON_VALUE)
  @May.LookAtSequence
  String document(@PathVariable UUID id, @PathVariable UUID set, @PathVariable int number) {
    return sets.document(rights.productionOf(id), set, number);
  }

  /**
   * What a camera would see with a version of a placed set, as PNG; with the one that stands here,
   * what it sees.
   *
   * @param placed the id of the placing
   */
  @GetMapping(path = "/placed/{placed}/versions/{number}.png", produces = MediaType.IMAGE_PNG_VALUE)
  @May.EditSequence
  byte[] picture(
      @PathVariable UUID id,
      @PathVariable String placed,
      @PathVariable int number,
      @RequestParam String camera,
      @RequestParam int frame) {
    return pictures.of(id, rights.productionOf(id), placed, number, camera, frame);
  }

  private static String bounded(CoreJson set) {
    String document = CoreJson.textOf(set);
    if (document == null || document.length() > LARGEST)
      throw new Problem(HttpStatus.BAD_REQUEST, "request", "A set is JSON of at most 64 MB.");
    return document;
  }
}
