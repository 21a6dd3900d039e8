package nullroom.app.control;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.Label;
import javafx.scene.control.MenuItem;
import javafx.scene.input.Clipboard;
import nullroom.app.Fx;
import nullroom.core.Trouble;
import nullroom.core.acoustics.Bands;
import nullroom.core.predict.Origin;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What is taken out of pictures and tables. */
class CopyMenuTest {
  @TempDir Path folder;

  @BeforeAll
  static void toolkit() {
    Fx.start();
  }

  private static List<String> names(ContextMenu menu) {
    return menu.getItems().stream().map(MenuItem::getText).toList();
  }

  @Test
  @DisplayName("a table gives its figures to the clipboard, row by row, buttons left out")
  void table() {
    FigureTable table = Fx.on(() -> new FigureTable("t"));
    Fx.show(table, 400, 200);
    Fx.run(() -> {
      table.show(List.of("name", "dB"), List.of(List.of("fan", "−3.1"), List.of("lamp", "2.0")));
      ContextMenu menu = CopyMenu.at(table.getChildren().getLast(), f -> {}, w -> {}).orElseThrow();
      assertThat(names(menu)).startsWith("Copy the figures");
      menu.getItems().getFirst().fire();
    });
    assertThat(Fx.on(() -> Clipboard.getSystemClipboard().getString()))
        .isEqualTo("name\tdB\nfan\t−3.1\nlamp\t2.0");
    assertThat(Fx.on(() -> CopyMenu.at(new Label("no picture"), f -> {}, w -> {})))
        .isEqualTo(Optional.empty());
  }

  @Test
  @DisplayName("a picture of bands gives a row for each, a column for each series")
  void bands() {
    List<List<String>> figures =
        Fx.on(() -> {
          BandPlot plot = new BandPlot("s", s -> "%.2f".formatted(s));
          plot.show(
              List.of(
                  new BandPlot.Series(
                      "measured",
                      Origin.Kind.MEASURED,
                      Bands.of(1, 2, 3, 4, 5, 6, 7, 8).toArray(),
                      "now-bar",
                      b -> Optional.empty())),
              Optional.empty());
          return plot.figures();
        });
    assertThat(figures).hasSize(9).contains(List.of("1000", "5.00"));
  }

  @Test
  @DisplayName("written as CSV: quotes where they are needed, minus signs that a spreadsheet reads")
  void csv() throws IOException {
    Path file = folder.resolve("f.csv");
    CopyMenu.writeCsv(
        List.of(new ArrayList<>(List.of("a, \"b\"", "−3.1")), List.of("c", "")), file);
    assertThat(Files.readAllLines(file)).containsExactly("\"a, \"\"b\"\"\",-3.1", "c,");
    assertThatThrownBy(() -> CopyMenu.writeCsv(List.of(), folder))
        .isInstanceOf(Trouble.BadFile.class)
        .hasMessageContaining("cannot be written");
  }
}
