package kite.server.render;

import java.io.IOException;
import java.io.InputStream;
import java.security.Principal;
import java.util.List;
import java.util.UUID;
import kite.server.CoreJson;
import kite.server.rights.May;
import kite.server.rights.Rights;
import kite.server.rights.Role;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Films of the lens view: asking for one, and taking it from the page that draws it. */
@RestController
@RequestMapping("/api")
class PreviewApi {
  private final Previews previews;
  private final PreviewBrowser browser;
  private final Rights rights;

  PreviewApi(Previews previews, PreviewBrowser browser, Rights rights) {
    this.previews = previews;
    this.browser = browser;
    this.rights = rights;
  }

  /**
   * @param what {@code cut}, {@code range}, {@code shots} or {@code frame}
   * @param spans ids of shots
   * @param range first and last frame of the programme
   * @param camera id of the camera, for a frame
   * @param percent of the delivery size, 5–100
   * @param byServer whether a page of the server's own draws it
   * @param slateInFront whether a picture that says what the film is goes in front; not when left
   *     out
   */
  record PreviewAsked(
      String what,
      List<String> spans,
      List<Integer> range,
      String camera,
      double frame,
      int percent,
      boolean handles,
      boolean byServer,
      Boolean slateInFront,
      Look look) {
    ShotsAsked.Asked shots() {
      return new ShotsAsked.Asked(what, spans, range, camera, frame, handles);
    }
  }

  record Waits(UUID id) {}

  @PostMapping("/sequences/{id}/previews")
  @May.LookAtSequence
  Waits ask(@PathVariable UUID id, @RequestBody PreviewAsked asked, Principal who) {
    boolean artist = rights.roleIn(id).may(Role.ARTIST);
    return new Waits(previews.ask(id, asked, who.getName(), artist));
  }

  /** Whether the server can draw previews without anybody's page. */
  record Drawers(boolean server) {}

  @GetMapping("/previews/drawers")
  @May.HaveAnAccount
  Drawers drawers() {
    return new Drawers(browser.there());
  }

  /** A page that begins, with a name of its own, and in what form it brings what it draws. */
  record Begins(UUID holder, DrawnForm form) {}

  /**
   * All that a page needs to draw a preview.
   *
   * @param done numbers of the frames that are there already, from 1 in the order of the film
   * @param rate frames a second, as a fraction
   */
  record ToDraw(
      UUID sequence,
      CoreJson document,
      List<Shot> shots,
      int width,
      int height,
      int[] rate,
      Look look,
      int numbered,
      String askedBy,
      String askedAt,
      List<Integer> done) {}

  @PostMapping("/renders/{id}/drawing")
  @May.LookAtRender
  ToDraw begin(@PathVariable UUID id, @RequestBody Begins page, Principal who) {
    boolean artist = rights.roleIn(previews.sequenceOf(id)).may(Role.ARTIST);
    return previews.begin(id, page, who.getName(), artist);
  }

  /** Whether to go on. */
  record GoesOn(boolean wanted) {}

  /**
   * A stretch of the film as H.264 (Annex B) that begins with a key frame, or one picture.
   *
   * @param first number of its first frame, from 1
   */
  @PutMapping("/renders/{id}/drawing/{first}")
  @May.LookAtRender
  GoesOn take(
      @PathVariable UUID id,
      @PathVariable int first,
      @RequestParam UUID holder,
      @RequestParam int frames,
      @RequestParam double seconds,
      @RequestHeader(value = "Content-Type", required = false) MediaType type,
      InputStream body)
      throws IOException {
    return new GoesOn(
        previews.take(id, holder, new Previews.Stretch(first, frames, seconds, type), body));
  }

  record Ends(UUID holder, String failure) {}

  /** All is brought, or, with a failure in a sentence, no more will come. */
  @PostMapping("/renders/{id}/drawing/end")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @May.LookAtRender
  void end(@PathVariable UUID id, @RequestBody Ends page) throws InterruptedException {
    previews.end(id, page.holder(), page.failure());
  }
}
