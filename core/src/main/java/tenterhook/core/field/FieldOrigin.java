package tenterhook.core.field;

/** Where a field's value lives. */
public enum FieldOrigin {
  /** In a tag of the music file; an edit rewrites the file. */
  FILE,
  /** In the collection only; an edit never touches the file. */
  PROGRAM,
  /** Read off the file by the scan; nobody edits it. */
  READ,
  /** Measured off the sound of the file; nobody edits it. */
  MEASURED,
  /** Computed from other fields. */
  DERIVED
}
