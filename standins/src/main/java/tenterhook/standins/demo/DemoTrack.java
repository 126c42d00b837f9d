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
  /** A trouble on purpose. */
  record Trouble(String kind, String field, String is, String meant) {}

  final Recording recording;
  final String path;
  final Encoder.Form form;
  final int kbps;
  final Map<Field<?>, String> tags = new LinkedHashMap<>();
  final List<Trouble> troubles = new ArrayList<>();
  byte[] cover = new byte[0];
  int coverSide;
  String tagForm = "";
  String copyOf = "";
  String sameSoundAs = "";
  String versionOf = "";
  String movesTo = "";
  boolean deleted;

  DemoTrack(Recording recording, String path, Encoder.Form form, int kbps) {
    this.recording = recording;
    this.path = path;
    this.form = form;
    this.kbps = kbps;
  }

  String folder() {
    return path.substring(0, path.lastIndexOf('/'));
  }

  void spoil(String kind, Field<?> field, String is) {
    troubles.add(new Trouble(kind, field.key(), is, tags.getOrDefault(field, "")));
    if (is.isEmpty()) {
      tags.remove(field);
    } else {
      tags.put(field, is);
    }
  }
}
