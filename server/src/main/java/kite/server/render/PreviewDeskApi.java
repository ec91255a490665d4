package kite.server.render;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.net.URI;
import kite.server.account.Entering;
import kite.server.rights.May;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Where a browser of the server's own comes in, to draw one preview. */
@RestController
@RequestMapping("/api/previews/desk")
class PreviewDeskApi {
  private final PreviewBrowser browser;
  private final Entering entering;

  PreviewDeskApi(PreviewBrowser browser, Entering entering) {
    this.browser = browser;
    this.entering = entering;
  }

  @GetMapping("/{key}")
  @May.BeAnyone
  ResponseEntity<Void> comeIn(
      @PathVariable String key, HttpServletRequest rq, HttpServletResponse rs) {
    PreviewBrowser.Let let = browser.comeIn(key);
    entering.as(let.who(), "to draw a preview, by the server's browser", rq, rs);
    browser.cameIn(let.job(), rq.getSession().getId());
    return ResponseEntity.status(HttpStatus.FOUND)
        .location(URI.create(rq.getContextPath() + "/?preview=" + let.job()))
        .build();
  }
}
