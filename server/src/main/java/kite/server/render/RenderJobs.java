package kite.server.render;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.transaction.annotation.Transactional;

interface RenderJobs extends JpaRepository<RenderJob, UUID> {
  List<RenderJob> findTop50BySequenceIdOrderByAskedAtDesc(UUID sequence);

  @Query("select j.stopAsked from RenderJob j where j.id = :id")
  boolean stopAsked(UUID id);

  @Modifying
  @Transactional
  @Query("update RenderJob j set j.stopAsked = true where j.id = :id")
  int askStop(UUID id);

  @Modifying
  @Transactional
  @Query("update RenderJob j set j.state = :state, j.message = :message where j.id = :id")
  int say(UUID id, RenderJob.State state, String message);
}
