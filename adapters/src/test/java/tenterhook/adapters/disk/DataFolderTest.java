package tenterhook.adapters.disk;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.NullSource;
import org.junit.jupiter.params.provider.ValueSource;

class DataFolderTest {
  @Test
  void theFolderThatTheUserNamedHoldsIt() {
    assertThat(DataFolder.of(Optional.of("/big/data"), "/home/ines"))
        .isEqualTo(Path.of("/big/data/tenterhook"));
  }

  @ParameterizedTest
  @NullSource
  @ValueSource(strings = {"", "  ", "not/absolute"})
  void withoutOneItIsInTheUsersHome(String data) {
    assertThat(DataFolder.of(Optional.ofNullable(data), "/home/ines"))
        .isEqualTo(Path.of("/home/ines/.local/share/tenterhook"));
  }
}
