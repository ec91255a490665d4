package kite.server.sequence;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface Versions extends JpaRepository<VersionRow, UUID> {
  Optional<VersionRow> findBySequenceIdAndNumber(UUID sequence, int number);

  /** All but their documents, the newest first. */
  @Query(
      "select new kite.server.sequence.VersionStore$Kept(v.number, v.name, v.note, v.author,"
          + " v.keptAt, v.revision) from VersionRow v where v.sequenceId = :sequence"
          + " order by v.number desc")
  List<VersionStore.Kept> list(UUID sequence);

  @Query("select coalesce(max(v.number), 0) from VersionRow v where v.sequenceId = :sequence")
  int last(UUID sequence);
}
