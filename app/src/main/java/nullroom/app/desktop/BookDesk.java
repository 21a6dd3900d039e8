package nullroom.app.desktop;

import static java.util.stream.Collectors.joining;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Supplier;
import java.util.stream.Stream;
import javafx.application.Platform;
import javafx.scene.layout.Region;
import javafx.stage.Stage;
import nullroom.app.shell.BookSession;
import nullroom.app.shell.Preferences;
import nullroom.app.shell.Station;
import nullroom.app.words.Language;
import nullroom.core.Figures;
import nullroom.core.Trouble;
import nullroom.core.book.RoomBook;
import nullroom.io.book.BookFolder;
import org.jspecify.annotations.Nullable;

/** One window over all books: one is open in it, or none and it shows where to begin. */
final class BookDesk implements BookActions {
  private final Stage stage;
  private final Home home;
  private final Preferences preferences;
  private final Look look;

  /** What is to be said when next there is where to say it; empty for nothing. */
  private String notice = "";

  private @Nullable Composition window;
  private @Nullable Opening opening;

  /** A desk in a window. On the FX thread. */
  BookDesk(Stage stage, Home home, Preferences preferences, Look look) {
    this.stage = stage;
    this.home = home;
    this.preferences = preferences;
    this.look = look;
    figures();
    preferences.decimalCommaProperty().subscribe((before, now) -> refigure());
    preferences.currencyProperty().subscribe((before, now) -> refigure());
    preferences.languageProperty().subscribe((before, now) -> refigure());
  }

  private void figures() {
    System.setProperty(
        Figures.COMMA_PROPERTY, String.valueOf(preferences.decimalCommaProperty().get()));
    System.setProperty(Figures.CURRENCY_PROPERTY, preferences.currencyProperty().get());
    Language.speak(preferences.languageProperty().get());
  }

  /** All is said anew everywhere, which only a window built anew does. */
  private void refigure() {
    figures();
    if (window != null && !window.work().runningProperty().get()) {
      BookFolder folder = window.session().folder();
      BookSession.Steps steps = window.session().steps();
      load(
          () -> Opening.of(folder, Desktop.assumedBook()),
          own -> {
            own.session().goOnFrom(steps);
            own.showPreferences();
          });
    }
  }

  /** Has something said as soon as a book or the start page is shown. */
  void say(String words) {
    notice = words;
  }

  /** Shows where to begin. */
  void begin(String said, Optional<Path> damaged) {
    String words =
        Stream.of(notice, said)
            .filter(s -> !s.isEmpty())
            .map(s -> s.replaceFirst("\\.$", "")) // the page ends the sentence
            .collect(joining(". "));
    notice = "";
    Start start =
        new Start(
            new Start.Offer(
                words,
                damaged,
                preferences.recent(),
                List.of(booksFolder(), home.rescued()),
                home.oldBooks(),
                Files.exists(home.demo())),
            preferences.unitsProperty().get(),
            this::choose);
    set("Null Room", start.node());
  }

  private Path booksFolder() {
    String settled = preferences.booksFolderProperty().get();
    return settled.isEmpty() ? home.books() : Path.of(settled);
  }

  private void set(String title, Region content) {
    stage.setTitle(title);
    look.show(stage, content);
  }

  /** What is wrong with a new room is said beside its fields; all else on the page itself. */
  private void choose(Start.Way choice) {
    try {
      chosen(choice);
    } catch (Trouble e) {
      if (choice instanceof Start.Way.NewRoom) {
        throw e;
      }
      begin(e.line(), Optional.empty());
    }
  }

  private void chosen(Start.Way choice) {
    switch (choice) {
      case Start.Way.Demo(boolean fresh) -> {
        if (fresh && Files.exists(home.demo())) {
          Home.putAway(home.demo());
        }
        demo();
      }
      case Start.Way.Book(Path folder) -> open(folder);
      case Start.Way.Restore(Path folder) ->
          load(() -> Opening.restored(new BookFolder(folder)), o -> {});
      case Start.Way.MoveHere(Path folder) -> load(() -> moved(new BookFolder(folder)), o -> {});
      case Start.Way.NewRoom room -> {
        RoomBook book = Desktop.begun(room);
        load(() -> fresh(book), o -> {});
      }
      case Start.Way.Recording(Path file) ->
          load(() -> fresh(Desktop.assumedBook()), own -> own.open(Station.ROOM, file));
    }
  }

  /** Copied, so that it may lie on another disk; the old folder is put away, not removed. */
  private Opening moved(BookFolder old) {
    RoomBook book = old.load();
    BookFolder to = old.copyTo(Home.fresh(booksFolder(), book.name()), book);
    Home.putAway(old.path());
    return Opening.of(to, book);
  }

  private Opening fresh(RoomBook book) {
    return Opening.of(new BookFolder(Home.fresh(booksFolder(), book.name())), book);
  }

  @Override
  public void start() {
    closeThen(() -> begin("", Optional.empty()));
  }

  @Override
  public void open(Path folder) {
    BookFolder book = new BookFolder(folder);
    load(
        () -> Opening.of(book, Desktop.assumedBook()),
        o -> {},
        Optional.of(folder).filter(f -> book.hasReadablePrevious()));
  }

  @Override
  public void demo() {
    if (Files.exists(home.demo())) {
      open(home.demo());
      return;
    }
    closeThen(() -> {
      set(
          "Null Room",
          Start.preparing("Recording its quiet, a sweep and claps, then measuring them …"));
      load(
          () -> {
            RoomBook book = DemoBook.create(home.demo());
            return Opening.of(new BookFolder(home.demo()), book);
          },
          o -> {});
    });
  }

  @Override
  public void duplicate() {
    Composition now = window;
    if (now == null) {
      return;
    }
    RoomBook book = now.session().book();
    RoomBook copy = book.named(book.name() + ", copy");
    BookFolder from = now.session().folder();
    load(
        () -> {
          BookFolder to = from.copyTo(Home.fresh(booksFolder(), copy.name()), copy);
          return Opening.of(to, copy);
        },
        o -> {});
  }

  @Override
  public void putAway() {
    Composition now = window;
    if (now == null) {
      return;
    }
    if (now.session().readOnly().isPresent()) {
      now.work().warn(now.session().readOnly().get());
      return;
    }
    Path place = now.session().folder().path();
    closeThen(() -> {
      try {
        Path away = Home.putAway(place);
        preferences.recent().remove(place);
        begin("Put away: " + now.lastBook().name() + " now lies in " + away, Optional.empty());
      } catch (Trouble e) {
        begin(e.line(), Optional.empty());
      }
    });
  }

  @Override
  public void quit() {
    stage.hide();
  }

  /** Opens on another thread and shows it; what is wrong is said where one begins. */
  private void load(Supplier<Opening> open, Consumer<Composition> then) {
    load(open, then, Optional.empty());
  }

  private void load(Supplier<Opening> open, Consumer<Composition> then, Optional<Path> damaged) {
    closeThen(() ->
        Thread.ofVirtual()
            .start(() -> {
              try {
                Opening opened = open.get();
                Platform.runLater(() -> then.accept(show(opened)));
              } catch (Trouble e) {
                Platform.runLater(() -> begin(e.line(), damaged));
              }
            }));
  }

  /** Shows an opened book. */
  Composition show(Opening opened) {
    boolean isDemo = opened.folder().path().equals(home.demo().toAbsolutePath().normalize());
    Composition own =
        new Composition(
            opened.folder(),
            opened.book(),
            new Composition.Setting(
                isDemo ? DemoBook::device : Desktop::simulated,
                !isDemo,
                preferences,
                Optional.of(this),
                opened.readOnly()));
    window = own;
    opening = opened;
    stage.titleProperty().bind(own.session().bookProperty().map(Desktop::title));
    look.show(stage, own.shell().root());
    own.shell().root().requestFocus(); // so that space listens until a control is chosen
    preferences.opened(opened.folder().path());
    own.recall(preferences.pageProperty().get());
    if (!notice.isEmpty()) {
      own.work().warn(notice);
      notice = "";
    }
    return own;
  }

  /** Closes what is open off the FX thread, then goes on. */
  private void closeThen(Runnable next) {
    Composition now = window;
    Opening its = opening;
    window = null;
    opening = null;
    stage.titleProperty().unbind();
    if (now == null) {
      next.run();
      return;
    }
    remember(now);
    Thread.ofVirtual()
        .start(() -> {
          String said = closed(now, its);
          Platform.runLater(() -> {
            notice = said;
            next.run();
          });
        });
  }

  /** At the end of the program, off the FX thread. */
  void close() {
    Composition now = window;
    if (now != null) {
      String said = closed(now, opening);
      if (!said.isEmpty()) {
        System.err.println("nullroom: " + said);
      }
    }
  }

  /** Closes a window; what is nowhere but in it is kept elsewhere, and that is said. */
  private String closed(Composition of, @Nullable Opening its) {
    of.close();
    try {
      return of.session().saver().isUnsaved() ? rescued(of) : "";
    } catch (Trouble e) {
      return of.lastBook().name() + " could not be saved anywhere: " + e.line();
    } finally {
      if (its != null) {
        its.close();
      }
    }
  }

  private String rescued(Composition of) {
    RoomBook book = of.lastBook();
    Path safe = Home.fresh(home.rescued(), book.name());
    of.session().folder().copyTo(safe, book);
    return book.name() + " could not be saved in its own folder. It is kept in " + safe;
  }

  /** The window of the open book. */
  Optional<Composition> window() {
    return Optional.ofNullable(window);
  }

  /** What a book showed, and where it is: it may have been kept elsewhere meanwhile. */
  private void remember(Composition of) {
    preferences.pageProperty().set(of.shown());
    preferences.opened(of.session().folder().path());
  }

  /** Where the window was and what it showed, for next time. */
  void remember() {
    if (window != null) {
      remember(window);
    }
    preferences.windowProperty().set(look.place(stage));
  }
}
