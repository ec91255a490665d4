package kite.server.beginning;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.UUID;
import kite.core.document.Sequence;
import kite.demo.SaltWind;
import kite.exchange.BadFile;
import kite.server.account.Account;
import kite.server.account.Accounts;
import kite.server.asset.AssetStore;
import kite.server.rights.Member;
import kite.server.rights.Members;
import kite.server.rights.Role;
import kite.server.sequence.Library;
import kite.server.sound.Recordings;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Puts the demonstration production into an empty database, in demo mode only. */
@Component
public class DemoData implements ApplicationRunner {
  private static final Logger LOG = LoggerFactory.getLogger(DemoData.class);
  public static final String ARTIST = "pim";
  public static final String ARTIST_PASSWORD = "hold-on-tight";
  public static final String REVIEWER = "oda";
  public static final String REVIEWER_PASSWORD = "keep-the-light";
  private final Accounts accounts;
  private final PasswordEncoder passwords;
  private final ObjectProvider<AssetStore> assets;
  private final ObjectProvider<Recordings> recordings;
  private final ObjectProvider<Library> library;
  private final Members members;
  private final boolean demo;

  DemoData(
      Accounts accounts,
      PasswordEncoder passwords,
      ObjectProvider<AssetStore> assets,
      ObjectProvider<Recordings> recordings,
      ObjectProvider<Library> library,
      Members members,
      @Value("${kite.demo}") boolean demo) {
    this.members = members;
    this.accounts = accounts;
    this.passwords = passwords;
    this.assets = assets;
    this.recordings = recordings;
    this.library = library;
    this.demo = demo;
  }

  @Override
  @Transactional
  public void run(ApplicationArguments args) throws Exception {
    if (!demo || accounts.count() > 0) return;
    Account artist = accounts.save(made(ARTIST, ARTIST_PASSWORD).administering());
    Account reviewer = accounts.save(made(REVIEWER, REVIEWER_PASSWORD));
    SaltWind salt = new SaltWind();
    AssetStore models = assets.getObject();
    for (SaltWind.Asset a : salt.assets()) models.keep(a.name(), a.bytes());
    for (SaltWind.Asset a : salt.plate()) models.keepImage(a.name(), a.bytes());
    models.keepImage(SaltWind.board().name(), SaltWind.board().bytes());
    keepRecording(SaltWind.recording());
    List<Sequence> all = List.of(salt.sw010(), salt.sw020(), salt.sw030());
    UUID production =
        library
            .getObject()
            .addDemonstration(
                SaltWind.PRODUCTION, SaltWind.CODE, all.get(0).header().standards(), all);
    members.save(new Member(artist.id(), production, Role.LEAD));
    members.save(new Member(reviewer.id(), production, Role.REVIEWER));
  }

  private void keepRecording(SaltWind.Asset a) throws BadFile, IOException {
    Path file = Files.createTempFile("scratch", ".ogg");
    try {
      Files.write(file, a.bytes());
      recordings.getObject().keep(a.name(), file);
    } catch (IOException e) {
      LOG.warn("The demonstration has no sound", e); // there is no ffmpeg, say
    } finally {
      Files.deleteIfExists(file);
    }
  }

  private Account made(String name, String password) {
    return new Account(UUID.randomUUID(), name, passwords.encode(password)).ofDemonstration();
  }
}
