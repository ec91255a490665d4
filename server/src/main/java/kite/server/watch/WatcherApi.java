package kite.server.watch;

import jakarta.servlet.http.HttpServletRequest;
import java.security.Principal;
import java.util.List;
import java.util.UUID;
import kite.server.rights.May;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The watchers of a production. */
@RestController
@RequestMapping("/api/productions/{id}/watchers")
class WatcherApi {
  private final Watchers watchers;

  WatcherApi(Watchers watchers) {
    this.watchers = watchers;
  }

  @GetMapping
  @May.LeadProduction
  List<Watchers.Shown> list(@PathVariable UUID id) {
    return watchers.of(id);
  }

  @PostMapping
  @May.LeadProduction
  Watchers.Made add(
      @PathVariable UUID id,
      @RequestBody Watchers.Given given,
      Principal who,
      HttpServletRequest rq) {
    return watchers.add(id, given, who.getName(), rq.getRemoteAddr());
  }

  @PutMapping("/{watcher}")
  @May.LeadProduction
  Watchers.Shown change(
      @PathVariable UUID id,
      @PathVariable UUID watcher,
      @RequestBody Watchers.Given given,
      Principal who,
      HttpServletRequest rq) {
    return watchers.change(id, watcher, given, who.getName(), rq.getRemoteAddr());
  }

  @PostMapping("/{watcher}/secret")
  @May.LeadProduction
  Watchers.Made renew(
      @PathVariable UUID id, @PathVariable UUID watcher, Principal who, HttpServletRequest rq) {
    return watchers.renew(id, watcher, who.getName(), rq.getRemoteAddr());
  }

  /**
   * @param telling what was added to what it is told
   */
  record Said(UUID telling) {}

  /** Tells it something to see whether it hears. */
  @PostMapping("/{watcher}/hello")
  @May.LeadProduction
  Said hello(@PathVariable UUID id, @PathVariable UUID watcher, Principal who) {
    return new Said(watchers.hello(id, watcher, who.getName()));
  }

  @GetMapping("/{watcher}/tellings")
  @May.LeadProduction
  List<Watchers.Told> told(@PathVariable UUID id, @PathVariable UUID watcher) {
    return watchers.told(id, watcher);
  }

  @PostMapping("/{watcher}/tellings/{telling}/again")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @May.LeadProduction
  void again(@PathVariable UUID id, @PathVariable UUID watcher, @PathVariable UUID telling) {
    watchers.again(id, watcher, telling);
  }

  @DeleteMapping("/{watcher}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @May.LeadProduction
  void remove(
      @PathVariable UUID id, @PathVariable UUID watcher, Principal who, HttpServletRequest rq) {
    watchers.remove(id, watcher, who.getName(), rq.getRemoteAddr());
  }
}
