package kite.server.asset;

import jakarta.persistence.EntityManager;
import java.util.Collection;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Which models and images belong to which production. */
@Service
public class ProductionAssets {
  private final EntityManager database;

  ProductionAssets(EntityManager database) {
    this.database = database;
  }

  /** Makes assets belong to a production, too. Those that are not kept are passed over. */
  @Transactional
  public void give(UUID production, Collection<String> assets) {
    if (assets.isEmpty()) return;
    database
        .createNativeQuery(
            "insert into production_asset (production_id, sha256)"
                + " select :production, sha256 from asset where sha256 in (:assets)"
                + " on conflict do nothing")
        .setParameter("production", production)
        .setParameter("assets", assets)
        .executeUpdate();
  }

  /** As above, but of those assets only that somebody sees already: in a production of theirs. */
  @Transactional
  public void giveSeen(UUID production, Collection<String> assets, String by) {
    if (assets.isEmpty()) return;
    database
        .createNativeQuery(
            "insert into production_asset (production_id, sha256)"
                + " select distinct cast(:production as uuid), b.sha256 from production_asset b, account a"
                + " where b.sha256 in (:assets) and a.name = :by and (a.administers or exists"
                + " (select 1 from member m where m.account_id = a.id"
                + " and m.production_id = b.production_id)) on conflict do nothing")
        .setParameter("production", production)
        .setParameter("assets", assets)
        .setParameter("by", by)
        .executeUpdate();
  }
}
