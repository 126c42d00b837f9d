package tenterhook.desktop.workspace;

import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.awt.image.DataBufferInt;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.IntBuffer;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Queue;
import java.util.Set;
import java.util.concurrent.BlockingDeque;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.LinkedBlockingDeque;
import java.util.function.Consumer;
import javafx.scene.image.Image;
import javafx.scene.image.PixelBuffer;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;
import javax.imageio.ImageIO;

/**
 * Small pictures of covers, read beside the window and kept as long as there is room: those seen
 * last, up to {@link #MOST_BYTES}. What was wanted last is read first, since it is in sight. To be
 * used on the toolkit's thread.
 */
public final class CoverImages {
  /**
   * So much memory is taken by pictures at the most; the toolkit keeps them a second time where it
   * draws without a graphics card.
   */
  public static final long MOST_BYTES = 24L << 20;

  /** A core is left to the toolkit. */
  private static final int READERS =
      Math.clamp(Runtime.getRuntime().availableProcessors() - 1L, 1, 2);

  /**
   * Those that come within so many nanoseconds are shown together: each time that some are shown,
   * the toolkit's thread waits until the frame before is drawn.
   */
  private static final long TOGETHER = 40_000_000;

  /** More that wait are out of sight again; they are asked for anew when they come back. */
  private static final int MOST_WAITING = 300;

  private final Source source;
  private final Consumer<Runnable> toolkit;
  private final ExecutorService readers =
      Executors.newFixedThreadPool(
          READERS, Thread.ofPlatform().daemon().name("covers-", 0).factory());
  private final Map<String, Image> ready = new LinkedHashMap<>(64, 0.75f, true);
  private final Set<String> unreadable = new HashSet<>();
  private final Map<String, WaitingCover> waiting = new HashMap<>();
  private final BlockingDeque<WaitingCover> next = new LinkedBlockingDeque<>();
  private final Queue<Runnable> come = new ConcurrentLinkedQueue<>();
  private long bytes;
  private volatile int underWay;
  private volatile long shown = System.nanoTime();

  /**
   * No picture yet.
   *
   * @param source reads the small picture of a track's cover; asked beside the toolkit's thread
   * @param toolkit runs something on the toolkit's thread
   */
  public CoverImages(Source source, Consumer<Runnable> toolkit) {
    this.source = source;
    this.toolkit = toolkit;
  }

  /** Reads pictures. */
  @FunctionalInterface
  public interface Source {
    /**
     * The picture of a track's cover, brought to a size.
     *
     * @param side the longer side, in pixels
     * @return empty when it cannot be read
     */
    Optional<Image> read(int track, int side);
  }

  /**
   * A picture as it is read.
   *
   * @param bytes of a JPEG
   * @param side the longer side that it is brought to, so that it need not be when it is drawn
   * @return empty when it cannot be read
   */
  static Optional<Image> read(byte[] bytes, int side) {
    try {
      return Optional.ofNullable(ImageIO.read(new ByteArrayInputStream(bytes)))
          .map(i -> fitted(i, side));
    } catch (IOException broken) {
      return Optional.empty();
    }
  }

  /**
   * Brought to a size by Java's own library, which takes a tenth of the toolkit's time for it. The
   * pixels lie outside the heap: the collector has thousands of them less to move.
   */
  private static Image fitted(BufferedImage image, int side) {
    double by = (double) side / Math.max(image.getWidth(), image.getHeight());
    int width = (int) Math.max(1, Math.round(image.getWidth() * by));
    int height = (int) Math.max(1, Math.round(image.getHeight() * by));
    BufferedImage fitted = new BufferedImage(width, height, BufferedImage.TYPE_INT_ARGB_PRE);
    Graphics2D pen = fitted.createGraphics();
    pen.setRenderingHint(
        RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
    pen.drawImage(image, 0, 0, width, height, null);
    pen.dispose();
    IntBuffer pixels =
        ByteBuffer.allocateDirect(width * height * Integer.BYTES)
            .order(ByteOrder.nativeOrder())
            .asIntBuffer();
    pixels.put(((DataBufferInt) fitted.getRaster().getDataBuffer()).getData()).rewind();
    return new WritableImage(
        new PixelBuffer<>(width, height, pixels, PixelFormat.getIntArgbPreInstance()));
  }

  /**
   * A picture that somebody waits for.
   *
   * @param key of its cover and size
   */
  private record WaitingCover(String key, int track, int side, List<Runnable> then) {}

  /**
   * A picture, if it is there.
   *
   * @param sha256 of the cover
   * @param track one that carries it
   * @param side the longer side, in pixels
   * @param then called when the picture has come that is not there yet; not when it was given, nor
   *     when so many others were asked for meanwhile that this one must be out of sight
   */
  public Optional<Image> get(String sha256, int track, int side, Runnable then) {
    String key = side + " " + sha256;
    Image image = ready.get(key);
    if (image != null || unreadable.contains(key)) {
      return Optional.ofNullable(image);
    }
    WaitingCover known = waiting.get(key);
    if (known != null) {
      known.then().add(then);
      if (next.remove(known)) {
        next.addFirst(known);
        readers.execute(this::readNewest); // one may have looked while it was nowhere
      }
      return Optional.empty();
    }
    WaitingCover asked = new WaitingCover(key, track, side, new ArrayList<>(List.of(then)));
    waiting.put(key, asked);
    next.addFirst(asked);
    if (next.size() > MOST_WAITING) {
      Optional.ofNullable(next.pollLast()).ifPresent(o -> waiting.remove(o.key()));
    }
    underWay = waiting.size();
    readers.execute(this::readNewest);
    return Optional.empty();
  }

  private void readNewest() {
    try {
      WaitingCover asked = next.pollFirst();
      if (asked != null) {
        read(asked);
      }
    } finally {
      if (next.isEmpty() || System.nanoTime() - shown > TOGETHER) {
        showCome();
      }
    }
  }

  private void read(WaitingCover asked) {
    Optional<Image> image = Optional.empty();
    try {
      image = source.read(asked.track(), asked.side());
    } finally {
      Optional<Image> read = image;
      come.add(() -> came(asked, read));
    }
  }

  private void showCome() {
    shown = System.nanoTime();
    toolkit.accept(
        () -> {
          for (Runnable one = come.poll(); one != null; one = come.poll()) {
            one.run();
          }
        });
  }

  private void came(WaitingCover asked, Optional<Image> image) {
    waiting.remove(asked.key());
    image.ifPresentOrElse(i -> keep(asked.key(), i), () -> unreadable.add(asked.key()));
    underWay = waiting.size();
    asked.then().forEach(Runnable::run);
  }

  private void keep(String key, Image image) {
    ready.put(key, image);
    bytes += size(image);
    Iterator<Image> oldest = ready.values().iterator();
    while (bytes > MOST_BYTES) {
      bytes -= size(oldest.next());
      oldest.remove();
    }
  }

  private static long size(Image image) {
    return (long) (image.getWidth() * image.getHeight() * Integer.BYTES);
  }

  /** What may have changed is read again, such as a file that could not be read. */
  public void forgetUnreadable() {
    unreadable.clear();
  }

  /** The memory that pictures take, in bytes. */
  public long bytes() {
    return bytes;
  }

  /** Whether nothing is awaited; may be asked from any thread. */
  public boolean quiet() {
    return underWay == 0;
  }

  /** Reads no more. */
  void close() {
    readers.shutdownNow();
  }
}
