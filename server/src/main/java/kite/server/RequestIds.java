package kite.server;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.UUID;
import org.slf4j.MDC;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Gives each request an id that stands in its answer ({@code X-Request-Id}) and in every line that
 * is logged meanwhile.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class RequestIds extends OncePerRequestFilter {
  static final String KEY = "request";
  private static final int LENGTH = 8;

  @Override
  protected void doFilterInternal(HttpServletRequest rq, HttpServletResponse rs, FilterChain chain)
      throws IOException, ServletException {
    String id = UUID.randomUUID().toString().substring(0, LENGTH);
    MDC.put(KEY, id);
    rs.setHeader("X-Request-Id", id);
    try {
      chain.doFilter(rq, rs);
    } finally {
      MDC.remove(KEY);
    }
  }
}
