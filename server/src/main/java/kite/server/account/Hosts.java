package kite.server.account;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.List;
import java.util.Locale;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Answers under the names it is known by and no other: a foreign page that has a name of its own
 * point here is told nothing.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class Hosts extends OncePerRequestFilter {
  private final List<String> known;

  Hosts(@Value("${kite.hosts}") List<String> known) {
    this.known = known.stream().map(h -> h.strip().toLowerCase(Locale.ROOT)).toList();
  }

  @Override
  protected void doFilterInternal(HttpServletRequest rq, HttpServletResponse rs, FilterChain chain)
      throws IOException, ServletException {
    String host = rq.getServerName();
    if (host != null && known.contains(host.toLowerCase(Locale.ROOT))) {
      chain.doFilter(rq, rs);
      return;
    }
    rs.setStatus(421); // misdirected request (RFC 9110)
    rs.setContentType("text/plain;charset=UTF-8");
    rs.getWriter()
        .write(
            "Jolly Kite does not answer under this name. Whoever runs it can add the name to"
                + " KITE_HOSTS.");
  }
}
