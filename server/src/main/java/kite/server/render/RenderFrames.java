package kite.server.render;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface RenderFrames extends JpaRepository<RenderFrame, RenderFrame.Key> {
  int countByJobId(UUID jobId);

  List<RenderFrame> findByJobIdOrderByNumber(UUID jobId);
}
