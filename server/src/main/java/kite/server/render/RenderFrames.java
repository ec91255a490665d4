package kite.server.render;

import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface RenderFrames extends JpaRepository<RenderFrame, RenderFrame.Key> {
  int countByJobId(UUID jobId);
}
