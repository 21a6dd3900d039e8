package nullroom.app.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import nullroom.app.desktop.DemoBook;
import nullroom.core.Trouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class RehearsalTest {
  @TempDir Path folder;

  @Test
  void whatTheStartUpCacheIsTrainedWithCanBeDone() {
    Path book = folder.resolve("book");
    DemoBook.create(book);
    assertThat(CommandLineFace.rehearse(book)).isZero();
  }

  @Test
  void aBookWithoutClapsTrainsNothing() throws IOException {
    Files.createDirectory(folder.resolve("sound"));
    assertThatThrownBy(() -> CommandLineFace.rehearse(folder))
        .isInstanceOf(Trouble.BadFile.class)
        .hasMessageContaining("claps");
  }
}
