package kite.server.account;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpMethod;
import org.springframework.security.config.annotation.method.configuration.EnableMethodSecurity;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.core.userdetails.User;
import org.springframework.security.core.userdetails.UserDetailsPasswordService;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.factory.PasswordEncoderFactories;
import org.springframework.security.crypto.password.DelegatingPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.authentication.HttpStatusEntryPoint;
import org.springframework.security.web.authentication.UsernamePasswordAuthenticationFilter;
import org.springframework.security.web.csrf.CookieCsrfTokenRepository;
import org.springframework.security.web.servlet.util.matcher.PathPatternRequestMatcher;
import org.springframework.security.web.util.matcher.RequestMatcher;
import org.springframework.web.filter.OncePerRequestFilter;

/** Sessions, rights and the headers that keep the page to its own scripts. */
@Configuration
@EnableMethodSecurity
class Security {
  static final String SIGN_IN = "/api/sign-in";

  /**
   * Scripts, fonts, connections and frames from here only; inline styles are how the components
   * style.
   */
  private static final String POLICY =
      "default-src 'self'; script-src 'self' 'wasm-unsafe-eval'; style-src 'self' 'unsafe-inline'; "
          + "img-src 'self' blob: data:; media-src 'self' blob:; connect-src 'self' blob: data:; font-src 'self' data:; "
          + "object-src 'none'; base-uri 'none'; form-action 'self'; frame-ancestors 'self'";

  /** New passwords under today's measure; those of earlier builds have no prefix. */
  @Bean
  PasswordEncoder passwords() {
    PasswordEncoder today = PasswordEncoderFactories.createDelegatingPasswordEncoder();
    if (today instanceof DelegatingPasswordEncoder all)
      all.setDefaultPasswordEncoderForMatches(new BCryptPasswordEncoder());
    return today;
  }

  /** A password that was right is kept under today's measure from then on. */
  @Bean
  UserDetailsPasswordService upgrades(Accounts accounts) {
    return (user, hash) -> {
      Account a = accounts.findByName(user.getUsername()).orElseThrow();
      a.takePassword(hash);
      accounts.save(a);
      return User.withUserDetails(user).password(hash).build();
    };
  }

  @Bean
  UserDetailsService users(Accounts accounts) {
    return name ->
        accounts
            .findByName(name)
            .map(
                a ->
                    User.withUsername(a.name())
                        .password(a.passwordHash())
                        .disabled(a.endedAt() != null)
                        .build())
            .orElseThrow(() -> new UsernameNotFoundException(name));
  }

  @Bean
  SecurityFilterChain rules(
      HttpSecurity http,
      SignInLimit limit,
      KnownBrowsers browsers,
      Audit audit,
      ApplicationEventPublisher events)
      throws Exception {
    CookieCsrfTokenRepository token =
        CookieCsrfTokenRepository.withHttpOnlyFalse(); // the page reads it
    token.setCookieCustomizer(c -> c.sameSite("Strict"));
    http.csrf(c -> c.spa().csrfTokenRepository(token));
    http.headers(
        h ->
            h.contentSecurityPolicy(c -> c.policyDirectives(POLICY))
                .referrerPolicy(r -> {})
                .frameOptions(f -> f.sameOrigin())); // a page draws films in a frame of its own
    http.authorizeHttpRequests(
        a ->
            a.requestMatchers(
                    "/api/session",
                    SIGN_IN,
                    "/api/health",
                    "/api/set-up",
                    "/api/guest",
                    "/api/invitation",
                    "/api/invitation/accept",
                    "/api/arrival",
                    "/api/previews/desk/*")
                .permitAll()
                // what each of them takes stands at its method (rights.May)
                .requestMatchers("/api/**")
                .authenticated()
                .anyRequest()
                .permitAll());
    http.exceptionHandling(
        e ->
            e.authenticationEntryPoint(
                    new HttpStatusEntryPoint(org.springframework.http.HttpStatus.UNAUTHORIZED))
                .accessDeniedHandler(
                    (rq, rs, x) ->
                        say(rs, 403, "rights", "This page is too old. Reload it and try again.")));
    http.formLogin(
        f ->
            f.loginProcessingUrl(SIGN_IN)
                .successHandler(
                    (rq, rs, who) -> {
                      String asked = rq.getParameter("username");
                      limit.cameIn(asked, rq.getRemoteAddr(), browsers.numberOf(rq, asked));
                      audit.note(who.getName(), "signed in", "", rq.getRemoteAddr());
                      rs.addHeader(
                          HttpHeaders.SET_COOKIE, browsers.given(who.getName(), rq).toString());
                      rs.setStatus(204);
                    })
                .failureHandler(
                    (rq, rs, x) -> {
                      audit.note(
                          rq.getParameter("username"), "did not come in", "", rq.getRemoteAddr());
                      say(
                          rs,
                          401,
                          "password",
                          "That name and password do not belong together. Check both and try"
                              + " again.");
                    }));
    http.logout(
        l ->
            l.logoutUrl("/api/sign-out")
                .addLogoutHandler(
                    (rq, rs, who) -> {
                      if (rq.getSession(false) != null)
                        events.publishEvent(new SignedOut(rq.getSession(false).getId()));
                    })
                .logoutSuccessHandler((rq, rs, who) -> rs.setStatus(204)));
    http.addFilterBefore(new Limit(limit, browsers), UsernamePasswordAuthenticationFilter.class);
    return http.build();
  }

  private static void say(HttpServletResponse rs, int status, String code, String text)
      throws IOException {
    rs.setStatus(status);
    rs.setContentType("application/json;charset=UTF-8");
    rs.getWriter()
        .write(
            "{\"refusal\":{\"code\":\""
                + code
                + "\",\"entity\":\"\",\"field\":\"\",\"text\":\""
                + text
                + "\"}}");
  }

  /** Stops sign-in attempts over the limit before the password is looked at. */
  private static final class Limit extends OncePerRequestFilter {
    /** A name and a password are shorter. */
    private static final int MOST_BYTES = 8192;

    private final RequestMatcher signIn =
        PathPatternRequestMatcher.withDefaults().matcher(HttpMethod.POST, SIGN_IN);
    private final SignInLimit limit;
    private final KnownBrowsers browsers;

    Limit(SignInLimit limit, KnownBrowsers browsers) {
      this.limit = limit;
      this.browsers = browsers;
    }

    @Override
    protected void doFilterInternal(
        HttpServletRequest rq, HttpServletResponse rs, jakarta.servlet.FilterChain chain)
        throws IOException, jakarta.servlet.ServletException {
      if (signIn.matches(rq)) {
        // looked at before anything of it is read
        if (rq.getContentLengthLong() < 0 || rq.getContentLengthLong() > MOST_BYTES) {
          say(rs, 413, "size", "A sign-in is a name and a password, shorter than this.");
          return;
        }
        String name = rq.getParameter("username");
        if (!limit.begins(name, rq.getRemoteAddr(), browsers.numberOf(rq, name))) {
          say(rs, 429, "limit", "Too many attempts. Wait two minutes and try again.");
          return;
        }
      }
      chain.doFilter(rq, rs);
    }
  }
}
