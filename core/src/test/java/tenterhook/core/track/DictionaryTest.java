package tenterhook.core.track;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.Seeded;
import tenterhook.core.Seeds;
import tenterhook.core.Tracks;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.text.Fold;
import tenterhook.core.text.NameKey;

/** Packed texts, searching and ordering, beside the plainest way of doing the same. */
class DictionaryTest {
  private static final String HALF_PAIR = "broken \uD83D end";

  private static List<String> texts(Random random) {
    List<String> texts = new ArrayList<>(List.of("", HALF_PAIR, "broken ? end", "\uDC00", "?"));
    int count = Seeds.between(random, 1, 300);
    for (int i = 0; i < count; i++) {
      texts.add(Seeds.text(random, 40));
    }
    return texts;
  }

  @Seeded
  void everyTextKeepsItsNumberAndItself(long block) {
    Seeds.each(
        block,
        100,
        random -> {
          Dictionary dictionary = new Dictionary();
          Map<String, Integer> numbers = new HashMap<>();
          for (String text : texts(random)) {
            numbers.putIfAbsent(text, dictionary.intern(text));
            assertThat(dictionary.intern(text)).isEqualTo(numbers.get(text));
          }
          assertThat(dictionary.size()).isEqualTo(numbers.size());
          assertThat(dictionary.text(0)).isEmpty();
          numbers.forEach((text, number) -> assertThat(dictionary.text(number)).isEqualTo(text));
        });
  }

  @Seeded
  void searchingFindsWhatContainsThePart(long block) {
    Seeds.each(
        block,
        200,
        random -> {
          Dictionary dictionary = new Dictionary();
          List<String> texts = texts(random);
          int first = texts.size() / 2;
          texts.subList(0, first).forEach(dictionary::intern);
          String part = Fold.fold(part(random, texts));
          assertThat(dictionary.containing(part)).isEqualTo(plain(dictionary, part));
          texts.forEach(dictionary::intern);
          assertThat(dictionary.containing(part)).as("grown").isEqualTo(plain(dictionary, part));
          String cleaned = NameKey.plain(part);
          BitSet found = dictionary.containingCleaned(cleaned);
          for (int number = 0; number < dictionary.size(); number++) {
            String own = NameKey.plain(dictionary.text(number));
            assertThat(found.get(number)).as(own).isEqualTo(own.contains(cleaned));
            assertThat(dictionary.cleaned(number)).isEqualTo(own);
          }
        });
  }

  private static String part(Random random, List<String> texts) {
    String text = texts.get(random.nextInt(texts.size()));
    int from = random.nextInt(text.length() + 1);
    return text.substring(from, Math.min(text.length(), from + random.nextInt(5)));
  }

  private static BitSet plain(Dictionary dictionary, String part) {
    BitSet found = new BitSet();
    for (int number = 0; number < dictionary.size(); number++) {
      found.set(number, Fold.fold(dictionary.text(number)).contains(part));
    }
    return found;
  }

  @Seeded
  void placesFollowTheOrderOfTheValues(long block) {
    Seeds.each(
        block,
        100,
        random -> {
          Field<?> field = random.nextBoolean() ? Fields.TITLE : Fields.BPM;
          Dictionary dictionary = new Dictionary();
          for (int round = 0; round < 3; round++) {
            for (int i = 0; i < 40; i++) {
              dictionary.intern(
                  field == Fields.BPM && random.nextInt(4) > 0
                      ? String.valueOf(random.nextInt(300) / 2.0)
                      : Seeds.text(random, 3));
            }
            checkPlaces(dictionary, field);
          }
        });
  }

  private static void checkPlaces(Dictionary dictionary, Field<?> field) {
    int[] places = dictionary.places(field.type());
    for (int a = 0; a < dictionary.size(); a++) {
      for (int b = 0; b < dictionary.size(); b++) {
        if (places[a] >= 0 && places[b] >= 0) {
          int compared =
              field.type().numeric()
                  ? Double.compare(
                      dictionary.value(a, field.type()), dictionary.value(b, field.type()))
                  : byCodePoints(dictionary.folded(a), dictionary.folded(b));
          assertThat(Integer.signum(Integer.compare(places[a], places[b])))
              .isEqualTo(Integer.signum(compared));
        }
      }
      boolean hole =
          field.type().numeric() ? Double.isNaN(dictionary.value(a, field.type())) : a == 0;
      assertThat(places[a] < 0).isEqualTo(hole);
    }
  }

  private static int byCodePoints(String a, String b) {
    return Arrays.compare(a.codePoints().toArray(), b.codePoints().toArray());
  }

  @Test
  void holesAreWhatTheFieldCallsSo() {
    Dictionary dictionary = new Dictionary();
    int fast = dictionary.intern("fast");
    int tempo = dictionary.intern("118.0");
    BitSet holes = dictionary.holes(Fields.BPM);
    assertThat(holes.get(0)).isTrue();
    assertThat(holes.get(fast)).isTrue();
    assertThat(holes.get(tempo)).isFalse();
    int slow = dictionary.intern("slow");
    assertThat(dictionary.holes(Fields.BPM).get(slow)).as("grown").isTrue();
  }

  @Test
  void aColumnKnowsItsHoles() {
    Snapshot snapshot =
        Tracks.none().with("bpm=118").with("bpm=").with("bpm=fast").with("bpm=98").snapshot();
    Column column = snapshot.column(Fields.BPM);
    RoaringBitmap holes = RoaringBitmap.and(snapshot.tracks(), column.holes(Fields.BPM));
    assertThat(holes).isEqualTo(RoaringBitmap.bitmapOf(2, 3));
    Snapshot after = snapshot.with(List.of(new Cell(2, Fields.BPM, "120")));
    assertThat(after.column(Fields.BPM).holes(Fields.BPM).contains(2)).isFalse();
    assertThat(column.holes(Fields.BPM).contains(2)).as("the older moment").isTrue();
    assertThat(column.end()).isEqualTo(1024);
  }

  @Seeded
  void aSnapshotIsReadBackAsItWasWritten(long block) {
    Seeds.each(
        block,
        30,
        random -> {
          Snapshot snapshot = Snapshot.empty();
          for (int i = Seeds.between(random, 0, 80); i > 0; i--) {
            int id = Seeds.between(random, 1, 5000);
            Field<?> field = Fields.all().get(random.nextInt(Fields.all().size()));
            snapshot = snapshot.with(List.of(new Cell(id, field, Seeds.text(random, 9))));
          }
          snapshot =
              snapshot.with(
                  List.of(
                      new Cell(7, Fields.TITLE, HALF_PAIR), new Cell(8, Fields.LIFECYCLE, "held")));
          Snapshot back =
              SnapshotImage.read(ByteBuffer.wrap(image(snapshot)), "then").orElseThrow();
          assertThat(back.known()).isEqualTo(snapshot.known());
          assertThat(back.tracks()).isEqualTo(snapshot.tracks());
          assertThat(back.held()).isEqualTo(snapshot.held());
          for (int id = 1; id < 5001; id++) {
            for (Field<?> field : Fields.all()) {
              assertThat(back.raw(id, field)).isEqualTo(snapshot.raw(id, field));
            }
          }
        });
  }

  @Test
  void anotherStampGivesNothing() {
    byte[] image = image(Tracks.none().with("title=Cold Lamps").snapshot());
    assertThat(SnapshotImage.read(ByteBuffer.wrap(image), "now")).isEmpty();
    assertThat(SnapshotImage.read(ByteBuffer.wrap(new byte[0]), "then")).isEmpty();
  }

  @Test
  void aSnapshotThatWasReadBackCanBeAltered() {
    Snapshot back =
        SnapshotImage.read(
                ByteBuffer.wrap(image(Tracks.none().with("title=Cold Lamps").snapshot())), "then")
            .orElseThrow();
    Snapshot after =
        back.with(
            List.of(
                new Cell(1, Fields.ALBUM, "Pairs"),
                new Cell(2, Fields.TITLE, "Cold Lamps"),
                new Cell(3, Fields.TITLE, "Slow Freeze")));
    assertThat(after.tracks()).isEqualTo(RoaringBitmap.bitmapOf(1, 2, 3));
    assertThat(after.column(Fields.TITLE).number(2))
        .isEqualTo(after.column(Fields.TITLE).number(1));
    assertThat(after.raw(3, Fields.TITLE)).isEqualTo("Slow Freeze");
    assertThat(back.raw(1, Fields.ALBUM)).isEmpty();
  }

  private static byte[] image(Snapshot snapshot) {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    SnapshotImage.write(snapshot, "then", b -> bytes.write(b.array(), b.position(), b.remaining()));
    return bytes.toByteArray();
  }
}
