package tenterhook.core.text;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class MachineTextTest {
  @ParameterizedTest
  @ValueSource(
      strings = {
        " 00000A2F 00000B3C 00001D1E 0000F00D 0000A1B2",
        "0123456789abcdef0123456789abcdef",
        "DEADBEEF CAFEBABE FEEDFACE ABADBABE",
        "Encoded by Press 3.1",
        "ripped with Slipway Copier",
        "Lavf58.29.100",
        "LAME 3.100",
        "fencoder v2"
      })
  void whatProgramsLeaveIsTold(String text) {
    assertThat(MachineText.isAll(text)).isTrue();
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "",
        " ",
        "long fade, watch the cymbal /80S/SKA/",
        "Encoded by Press 3.1/80S/SKA/",
        "0000A1B2 00003C4D 0000FFFF 00001234 /80S/SKA/",
        "www.tape-swap.example",
        "call 55512345 before the set",
        "played by Ines",
        "lame ending"
      })
  void whatPeopleWriteStays(String text) {
    assertThat(MachineText.isAll(text)).isFalse();
  }
}
