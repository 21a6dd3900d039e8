package nullroom.app.desktop;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.time.format.FormatStyle;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.stage.DirectoryChooser;
import nullroom.app.shell.FolderShow;
import nullroom.app.words.Language;
import nullroom.core.Trouble;
import nullroom.io.book.BookFolder;

/** The books there are, those opened last in front; looked for off the FX thread. */
final class BookList {
  private static final int MOST_SHOWN = 24;

  private record Found(Path folder, String name, String about, boolean old) {}

  private final VBox box = new VBox(6);
  private final VBox foot = new VBox(6);
  private final Consumer<Start.Way> onChoice;
  private final Label said = new Label();

  BookList(Start.Offer offer, Consumer<Start.Way> onChoice) {
    this.onChoice = onChoice;
    said.setWrapText(true);
    said.getStyleClass().add("field-trouble");
    said.managedProperty().bind(said.textProperty().isNotEmpty());
    box.setId("books");
    box.getStyleClass().add("book-list");
    show(List.of());
    Thread.ofVirtual().start(() -> look(offer));
  }

  /** The books. */
  Region node() {
    return box;
  }

  /** The way to a book anywhere else, and what went wrong. */
  Region foot() {
    return foot;
  }

  private void look(Start.Offer offer) {
    Set<Path> folders = new LinkedHashSet<>();
    offer.recent().stream()
        .filter(f -> new BookFolder(f).exists())
        .forEach(f -> folders.add(f.toAbsolutePath().normalize()));
    List<String> troubles = new ArrayList<>();
    for (Path shelf : offer.shelves()) {
      try {
        Home.booksIn(shelf).forEach(f -> folders.add(f.toAbsolutePath().normalize()));
      } catch (Trouble e) {
        troubles.add(e.line());
      }
    }
    List<Found> found = new ArrayList<>();
    folders.stream()
        .filter(f -> offer.old().stream().noneMatch(f::equals))
        .limit(MOST_SHOWN)
        .forEach(f -> found.add(found(f, false)));
    offer.old().forEach(f -> found.add(found(f, true)));
    Platform.runLater(() -> {
      said.setText(String.join(" ", troubles));
      show(found);
    });
  }

  private static Found found(Path folder, boolean old) {
    String name = String.valueOf(folder.getFileName());
    String about;
    try {
      name = new BookFolder(folder).loadToRead().name();
      about = changed(folder).map(day -> "changed " + day + ", ").orElse("") + folder;
    } catch (Trouble e) {
      about = e.line();
    }
    return new Found(folder, name, about, old);
  }

  private static Optional<String> changed(Path folder) {
    try {
      FileTime time = Files.getLastModifiedTime(folder.resolve("book.json"));
      return Optional.of(
          DateTimeFormatter.ofLocalizedDateTime(FormatStyle.MEDIUM, FormatStyle.SHORT)
              .withLocale(Language.spoken().locale())
              .format(time.toInstant().atZone(ZoneId.systemDefault())));
    } catch (IOException e) { // it went away just now
      return Optional.empty();
    }
  }

  private void show(List<Found> found) {
    box.getChildren().clear();
    if (!found.isEmpty()) {
      Label heading = new Label("Go on with a book");
      heading.getStyleClass().add("move-name");
      box.getChildren().add(heading);
    }
    box.setManaged(!found.isEmpty());
    for (Found book : found) {
      box.getChildren().add(row(book));
    }
    Button other = new Button("Open a book in another folder…");
    other.setId("open-folder");
    other.getStyleClass().add("plain");
    other.setOnAction(e -> {
      DirectoryChooser chooser = new DirectoryChooser();
      chooser.setTitle(Language.say("Open a room book"));
      Optional.ofNullable(chooser.showDialog(other.getScene().getWindow()))
          .ifPresent(folder -> pick(folder.toPath()));
    });
    foot.getChildren().setAll(other, said);
  }

  private void pick(Path folder) {
    if (new BookFolder(folder).exists()) {
      onChoice.accept(new Start.Way.Book(folder));
    } else {
      said.setText(folder + " holds no room book: there is no book.json in it.");
    }
  }

  private Region row(Found book) {
    Button open = new Button(book.name());
    open.getStyleClass().add("book-row");
    open.setMinWidth(Region.USE_PREF_SIZE);
    open.setOnAction(e -> onChoice.accept(new Start.Way.Book(book.folder())));
    Label about = new Label(book.about());
    about.setWrapText(true);
    about.getStyleClass().add("soft");
    Button show = plain("Show its folder", () -> FolderShow.show(book.folder()));
    FlowPane row = new FlowPane(10, 2, open, about, show);
    if (book.old()) {
      row.getChildren()
          .add(
              plain(
                  "Keep it with the others",
                  () -> onChoice.accept(new Start.Way.MoveHere(book.folder()))));
    }
    row.getStyleClass().add("book-line");
    return row;
  }

  private Button plain(String words, Runnable action) {
    Button button = new Button(words);
    button.setMinWidth(Region.USE_PREF_SIZE);
    button.getStyleClass().add("plain");
    button.setOnAction(e -> {
      try {
        action.run();
      } catch (Trouble t) {
        said.setText(t.line());
      }
    });
    return button;
  }
}
