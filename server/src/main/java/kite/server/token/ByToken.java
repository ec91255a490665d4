package kite.server.token;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Optional;
import kite.server.rights.Who;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.http.SessionCreationPolicy;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.access.intercept.AuthorizationFilter;
import org.springframework.security.web.authentication.HttpStatusEntryPoint;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Scripts come with a token in each request, and with nothing of a browser: no session is begun,
 * and nobody can have a browser send one, so that nothing guards against that.
 */
@Configuration
class ByToken {
  private static final String BEARER = "Bearer " + Tokens.BEGINS;

  private static String given(HttpServletRequest rq) {
    String header = rq.getHeader(HttpHeaders.AUTHORIZATION);
    return header != null && header.startsWith(BEARER)
        ? header.substring(BEARER.length() - Tokens.BEGINS.length()).strip()
        : null;
  }

  @Bean
  @Order(1)
  SecurityFilterChain scripts(HttpSecurity http, Tokens tokens) throws Exception {
    http.securityMatcher(rq -> given(rq) != null);
    http.csrf(c -> c.disable());
    http.sessionManagement(s -> s.sessionCreationPolicy(SessionCreationPolicy.STATELESS));
    http.exceptionHandling(
        e -> e.authenticationEntryPoint(new HttpStatusEntryPoint(HttpStatus.UNAUTHORIZED)));
    // what each address takes stands at its method (rights.May)
    http.authorizeHttpRequests(
        a ->
            // a token makes no further ones, and changes no password
            a.requestMatchers("/api/account/**").denyAll().anyRequest().authenticated());
    http.addFilterBefore(new SignedIn(tokens), AuthorizationFilter.class);
    return http.build();
  }

  private static final class SignedIn extends OncePerRequestFilter {
    private final Tokens tokens;

    SignedIn(Tokens tokens) {
      this.tokens = tokens;
    }

    /** What is answered later, or went wrong, is asked for again by the same token. */
    @Override
    protected boolean shouldNotFilterAsyncDispatch() {
      return false;
    }

    @Override
    protected boolean shouldNotFilterErrorDispatch() {
      return false;
    }

    @Override
    protected void doFilterInternal(
        HttpServletRequest rq, HttpServletResponse rs, FilterChain chain)
        throws ServletException, IOException {
      Optional<String> owner = tokens.ownerOf(given(rq));
      if (owner.isEmpty()) {
        rs.setStatus(HttpStatus.UNAUTHORIZED.value());
        rs.setContentType("application/json;charset=UTF-8");
        rs.getWriter()
            .write(
                "{\"refusal\":{\"code\":\"token\",\"entity\":\"\",\"field\":\"\",\"text\":\"This"
                    + " token is not known, or was taken back. Make a new one under My account.\"}}");
        return;
      }
      SecurityContext context = SecurityContextHolder.createEmptyContext();
      context.setAuthentication(Who.account(owner.get()));
      SecurityContextHolder.setContext(context);
      chain.doFilter(rq, rs);
    }
  }
}
