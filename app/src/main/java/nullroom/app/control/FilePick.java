package nullroom.app.control;

import java.io.File;
import java.nio.file.Path;
import java.util.function.Consumer;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.stage.FileChooser;
import nullroom.app.words.Language;

/** The button that opens a sound file. */
public final class FilePick {
  private FilePick() {}

  /** A button that hands over the file chosen. */
  public static Button button(Consumer<Path> open) {
    return button("Open a file…", open);
  }

  /** The same with other words on it. */
  public static Button button(String words, Consumer<Path> open) {
    Button button = new Button(words);
    button.setOnAction(e -> choose(button, open));
    return button;
  }

  /** Lets a file be chosen, over the window of a node. */
  public static void choose(Node owner, Consumer<Path> open) {
    FileChooser chooser = new FileChooser();
    chooser.setTitle(Language.say("Open a recording"));
    chooser
        .getExtensionFilters()
        .addAll(
            new FileChooser.ExtensionFilter(
                Language.say("Sound and film"),
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
            new FileChooser.ExtensionFilter(Language.say("All files"), "*.*"));
    File file = chooser.showOpenDialog(owner.getScene().getWindow());
    if (file != null) {
      open.accept(file.toPath());
    }
  }
}
