package tenterhook.bench.corpus;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;

/** All files of the corpus. */
public final class Corpus {
  private Corpus() {}

  /**
   * Writes the files.
   *
   * @param seed of the sound in them
   * @throws IOException when the sound cannot be coded
   */
  public static List<CorpusFile> of(long seed) throws IOException {
    Sounds sounds = new Sounds(seed);
    List<CorpusFile> all = new ArrayList<>(new Id3Shapes(sounds).all());
    all.addAll(new VorbisShapes(sounds).all());
    all.addAll(new Mp4Shapes(sounds).all());
    all.addAll(new ChunkShapes(sounds).all());
    return all;
  }
}
