package nullroom.app.room;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import nullroom.app.DeskTest;
import nullroom.app.Fx;
import nullroom.app.TestBooks;
import nullroom.core.Trouble;
import nullroom.core.book.Hearing;
import nullroom.core.book.RoomBook;
import nullroom.core.plan.Compared;
import nullroom.core.plan.Verdicts;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class PlacesPageTest extends DeskTest {
  private PlacesModel places;
  private SpotsModel spots;
  private Scene scene;

  @BeforeEach
  void open() {
    RoomModel room = Fx.on(() -> new RoomModel(desk, TestBooks.WORKERS));
    places = room.places();
    spots = room.spots();
    PlacesPage page = Fx.on(() -> new PlacesPage(places, desk));
    scene = Fx.show(page.node(), 760, 500);
  }

  private void named(String name, String button) {
    TextField field = Fx.find(scene, "place-name", TextField.class);
    Button press = Fx.find(scene, button, Button.class);
    Fx.run(() -> {
      field.setText(name);
      press.fire();
    });
  }

  private RoomBook book() {
    return Fx.on(() -> desk.session().book());
  }

  @Test
  @DisplayName("same kit, new room: there at once, traced, with a verdict; then back")
  void another() {
    String first = book().here().name();
    named("wardrobe", "place-begin");
    assertThat(book().here().name()).isEqualTo("wardrobe");
    assertThat(book().room().requireMicrophone().capture())
        .isEqualTo(book().goTo(first).room().requireMicrophone().capture());
    assertThat(desk.session().folder().load()).isEqualTo(book());
    Fx.until(places.foundProperty().map(Number::longValue), 1L);
    List<Compared> all = Fx.on(places::all);
    assertThat(all).extracting(Compared::place).containsExactlyInAnyOrder(first, "wardrobe");
    Compared other = all.stream().filter(c -> c.place().equals(first)).findFirst().orElseThrow();
    RoomBook there = book().goTo(first);
    Verdicts traced = Verdicts.of(Hearing.traced(there).heard(), there.goal().targets());
    assertThat(other.ladder().orElseThrow().verdicts()).as("as predict says it").isEqualTo(traced);
    Fx.run(() -> places.go(first, ""));
    assertThat(book().here().name()).isEqualTo(first);
    Fx.run(() -> desk.session().undo());
    assertThat(book().here().name()).isEqualTo("wardrobe");
  }

  @Test
  @DisplayName("a spot says the same in both lists and on the ladder, once one is there")
  void oneAnswer() {
    Fx.run(() -> spots.keep("by the bed"));
    named("copy", "place-copy");
    Compared here =
        Fx.on(places::all).stream().filter(c -> c.place().equals("copy")).findFirst().orElseThrow();
    assertThat(here.spot()).isEqualTo("by the bed");
    Verdicts onLadder = Fx.on(() -> desk.session().verdicts());
    assertThat(here.ladder().orElseThrow().verdicts()).isEqualTo(onLadder);
    assertThat(Fx.on(spots::all).getFirst().verdicts()).contains(onLadder);
  }

  @Test
  @DisplayName("while something is heard one stays in the place that it is heard in")
  void notWhileHearing() {
    named("copy", "place-copy");
    String first = Fx.on(places::names).getFirst();
    Fx.run(() -> desk.live().start(desk.inputs().chosenProperty().get().device().get()));
    assertThatThrownBy(() -> Fx.run(() -> places.go(first, "")))
        .hasRootCauseInstanceOf(Trouble.BadField.class);
    assertThatThrownBy(() -> Fx.run(desk::undo)).hasRootCauseInstanceOf(Trouble.BadField.class);
    assertThat(book().here().name()).isEqualTo("copy");
    Fx.run(() -> desk.live().stop());
    Fx.until(desk.live().runningProperty(), false);
    Fx.run(desk::undo);
    assertThat(book().here().name()).isEqualTo(first);
    Fx.run(desk::redo);
    assertThat(book().here().name()).isEqualTo("copy");
  }

  @Test
  @DisplayName("bad names and sizes are said, and nothing is changed")
  void refused() {
    RoomBook before = book();
    named(" ", "place-begin");
    assertThat(words(desk.work().troubleProperty())).contains("needs a name");
    named(before.here().name(), "place-copy");
    assertThat(words(desk.work().troubleProperty())).contains("two are called");
    assertThatThrownBy(() -> Fx.run(() -> places.begin("x", 0, 3, 2)))
        .hasRootCauseInstanceOf(Trouble.BadField.class);
    Button out = Fx.find(scene, "place-remove", Button.class);
    Fx.run(out::fire);
    assertThat(words(desk.work().troubleProperty())).contains("the only one");
    assertThat(book()).isEqualTo(before);
    Label heading = (Label) Fx.on(() -> scene.lookup(".heading"));
    assertThat(heading.getText()).isEqualTo(before.here().name());
  }

  @Test
  void onePlaceIsCalledOtherwise() {
    named("gable room", "place-rename");
    assertThat(book().room().name()).isEqualTo("gable room");
    assertThat(Fx.on(places::names)).containsExactly("gable room");
  }
}
