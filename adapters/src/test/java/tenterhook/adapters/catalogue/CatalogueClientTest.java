package tenterhook.adapters.catalogue;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicLong;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tenterhook.adapters.catalogue.CatalogueClient.Manners;
import tenterhook.core.catalogue.Catalogue.Unanswered;

/** A service that drips, never ends or asks for too much neither hangs nor fills the program. */
class CatalogueClientTest {
  private HttpServer server;
  private final AtomicLong sent = new AtomicLong();
  private final List<Duration> slept = new ArrayList<>();

  @BeforeEach
  void serve() throws IOException {
    server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
    server.setExecutor(Executors.newVirtualThreadPerTaskExecutor());
    server.start();
  }

  @AfterEach
  void stop() {
    server.stop(0);
  }

  private CatalogueClient client(int tries) {
    return client(tries, Duration.ofMillis(1500));
  }

  /** One that a machine which stands still for a while does not make give up. */
  private CatalogueClient patient(int tries) {
    return client(tries, Duration.ofSeconds(20));
  }

  private CatalogueClient client(int tries, Duration patience) {
    URI address = URI.create("http://localhost:" + server.getAddress().getPort() + "/");
    return new CatalogueClient(
        address, new Manners(1000, tries, Duration.ofMillis(1), patience), slept::add);
  }

  /** Writes a piece again and again until nobody listens. */
  private void endless(byte[] piece, long pauseMillis) {
    server.createContext(
        "/search",
        exchange -> {
          exchange.sendResponseHeaders(200, 0);
          try (OutputStream out = exchange.getResponseBody()) {
            while (true) {
              out.write(piece);
              out.flush();
              sent.addAndGet(piece.length);
              Thread.sleep(pauseMillis);
            }
          } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
          }
        });
  }

  @Test
  void aDrippingAnswerIsGivenUp() {
    endless(new byte[] {' '}, 50);
    assertThatThrownBy(() -> client(1).search(List.of("x"))).isInstanceOf(Unanswered.class);
  }

  @Test
  void anEndlessAnswerIsCutOff() {
    endless(new byte[1 << 16], 0);
    CatalogueClient patient = patient(1);
    assertThatThrownBy(() -> patient.search(List.of("x"))).isInstanceOf(Unanswered.class);
    assertThat(sent).as("bytes, with what stands in buffers").hasValueLessThan(32 << 20);
  }

  @Test
  void waitingForLaterIsBounded() {
    server.createContext(
        "/search",
        exchange -> {
          exchange.getResponseHeaders().add("Retry-After", "999");
          exchange.sendResponseHeaders(429, -1);
          exchange.close();
        });
    assertThatThrownBy(() -> patient(2).search(List.of("x"))).isInstanceOf(Unanswered.class);
    assertThat(slept).isNotEmpty().allMatch(d -> d.compareTo(Duration.ofSeconds(30)) <= 0);
  }

  @Test
  void entriesAndTextsAreBounded() throws Exception {
    String entry = "{\"id\":\"1\",\"artist\":\"" + "a".repeat(2000) + "\"}";
    String body = "{\"entries\":[" + (entry + ",").repeat(400) + entry + "]}";
    server.createContext("/search", exchange -> answer(exchange, body));
    assertThat(patient(1).search(List.of("x")))
        .hasSize(200)
        .allMatch(e -> e.artist().length() == 500);
  }

  private static void answer(HttpExchange exchange, String body) throws IOException {
    byte[] bytes = body.getBytes(StandardCharsets.UTF_8);
    exchange.sendResponseHeaders(200, bytes.length);
    exchange.getResponseBody().write(bytes);
    exchange.close();
  }
}
