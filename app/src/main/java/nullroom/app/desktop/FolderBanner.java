package nullroom.app.desktop;

import java.io.File;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Optional;
import javafx.animation.Animation;
import javafx.animation.KeyFrame;
import javafx.animation.Timeline;
import javafx.application.Platform;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Region;
import javafx.stage.DirectoryChooser;
import javafx.util.Duration;
import nullroom.core.book.RoomBook;
import nullroom.io.book.BookLock;
import org.jspecify.annotations.Nullable;

/**
 * Looks every few seconds whether the book's folder still takes what is saved, and says over the
 * stations when it does not, with what can be done. Also says when a book can only be read.
 */
final class FolderBanner {
  private static final double LOOK_SECONDS = 2;

  private final Composition window;
  private final Optional<BookActions> books;
  private final Timeline clock = new Timeline();
  private String shown = "";
  private @Nullable BookLock held;

  FolderBanner(Composition window, Optional<BookActions> books) {
    this.window = window;
    this.books = books;
    Optional<String> readOnly = window.session().readOnly();
    if (readOnly.isPresent()) {
      show(readOnly.get(), false);
      return;
    }
    clock.getKeyFrames().add(new KeyFrame(Duration.seconds(LOOK_SECONDS), e -> look()));
    clock.setCycleCount(Animation.INDEFINITE);
    clock.play();
  }

  /** Looks no more, and gives back what was taken in place of the folder that went away. */
  void stop() {
    clock.stop();
    if (held != null) {
      try {
        held.close();
      } catch (IOException e) {
        window.work().warn("The book's folder could not be given back: " + e.getMessage());
      }
    }
  }

  /** Looks now, off the FX thread. */
  void look() {
    window
        .background()
        .execute(() -> {
          Optional<String> wrong = window.session().folder().condition();
          Platform.runLater(() -> {
            boolean again = wrong.isEmpty() && !shown.isEmpty();
            show(wrong.orElse(""), true);
            if (again) {
              window.session().saver().save(window.session().book());
              window.work().say("The folder of the book takes it again; everything is saved.");
            }
          });
        });
  }

  private void show(String words, boolean elsewhere) {
    if (words.equals(shown)) {
      return;
    }
    shown = words;
    if (words.isEmpty()) {
      window.shell().setBanner(Optional.empty());
      return;
    }
    Label label = new Label(words);
    label.setId("banner-words");
    label.setWrapText(true);
    label.setMinHeight(Region.USE_PREF_SIZE);
    FlowPane banner = new FlowPane(10, 4, label);
    label.maxWidthProperty().bind(banner.widthProperty().subtract(40));
    banner.getStyleClass().add("banner");
    if (elsewhere) {
      Button keep = new Button("Keep the book elsewhere…");
      keep.setId("keep-elsewhere");
      keep.setOnAction(e -> {
        File chosen = new DirectoryChooser().showDialog(keep.getScene().getWindow());
        if (chosen != null) {
          keepIn(chosen.toPath());
        }
      });
      banner.getChildren().add(keep);
    } else {
      books.ifPresent(b -> {
        Button copy = new Button("Go on in a copy");
        copy.setId("go-on-in-copy");
        copy.setOnAction(e -> b.duplicate());
        banner.getChildren().add(copy);
      });
    }
    window.shell().setBanner(Optional.of(banner));
  }

  /** Keeps the book in a new folder within one that was chosen. */
  void keepIn(Path chosen) {
    RoomBook book = window.session().book();
    window
        .work()
        .start(
            "Keeping the book elsewhere",
            progress -> {
              Path target = Home.fresh(chosen, book.name());
              window.session().saver().keepElsewhere(target, book);
              return window.session().folder().lock();
            },
            lock -> {
              held = lock;
              Path target = window.session().folder().path();
              show("", true);
              window.work().wrote(target, "The book is open there now.", false);
            });
  }
}
