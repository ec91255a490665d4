package kite.server.account;

import java.util.List;
import java.util.UUID;
import kite.core.document.Sequence;
import kite.demo.SaltWind;
import kite.server.asset.AssetStore;
import kite.server.sequence.Library;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Puts the demonstration production into an empty database, in demo mode only. */
@Component
class DemoData implements ApplicationRunner {
  static final String ARTIST = "pim";
  static final String ARTIST_PASSWORD = "hold-on-tight";
  static final String REVIEWER = "oda";
  static final String REVIEWER_PASSWORD = "keep-the-light";
  private final Accounts accounts;
  private final PasswordEncoder passwords;
  private final ObjectProvider<AssetStore> assets;
  private final ObjectProvider<Library> library;
  private final boolean demo;

  DemoData(
      Accounts accounts,
      PasswordEncoder passwords,
      ObjectProvider<AssetStore> assets,
      ObjectProvider<Library> library,
      @Value("${kite.demo}") boolean demo) {
    this.accounts = accounts;
    this.passwords = passwords;
    this.assets = assets;
    this.library = library;
    this.demo = demo;
  }

  @Override
  @Transactional
  public void run(ApplicationArguments args) throws Exception {
    if (!demo || accounts.count() > 0) return;
    accounts.save(
        new Account(
            UUID.randomUUID(),
            ARTIST,
            passwords.encode(ARTIST_PASSWORD),
            Account.Role.ARTIST,
            true));
    accounts.save(
        new Account(
            UUID.randomUUID(),
            REVIEWER,
            passwords.encode(REVIEWER_PASSWORD),
            Account.Role.REVIEWER,
            true));
    SaltWind salt = new SaltWind();
    AssetStore models = assets.getObject();
    for (SaltWind.Asset a : salt.assets()) models.keep(a.name(), a.bytes());
    for (SaltWind.Asset a : salt.plate()) models.keepImage(a.name(), a.bytes());
    List<Sequence> all = List.of(salt.sw010(), salt.sw020(), salt.sw030());
    library
        .getObject()
        .addDemonstration(SaltWind.PRODUCTION, SaltWind.CODE, all.get(0).header().standards(), all);
  }
}
