package tenterhook.core.duplicate;

/** Why a group is not offered for removal although something speaks for it. */
public enum Doubt {
  /** Nothing speaks against it. */
  NONE,
  /** Their titles tell different versions. */
  VERSIONS,
  /** The tags agree, the sound differs. */
  SOUND_DIFFERS,
  /** The tags agree; not all of them were measured. */
  NOT_HEARD,
  /** One recording, on an album and on a compilation: both may stay. */
  TWO_HOMES
}
