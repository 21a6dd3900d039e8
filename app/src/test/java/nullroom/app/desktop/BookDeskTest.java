package nullroom.app.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.Closeable;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.stage.Stage;
import nullroom.app.Fx;
import nullroom.app.TestBooks;
import nullroom.app.shell.Preferences;
import nullroom.app.shell.Station;
import nullroom.app.words.Language;
import nullroom.core.book.Goal;
import nullroom.core.book.RoomBook;
import nullroom.core.signal.Samples;
import nullroom.io.book.BookFolder;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Many books in one window: made, opened, copied, put away, read only, and a folder that goes. */
class BookDeskTest {
  @TempDir Path folder;
  private Home home;
  private Preferences preferences;
  private Stage stage;
  private BookDesk desk;

  @BeforeAll
  static void toolkit() {
    Fx.start();
  }

  @BeforeEach
  void desk() {
    home = new Home(folder.resolve("data"), folder.resolve("documents"));
    preferences = Fx.on(() -> new Preferences(Locale.ROOT));
    stage = Fx.on(Stage::new);
    desk = Fx.on(() -> new BookDesk(stage, home, preferences, new Look(preferences)));
    Fx.run(() -> {
      stage.setWidth(1280);
      stage.setHeight(800);
      desk.begin("", Optional.empty());
      stage.show();
    });
  }

  @AfterEach
  void end() {
    Fx.run(stage::hide);
    desk.close();
    System.clearProperty(nullroom.core.Figures.COMMA_PROPERTY);
  }

  private Composition window() {
    return Fx.await(() -> desk.window(), w -> w.isPresent()).orElseThrow();
  }

  private Composition other(Composition before) {
    return Fx.await(() -> desk.window(), w -> w.isPresent() && w.get() != before).orElseThrow();
  }

  private Node find(String id) {
    return Fx.await(() -> stage.getScene().lookup("#" + id), n -> n != null);
  }

  private void press(String id) {
    Button button = (Button) find(id);
    Fx.run(button::fire);
  }

  private void order(String words) {
    Composition window = window();
    Fx.run(() -> window.shell().commands().find(words).getFirst().getValue().action().run());
  }

  private Composition begin() {
    find("begin");
    Fx.run(() -> ((TextField) stage.getScene().lookup("#field-book-name")).setText("Attic"));
    press("begin");
    return window();
  }

  @Test
  @DisplayName("a new book lies in the documents under its name; duplicated, it is another one")
  void newAndDuplicated() {
    Composition first = begin();
    Path place = folder.resolve("documents").resolve("Null Room").resolve("Attic");
    assertThat(first.session().folder().path()).isEqualTo(place);
    order("rename");
    TextField name = (TextField) find("field-rename");
    Fx.run(() -> name.setText("Loft"));
    press("rename");
    assertThat(Fx.on(() -> stage.getTitle())).isEqualTo("Null Room: Loft");
    order("duplicate");
    Composition copy = other(first);
    assertThat(copy.session().folder().path().getFileName())
        .hasToString("Loft, copy".replace(",", " "));
    assertThat(new BookFolder(place).load().name()).isEqualTo("Loft");
    assertThat(Fx.on(() -> List.copyOf(preferences.recent())))
        .containsExactly(copy.session().folder().path(), place);
  }

  @Test
  @DisplayName("put away, a book leaves the list and nothing of it is removed")
  void putAway() {
    Composition first = begin();
    Path place = first.session().folder().path();
    order("put this book away");
    Label notice = (Label) find("start-notice");
    assertThat(Fx.await(notice::getText, t -> t.contains("Put away"))).contains("Put away: Attic");
    assertThat(place).doesNotExist();
    assertThat(new BookFolder(place.resolveSibling("Put away").resolve("Attic")).exists()).isTrue();
    assertThat(Fx.on(() -> preferences.recent().isEmpty())).isTrue();
    Composition second = begin();
    Path open = second.session().folder().path();
    assertThatThrownBy(() -> Home.putAway(open)).hasMessageContaining("open in another window");
    assertThat(new BookFolder(open).exists()).isTrue();
  }

  @Test
  @DisplayName(
      "what another window has is open to be read, edits are refused aloud, a copy can be changed")
  void readOnly() throws IOException {
    BookFolder place = new BookFolder(folder.resolve("taken"));
    RoomBook book = TestBooks.bedroom();
    place.save(book);
    try (Closeable other = place.lock()) {
      Fx.run(() -> desk.open(place.path()));
      Composition window = window();
      assertThat(((Label) find("banner-words")).getText())
          .contains("open in another window", "process", "read only");
      Fx.run(() -> window.session().edit("Change the goal", b -> b.with(Goal.SUNG_DRY)));
      assertThat(Fx.await(() -> window.work().troubleProperty().get(), t -> !t.isEmpty()))
          .contains("read only");
      assertThat(Fx.on(() -> window.session().book())).isEqualTo(book);
      press("go-on-in-copy");
      Composition copy = other(window);
      assertThat(copy.session().readOnly()).isEmpty();
    }
    assertThat(place.load()).isEqualTo(book);
  }

  @Test
  @DisplayName(
      "a folder that goes is said within seconds; kept elsewhere, the book goes on with its sounds")
  void gone() throws IOException {
    Composition window = begin();
    Path place = window.session().folder().path();
    String sound =
        window.session().folder().sounds().keep("noise", new Samples(new double[4800], 48_000));
    Fx.await(() -> Files.exists(place.resolve("book.json")), there -> there);
    Path away = Files.move(place, folder.resolve("away"));
    Label words = (Label) find("banner-words");
    assertThat(words.getText()).contains("is gone");
    assertThat(window.session().folder().sounds().isWaiting()).isFalse();
    Files.move(away, place);
    Fx.await(() -> stage.getScene().lookup("#banner-words") == null, gone -> gone);
    Fx.run(() -> window.session().edit("Change the goal", b -> b.with(Goal.SUNG_DRY)));
    Fx.await(() -> new BookFolder(place).load().goal(), goal -> goal == Goal.SUNG_DRY);
    assertThat(place.resolve("sound").resolve(sound)).exists();
  }

  @Test
  @DisplayName("a damaged book is said, and the save before it is one button away")
  void damaged() throws IOException {
    BookFolder place = new BookFolder(folder.resolve("torn"));
    RoomBook book = TestBooks.bedroom();
    place.save(book);
    place.save(book.with(Goal.SUNG_DRY));
    Files.writeString(place.path().resolve("book.json"), "{ \"name\": ");
    Fx.run(() -> desk.open(place.path()));
    press("restore");
    assertThat(window().session().readOnly()).isEmpty();
    assertThat(place.load()).isEqualTo(book);
    assertThat(place.path().resolve("book.damaged.json")).exists();
  }

  @Test
  @DisplayName("at the end, what no folder took is kept where it is found again")
  void rescued() throws IOException {
    Composition window = begin();
    Path place = window.session().folder().path();
    Fx.await(() -> Files.exists(place.resolve("book.json")), there -> there);
    Files.move(place, folder.resolve("away"));
    Fx.run(() -> window.session().edit("Change the goal", b -> b.with(Goal.SUNG_DRY)));
    desk.close();
    assertThat(Home.booksIn(home.rescued()))
        .singleElement()
        .satisfies(kept -> assertThat(new BookFolder(kept).load().goal()).isEqualTo(Goal.SUNG_DRY));
  }

  @Test
  @DisplayName("the place is remembered: station and page are shown again")
  void remembered() {
    Composition first = begin();
    Fx.run(() -> {
      first.shell().stationProperty().set(Station.ROOM);
      first.room().pageProperty().set(nullroom.app.room.RoomPage.SHAPE);
    });
    Path place = first.session().folder().path();
    order("new book");
    find("books");
    Fx.run(() -> desk.open(place));
    Composition again = other(first);
    assertThat(Fx.on(again::shown)).isEqualTo("ROOM SHAPE");
  }

  @Test
  @DisplayName(
      "recordings are listed with what they are for, deleted after a question, brought back")
  void recordings() {
    Composition window = begin();
    String name =
        window.session().folder().sounds().keep("noise", new Samples(new double[96_000], 48_000));
    order("show the recordings");
    Label said = (Label) find("recordings-said");
    assertThat(Fx.await(said::getText, t -> t.startsWith("1 in "))).contains("0.3 MB");
    Button delete = button("Delete");
    Fx.run(delete::fire);
    assertThat(Fx.on(delete::getText)).isEqualTo("Yes, delete it");
    Fx.run(delete::fire);
    Button back = button("Bring it back");
    assertThat(window.session().folder().sounds().file(name)).doesNotExist();
    Fx.run(back::fire);
    button("Delete");
    assertThat(window.session().folder().sounds().file(name)).exists();
    assertThat(Fx.on(said::getText)).contains(name + " is back");
  }

  private Button button(String words) {
    Scene scene = stage.getScene();
    return Fx.await(
            () ->
                scene.getRoot().lookupAll(".button").stream()
                    .filter(n -> n instanceof Button b && words.equals(b.getText()))
                    .map(Button.class::cast)
                    .findFirst(),
            Optional::isPresent)
        .orElseThrow();
  }

  @Test
  @DisplayName("a decimal comma, money and feet hold for every figure at once")
  void comma() {
    Composition before = begin();
    Fx.run(() -> preferences.decimalCommaProperty().set(true));
    Composition window = other(before);
    assertThat(Fx.on(() -> window.listen().say().answer().getValue()))
        .doesNotContainPattern("\\d\\.\\d");
    assertThat(nullroom.core.Figures.say("%.2f s by ANSI S3.5 and 1.2.3", 0.62))
        .isEqualTo("0,62 s by ANSI S3.5 and 1.2.3");
  }

  @Test
  @DisplayName("in another language the same book goes on, with all that can be taken back")
  void language() {
    Composition before = begin();
    Fx.run(() -> before.session().edit("Change the goal", b -> b.with(Goal.SUNG_DRY)));
    Fx.run(() -> preferences.languageProperty().set(Language.GERMAN));
    Composition window = other(before);
    try {
      Label name = (Label) Fx.await(() -> stage.getScene().lookup(".station-name"), n -> n != null);
      assertThat(name.getText()).isEqualTo("Lauschen");
      assertThat(Fx.on(() -> window.session().undoNameProperty().get()))
          .isEqualTo("Change the goal");
      assertThat(((Button) find("undo")).getText()).isEqualTo("Rückgängig: Ziel ändern");
      Fx.run(() -> window.session().undo());
      assertThat(Fx.on(() -> window.session().book().goal())).isEqualTo(Goal.SPOKEN_ON_CAMERA);
    } finally {
      Fx.run(() -> preferences.languageProperty().set(Language.ENGLISH));
      other(window);
    }
  }

  @Test
  @DisplayName("damaged preferences are as at first, and kept; those of before are taken over")
  void preferencesFile() throws IOException {
    PreferencesFile file = home.preferences();
    Fx.run(() -> {
      preferences.textPercentProperty().set(150);
      preferences.currencyProperty().set("€");
      preferences.windowProperty().set("10 20 1100 720");
      preferences.opened(folder.resolve("a"));
    });
    file.write(preferences);
    Preferences again = Fx.on(() -> new Preferences(Locale.ROOT));
    assertThat(Fx.on(() -> file.read(again, Map.of()))).isEmpty();
    assertThat(Fx.on(() -> again.toTexts())).isEqualTo(Fx.on(() -> preferences.toTexts()));
    for (String damage :
        List.of("\0\1\2", "version=1\ntext.percent=9000\nunits=feet\n", "units=\\u12", "")) {
      Files.writeString(file.file(), damage);
      Preferences read = Fx.on(() -> new Preferences(Locale.ROOT));
      assertThat(Fx.on(() -> file.read(read, Map.of()))).contains("damaged");
      assertThat(Fx.on(() -> read.textPercentProperty().get())).isEqualTo(100);
      assertThat(file.file().resolveSibling("preferences.damaged.properties")).hasContent(damage);
    }
    Files.delete(file.file());
    Files.writeString(home.folder().resolve("last-book"), folder.resolve("old") + "\n");
    Preferences moved = Fx.on(() -> new Preferences(Locale.ROOT));
    assertThat(Fx.on(() -> file.read(moved, home.before()))).isEmpty();
    assertThat(Fx.on(() -> List.copyOf(moved.recent()))).containsExactly(folder.resolve("old"));
  }

  @Test
  @DisplayName(
      "documents: as the desktop named them, else by the usual name, else the person's folder")
  void documents() throws IOException {
    Path user = Files.createDirectories(folder.resolve("user"));
    assertThat(Home.documents(user, Map.of())).isEqualTo(user);
    Path usual = Files.createDirectories(user.resolve("Documents"));
    assertThat(Home.documents(user, Map.of())).isEqualTo(usual);
    Path named = Files.createDirectories(user.resolve("Dokumente"));
    Files.writeString(
        Files.createDirectories(user.resolve(".config")).resolve("user-dirs.dirs"),
        "# comment\nXDG_DOCUMENTS_DIR=\"$HOME/Dokumente\"\n");
    assertThat(Home.documents(user, Map.of())).isEqualTo(named);
    assertThat(Home.documents(user, Map.of("XDG_DOCUMENTS_DIR", folder.toString())))
        .isEqualTo(folder);
    assertThat(Home.fresh(folder, "a/b: <c>").getFileName()).hasToString("a b   c");
  }
}
