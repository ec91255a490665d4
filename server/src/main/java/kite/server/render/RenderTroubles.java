package kite.server.render;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface RenderTroubles extends JpaRepository<RenderTrouble, RenderFrame.Key> {
  List<RenderTrouble> findByJobIdOrderByNumber(UUID jobId);

  @Modifying
  @Query("delete from RenderTrouble t where t.jobId = :job")
  void deleteOf(UUID job);
}
