package tenterhook.adapters.disk;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledOnOs;
import org.junit.jupiter.api.condition.OS;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.NullSource;
import org.junit.jupiter.params.provider.ValueSource;
import tenterhook.adapters.JavaProgram;

@EnabledOnOs(OS.LINUX)
class DataFolderTest {
  /** Says where the folder is, since a program cannot alter what surrounds itself. */
  static final class Asked {
    public static void main(String[] args) {
      System.out.print(DataFolder.ofUser());
    }
  }

  private static Path asked(@Nullable String data) throws Exception {
    ProcessBuilder program =
        JavaProgram.of(List.of(), Asked.class).redirectError(ProcessBuilder.Redirect.DISCARD);
    program.environment().remove("XDG_DATA_HOME");
    if (data != null) {
      program.environment().put("XDG_DATA_HOME", data);
    }
    return Path.of(new String(program.start().getInputStream().readAllBytes()));
  }

  @Test
  void theFolderThatTheUserNamedHoldsIt() throws Exception {
    assertThat(asked("/big/data")).isEqualTo(Path.of("/big/data/tenterhook"));
  }

  @ParameterizedTest
  @NullSource
  @ValueSource(strings = {"", "  ", "not/absolute"})
  void withoutOneItIsInTheUsersHome(String data) throws Exception {
    assertThat(asked(data))
        .isEqualTo(Path.of(System.getProperty("user.home"), ".local/share/tenterhook"));
  }
}
