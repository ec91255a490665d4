package kite.server.recipe;

import java.security.Principal;
import java.util.List;
import java.util.UUID;
import kite.server.rights.May;
import kite.server.rights.Rights;
import kite.server.rights.Role;
import kite.server.sequence.Editor;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Recipes on a sequence: run, and kept by its production and those who work there. */
@RestController
@RequestMapping("/api/sequences/{id}/recipes")
class RecipeApi {
  private final RecipeShelf shelf;
  private final RecipeRuns runs;
  private final RecipeJobs jobs;
  private final Rights rights;

  RecipeApi(RecipeShelf shelf, RecipeRuns runs, RecipeJobs jobs, Rights rights) {
    this.jobs = jobs;
    this.shelf = shelf;
    this.runs = runs;
    this.rights = rights;
  }

  /**
   * @param after the version that was changed; for one that is there
   */
  record RecipeGiven(String name, String script, String notes, boolean shared, int after) {
    RecipeShelf.Given given() {
      return new RecipeShelf.Given(name, script, notes, shared);
    }
  }

  /** Runs a recipe: what it makes is one edit, unless it is dry or only asked for what it needs. */
  @PostMapping
  @May.EditSequence
  RecipeRuns.Ran run(@PathVariable UUID id, @RequestBody RecipeRuns.Asked asked, Principal who) {
    return runs.run(id, asked, new Editor(who.getName(), false));
  }

  /** Begins to run one that may take longer than anybody waits. */
  @PostMapping("/runs")
  @May.EditSequence
  RecipeJobs.Shown begin(
      @PathVariable UUID id, @RequestBody RecipeRuns.Asked asked, Principal who) {
    return jobs.ask(id, asked, who.getName());
  }

  @GetMapping("/runs/{run}")
  @May.LookAtSequence
  RecipeJobs.Shown howFar(@PathVariable UUID id, @PathVariable UUID run) {
    return jobs.of(id, run);
  }

  @PostMapping("/runs/{run}/stop")
  @May.EditSequence
  RecipeJobs.Shown stop(@PathVariable UUID id, @PathVariable UUID run, Principal who) {
    return jobs.stop(id, run, who.getName(), rights.roleIn(id));
  }

  @GetMapping("/kept")
  @May.LookAtSequence
  List<RecipeShelf.Shown> list(@PathVariable UUID id, Principal who) {
    return shelf.list(rights.productionOf(id), who.getName());
  }

  @PostMapping("/kept")
  @May.EditSequence
  RecipeShelf.Whole keep(@PathVariable UUID id, @RequestBody RecipeGiven asked, Principal who) {
    return shelf.keep(rights.productionOf(id), asked.given(), who.getName());
  }

  @GetMapping("/kept/{recipe}")
  @May.LookAtSequence
  RecipeShelf.Whole whole(
      @PathVariable UUID id,
      @PathVariable UUID recipe,
      @RequestParam(required = false) Integer version,
      Principal who) {
    return shelf.whole(rights.productionOf(id), recipe, version, who.getName());
  }

  @GetMapping("/kept/{recipe}/versions")
  @May.LookAtSequence
  List<RecipeVersions.Listed> versions(
      @PathVariable UUID id, @PathVariable UUID recipe, Principal who) {
    return shelf.versions(rights.productionOf(id), recipe, who.getName());
  }

  @PutMapping("/kept/{recipe}")
  @May.EditSequence
  RecipeShelf.Whole keepAnother(
      @PathVariable UUID id,
      @PathVariable UUID recipe,
      @RequestBody RecipeGiven asked,
      Principal who) {
    return shelf.keep(rights.productionOf(id), recipe, asked.after(), asked.given(), who.getName());
  }

  @DeleteMapping("/kept/{recipe}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @May.EditSequence
  void remove(@PathVariable UUID id, @PathVariable UUID recipe, Principal who) {
    shelf.remove(rights.productionOf(id), recipe, who.getName(), rights.roleIn(id) == Role.LEAD);
  }
}
