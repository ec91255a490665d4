package kite.server.sequence;

import jakarta.persistence.EntityManager;
import java.util.List;
import java.util.UUID;
import org.hibernate.Session;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Component;

/**
 * Takes a sequence away with all that belongs to it. Models and plates stay: others may use them.
 */
@Component
class Removing {
  private static final List<String> STATEMENTS =
      List.of(
          "delete from work where job in"
              + " (select id::text from render_job where sequence_id = :sequence)",
          "delete from render_trouble where job_id in"
              + " (select id from render_job where sequence_id = :sequence)",
          "delete from render_frame where job_id in"
              + " (select id from render_job where sequence_id = :sequence)",
          "delete from render_job where sequence_id = :sequence",
          "delete from sequence_version where sequence_id = :sequence",
          "delete from edit where sequence_id = :sequence",
          "delete from snapshot where sequence_id = :sequence",
          "delete from sequence where id = :sequence");

  private final EntityManager database;
  private final OpenSequences open;
  private final ApplicationEventPublisher events;

  Removing(EntityManager database, OpenSequences open, ApplicationEventPublisher events) {
    this.database = database;
    this.open = open;
    this.events = events;
  }

  /** Part of the transaction that asks for it. */
  void forGood(UUID sequence) {
    database.flush();
    database.clear();
    held("select id from sequence where id = :sequence for update", sequence);
    List<UUID> renders =
        held(
            "select id from render_job where sequence_id = :sequence order by id for update",
            sequence);
    for (String s : STATEMENTS)
      database.createNativeQuery(s).setParameter("sequence", sequence).executeUpdate();
    open.forget(sequence);
    events.publishEvent(new SequenceRemoved(sequence, renders));
  }

  /**
   * Rows that nobody else changes, or adds something to, until this is over: neither a render nor a
   * frame that a worker brings comes between.
   */
  private List<UUID> held(String ids, UUID sequence) {
    return database
        .unwrap(Session.class)
        .createNativeQuery(ids, UUID.class)
        .setParameter("sequence", sequence)
        .getResultList();
  }

  /** A production that has no sequences any more. Part of the transaction that asks for it. */
  void production(UUID id) {
    for (String s :
        List.of(
            "delete from saved_rig where production_id = :production",
            "delete from production where id = :production"))
      database.createNativeQuery(s).setParameter("production", id).executeUpdate();
  }
}
