package nullroom.app.control;

import java.io.File;
import java.nio.file.Path;
import java.util.function.Consumer;
import javafx.scene.control.Button;
import javafx.stage.FileChooser;
import nullroom.app.words.Language;
import org.jspecify.annotations.Nullable;

/** A button that asks for a file of a kind, to be read or written. */
public final class FileButton extends Button {
  private final FileChooser.ExtensionFilter kind;

  private FileButton(String words, FileChooser.ExtensionFilter kind) {
    super(words);
    this.kind = kind;
  }

  /**
   * To be read.
   *
   * @param kind what such files are called
   * @param endings such as "*.json"
   * @param read receives the file chosen
   */
  public static FileButton read(String words, String kind, Consumer<Path> read, String... endings) {
    FileButton button =
        new FileButton(words, new FileChooser.ExtensionFilter(Language.say(kind), endings));
    button.setOnAction(
        e -> button.hand(button.chooser().showOpenDialog(button.getScene().getWindow()), read));
    return button;
  }

  /**
   * To be written.
   *
   * @param name proposed for the file; its ending is the kind's
   * @param kind what such files are called
   * @param write receives the file chosen
   * @param endings such as "*.json"
   */
  public static FileButton write(
      String words, String name, String kind, Consumer<Path> write, String... endings) {
    FileButton button =
        new FileButton(words, new FileChooser.ExtensionFilter(Language.say(kind), endings));
    button.setOnAction(e -> {
      FileChooser chooser = button.chooser();
      chooser.setInitialFileName(name);
      button.hand(chooser.showSaveDialog(button.getScene().getWindow()), write);
    });
    return button;
  }

  private FileChooser chooser() {
    FileChooser chooser = new FileChooser();
    chooser.getExtensionFilters().add(kind);
    return chooser;
  }

  private void hand(@Nullable File file, Consumer<Path> to) {
    if (file != null) {
      to.accept(file.toPath());
    }
  }
}
