import generated.ApiClient;
import generated.ApiException;
import generated.api.LibraryApi;
import generated.api.RecipeApi;
import generated.api.SequenceApi;
import generated.api.WatcherApi;
import generated.model.RecipeRunsAsked;
import generated.model.RecipeRunsRan;
import generated.model.WatchersGiven;
import java.net.URI;
import java.util.List;
import java.util.Map;
import java.util.UUID;

/** What a pipeline might do with the client that was made for it: JavaClientTest runs it. */
public class UseOfTheClient {
  /**
   * @param a address, token, and the id of a sequence
   */
  public static void main(String[] a) throws Exception {
    URI at = URI.create(a[0]);
    UUID sequence = UUID.fromString(a[2]);
    ApiClient client = new ApiClient();
    client.setScheme(at.getScheme());
    client.setHost(at.getHost());
    client.setPort(at.getPort());
    client.setRequestInterceptor(rq -> rq.header("Authorization", "Bearer " + a[1]));

    LibraryApi library = new LibraryApi(client);
    String code =
        library.libraryList(null, null, null, null, null, null, null).stream()
            .filter(s -> s.getId().equals(sequence))
            .findFirst()
            .orElseThrow()
            .getCode();
    System.out.println(code);

    RecipeApi recipes = new RecipeApi(client);
    RecipeRunsRan ran =
        recipes.recipeRun(
            sequence,
            new RecipeRunsAsked()
                .script("kite.standIn('box', 'By a client')")
                .set(Map.of())
                .name("Client"));
    System.out.println(ran.getChanges() + " changes");

    UUID production = library.libraryProductions().get(0).getId();
    WatcherApi watchers = new WatcherApi(client);
    UUID watcher =
        watchers
            .watcherAdd(
                production,
                new WatchersGiven()
                    .name("Client")
                    .address("http://127.0.0.1:9/")
                    .kinds(List.of("version"))
                    .active(false))
            .getWatcher()
            .getId();
    System.out.println(watchers.watcherList(production).size() + " watcher");
    watchers.watcherRemove(production, watcher);

    try {
      new SequenceApi(client).sequenceEdit(sequence, new generated.model.SequenceEditAsked()
          .id(UUID.randomUUID())
          .revision(ran.getRevision())
          .label("Wrong")
          .commands(List.of(Map.of("kind", "rename", "id", "nobody", "name", "x"))));
    } catch (ApiException e) {
      System.out.println("refused " + e.getCode());
    }
  }
}
