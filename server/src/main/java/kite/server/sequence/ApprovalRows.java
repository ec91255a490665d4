package kite.server.sequence;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface ApprovalRows extends JpaRepository<Approval, Approval.Key> {
  @Query("select a from Approval a where a.key.sequenceId = :sequence order by a.approvedAt")
  List<Approval> of(UUID sequence);
}
