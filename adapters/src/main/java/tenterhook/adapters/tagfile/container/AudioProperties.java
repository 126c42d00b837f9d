package tenterhook.adapters.tagfile.container;

/**
 * What a file says of its sound.
 *
 * @param codec how it is coded, such as {@code mp3} or {@code vorbis}
 * @param seconds how long it plays; 0 when unknown
 * @param kbps bits a second in thousands; 0 when unknown
 * @param sampleRate in hertz; 0 when unknown
 */
public record AudioProperties(String codec, double seconds, int kbps, int sampleRate) {
  /** Of sound whose bit rate follows from its length in bytes. */
  public static AudioProperties of(String codec, double seconds, long bytes, int sampleRate) {
    long kbps = seconds <= 0 ? 0 : Math.round(bytes * 8 / seconds / 1000);
    return new AudioProperties(codec, seconds, (int) Math.min(kbps, 999_999), sampleRate);
  }
}
