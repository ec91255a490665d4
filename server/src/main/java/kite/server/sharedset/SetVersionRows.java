package kite.server.sharedset;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface SetVersionRows extends JpaRepository<SetVersionRow, SetVersionRow.Key> {
  /** All of a production's but their documents, the newest first. */
  @Query(
      "select v.key.setId, v.key.number, v.author, v.madeAt, v.note from SetVersionRow v, SetRow s"
          + " where s.id = v.key.setId and s.productionId = :production order by v.key.number desc")
  List<Object[]> list(UUID production);

  @Query("select coalesce(max(v.key.number), 0) from SetVersionRow v where v.key.setId = :set")
  int last(UUID set);
}
