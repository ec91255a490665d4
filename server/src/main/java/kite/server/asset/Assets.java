package kite.server.asset;

import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface Assets extends JpaRepository<AssetRow, String> {
  /** A model's rig alone, without its file. */
  @Query("select a.rig from AssetRow a where a.sha256 = :sha")
  String rigOf(String sha);
}
