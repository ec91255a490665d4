package kite.server.watch;

import java.net.URI;
import java.net.URISyntaxException;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import kite.server.Problem;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;

/**
 * Which addresses may be told: those of hosts that the application's settings name. A lead can have
 * the server call an address, and must not reach with it what only the server can.
 */
@Component
class Reach {
  private static final String ALL = "*", BELOW = "*.";
  private static final Set<String> SCHEMES = Set.of("http", "https");
  private static final int LONGEST = 500;

  private final List<String> hosts;

  /**
   * @param hosts names, names with a port, {@code *.name} for all below a name, or {@code *} for
   *     all
   */
  Reach(@Value("${kite.watchers.hosts}") List<String> hosts) {
    this.hosts = hosts.stream().map(h -> h.strip().toLowerCase(Locale.ROOT)).toList();
  }

  /** The address as it is kept, or a sentence why it may not be told. */
  String checked(String address) {
    URI uri = read(address == null ? "" : address.strip());
    if (!allows(uri))
      throw bad(
          "“"
              + uri.getHost()
              + "” may not be told from here. It may reach: "
              + String.join(", ", hosts)
              + ". Whoever runs the application names more in KITE_WATCHERS.");
    return uri.toString();
  }

  /** Whether an address may still be told: settings change. */
  boolean allows(URI uri) {
    String host = uri.getHost().toLowerCase(Locale.ROOT);
    for (String h : hosts)
      if (h.equals(ALL)
          || h.equals(host)
          || h.equals(host + ":" + uri.getPort())
          || h.startsWith(BELOW) && host.endsWith(h.substring(1))) return true;
    return false;
  }

  private static URI read(String address) {
    try {
      URI uri = new URI(address);
      if (address.length() <= LONGEST
          && uri.getScheme() != null
          && SCHEMES.contains(uri.getScheme().toLowerCase(Locale.ROOT))
          && uri.getHost() != null
          && uri.getUserInfo() == null
          && uri.getFragment() == null) return uri;
    } catch (URISyntaxException e) {
      // said below
    }
    throw bad(
        "This is no address that can be told. It begins with https:// or http:// and a host.");
  }

  private static Problem bad(String text) {
    return new Problem(HttpStatus.UNPROCESSABLE_CONTENT, "address", "address", text);
  }
}
