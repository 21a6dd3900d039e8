package nullroom.app.control;

import java.io.File;
import java.nio.file.Path;
import java.util.function.Consumer;
import javafx.scene.control.Button;
import javafx.stage.FileChooser;

/** The button that opens a sound file. */
public final class FilePick {
  private FilePick() {}

  /** A button that hands over the file chosen. */
  public static Button button(Consumer<Path> open) {
    Button button = new Button("Open a file…");
    button.setOnAction(e -> {
      FileChooser chooser = new FileChooser();
      chooser.setTitle("Open a recording");
      chooser
          .getExtensionFilters()
          .addAll(
              new FileChooser.ExtensionFilter(
                  "Sound and film",
                  "*.wav",
                  "*.WAV",
                  "*.aif",
                  "*.aiff",
                  "*.flac",
                  "*.ogg",
                  "*.opus",
                  "*.mp3",
                  "*.MP3",
                  "*.m4a",
                  "*.M4A",
                  "*.aac",
                  "*.mp4",
                  "*.MP4",
                  "*.mov",
                  "*.MOV"),
              new FileChooser.ExtensionFilter("All files", "*.*"));
      File file = chooser.showOpenDialog(button.getScene().getWindow());
      if (file != null) {
        open.accept(file.toPath());
      }
    });
    return button;
  }
}
