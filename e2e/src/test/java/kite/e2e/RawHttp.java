package kite.e2e;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.net.SocketTimeoutException;
import java.net.URI;
import java.nio.charset.StandardCharsets;

/** A request put together by hand: with a foreign name, or from somebody who does not read. */
final class RawHttp implements AutoCloseable {
  private static final int PATIENCE_MS = 60_000;
  private final Socket socket = new Socket();

  /**
   * @param window bytes the system keeps of what is not read yet; 0 for the usual
   */
  RawHttp(String address, int window, String... lines) throws IOException {
    URI at = URI.create(address);
    if (window > 0) socket.setReceiveBufferSize(window);
    socket.connect(new InetSocketAddress(at.getHost(), at.getPort()));
    socket.setSoTimeout(PATIENCE_MS);
    socket
        .getOutputStream()
        .write((String.join("\r\n", lines) + "\r\n\r\n").getBytes(StandardCharsets.US_ASCII));
  }

  /** A handshake for the live line of a sequence. */
  static String[] handshake(String host, String origin, String sequence, String cookies) {
    return new String[] {
      "GET /api/live?sequence=" + sequence + " HTTP/1.1",
      "Host: " + host,
      "Origin: " + origin,
      "Cookie: " + cookies,
      "Connection: Upgrade",
      "Upgrade: websocket",
      "Sec-WebSocket-Version: 13",
      "Sec-WebSocket-Key: MDEyMzQ1Njc4OWFiY2RlZg=="
    };
  }

  /** The head of the answer, down to its empty line. */
  String head() throws IOException {
    StringBuilder head = new StringBuilder();
    InputStream in = socket.getInputStream();
    for (int c = in.read(); c >= 0; c = in.read()) {
      head.append((char) c);
      if (head.length() >= 4 && head.substring(head.length() - 4).equals("\r\n\r\n")) break;
    }
    return head.toString();
  }

  int status() throws IOException {
    return Integer.parseInt(head().split(" ")[1]);
  }

  /** All that comes until the other side closes. */
  byte[] rest() throws IOException {
    ByteArrayOutputStream all = new ByteArrayOutputStream();
    try {
      socket.getInputStream().transferTo(all);
    } catch (SocketTimeoutException e) {
      throw new AssertionError("the other side did not close; it had sent " + all.size(), e);
    } catch (IOException reset) {
      // closed without a word: closed as well
    }
    return all.toByteArray();
  }

  @Override
  public void close() throws IOException {
    socket.close();
  }
}
