package nullroom.app.shell;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import nullroom.app.TestBooks;
import nullroom.core.Trouble;
import nullroom.core.book.Goal;
import nullroom.core.book.RoomBook;
import nullroom.io.book.BookFolder;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class BookSessionTest {
  @TempDir Path folder;
  private final RoomBook start = TestBooks.bedroom();
  private final List<String> troubles = new ArrayList<>();
  private BookSession session;

  @BeforeEach
  void open() {
    session = TestBooks.session(folder.resolve("book"), start, troubles);
  }

  private void goal(String name, Goal goal) {
    session.edit(name, book -> book.with(goal));
  }

  private RoomBook saved() {
    return new BookFolder(folder.resolve("book")).load();
  }

  @Test
  void everyStateIsSavedAsItHappens() {
    assertThat(saved()).isEqualTo(start);
    goal("Sing", Goal.SUNG_DRY);
    assertThat(saved().goal()).isEqualTo(Goal.SUNG_DRY);
    session.undo();
    assertThat(saved()).isEqualTo(start);
    assertThat(troubles).isEmpty();
  }

  @Test
  void undoAndRedoReachEveryStepByName() {
    goal("Sing", Goal.SUNG_DRY);
    goal("Come close", Goal.SPOKEN_CLOSE);
    assertThat(session.undoNameProperty().get()).isEqualTo("Come close");
    session.undo();
    assertThat(session.book().goal()).isEqualTo(Goal.SUNG_DRY);
    assertThat(session.undoNameProperty().get()).isEqualTo("Sing");
    assertThat(session.redoNameProperty().get()).isEqualTo("Come close");
    session.undo();
    session.undo();
    assertThat(session.book()).isEqualTo(start);
    assertThat(session.undoNameProperty().get()).isEmpty();
    session.redo();
    session.redo();
    session.redo();
    assertThat(session.book().goal()).isEqualTo(Goal.SPOKEN_CLOSE);
    session.undo();
    goal("Sing in a room", Goal.SUNG_SOME_ROOM);
    assertThat(session.redoNameProperty().get()).isEmpty();
  }

  @Test
  void aDragIsOneStep() {
    goal("Drag", Goal.SUNG_DRY);
    goal("Drag", Goal.SPOKEN_CLOSE);
    goal("Drag", Goal.SUNG_SOME_ROOM);
    session.undo();
    assertThat(session.book()).isEqualTo(start);
    session.redo();
    goal("Drag", Goal.SUNG_DRY); // after a redo a new drag begins
    session.undo();
    assertThat(session.book().goal()).isEqualTo(Goal.SUNG_SOME_ROOM);
  }

  @Test
  void anEditThatChangesNothingOrFailsLeavesNoStep() {
    goal("Same", start.goal());
    assertThat(session.undoNameProperty().get()).isEmpty();
    assertThatThrownBy(() ->
            session.edit(
                "Break",
                book -> {
                  throw new Trouble.BadField("x", "cannot be");
                }))
        .isInstanceOf(Trouble.class);
    assertThat(session.book()).isEqualTo(start);
    assertThat(session.undoNameProperty().get()).isEmpty();
  }

  @Test
  void theGhostIsWhatWasHeardBefore() {
    double before = session.heardProperty().get().margins().quietDb();
    session.edit(
        "Clap board",
        book -> book.with(book.room().withNoise(nullroom.core.acoustics.Bands.all(50))));
    assertThat(session.beforeProperty().get().margins().quietDb()).isEqualTo(before);
    assertThat(session.heardProperty().get().margins().quietDb()).isLessThan(before);
    session.undo();
    assertThat(session.heardProperty().get().margins().quietDb()).isEqualTo(before);
  }

  @Test
  void aDiskThatRefusesIsSaidAndTheBookGoesOn() throws IOException {
    Files.move(folder.resolve("book"), folder.resolve("elsewhere"));
    Files.writeString(folder.resolve("book"), "a file where the folder was");
    goal("Sing", Goal.SUNG_DRY);
    assertThat(troubles).singleElement().asString().contains("book");
    assertThat(session.book().goal()).isEqualTo(Goal.SUNG_DRY);
    assertThat(new BookFolder(folder.resolve("elsewhere")).load()).isEqualTo(start);
  }
}
