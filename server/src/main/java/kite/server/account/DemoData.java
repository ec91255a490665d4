package kite.server.account;

import java.util.UUID;
import kite.demo.SaltWind;
import kite.server.asset.AssetStore;
import kite.server.sequence.SequenceStore;
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
  private final AssetStore assets;
  private final SequenceStore sequences;
  private final boolean demo;

  DemoData(
      Accounts accounts,
      PasswordEncoder passwords,
      AssetStore assets,
      SequenceStore sequences,
      @Value("${kite.demo}") boolean demo) {
    this.accounts = accounts;
    this.passwords = passwords;
    this.assets = assets;
    this.sequences = sequences;
    this.demo = demo;
  }

  @Override
  @Transactional
  public void run(ApplicationArguments args) throws Exception {
    if (!demo || accounts.count() > 0) return;
    accounts.save(
        new Account(
            UUID.randomUUID(), ARTIST, passwords.encode(ARTIST_PASSWORD), Account.Role.ARTIST));
    accounts.save(
        new Account(
            UUID.randomUUID(),
            REVIEWER,
            passwords.encode(REVIEWER_PASSWORD),
            Account.Role.REVIEWER));
    SaltWind salt = new SaltWind();
    for (SaltWind.Asset a : salt.assets()) assets.keep(a.name(), a.bytes());
    for (SaltWind.Asset a : salt.plate()) assets.keepImage(a.name(), a.bytes());
    sequences.create(SaltWind.PRODUCTION, salt.sw010());
    sequences.create(SaltWind.PRODUCTION, salt.sw020());
    sequences.create(SaltWind.PRODUCTION, salt.sw030());
  }
}
