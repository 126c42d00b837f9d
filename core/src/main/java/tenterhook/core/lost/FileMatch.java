package tenterhook.core.lost;

/** How a file agrees with a lost track, from what leaves no doubt down. */
public enum FileMatch {
  /** What sounds is the same to the byte, under another name. */
  RENAMED(100, "renamed: the same sound to the byte"),
  /** What sounds is the same to the byte, only the tags are others. */
  RETAGGED(99, "same name and the same sound to the byte, other tags"),
  /** As moved files are, and opened: neither tags nor samples of the sound are others. */
  MOVED(98, "moved: same name, size, tags and sound"),
  /** Renamed or retagged; what sounds has the same length and the same samples. */
  SAMPLES_AGREE(96, "the same sound by its samples"),
  /** The prints agree: one recording in another file. */
  REENCODED(95, "the same recording in another file"),
  /** Moved, by all that can be told without listening. */
  NAME_SIZE_LENGTH_TAGS(94, "moved: same name, size, length and tags"),
  /** Renamed, by all that can be told without listening. */
  SIZE_LENGTH_TAGS(93, "renamed: same size, length and tags"),
  /** Perhaps with other tags, perhaps another recording. */
  NAME_LENGTH_TAGS(85, "same name, length and tags, not listened to"),
  /** As moved files are, but not opened. */
  NAME_AND_SIZE(80, "same name and size, not opened"),
  /** By chance or not. */
  SIZE(70, "same size, another name"),
  /** Known as early as the lost one, so it did not move. */
  STOOD_BESIDE(65, "a copy that was there before"),
  /** Only the tags speak for it. */
  LENGTH_TAGS(62, "same artist, title and length"),
  /** Only the name speaks for it. */
  NAME(60, "same name, another size"),
  /** The name agrees, and the sound is another's. */
  SOUNDS_OTHERWISE(2, "same name, but it sounds different");

  private final int certainty;
  private final String words;

  FileMatch(int certainty, String words) {
    this.certainty = certainty;
    this.words = words;
  }

  /** 0 to 100. */
  public int certainty() {
    return certainty;
  }

  /** Why, in words. */
  public String words() {
    return words;
  }

  /** Whether what sounds is another file's, so that codes must be carried over to it. */
  public boolean anotherFile() {
    return this == REENCODED || this == LENGTH_TAGS || this == NAME_LENGTH_TAGS || this == NAME;
  }
}
