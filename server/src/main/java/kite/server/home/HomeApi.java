package kite.server.home;

import java.security.Principal;
import java.util.UUID;
import kite.server.account.Accounts;
import kite.server.rights.May;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Pictures of sequences, and the ones that somebody likes to have first. */
@RestController
@RequestMapping("/api/sequences/{id}")
class HomeApi {
  private final Pictures pictures;
  private final Favourites favourites;
  private final Accounts accounts;

  HomeApi(Pictures pictures, Favourites favourites, Accounts accounts) {
    this.pictures = pictures;
    this.favourites = favourites;
    this.accounts = accounts;
  }

  @GetMapping("/picture.png")
  @May.SeeSequence
  ResponseEntity<byte[]> picture(@PathVariable UUID id) {
    return ResponseEntity.ok()
        .cacheControl(CacheControl.noCache().cachePrivate())
        .contentType(MediaType.IMAGE_PNG)
        .body(pictures.of(id));
  }

  record FavouriteAsked(boolean favourite) {}

  /** Puts a sequence among one's own favourites, or takes it out. */
  @PostMapping("/favourite")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @May.LookAtSequence
  void favourite(@PathVariable UUID id, @RequestBody FavouriteAsked asked, Principal who) {
    UUID account = accounts.findByName(who.getName()).orElseThrow().id();
    Favourite.Key key = new Favourite.Key(account, id);
    if (!asked.favourite()) favourites.deleteById(key);
    else if (!favourites.existsById(key)) favourites.save(new Favourite(key));
  }
}
