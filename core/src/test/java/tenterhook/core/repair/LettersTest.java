package tenterhook.core.repair;

import static org.assertj.core.api.Assertions.assertThat;
import static tenterhook.core.repair.RepairKind.BROKEN_LETTERS;
import static tenterhook.core.repair.RepairKind.CAPITALS;
import static tenterhook.core.repair.RepairKind.COMMENTS;
import static tenterhook.core.repair.RepairKind.JUNK;
import static tenterhook.core.repair.RepairKind.VERSIONS;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tenterhook.core.Tracks;
import tenterhook.core.field.Fields;

/** What is wrong with the letters of a name or a comment. */
class LettersTest {
  private static String title(RepairKind kind, String title) {
    return Inspected.of(Tracks.none().with("title=" + title, "artist=Varda Pell"))
        .after(kind, 1, Fields.TITLE);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "Cold Lamps (Official Video) | Cold Lamps",
        "Cold Lamps [free dl] | Cold Lamps",
        "Cold Lamps - www.tape-swap.example | Cold Lamps",
        "Cold Lamps [tape-swap.example] | Cold Lamps",
        "Cold Lamps_final_master | Cold Lamps",
        "Cold Lamps (HQ) (HD) | Cold Lamps",
        "Cold_Lamps | Cold Lamps",
        "Cold   Lamps () | Cold Lamps",
        "Cold Lamps (Ferry Remix) [Official Audio] | Cold Lamps (Ferry Remix)",
      })
  void junkGoes(String before, String after) {
    assertThat(title(JUNK, before)).isEqualTo(after);
  }

  @Test
  void everyOneOfSeveralArtistsIsMended() {
    Tracks two = Tracks.none().with("artist=PEWTER WREN\0THE GANNET SISTERS");
    assertThat(Inspected.of(two).after(CAPITALS, 1, Fields.ARTIST))
        .isEqualTo("Pewter Wren\0The Gannet Sisters");
    Tracks blank = Tracks.none().with("artist=Pewter  Wren\0Varda_Pell");
    assertThat(Inspected.of(blank).after(JUNK, 1, Fields.ARTIST))
        .isEqualTo("Pewter Wren\0Varda Pell");
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "Cold Lamps (Ferry Remix)",
        "Cold Lamps (Live at the Rink)",
        "Cold Lamps (for Ines)",
        "Cold Lamps [HD Dub]",
        "Official Video",
        "(HQ)",
        "Preview of Winter",
        "Cold Lamps Preview",
        "Promo Only",
        "4K",
        "No. 9 Dream"
      })
  void whatBelongsToTheMusicStays(String title) {
    assertThat(title(JUNK, title)).isEqualTo("nothing");
  }

  @Test
  void aNumberInFrontGoesOnlyWhenItIsTheTracksOwn() {
    Inspected seen =
        Inspected.of(
            Tracks.none()
                .with("title=07 - Cold Lamps", "track=7")
                .with("title=99 - Lanterns", "track=3"));
    assertThat(seen.after(JUNK, 1, Fields.TITLE)).isEqualTo("Cold Lamps");
    assertThat(seen.after(JUNK, 2, Fields.TITLE)).isEqualTo("nothing");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "Hard Frost - Ferry Remix | Hard Frost (Ferry Remix)",
        "Hard Frost [Ferry Remix] | Hard Frost (Ferry Remix)",
        "Hard Frost (Ferry rmx) | Hard Frost (Ferry Remix)",
      })
  void versionsGetOneForm(String before, String after) {
    assertThat(title(VERSIONS, before)).isEqualTo(after);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "COLD LAMPS OF THE HARBOUR | Cold Lamps of the Harbour",
        "cold lamps part ii | Cold Lamps Part II",
        "THE END OF | The End Of",
        "cOLD lAMPS | Cold Lamps",
        "ЗИМНИЙ КАТОК | Зимний каток",
        "ÉTÉ GELÉ AU PORT | Été gelé au port",
        "Dj Fenwick | DJ Fenwick",
        "DON'T STOP AT MY DOOR | Don't Stop at My Door",
      })
  void capitalsFollowTheLanguage(String before, String after) {
    assertThat(title(CAPITALS, before)).isEqualTo(after);
  }

  @ParameterizedTest
  @ValueSource(
      strings = {"Cold Lamps", "SOS", "NNOH", "Été gelé", "Зимний каток", "DJ MC", "夜の渡し船"})
  void goodCapitalsStay(String title) {
    assertThat(title(CAPITALS, title)).isEqualTo("nothing");
  }

  private static String misread(String text, Charset was, Charset readAs) {
    return new String(text.getBytes(was), readAs);
  }

  @Test
  void aWrongCharacterSetIsTurnedBack() {
    Charset western = Charset.forName("windows-1252");
    Charset cyrillic = Charset.forName("windows-1251");
    String once = misread("Été gelé", StandardCharsets.UTF_8, western);
    String twice = misread(once, StandardCharsets.UTF_8, western);
    String russian = misread("Зимний каток", cyrillic, western);
    String greek = misread("Βραδινό φως", Charset.forName("windows-1253"), western);
    assertThat(title(BROKEN_LETTERS, once)).isEqualTo("Été gelé");
    assertThat(title(BROKEN_LETTERS, twice)).isEqualTo("Été gelé");
    assertThat(title(BROKEN_LETTERS, russian)).isEqualTo("Зимний каток");
    assertThat(title(BROKEN_LETTERS, greek)).isEqualTo("Βραδινό φως");
  }

  @Test
  void entitiesAccentsAndHiddenCharactersAreMended() {
    assertThat(title(BROKEN_LETTERS, "Halden &amp; Quill")).isEqualTo("Halden & Quill");
    assertThat(title(BROKEN_LETTERS, "Cafe\u0301")).isEqualTo("Café");
    assertThat(title(BROKEN_LETTERS, "Cold\u200B\u00A0Lamps")).isEqualTo("Cold Lamps");
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "Été gelé",
        "Éloïse Tarn-Ø",
        "Ça",
        "Зимний каток",
        "Halden & Quill",
        "Ærø Øl",
        "naïve"
      })
  void goodLettersStay(String title) {
    assertThat(title(BROKEN_LETTERS, title)).isEqualTo("nothing");
  }

  private static String comment(String comment) {
    return Inspected.of(Tracks.none().with("comment=" + comment))
        .after(COMMENTS, 1, Fields.COMMENT);
  }

  @Test
  void machineTextLeavesTheCommentAndOwnWordsAndCodesStay() {
    assertThat(comment("0000A1B2 00003C4D 0000FFFF 00001234 crowd sings along /80S/SKA/"))
        .isEqualTo("crowd sings along /80S/SKA/");
    assertThat(comment("watch the cymbal - downloaded from www.tape-swap.example /80S/"))
        .isEqualTo("watch the cymbal /80S/");
    assertThat(comment("ripped with Tape Mill 2")).isEmpty();
    assertThat(comment("one\u0000two\u0000one")).isEqualTo("one · two");
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "crowd sings along /80S/SKA/",
        "starts cold",
        "from SPRINGTIME sampler, SKATE edit",
        "/SKA/",
        "call 5551234"
      })
  void ownCommentsStay(String comment) {
    assertThat(comment(comment)).isEqualTo("nothing");
  }
}
