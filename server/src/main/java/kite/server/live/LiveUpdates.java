package kite.server.live;

import java.io.IOException;
import java.net.URI;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.annotation.Configuration;
import org.springframework.transaction.event.TransactionPhase;
import org.springframework.transaction.event.TransactionalEventListener;
import org.springframework.web.socket.CloseStatus;
import org.springframework.web.socket.TextMessage;
import org.springframework.web.socket.WebSocketSession;
import org.springframework.web.socket.config.annotation.EnableWebSocket;
import org.springframework.web.socket.config.annotation.WebSocketConfigurer;
import org.springframework.web.socket.config.annotation.WebSocketHandlerRegistry;
import org.springframework.web.socket.handler.ConcurrentWebSocketSessionDecorator;
import org.springframework.web.socket.handler.TextWebSocketHandler;

/** A socket per open sequence, {@code /api/live?sequence=ID}: edits go out once they are stored. */
@Configuration
@EnableWebSocket
class LiveUpdates extends TextWebSocketHandler implements WebSocketConfigurer {
  private static final Logger LOG = LoggerFactory.getLogger(LiveUpdates.class);
  private static final int SEND_MS = 5000;
  private static final int BUFFER_BYTES = 32 << 20;
  private final Map<String, WebSocketSession> open = new ConcurrentHashMap<>();

  @Override
  public void registerWebSocketHandlers(WebSocketHandlerRegistry registry) {
    registry.addHandler(this, "/api/live");
  }

  @Override
  public void afterConnectionEstablished(WebSocketSession s) {
    open.put(s.getId(), new ConcurrentWebSocketSessionDecorator(s, SEND_MS, BUFFER_BYTES));
  }

  @Override
  public void afterConnectionClosed(WebSocketSession s, CloseStatus status) {
    open.remove(s.getId());
  }

  @TransactionalEventListener(phase = TransactionPhase.AFTER_COMMIT)
  public void tell(EditMade edit) {
    TextMessage message = new TextMessage(edit.json());
    for (WebSocketSession s : open.values()) {
      if (!watches(s.getUri(), edit.sequence().toString())) continue;
      try {
        s.sendMessage(message);
      } catch (IOException | RuntimeException e) {
        LOG.info("A page went away: {}", e.getMessage());
        open.remove(s.getId());
      }
    }
  }

  private static boolean watches(URI uri, String sequence) {
    return uri != null && ("sequence=" + sequence).equals(uri.getQuery());
  }
}
