package nullroom.app.desktop;

import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.time.format.FormatStyle;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicBoolean;
import javafx.application.Platform;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;
import nullroom.app.shell.Station;
import nullroom.app.words.Language;
import nullroom.core.Figures;
import nullroom.core.Trouble;
import nullroom.core.signal.Samples;
import nullroom.io.audio.SoundFile;
import nullroom.io.book.BookFolder;
import nullroom.io.book.KeptSounds;
import nullroom.io.book.SoundUses;
import nullroom.io.device.Loudspeaker;
import org.jspecify.annotations.Nullable;

/** The recordings of the book: what they are, what they were used for, and what can be done. */
final class RecordingsSheet {
  private static final double BYTES_PER_MEGABYTE = 1e6;
  private static final DateTimeFormatter WHEN =
      DateTimeFormatter.ofLocalizedDateTime(FormatStyle.MEDIUM, FormatStyle.SHORT);

  private final Composition window;
  private final VBox rows = new VBox(10);
  private final Label said = new Label();
  private @Nullable Loudspeaker playing;
  private @Nullable Button sounding;

  RecordingsSheet(Composition window) {
    this.window = window;
    said.setId("recordings-said");
    said.setWrapText(true);
    said.setMinHeight(Region.USE_PREF_SIZE);
    said.getStyleClass().add("soft");
    rows.setId("recordings");
  }

  void open() {
    said.setText("Looking …");
    VBox content = new VBox(12, said, rows);
    window.shell().sheets().open("The recordings of this book", content, said);
    content
        .sceneProperty()
        .subscribe(scene -> {
          if (scene == null) {
            silence();
          }
        });
    look("");
  }

  /** Lists them anew, off the FX thread, and says what was done before. */
  private void look(String done) {
    BookFolder folder = window.session().folder();
    Map<String, List<String>> uses = SoundUses.of(window.session().book());
    window
        .background()
        .execute(() -> {
          try {
            List<KeptSounds.Sound> found = folder.sounds().list();
            Platform.runLater(() -> show(found, uses, done));
          } catch (Trouble e) {
            Platform.runLater(() -> said.setText(e.line()));
          }
        });
  }

  private void show(List<KeptSounds.Sound> found, Map<String, List<String>> uses, String done) {
    double megabytes = found.stream().mapToLong(KeptSounds.Sound::bytes).sum() / BYTES_PER_MEGABYTE;
    String count =
        found.isEmpty()
            ? "None yet. What is recorded or opened is kept here, unchanged."
            : Figures.say(
                "%d in %s, %.1f MB. Each is kept as it was recorded or opened.",
                found.size(), window.session().folder().path(), megabytes);
    said.setText(done.isEmpty() ? count : done + " " + count);
    rows.getChildren().setAll(found.stream().map(s -> row(s, uses)).toList());
  }

  private Region row(KeptSounds.Sound sound, Map<String, List<String>> uses) {
    Label name = new Label(sound.name());
    name.getStyleClass().add("move-name");
    name.setMinWidth(Region.USE_PREF_SIZE);
    List<String> used = uses.getOrDefault(sound.name(), List.of());
    Label about =
        new Label(
            WHEN.withLocale(Language.spoken().locale())
                    .format(sound.changed().atZone(ZoneId.systemDefault()))
                + (sound.seconds().isPresent()
                    ? ", " + length(sound.seconds().getAsDouble())
                    : ", of unknown length")
                + Figures.say(", %.1f MB", sound.bytes() / BYTES_PER_MEGABYTE)
                + (sound.deleted()
                    ? ", deleted"
                    : used.isEmpty()
                        ? ", not used in the book now"
                        : ", used for " + String.join(", ", used)));
    about.setWrapText(true);
    about.setMinHeight(Region.USE_PREF_SIZE);
    about.getStyleClass().add("soft");
    FlowPane actions = new FlowPane(4, 2);
    if (sound.deleted()) {
      actions
          .getChildren()
          .add(
              action(
                  "Bring it back",
                  () -> {
                    window.session().folder().sounds().bringBack(sound.name());
                    look(sound.name() + " is back.");
                  }));
    } else {
      actions.getChildren().addAll(playable(sound.name()), measure(sound.name()));
      actions.getChildren().addAll(take(sound.name()), export(sound.name()));
      if (window.session().readOnly().isEmpty()) {
        actions.getChildren().add(delete(sound.name(), used));
      }
    }
    return new VBox(2, name, about, actions);
  }

  static String length(double seconds) {
    long whole = Math.round(seconds);
    return whole < 60
        ? Figures.say("%.1f s", seconds)
        : Figures.say("%d min %02d s", whole / 60, whole % 60);
  }

  private Path file(String name) {
    return window.session().folder().sounds().file(name);
  }

  private Button playable(String name) {
    Button play = new Button("Play");
    play.getStyleClass().add("plain");
    play.setOnAction(e -> {
      boolean stop = play == sounding;
      silence();
      if (!stop) {
        sounding = play;
        play.setText("Stop");
        play(name, play);
      }
    });
    return play;
  }

  private void play(String name, Button play) {
    Path file = file(name);
    String output = window.preferences().outputProperty().get();
    window
        .background()
        .execute(() -> {
          try {
            Samples sound = SoundFile.readChannel(file, 0);
            Loudspeaker heard = Loudspeaker.play(sound, output);
            Platform.runLater(() -> {
              playing = heard;
              said.setText("Playing " + name + ". Turn the loudspeaker down before a loud one.");
            });
            heard.await();
            Platform.runLater(() -> ended(play));
          } catch (Trouble e) {
            Platform.runLater(() -> {
              ended(play);
              said.setText(e.line());
            });
          }
        });
  }

  private void ended(Button play) {
    play.setText("Play");
    if (sounding == play) {
      sounding = null;
    }
  }

  private void silence() {
    if (playing != null) {
      playing.close();
      playing = null;
    }
  }

  private Button measure(String name) {
    return action(
        "Measure again",
        () -> {
          window.shell().sheets().close();
          window.open(Station.ROOM, file(name));
        });
  }

  private Button take(String name) {
    return action(
        "Check as a take",
        () -> {
          window.shell().sheets().close();
          window.shell().stationProperty().set(Station.LEVEL);
          window.level().open(file(name));
        });
  }

  private Button export(String name) {
    return action(
        "Export…",
        () -> {
          FileChooser chooser = new FileChooser();
          chooser.setInitialFileName(name);
          File target = chooser.showSaveDialog(rows.getScene().getWindow());
          if (target != null) {
            copy(file(name), target.toPath());
            said.setText("Written: " + target + ".");
          }
        });
  }

  /** Copies a recording out of the book, byte for byte. */
  static void copy(Path from, Path to) {
    try {
      Files.copy(from, to, StandardCopyOption.REPLACE_EXISTING);
    } catch (IOException e) {
      throw new Trouble.BadFile(to.toString(), "cannot be written: " + e.getMessage());
    }
  }

  private Button delete(String name, List<String> used) {
    Button delete = new Button("Delete");
    delete.getStyleClass().add("plain");
    AtomicBoolean asked = new AtomicBoolean();
    delete.setOnAction(e -> {
      if (window.preferences().asksBeforeProperty().get() && !asked.getAndSet(true)) {
        delete.setText(
            used.isEmpty()
                ? "Yes, delete it"
                : "Yes, delete it: its figures stay, but cannot be measured again");
        return;
      }
      attempt(() -> {
        silence();
        window.session().folder().sounds().delete(name);
        look(name + " is deleted; it can be brought back below.");
      });
    });
    return delete;
  }

  private Button action(String words, Runnable action) {
    Button button = new Button(words);
    button.getStyleClass().add("plain");
    button.setOnAction(e -> attempt(action));
    return button;
  }

  private void attempt(Runnable action) {
    try {
      action.run();
    } catch (Trouble e) {
      said.setText(e.line());
    }
  }
}
