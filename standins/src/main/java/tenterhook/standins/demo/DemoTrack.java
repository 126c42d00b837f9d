package tenterhook.standins.demo;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import tenterhook.core.field.Field;
import tenterhook.standins.synth.Encoder;
import tenterhook.standins.synth.Recording;

/**
 * One file of the demo while it is being planned: what will be in it, and what is wrong with it.
 */
final class DemoTrack {
  /**
   * A trouble on purpose.
   *
   * @param by who can know what was meant: the key of a repair, {@code catalogue}, or nobody
   */
  record Trouble(String kind, String field, String is, String meant, String by) {}

  /** A value that looks wrong and is right. */
  record Trap(String field, String value, String why) {}

  final Recording recording;
  final String path;
  final Encoder.AudioForm form;
  final int kbps;
  final Map<Field<?>, String> tags = new LinkedHashMap<>();
  final Map<Field<?>, String> clean = new LinkedHashMap<>();
  final List<Trouble> troubles = new ArrayList<>();
  final List<Trap> traps = new ArrayList<>();

  /** What the cover is drawn from: the same name gives the same picture. */
  String cover = "";

  /** The embedded cover's side in pixels, 0 for none. */
  int coverSide;

  /** The bit rate that the sound was coded at before it got into this file, 0 for never. */
  int upscaledFrom;

  String tagForm = "";

  /**
   * The year in a short tag behind the longer one, where it says another; empty for no such tag.
   */
  String oldTagYear = "";

  String copyOf = "";
  String sameSoundAs = "";
  String versionOf = "";
  String movesTo = "";
  boolean deleted;

  DemoTrack(Recording recording, String path, Encoder.AudioForm form, int kbps) {
    this.recording = recording;
    this.path = path;
    this.form = form;
    this.kbps = kbps;
  }

  String folder() {
    return path.substring(0, path.lastIndexOf('/'));
  }

  String fileName() {
    return path.substring(path.lastIndexOf('/') + 1);
  }

  /** Whether only the old short tag is there, which holds little. */
  boolean brief() {
    return tagForm.equals("1");
  }

  String tag(Field<?> field) {
    return tags.getOrDefault(field, "");
  }

  /** What stands in the tags now is what is right. */
  void settle() {
    clean.clear();
    clean.putAll(tags);
  }

  void spoil(String kind, Field<?> field, String is) {
    spoil(kind, field, is, "");
  }

  void spoil(String kind, Field<?> field, String is, String by) {
    troubles.add(new Trouble(kind, field.key(), is, tags.getOrDefault(field, ""), by));
    if (is.isEmpty()) {
      tags.remove(field);
    } else {
      tags.put(field, is);
    }
  }

  void trap(Field<?> field, String value, String why) {
    tags.put(field, value);
    traps.add(new Trap(field.key(), value, why));
  }

  /** Takes over what another file holds and what would be right for it. */
  void takeTags(DemoTrack other) {
    tags.putAll(other.tags);
    clean.putAll(other.clean);
    cover = other.cover;
    coverSide = other.coverSide;
  }
}
