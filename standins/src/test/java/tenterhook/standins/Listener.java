package tenterhook.standins;

import java.nio.Buffer;
import java.nio.ShortBuffer;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.util.HexFormat;
import java.util.Map;
import java.util.TreeMap;
import org.bytedeco.javacv.FFmpegFrameGrabber;
import org.bytedeco.javacv.Frame;

/** Reads files with FFmpeg, which shares no code with the program's own tag reader. */
public final class Listener {
  private Listener() {}

  /** All tags as FFmpeg names them, stream tags included. */
  public static Map<String, String> tags(Path file) throws Exception {
    Map<String, String> tags = new TreeMap<>();
    try (FFmpegFrameGrabber grabber = new FFmpegFrameGrabber(file.toFile())) {
      grabber.start();
      grabber.getMetadata().forEach((k, v) -> tags.put(k.toLowerCase(java.util.Locale.ROOT), v));
      grabber
          .getAudioMetadata()
          .forEach((k, v) -> tags.putIfAbsent(k.toLowerCase(java.util.Locale.ROOT), v));
    }
    return tags;
  }

  /** The hash of the decoded sound. */
  public static String sound(Path file) throws Exception {
    MessageDigest digest = MessageDigest.getInstance("SHA-256");
    try (FFmpegFrameGrabber grabber = new FFmpegFrameGrabber(file.toFile())) {
      grabber.setSampleFormat(org.bytedeco.ffmpeg.global.avutil.AV_SAMPLE_FMT_S16);
      grabber.start();
      for (Frame frame = grabber.grabSamples(); frame != null; frame = grabber.grabSamples()) {
        for (Buffer buffer : frame.samples) {
          ShortBuffer samples = (ShortBuffer) buffer;
          byte[] bytes = new byte[samples.remaining() * 2];
          for (int i = 0; samples.hasRemaining(); i += 2) {
            short sample = samples.get();
            bytes[i] = (byte) sample;
            bytes[i + 1] = (byte) (sample >> 8);
          }
          digest.update(bytes);
        }
      }
    }
    return HexFormat.of().formatHex(digest.digest());
  }

  /** Length in seconds. */
  public static double seconds(Path file) throws Exception {
    try (FFmpegFrameGrabber grabber = new FFmpegFrameGrabber(file.toFile())) {
      grabber.start();
      return grabber.getLengthInTime() / 1e6;
    }
  }
}
