package kite.server.watch;

import java.io.IOException;
import java.net.ConnectException;
import java.net.URI;
import java.net.UnknownHostException;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.channels.UnresolvedAddressException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import javax.net.ssl.SSLException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;

/** Tells one thing to one address, once. */
@Component
class Telephone {
  private static final Logger LOG = LoggerFactory.getLogger(Telephone.class);

  /** An address that asks for longer is asked again after this. */
  private static final Duration LONGEST_ASKED_FOR = Duration.ofHours(1);

  private final Reach reach;
  private final Clock clock;
  private final Duration patience;
  private final HttpClient http;

  /**
   * @param patience after which an address is taken not to answer
   */
  Telephone(Reach reach, Clock clock, @Value("${kite.watchers.patience}") Duration patience) {
    this.reach = reach;
    this.clock = clock;
    this.patience = patience;
    this.http =
        HttpClient.newBuilder()
            .version(HttpClient.Version.HTTP_1_1) // small listeners know no other
            .connectTimeout(patience)
            .followRedirects(HttpClient.Redirect.NEVER) // it could lead where it may not go
            .build();
  }

  /** How it went. */
  enum Outcome {
    TOOK,
    /** It does not want this one. */
    REFUSED,
    /** It is to be tried again. */
    FAILED,
    /** It says that it is gone for good. */
    GONE
  }

  /**
   * @param says it in words
   * @param pause how long the address wants not to be asked; null where it does not say
   */
  record Answer(Outcome outcome, String says, Duration pause) {
    static Answer failed(String says) {
      return new Answer(Outcome.FAILED, says, null);
    }
  }

  Answer tell(Watcher to, Telling what) throws InterruptedException {
    URI address = URI.create(to.address);
    if (!reach.allows(address))
      return Answer.failed("The application may not tell this host any more.");
    Instant now = clock.instant();
    HttpRequest request =
        HttpRequest.newBuilder(address)
            .header(HttpHeaders.CONTENT_TYPE, MediaType.APPLICATION_JSON_VALUE)
            .header(HttpHeaders.USER_AGENT, "jolly-kite")
            .header("webhook-id", what.id.toString())
            .header("webhook-timestamp", "" + now.getEpochSecond())
            .header(
                "webhook-signature", Signature.of(to.secret, what.id.toString(), now, what.body))
            .POST(HttpRequest.BodyPublishers.ofString(what.body))
            .build();
    // the whole answer counts, not its beginning alone
    CompletableFuture<HttpResponse<Void>> answer =
        http.sendAsync(request, HttpResponse.BodyHandlers.discarding());
    try {
      return read(answer.get(patience.toMillis(), TimeUnit.MILLISECONDS));
    } catch (TimeoutException e) {
      answer.cancel(true);
      return Answer.failed("It did not answer within " + patience.toMillis() / 1000.0 + " s.");
    } catch (ExecutionException e) {
      return Answer.failed(why(e.getCause()));
    }
  }

  private static Answer read(HttpResponse<Void> answer) {
    int status = answer.statusCode();
    String says = "It answered " + status + ".";
    if (status >= 200 && status < 300) return new Answer(Outcome.TOOK, says, null);
    HttpStatus known = HttpStatus.resolve(status);
    if (known == HttpStatus.GONE) return new Answer(Outcome.GONE, says, null);
    boolean later =
        known == HttpStatus.REQUEST_TIMEOUT
            || known == HttpStatus.TOO_EARLY
            || known == HttpStatus.TOO_MANY_REQUESTS;
    if (status >= 400 && status < 500 && !later) return new Answer(Outcome.REFUSED, says, null);
    Duration pause =
        answer
            .headers()
            .firstValue(HttpHeaders.RETRY_AFTER)
            .filter(t -> t.matches("\\d{1,6}"))
            .map(t -> Duration.ofSeconds(Long.parseLong(t)))
            .map(d -> d.compareTo(LONGEST_ASKED_FOR) > 0 ? LONGEST_ASKED_FOR : d)
            .orElse(null);
    return new Answer(Outcome.FAILED, says, pause);
  }

  private static String why(Throwable t) {
    for (Throwable x = t; x != null; x = x.getCause()) {
      if (x instanceof UnknownHostException || x instanceof UnresolvedAddressException)
        return "Its host is not known.";
      if (x instanceof SSLException)
        return "It could not be told safely: its certificate is not trusted.";
    }
    if (t instanceof ConnectException) return "Nothing listens there.";
    if (t instanceof IOException) return "The line broke.";
    LOG.warn("A watcher could not be told", t);
    return "It could not be told.";
  }
}
