package tenterhook.adapters.catalogue;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import tenterhook.adapters.tagfile.ArtworkImages;
import tenterhook.core.catalogue.Catalogue;
import tenterhook.core.catalogue.CatalogueEntry;

/**
 * The client of the service that docs/catalogue.md describes. It asks no faster than it was told,
 * tries again with growing pauses when the service is out of order or says that it is asked too
 * often, and remembers what was answered. May be used from several threads; they take turns.
 */
public final class CatalogueClient implements Catalogue {
  private static final int MOST_KEPT = 20_000;
  private static final long MOST_BYTES = 2 << 20;
  private static final int MOST_ENTRIES = 200;
  private static final int MOST_SECONDS = 30;

  /** What a trouble leaves, for the end of a message. */
  static final String KEPT = "; nothing was changed, and what it said before is kept";

  private static final ObjectMapper JSON = new ObjectMapper();

  private final URI address;
  private final Manners manners;
  private final Sleeper sleeper;
  private final HttpClient http;
  private final Map<String, List<CatalogueEntry>> cache =
      new LinkedHashMap<>(64, 0.75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<String, List<CatalogueEntry>> eldest) {
          return size() > MOST_KEPT;
        }
      };
  private long lastAsked = Long.MIN_VALUE / 2;

  /**
   * How it asks.
   *
   * @param perSecond requests a second at the most, 1 or more
   * @param tries how often a request is made in all, 1 or more
   * @param firstPause before the second try; each later one is twice as long
   * @param patience how long an answer may take
   */
  public record Manners(int perSecond, int tries, Duration firstPause, Duration patience) {
    /** Ten a second, four tries, a quarter of a second, eight seconds. */
    public static final Manners POLITE =
        new Manners(10, 4, Duration.ofMillis(250), Duration.ofSeconds(8));

    /** For a service on the same machine: a hundred a second. */
    public static final Manners NEIGHBOURLY =
        new Manners(100, 4, Duration.ofMillis(250), Duration.ofSeconds(8));

    /** Checks the values. */
    public Manners {
      if (perSecond < 1 || tries < 1) {
        throw new IllegalArgumentException(
            "rate and tries are 1 or more: " + perSecond + ", " + tries);
      }
    }
  }

  /** How it waits; a test need not. */
  @FunctionalInterface
  public interface Sleeper {
    /** Waits. */
    void sleep(Duration time) throws InterruptedException;
  }

  /** A client of a service, with good manners. */
  public CatalogueClient(URI address) {
    this(address, Manners.POLITE, Thread::sleep);
  }

  /**
   * A client of a service.
   *
   * @param address ends in a stroke
   * @param manners how it asks
   * @param sleeper how it waits
   */
  public CatalogueClient(URI address, Manners manners, Sleeper sleeper) {
    this.address = address;
    this.manners = manners;
    this.sleeper = sleeper;
    this.http = HttpClient.newBuilder().connectTimeout(manners.patience()).build();
  }

  @Override
  public List<CatalogueEntry> search(List<String> words) throws Unanswered, InterruptedException {
    return words.isEmpty() ? List.of() : ask("search?words=" + encoded(String.join(" ", words)));
  }

  @Override
  public List<CatalogueEntry> album(String album, String artist)
      throws Unanswered, InterruptedException {
    return ask("album?name=" + encoded(album) + "&artist=" + encoded(artist));
  }

  private static String encoded(String text) {
    return URLEncoder.encode(text, StandardCharsets.UTF_8);
  }

  /** Bytes are not remembered here: who wants a cover keeps it. */
  @Override
  public Optional<byte[]> artwork(CatalogueEntry entry) throws Unanswered, InterruptedException {
    if (entry.artwork().isEmpty() || !mine(entry.artwork())) {
      return Optional.empty();
    }
    HttpResponse<byte[]> response =
        asked(
            request(URI.create(entry.artwork()), "image/*"),
            HttpResponse.BodyHandlers.limiting(
                HttpResponse.BodyHandlers.ofByteArray(), ArtworkImages.MOST_BYTES));
    return response.statusCode() == 200 ? Optional.of(response.body()) : Optional.empty();
  }

  /** Covers are fetched from the service alone, whatever an answer names. */
  private boolean mine(String artwork) {
    try {
      URI cover = URI.create(artwork);
      return address.getScheme().equals(cover.getScheme())
          && address.getRawAuthority().equals(cover.getRawAuthority());
    } catch (IllegalArgumentException none) {
      return false;
    }
  }

  private synchronized List<CatalogueEntry> ask(String what)
      throws Unanswered, InterruptedException {
    List<CatalogueEntry> known = cache.get(what);
    if (known != null) {
      return known;
    }
    HttpResponse<String> response =
        asked(
            request(address.resolve(what), "application/json"),
            HttpResponse.BodyHandlers.limiting(HttpResponse.BodyHandlers.ofString(), MOST_BYTES));
    if (response.statusCode() != 200) {
      throw new Unanswered(words(response.statusCode()) + KEPT);
    }
    try {
      List<CatalogueEntry> entries = entries(response.body());
      cache.put(what, entries);
      return entries;
    } catch (IOException noAnswer) {
      throw new Unanswered("what the catalogue at " + address + " answers cannot be read" + KEPT);
    }
  }

  /** An answer that is not "later": made again with growing pauses until there is one. */
  private synchronized <T> HttpResponse<T> asked(
      HttpRequest request, HttpResponse.BodyHandler<T> body)
      throws Unanswered, InterruptedException {
    Duration pause = manners.firstPause();
    String trouble = "";
    for (int attempt = 1; attempt <= manners.tries(); attempt++) {
      if (attempt > 1) {
        sleeper.sleep(pause);
        pause = pause.multipliedBy(2);
      }
      keepRate();
      try {
        HttpResponse<T> response = answer(request, body);
        if (response.statusCode() < 500 && response.statusCode() != 429) {
          return response;
        }
        trouble = words(response.statusCode());
        OptionalInt wish = retryAfter(response);
        pause = wish.isPresent() ? max(pause, Duration.ofSeconds(wish.getAsInt())) : pause;
      } catch (IOException gone) {
        trouble = "the catalogue at " + address + " cannot be reached";
      }
    }
    throw new Unanswered(trouble + KEPT);
  }

  /** An answer as a whole, within the time and the size that a catalogue's answer may have. */
  private <T> HttpResponse<T> answer(HttpRequest request, HttpResponse.BodyHandler<T> body)
      throws IOException, InterruptedException {
    CompletableFuture<HttpResponse<T>> asked = http.sendAsync(request, body);
    try {
      return asked.get(manners.patience().toMillis(), TimeUnit.MILLISECONDS);
    } catch (TimeoutException dripping) {
      asked.cancel(true);
      throw new IOException("the answer took too long", dripping);
    } catch (ExecutionException broken) {
      throw new IOException(broken.getCause());
    }
  }

  private static Duration max(Duration a, Duration b) {
    return a.compareTo(b) >= 0 ? a : b;
  }

  private static OptionalInt retryAfter(HttpResponse<?> response) {
    return response
        .headers()
        .firstValue("Retry-After")
        .filter(v -> v.matches("\\d{1,3}"))
        .map(v -> OptionalInt.of(Math.min(MOST_SECONDS, Integer.parseInt(v))))
        .orElse(OptionalInt.empty());
  }

  private static String words(int status) {
    return switch (status) {
      case 429 -> "the catalogue is asked too often just now";
      case 404 -> "there is no such catalogue service at this address";
      default -> "the catalogue is out of order (" + status + ")";
    };
  }

  private void keepRate() throws InterruptedException {
    long gap = 1_000_000_000L / manners.perSecond();
    long wait = lastAsked + gap - System.nanoTime();
    if (wait > 0) {
      sleeper.sleep(Duration.ofNanos(wait));
    }
    lastAsked = System.nanoTime();
  }

  /** A cover's address in full. */
  private String cover(String artwork) {
    try {
      return address.resolve(artwork).toString();
    } catch (IllegalArgumentException none) {
      return "";
    }
  }

  private HttpRequest request(URI what, String kind) {
    return HttpRequest.newBuilder(what).timeout(manners.patience()).header("Accept", kind).build();
  }

  private List<CatalogueEntry> entries(String body) throws IOException {
    List<CatalogueEntry> entries = new ArrayList<>();
    for (JsonNode one : JSON.readTree(body).path("entries")) {
      if (entries.size() == MOST_ENTRIES) {
        break;
      }
      try {
        CatalogueEntry entry = CatalogueJson.read(one);
        entries.add(entry.artwork().isEmpty() ? entry : entry.withArtwork(cover(entry.artwork())));
      } catch (IllegalArgumentException unusable) {
        throw new IOException("the catalogue's answer cannot be read", unusable);
      }
    }
    return List.copyOf(entries);
  }
}
