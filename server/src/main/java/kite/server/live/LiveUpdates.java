package kite.server.live;

import jakarta.servlet.http.HttpSession;
import java.io.IOException;
import java.net.URI;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import kite.server.account.SignedOut;
import kite.server.rights.Rights;
import kite.server.rights.Who;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.event.EventListener;
import org.springframework.http.HttpStatus;
import org.springframework.http.server.ServerHttpRequest;
import org.springframework.http.server.ServerHttpResponse;
import org.springframework.http.server.ServletServerHttpRequest;
import org.springframework.security.core.Authentication;
import org.springframework.web.socket.CloseStatus;
import org.springframework.web.socket.TextMessage;
import org.springframework.web.socket.WebSocketHandler;
import org.springframework.web.socket.WebSocketSession;
import org.springframework.web.socket.adapter.standard.StandardWebSocketSession;
import org.springframework.web.socket.config.annotation.EnableWebSocket;
import org.springframework.web.socket.config.annotation.WebSocketConfigurer;
import org.springframework.web.socket.config.annotation.WebSocketHandlerRegistry;
import org.springframework.web.socket.handler.TextWebSocketHandler;
import org.springframework.web.socket.server.HandshakeInterceptor;

/**
 * A socket per open sequence, {@code /api/live?sequence=ID}. Each has a short queue and is written
 * to outside any request: a page that does not read is dropped, and catches up when it comes back.
 */
@Configuration
@EnableWebSocket
public class LiveUpdates extends TextWebSocketHandler
    implements WebSocketConfigurer, HandshakeInterceptor, DisposableBean {
  private static final Logger LOG = LoggerFactory.getLogger(LiveUpdates.class);

  /** More waiting messages than a page needs that reads at all. */
  private static final int MOST_WAITING = 200;

  private static final long MOST_WAITING_CHARACTERS = 8 << 20;

  /** A write that takes longer is to a page that does not read. */
  private static final long SEND_MS = 5000;

  /** A camera's letter and a frame are shorter. */
  private static final int LONGEST_PLACE = 300;

  private static final long PLACES_APART_NS = 150_000_000;
  private static final String SESSION = "httpSession", SEQUENCE = "sequence", WHO = "who";
  private final Map<String, Line> open = new ConcurrentHashMap<>();

  /** Sequences that a page has come to since it was last asked. */
  private final Set<UUID> joined = ConcurrentHashMap.newKeySet();

  private final ExecutorService writers =
      Executors.newCachedThreadPool(
          r -> {
            Thread t = new Thread(r, "live");
            t.setDaemon(true);
            return t;
          });

  private final Rights rights;
  private final ApplicationEventPublisher events;

  LiveUpdates(Rights rights, ApplicationEventPublisher events) {
    this.rights = rights;
    this.events = events;
  }

  @Override
  public void registerWebSocketHandlers(WebSocketHandlerRegistry registry) {
    registry.addHandler(this, "/api/live").addInterceptors(this);
  }

  @Override
  public boolean beforeHandshake(
      ServerHttpRequest rq,
      ServerHttpResponse rs,
      WebSocketHandler handler,
      Map<String, Object> kept) {
    UUID sequence = asked(rq.getURI());
    if (sequence == null || !(rq instanceof ServletServerHttpRequest servlet)) return false;
    HttpSession session = servlet.getServletRequest().getSession(false);
    if (session == null || !(rq.getPrincipal() instanceof Authentication who)) return false;
    if (!rights.sees(Who.of(who), sequence)) {
      rs.setStatusCode(HttpStatus.NOT_FOUND);
      return false;
    }
    kept.put(SESSION, session.getId());
    kept.put(WHO, Who.of(who));
    kept.put(SEQUENCE, sequence);
    return true;
  }

  @Override
  public void afterHandshake(
      ServerHttpRequest rq, ServerHttpResponse rs, WebSocketHandler handler, Exception e) {}

  private static UUID asked(URI uri) {
    String query = uri.getQuery();
    if (query == null || !query.startsWith("sequence=")) return null;
    try {
      return UUID.fromString(query.substring("sequence=".length()));
    } catch (IllegalArgumentException e) {
      return null;
    }
  }

  @Override
  public void afterConnectionEstablished(WebSocketSession s) {
    if (s instanceof StandardWebSocketSession standard)
      standard
          .getNativeSession()
          .getUserProperties()
          .put("org.apache.tomcat.websocket.BLOCKING_SEND_TIMEOUT", SEND_MS);
    Line line = new Line(s);
    open.put(s.getId(), line);
    joined.add(line.sequence);
  }

  @Override
  public void afterConnectionClosed(WebSocketSession s, CloseStatus status) {
    Line l = open.remove(s.getId());
    if (l != null) gone(l);
  }

  private void gone(Line l) {
    if (l.told != 0) events.publishEvent(new Here(l.sequence, l.page, l.name, "", 0, true));
  }

  /** Whether a page has come to a sequence since this was last asked. */
  boolean takeJoined(UUID sequence) {
    return joined.remove(sequence);
  }

  /** Whether any page here has a sequence open. */
  boolean watched(UUID sequence) {
    for (Line l : open.values()) if (l.sequence.equals(sequence)) return true;
    return false;
  }

  /** Puts edits into the queue of every page that has their sequence open, in their order. */
  void tell(UUID sequence, List<EditMade> edits) {
    for (Line l : open.values())
      if (l.sequence.equals(sequence)) for (EditMade e : edits) l.say(e.json());
  }

  /** Tells every page that has a sequence open what is other than it was: it asks for it then. */
  void tell(Moved moved) {
    for (Line l : open.values()) if (l.sequence.equals(moved.sequence())) l.say(moved.json());
  }

  /** Tells the other pages that have a sequence open where somebody is in it. */
  void tell(Here here) {
    String json = here.json();
    for (Map.Entry<String, Line> l : open.entrySet())
      if (l.getValue().sequence.equals(here.sequence()) && !l.getValue().page.equals(here.page()))
        l.getValue().say(json);
  }

  /** Where a page says that it is; more often than anybody could look is passed over. */
  @Override
  protected void handleTextMessage(WebSocketSession s, TextMessage message) {
    Line l = open.get(s.getId());
    if (l == null || message.getPayloadLength() > LONGEST_PLACE || !l.mayTell()) return;
    Here here = Here.said(l.sequence, l.page, l.name, message.getPayload());
    if (here != null) events.publishEvent(here);
  }

  /** How many sockets are open here. */
  public int count() {
    return open.size();
  }

  /** Sessions that have sockets here. */
  List<String> sessions() {
    return open.values().stream().map(l -> l.session).distinct().toList();
  }

  @EventListener
  public void signedOut(SignedOut e) {
    end(e.session());
  }

  /** Ends all sockets of a session: whoever had it has signed out. */
  void end(String session) {
    for (Line l : open.values())
      if (l.session.equals(session)) l.close(CloseStatus.POLICY_VIOLATION.withReason("signed out"));
  }

  /** Ends the sockets of those who may not see their sequence any more. */
  void endOfRights() {
    for (Line l : open.values())
      if (!rights.sees(l.who, l.sequence))
        writers.execute(() -> l.close(CloseStatus.POLICY_VIOLATION.withReason("no rights")));
  }

  @Override
  public void destroy() {
    writers.shutdownNow();
  }

  /** One socket with what waits to be written to it. */
  private final class Line {
    final UUID sequence;
    final String session;
    final Who who;

    /** Names the page for others. */
    final String page = UUID.randomUUID().toString();

    final String name;

    /** When it last told where it is, in nanoseconds; 0 before the first time. */
    private volatile long told;

    private final WebSocketSession socket;
    private final Deque<String> waiting = new ArrayDeque<>();
    private long characters;
    private boolean writing;

    Line(WebSocketSession socket) {
      this.socket = socket;
      sequence = (UUID) socket.getAttributes().get(SEQUENCE);
      session = (String) socket.getAttributes().get(SESSION);
      who = (Who) socket.getAttributes().get(WHO);
      name = who.isGuest() ? "A guest" : who.name();
    }

    boolean mayTell() {
      long now = System.nanoTime();
      if (told != 0 && now - told < PLACES_APART_NS) return false;
      told = now;
      return true;
    }

    void say(String text) {
      synchronized (waiting) {
        waiting.add(text);
        characters += text.length();
        if (waiting.size() > MOST_WAITING || characters > MOST_WAITING_CHARACTERS) {
          waiting.clear();
          characters = 0;
          // closing waits for a write that is stuck
          writers.execute(() -> close(CloseStatus.SERVICE_OVERLOAD.withReason("catch up")));
          return;
        }
        if (writing) return;
        writing = true;
      }
      writers.execute(this::write);
    }

    private void write() {
      while (true) {
        String text;
        synchronized (waiting) {
          text = waiting.poll();
          if (text == null) {
            writing = false;
            return;
          }
          characters -= text.length();
        }
        try {
          socket.sendMessage(new TextMessage(text));
        } catch (IOException | RuntimeException e) {
          LOG.info("A page went away: {}", e.getMessage());
          close(CloseStatus.SESSION_NOT_RELIABLE);
          return;
        }
      }
    }

    void close(CloseStatus why) {
      if (open.remove(socket.getId()) != null) gone(this);
      try {
        socket.close(why);
      } catch (IOException | RuntimeException e) {
        LOG.debug("A socket could not be closed", e);
      }
    }
  }
}
