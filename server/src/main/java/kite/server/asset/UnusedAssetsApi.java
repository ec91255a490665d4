package kite.server.asset;

import java.security.Principal;
import kite.server.rights.May;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Room that can be had back. All documents are read for it: not to be asked again and again. */
@RestController
@RequestMapping("/api/administration/unused-assets")
class UnusedAssetsApi {
  private final UnusedAssets unused;

  UnusedAssetsApi(UnusedAssets unused) {
    this.unused = unused;
  }

  @GetMapping
  @May.Administer
  UnusedAssets.Found look() {
    return unused.look();
  }

  @DeleteMapping
  @May.Administer
  UnusedAssets.Found takeAway(Principal who) {
    return unused.takeAway(who.getName());
  }
}
