package kite.server.provider;

import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Base64;
import java.util.Map;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseCookie;
import org.springframework.security.oauth2.client.registration.ClientRegistration;
import org.springframework.security.oauth2.client.web.AuthorizationRequestRepository;
import org.springframework.security.oauth2.core.endpoint.OAuth2AuthorizationRequest;
import org.springframework.security.oauth2.core.endpoint.OAuth2ParameterNames;
import org.springframework.security.oauth2.core.endpoint.PkceParameterNames;
import org.springframework.security.oauth2.core.oidc.endpoint.OidcParameterNames;

/**
 * What the provider was asked, kept by the browser until it comes back. The session's own cookie is
 * not sent by a browser that comes from another site, so this one is for these addresses alone and
 * for a few minutes; all else of the request is known from the provider.
 */
final class AskedCookie implements AuthorizationRequestRepository<OAuth2AuthorizationRequest> {
  static final String COOKIE = "KITE_ASKED";
  static final String PATH = "/login/oauth2";
  private static final Duration KEPT = Duration.ofMinutes(10);

  /** Three random words, coded. */
  private static final int LONGEST = 1000;

  private static final char BETWEEN = ' ';

  private final Provider provider;

  AskedCookie(Provider provider) {
    this.provider = provider;
  }

  /** The words that only this browser has. */
  private record Words(String state, String nonce, String verifier) {
    String text() {
      String all = state + BETWEEN + nonce + BETWEEN + verifier;
      return Base64.getUrlEncoder()
          .withoutPadding()
          .encodeToString(all.getBytes(StandardCharsets.UTF_8));
    }

    /** Null where it is no such text. */
    static Words of(String text) {
      if (text.length() > LONGEST) return null;
      try {
        String all = new String(Base64.getUrlDecoder().decode(text), StandardCharsets.UTF_8);
        String[] w = all.split("" + BETWEEN, -1);
        return w.length == 3 ? new Words(w[0], w[1], w[2]) : null;
      } catch (IllegalArgumentException notCoded) {
        return null;
      }
    }
  }

  @Override
  public OAuth2AuthorizationRequest loadAuthorizationRequest(HttpServletRequest rq) {
    String state = rq.getParameter(OAuth2ParameterNames.STATE);
    if (rq.getCookies() == null || state == null) return null;
    for (Cookie c : rq.getCookies()) {
      Words w = c.getName().equals(COOKIE) ? Words.of(c.getValue()) : null;
      if (w != null && w.state.equals(state)) return asked(w, rq.getRequestURL().toString());
    }
    return null;
  }

  private OAuth2AuthorizationRequest asked(Words w, String cameTo) {
    ClientRegistration r = provider.findByRegistrationId(Provider.ID);
    return OAuth2AuthorizationRequest.authorizationCode()
        .clientId(r.getClientId())
        .authorizationUri(r.getProviderDetails().getAuthorizationUri())
        .redirectUri(cameTo)
        .scopes(r.getScopes())
        .state(w.state)
        .attributes(
            Map.of(
                OAuth2ParameterNames.REGISTRATION_ID,
                Provider.ID,
                OidcParameterNames.NONCE,
                w.nonce,
                PkceParameterNames.CODE_VERIFIER,
                w.verifier))
        .build();
  }

  @Override
  public void saveAuthorizationRequest(
      OAuth2AuthorizationRequest asked, HttpServletRequest rq, HttpServletResponse rs) {
    Words w =
        new Words(
            asked.getState(),
            asked.getAttribute(OidcParameterNames.NONCE),
            asked.getAttribute(PkceParameterNames.CODE_VERIFIER));
    rs.addHeader(HttpHeaders.SET_COOKIE, cookie(w.text(), KEPT, rq));
  }

  @Override
  public OAuth2AuthorizationRequest removeAuthorizationRequest(
      HttpServletRequest rq, HttpServletResponse rs) {
    OAuth2AuthorizationRequest was = loadAuthorizationRequest(rq);
    rs.addHeader(HttpHeaders.SET_COOKIE, cookie("", Duration.ZERO, rq));
    return was;
  }

  private static String cookie(String text, Duration kept, HttpServletRequest rq) {
    return ResponseCookie.from(COOKIE, text)
        .httpOnly(true)
        .sameSite("Lax")
        .secure(rq.isSecure())
        .path(rq.getContextPath() + PATH)
        .maxAge(kept)
        .build()
        .toString();
  }
}
