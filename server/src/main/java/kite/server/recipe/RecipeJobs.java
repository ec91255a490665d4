package kite.server.recipe;

import com.github.kagkarlsson.scheduler.task.FailureHandler;
import com.github.kagkarlsson.scheduler.task.TaskDescriptor;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.UUID;
import kite.exchange.Json;
import kite.server.Problem;
import kite.server.queue.Errand;
import kite.server.queue.Errands;
import kite.server.rights.Rights;
import kite.server.rights.Role;
import kite.server.rights.Who;
import kite.server.sequence.Editor;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Recipes that run as jobs: nobody waits for them, they tell how far they are and can be stopped.
 */
@Service
class RecipeJobs {
  private static final TaskDescriptor<UUID> RECIPE = TaskDescriptor.of("recipe", UUID.class);

  /** The engine's own limits are below it: of silence, memory and commands. */
  private static final Duration LONGEST = Duration.ofMinutes(15);

  /** What one person may have under way, and how many ended ones a sequence keeps. */
  private static final int MOST = 10, KEPT = 50;

  private static final String STOPPED = "It was stopped. Nothing was changed.";

  private final RecipeRunRows rows;
  private final RecipeRuns runs;
  private final Errands errands;
  private final Rights rights;
  private final TransactionTemplate together;
  private final Clock clock;

  RecipeJobs(
      RecipeRunRows rows,
      RecipeRuns runs,
      Errands errands,
      Rights rights,
      PlatformTransactionManager transactions,
      Clock clock) {
    this.together = new TransactionTemplate(transactions);
    this.rows = rows;
    this.runs = runs;
    this.errands = errands;
    this.rights = rights;
    this.clock = clock;
  }

  /**
   * How far a run is.
   *
   * @param share how much is done, 0–1, as the recipe says
   * @param message why it ended without a result; "" else
   * @param came what came of it; null until it is done
   */
  record Shown(
      UUID id,
      RecipeRun.State state,
      double share,
      String message,
      String by,
      Instant askedAt,
      RecipeRuns.Ran came) {}

  /** Takes a recipe in, to be run as soon as a server is free. */
  @Transactional
  public Shown ask(UUID sequence, RecipeRuns.Asked asked, String who) {
    RecipeRuns.refuseTooLong(asked);
    if (rows.unfinished(who) >= MOST)
      throw new Problem(
          HttpStatus.TOO_MANY_REQUESTS,
          "limit",
          MOST + " of your recipes have not ended. Wait for one, or stop one.");
    rows.forget(sequence, KEPT);
    RecipeRun r = new RecipeRun();
    r.id = UUID.randomUUID();
    r.sequenceId = sequence;
    r.asked = Json.MAPPER.writeValueAsString(asked);
    r.byName = who;
    r.askedAt = clock.instant();
    r.state = RecipeRun.State.WAITING;
    r.message = "";
    rows.save(r);
    errands.add(RECIPE, r.id.toString(), r.id);
    return shown(r);
  }

  @Transactional(readOnly = true)
  public Shown of(UUID sequence, UUID id) {
    return shown(one(sequence, id));
  }

  /** Stops a run, soon; one that has ended, or whose edit is made, stays as it is. */
  @Transactional
  public Shown stop(UUID sequence, UUID id, String who, Role role) {
    RecipeRun r = one(sequence, id);
    if (!r.byName.equals(who) && role != Role.LEAD)
      throw new Problem(
          HttpStatus.FORBIDDEN,
          "rights",
          "Whoever began it stops it, or a lead. Ask " + r.byName + ".");
    rows.askStop(id);
    rows.endUnbegun(id, STOPPED, clock.instant());
    return shown(one(sequence, id));
  }

  private RecipeRun one(UUID sequence, UUID id) {
    return rows.findByIdAndSequenceId(id, sequence).orElseThrow(() -> Problem.missing("run"));
  }

  private static Shown shown(RecipeRun r) {
    return new Shown(
        r.id,
        r.state,
        r.share,
        r.message,
        r.byName,
        r.askedAt,
        r.came == null || r.state.underWay() ? null : ran(r));
  }

  @Bean
  static Errand recipeErrand(ObjectProvider<RecipeJobs> jobs) {
    return () ->
        Tasks.oneTime(RECIPE)
            .onFailure(new FailureHandler.OnFailureRetryLater<>(Duration.ofSeconds(5)))
            .onDeadExecutionRevive()
            .execute((task, context) -> jobs.getObject().run(task.getData()));
  }

  /**
   * Runs one, as who asked for it, by what they may now. One whose server ended after its edit was
   * made goes on from there: it is not run again on what it made itself.
   */
  void run(UUID id) {
    RecipeRun r = rows.findById(id).orElse(null);
    if (r == null || rows.begin(id) == 0) return;
    if (r.stopAsked && r.came == null) { // and the server ended that ran it
      end(id, RecipeRun.State.STOPPED, STOPPED, null, 0);
      return;
    }
    SecurityContext context = SecurityContextHolder.createEmptyContext();
    context.setAuthentication(Who.account(r.byName));
    SecurityContextHolder.setContext(context);
    try {
      if (r.came == null) rights.sequence(r.sequenceId, Role.ARTIST.name());
      RecipeRuns.Asked asked = Json.MAPPER.readValue(r.asked, RecipeRuns.Asked.class);
      Editor by = new Editor(r.byName, false);
      RecipeRuns.Ran kept = r.came == null ? kept(r, asked, by) : ran(r);
      RecipeRuns.Ran ran = runs.begun(r.sequenceId, id, asked, kept, by);
      end(id, ran.failed() ? RecipeRun.State.FAILED : RecipeRun.State.DONE, "", written(ran), 1);
    } catch (RecipeEngine.Stopped e) {
      end(id, RecipeRun.State.STOPPED, STOPPED, null, 0);
    } catch (Problem e) {
      end(id, RecipeRun.State.FAILED, e.getMessage(), null, 0);
    } finally {
      SecurityContextHolder.clearContext();
    }
  }

  /** Runs it; its edit is made together with the note of what came, or neither. */
  private RecipeRuns.Ran kept(RecipeRun r, RecipeRuns.Asked asked, Editor by) {
    RecipeRuns.Tried tried = runs.tried(r.sequenceId, asked, new Watching(r.id));
    return together.execute(
        x -> {
          RecipeRuns.Ran kept = runs.kept(r.sequenceId, r.id, asked, tried, by);
          rows.came(r.id, written(kept));
          return kept;
        });
  }

  private static String written(RecipeRuns.Ran ran) {
    return Json.MAPPER.writeValueAsString(ran);
  }

  private static RecipeRuns.Ran ran(RecipeRun r) {
    return Json.MAPPER.readValue(r.came, RecipeRuns.Ran.class);
  }

  private void end(UUID id, RecipeRun.State state, String message, String came, double share) {
    rows.end(id, state, message, came, share, clock.instant());
  }

  /** Keeps how far a run is, and looks whether it is to stop. */
  private final class Watching implements RecipeEngine.Watching {
    private final UUID id;

    Watching(UUID id) {
      this.id = id;
    }

    @Override
    public Duration longest() {
      return LONGEST;
    }

    @Override
    public void share(double share) {
      rows.share(id, share);
    }

    @Override
    public boolean isToStop() {
      return rows.stopAsked(id);
    }
  }
}
