package tenterhook.adapters.tagfile.id3;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import tenterhook.adapters.tagfile.bytes.ByteWriter;
import tenterhook.adapters.tagfile.tag.PlaceValues;
import tenterhook.core.text.MachineText;

/**
 * A text with a language and a description: comments and lyrics (COMM and USLT; ID3v2.4 frames,
 * 4.10 and 4.8). A tag may have many of them, of which one is the DJ's own: the first without a
 * description that no program left, else the first whose description is in plain words.
 *
 * @param frame the frame it stands in
 * @param language three letters
 * @param description empty for the main text
 * @param text the text
 */
record LanguageText(Id3Frame frame, String language, String description, String text) {
  private static final Set<String> FRAMES = Set.of("COMM", "USLT");
  private static final Pattern IDENTIFIER = Pattern.compile("\\S*[a-z][A-Z0-9]\\S*|\\S*[_-]\\S*");

  /** What stands for a language that is not known: three letters X (ID3v2.4 frames, 4.10). */
  private static final String UNKNOWN = "X".repeat(3);

  /** Whether frames of a name are such texts. */
  static boolean is(String name) {
    return FRAMES.contains(name);
  }

  private static Optional<LanguageText> in(Id3Frame frame, String name) {
    if (!frame.id().equals(FrameIds.in(name, frame.form().version()))) {
      return Optional.empty();
    }
    byte[] content = frame.content();
    if (content.length < 5) {
      return Optional.empty();
    }
    List<String> texts = FrameText.decode(content[0], content, 4);
    return Optional.of(
        new LanguageText(
            frame,
            new String(content, 1, 3, StandardCharsets.ISO_8859_1),
            texts.isEmpty() ? "" : texts.getFirst(),
            texts.size() < 2 ? "" : texts.get(1)));
  }

  private static List<LanguageText> all(List<Id3Frame> frames, String name) {
    return frames.stream().flatMap(f -> in(f, name).stream()).toList();
  }

  /** The DJ's own among texts. */
  private static @Nullable LanguageText own(List<LanguageText> all) {
    List<LanguageText> human =
        all.stream()
            .filter(t -> !t.text().isEmpty() && !MachineText.isAll(t.text()))
            .filter(t -> !IDENTIFIER.matcher(t.description()).matches())
            .toList();
    return human.stream()
        .filter(t -> t.description().isEmpty())
        .findFirst()
        .orElse(human.isEmpty() ? null : human.getFirst());
  }

  static List<PlaceValues> held(List<Id3Frame> frames, String name) {
    LanguageText own = own(all(frames, name));
    return own == null ? List.of() : List.of(new PlaceValues(name, List.of(own.text())));
  }

  /** Frames with the DJ's own text set, and every copy of it under the same description. */
  static List<Id3Frame> with(List<Id3Frame> frames, FrameForm form, String name, String text) {
    List<LanguageText> all = all(frames, name);
    LanguageText own = own(all);
    List<Id3Frame> next = new ArrayList<>();
    for (Id3Frame frame : frames) {
      Optional<LanguageText> here = in(frame, name).filter(t -> t.same(own));
      if (here.isEmpty()) {
        next.add(frame);
      } else if (!text.isEmpty()) {
        next.add(frame.with(here.get().content(text, form)));
      }
    }
    if (own == null && !text.isEmpty()) {
      next.add(first(frames, all), fresh(all, form, name, text));
    }
    return next;
  }

  private boolean same(@Nullable LanguageText own) {
    return own != null && text.equals(own.text) && description.equals(own.description);
  }

  /** In front of other texts of its kind, since many readers take the first. */
  private static int first(List<Id3Frame> frames, List<LanguageText> all) {
    return all.isEmpty() ? frames.size() : frames.indexOf(all.getFirst().frame());
  }

  private static Id3Frame fresh(List<LanguageText> all, FrameForm form, String name, String text) {
    boolean taken =
        all.stream().anyMatch(t -> t.description().isEmpty() && t.language().equals("eng"));
    FrameText spelling = TextFrames.usual(form.version());
    byte[] content = content(taken ? UNKNOWN : "eng", "", text, spelling, form);
    return Id3Frame.of(FrameIds.in(name, form.version()), content, form);
  }

  private byte[] content(String next, FrameForm form) {
    byte[] old = frame.content();
    int textFrom = FrameText.end(old[0], old, 4) + FrameText.terminator(old[0]);
    FrameText spelling = FrameText.of(old, Math.min(textFrom, old.length));
    if (spelling.encoding() == FrameText.UTF16) {
      byte[] description = Arrays.copyOfRange(old, 4, old.length);
      boolean bigEnd = description.length > 1 && description[0] == -2 && description[1] == -1;
      spelling = new FrameText(FrameText.UTF16, bigEnd, spelling.terminated());
    }
    return content(language, description, next, spelling, form);
  }

  private static byte[] content(
      String language, String description, String text, FrameText spelling, FrameForm form) {
    FrameText fitting = spelling.fitting(List.of(description, text), form.version());
    return ByteWriter.bigEnd()
        .int8(fitting.encoding())
        .letters(language)
        .bytes(fitting.closed(description))
        .bytes(fitting.encode(List.of(text)))
        .toBytes();
  }
}
