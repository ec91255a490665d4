package kite.server.asset;

import java.time.Instant;
import java.util.Set;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.transaction.annotation.Transactional;

interface Assets extends JpaRepository<AssetRow, String> {
  /** A model's rig alone, without its file. */
  @Query("select a.rig from AssetRow a where a.sha256 = :sha")
  String rigOf(String sha);

  @Query("select a.peaks from AssetRow a where a.sha256 = :sha")
  byte[] peaksOf(String sha);

  @Modifying
  @Transactional
  @Query("update AssetRow a set a.keptAt = :at where a.sha256 = :sha")
  void broughtAgain(String sha, Instant at);

  @Query("select a.sha256 from AssetRow a where a.sha256 in :some")
  Set<String> there(Set<String> some);
}
