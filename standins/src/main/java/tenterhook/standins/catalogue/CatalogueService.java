package tenterhook.standins.catalogue;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.URI;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicInteger;
import tenterhook.adapters.catalogue.CatalogueJson;
import tenterhook.core.catalogue.CatalogueBook;
import tenterhook.core.catalogue.CatalogueEntry;
import tenterhook.standins.demo.DemoMusic;

/**
 * The service of docs/catalogue.md over HTTP on the loopback interface. It can be told to be slow,
 * to fail, to limit the rate and to go away, so that the program can be tried against all of it.
 */
public final class CatalogueService implements AutoCloseable {
  private static final ObjectMapper JSON = new ObjectMapper();

  private static final int COVER_SIDE = 600;

  private final CatalogueBook book;
  private final HttpServer server;
  private final ExecutorService threads = Executors.newCachedThreadPool();
  private final AtomicInteger asked = new AtomicInteger();
  private volatile Mood mood = Mood.GOOD;
  private long second;
  private int inSecond;

  /**
   * How it behaves.
   *
   * @param delayMillis it waits so long before an answer
   * @param failEvery every so many-th request fails with 503; 0 for none, 1 for all
   * @param limitPerSecond more requests than this get 429; 0 for no limit
   */
  public record Mood(int delayMillis, int failEvery, int limitPerSecond) {
    /** At once and always. */
    public static final Mood GOOD = new Mood(0, 0, 0);
  }

  private CatalogueService(CatalogueBook book, HttpServer server) {
    this.book = book;
    this.server = server;
    server.createContext("/v1/search", e -> answer(e, this::search));
    server.createContext("/v1/album", e -> answer(e, this::album));
    server.createContext("/v1/artwork", e -> served(e, () -> artwork(e)));
    server.setExecutor(threads);
    server.start();
  }

  /**
   * Starts it.
   *
   * @param book what it knows
   * @param port on the loopback interface, 0 for any that is free
   * @throws IOException when the port is taken
   */
  public static CatalogueService start(CatalogueBook book, int port) throws IOException {
    InetSocketAddress address = new InetSocketAddress(InetAddress.getLoopbackAddress(), port);
    return new CatalogueService(book, HttpServer.create(address, 0));
  }

  /** Where it answers. */
  public URI address() {
    return URI.create("http://127.0.0.1:" + server.getAddress().getPort() + "/v1/");
  }

  /** Lets it behave otherwise from now on. */
  public void behave(Mood other) {
    mood = other;
  }

  /** How many requests reached it so far, refused ones included. */
  public int asked() {
    return asked.get();
  }

  /** One kind of request. */
  private interface Asking {
    List<CatalogueEntry> entries(Map<String, String> parameters);
  }

  private void answer(HttpExchange exchange, Asking asking) throws IOException {
    served(
        exchange,
        () -> {
          ObjectNode root = JSON.createObjectNode();
          ArrayNode array = root.putArray("entries");
          asking
              .entries(parameters(exchange))
              .forEach(e -> CatalogueJson.write(array.addObject(), e));
          send(exchange, 200, root);
        });
  }

  private static void artwork(HttpExchange exchange) throws IOException {
    String name = parameters(exchange).getOrDefault("name", "");
    if (name.isEmpty()) {
      send(exchange, 404, error("no cover is named"));
    } else {
      send(exchange, 200, "image/jpeg", DemoMusic.cover(name, COVER_SIDE));
    }
  }

  /** What is sent when all goes well. */
  private interface Sending {
    void send() throws IOException;
  }

  /** Sends it, unless the mood is against it. */
  private void served(HttpExchange exchange, Sending sending) throws IOException {
    int number = asked.incrementAndGet();
    Mood now = mood;
    pause(now.delayMillis());
    if (overLimit(now)) {
      exchange.getResponseHeaders().add("Retry-After", "1");
      send(exchange, 429, error("too many requests"));
    } else if (now.failEvery() > 0 && number % now.failEvery() == 0) {
      send(exchange, 503, error("out of order"));
    } else {
      sending.send();
    }
  }

  private synchronized boolean overLimit(Mood now) {
    long current = System.nanoTime() / 1_000_000_000L;
    inSecond = current == second ? inSecond + 1 : 1;
    second = current;
    return now.limitPerSecond() > 0 && inSecond > now.limitPerSecond();
  }

  private static void pause(int millis) {
    try {
      Thread.sleep(millis);
    } catch (InterruptedException stopped) {
      Thread.currentThread().interrupt();
    }
  }

  private List<CatalogueEntry> search(Map<String, String> parameters) {
    return book.search(Arrays.asList(parameters.getOrDefault("words", "").split(" ")));
  }

  private List<CatalogueEntry> album(Map<String, String> parameters) {
    return book.album(parameters.getOrDefault("name", ""), parameters.getOrDefault("artist", ""));
  }

  private static Map<String, String> parameters(HttpExchange exchange) {
    Map<String, String> found = new HashMap<>();
    String query = exchange.getRequestURI().getRawQuery();
    for (String pair : query == null ? new String[0] : query.split("&")) {
      String[] parts = pair.split("=", 2);
      if (parts.length == 2) {
        found.put(parts[0], URLDecoder.decode(parts[1], StandardCharsets.UTF_8));
      }
    }
    return found;
  }

  private static ObjectNode error(String words) {
    return JSON.createObjectNode().put("error", words);
  }

  private static void send(HttpExchange exchange, int status, ObjectNode root) throws IOException {
    send(exchange, status, "application/json; charset=utf-8", JSON.writeValueAsBytes(root));
  }

  private static void send(HttpExchange exchange, int status, String type, byte[] bytes)
      throws IOException {
    exchange.getResponseHeaders().add("Content-Type", type);
    exchange.sendResponseHeaders(status, bytes.length);
    exchange.getResponseBody().write(bytes);
    exchange.close();
  }

  @Override
  public void close() {
    server.stop(0);
    threads.shutdownNow();
  }
}
