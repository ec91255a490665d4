package kite.server.render;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface RenderFrames extends JpaRepository<RenderFrame, RenderFrame.Key> {
  List<RenderFrame> findByJobIdOrderByNumber(UUID jobId);
}
