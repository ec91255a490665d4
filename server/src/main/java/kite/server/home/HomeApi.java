package kite.server.home;

import java.security.Principal;
import java.util.UUID;
import javax.sql.DataSource;
import kite.server.rights.May;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.jdbc.core.JdbcTemplate;
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
  private final JdbcTemplate database;

  HomeApi(Pictures pictures, DataSource database) {
    this.pictures = pictures;
    this.database = new JdbcTemplate(database);
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
    String account = "(select id from account where name = ?)";
    if (asked.favourite())
      database.update(
          "insert into favourite (account_id, sequence_id) values ("
              + account
              + ", ?) on conflict do nothing",
          who.getName(),
          id);
    else
      database.update(
          "delete from favourite where account_id = " + account + " and sequence_id = ?",
          who.getName(),
          id);
  }
}
