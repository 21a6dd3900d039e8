package nullroom.app.control;

import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import javafx.scene.Node;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.MenuItem;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Region;
import javafx.stage.FileChooser;
import nullroom.app.words.Language;
import nullroom.core.Trouble;
import org.jspecify.annotations.Nullable;

/**
 * What can be taken out of a picture or a table: copied or written, as it is seen or as figures.
 */
public final class CopyMenu {
  /** What has figures that can be taken along. */
  public interface Tabled {
    /** A head and rows, as they are read; empty where there are none now. */
    List<List<String>> figures();
  }

  private final Region of;
  private final Consumer<Path> wrote;
  private final Consumer<String> warn;

  private CopyMenu(Region of, Consumer<Path> wrote, Consumer<String> warn) {
    this.of = of;
    this.wrote = wrote;
    this.warn = warn;
  }

  /**
   * The menu of what lies under a node.
   *
   * @param wrote told the file that was written
   * @param warn told what went wrong
   * @return empty where there is neither a picture nor a table
   */
  public static Optional<ContextMenu> at(
      @Nullable Node node, Consumer<Path> wrote, Consumer<String> warn) {
    for (Node n = node; n != null; n = n.getParent()) {
      if (n instanceof PlotPane || n instanceof FigureTable) {
        return Optional.of(new CopyMenu((Region) n, wrote, warn).menu(node));
      }
    }
    return Optional.empty();
  }

  private ContextMenu menu(@Nullable Node pointed) {
    ContextMenu menu = new ContextMenu();
    if (pointed != null
        && pointed.getOnMouseClicked() != null
        && pointed.getStyleClass().stream()
            .anyMatch(s -> s.equals("asking") || s.equals("bar") || s.equals("rung-label"))) {
      menu.getItems().add(item("Why?", () -> click(pointed)));
    }
    List<List<String>> figures = of instanceof Tabled t ? t.figures() : List.of();
    if (!figures.isEmpty()) {
      menu.getItems().add(item("Copy the figures", () -> copy(figures)));
      menu.getItems().add(item("Write the figures (CSV)…", () -> csv(figures)));
    }
    menu.getItems().add(item("Copy the picture", this::copyPicture));
    menu.getItems().add(item("Write the picture…", this::picture));
    return menu;
  }

  private static MenuItem item(String words, Runnable action) {
    MenuItem item = new MenuItem(Language.say(words));
    item.setOnAction(e -> action.run());
    return item;
  }

  private static void click(Node node) {
    node.fireEvent(
        new MouseEvent(
            MouseEvent.MOUSE_CLICKED,
            0,
            0,
            0,
            0,
            MouseButton.PRIMARY,
            1,
            false,
            false,
            false,
            false,
            false,
            false,
            false,
            false,
            false,
            true,
            null));
  }

  private static void copy(List<List<String>> figures) {
    ClipboardContent content = new ClipboardContent();
    content.putString(
        figures.stream().map(row -> String.join("\t", row)).collect(Collectors.joining("\n")));
    Clipboard.getSystemClipboard().setContent(content);
  }

  private void copyPicture() {
    ClipboardContent content = new ClipboardContent();
    content.putImage(of.snapshot(null, null));
    Clipboard.getSystemClipboard().setContent(content);
  }

  private void csv(List<List<String>> figures) {
    ask("figures.csv", "Figures", List.of("*.csv"))
        .ifPresent(file -> attempt(file, () -> writeCsv(figures, file)));
  }

  private void picture() {
    boolean shapes = of instanceof PlotPane;
    ask(
            shapes ? "picture.svg" : "picture.png",
            "Picture",
            shapes ? List.of("*.svg", "*.png") : List.of("*.png"))
        .ifPresent(file ->
            attempt(
                file,
                () -> {
                  if (of instanceof PlotPane plot) {
                    PictureFile.write(plot, file);
                  } else {
                    PictureFile.png(of.snapshot(null, null), file);
                  }
                }));
  }

  private Optional<Path> ask(String name, String kind, List<String> endings) {
    FileChooser chooser = new FileChooser();
    chooser.setInitialFileName(name);
    chooser.getExtensionFilters().add(new FileChooser.ExtensionFilter(Language.say(kind), endings));
    return Optional.ofNullable(chooser.showSaveDialog(of.getScene().getWindow())).map(File::toPath);
  }

  private void attempt(Path file, Runnable write) {
    try {
      write.run();
      wrote.accept(file);
    } catch (Trouble e) {
      warn.accept(e.line());
    }
  }

  /**
   * Writes figures with commas between, text in quotes where it needs them (RFC 4180); a true minus
   * sign is a hyphen there, so that a spreadsheet reads it.
   *
   * @throws Trouble.BadFile if it cannot be written
   */
  static void writeCsv(List<List<String>> figures, Path file) {
    List<String> lines = new ArrayList<>();
    for (List<String> row : figures) {
      lines.add(row.stream().map(CopyMenu::quoted).collect(Collectors.joining(",")));
    }
    try {
      Files.write(file, lines);
    } catch (IOException e) {
      throw new Trouble.BadFile(file.toString(), "cannot be written: " + e.getMessage());
    }
  }

  private static String quoted(String cell) {
    String plain = cell.replace('−', '-');
    return plain.matches("[^,\"\\r\\n]*") ? plain : '"' + plain.replace("\"", "\"\"") + '"';
  }
}
