package nullroom.app.dress;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import javafx.event.ActionEvent;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.TextField;
import javafx.scene.layout.VBox;
import nullroom.app.DeskTest;
import nullroom.app.Fx;
import nullroom.core.book.AtHand;
import nullroom.core.book.TreatmentPiece;
import nullroom.core.room.Surface;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class HandPageTest extends DeskTest {
  private HandModel model;
  private Scene scene;

  @BeforeEach
  void open() {
    model = Fx.on(() -> new DressModel(desk)).hand();
    HandPage page = Fx.on(() -> new HandPage(model, desk));
    scene = Fx.show(new VBox(page.node(), page.controls()), 800, 780);
  }

  private AtHand hand() {
    return Fx.on(() -> model.hand());
  }

  private void type(String id, String text) {
    TextField field = Fx.find(scene, id, TextField.class);
    Fx.run(() -> {
      field.setText(text);
      field.fireEvent(new ActionEvent());
    });
  }

  @Test
  @DisplayName(
      "a usual household's list at first; what is added and said of it is in the book, undone by one step")
  void added() {
    assertThat(hand()).isEqualTo(AtHand.USUAL);
    Fx.run(Fx.find(scene, "hand-add", Button.class)::fire);
    assertThat(hand().pieces()).hasSize(5);
    TreatmentPiece added = hand().pieces().getLast();
    assertThat(added.name()).isEqualTo("duvet 2");
    type("field-how-many", "3");
    type("field-wide", "1.1");
    type("field-weighs", "");
    TreatmentPiece now = hand().pieces().getLast();
    assertThat(now.count()).isEqualTo(3);
    assertThat(now.widthMetres()).isEqualTo(1.1);
    assertThat(now.weightKg()).isEmpty();
    assertThat(desk.session().book().atHand()).isPresent();
    type("piece-name", "duvet");
    assertThat(words(desk.work().troubleProperty())).contains("called “duvet” already");
    type("piece-name", "grandmother's quilt");
    assertThat(hand().pieces().getLast().name()).isEqualTo("grandmother's quilt");
    Fx.run(() -> desk.undo());
    assertThat(hand().pieces().getLast().name()).isEqualTo("duvet 2");
    Fx.run(() -> model.remove(model.hand().pieces().getLast()));
    assertThat(hand().pieces()).hasSize(4);
  }

  @Test
  @DisplayName("what is kept clear belongs to the place, and reaches no further than its surface")
  void clear() {
    Fx.run(() -> model.keepClear("heater", Surface.wall(1), 0.2, 0, 0.8, 0.6));
    assertThat(hand().keepClear())
        .singleElement()
        .satisfies(k -> assertThat(k.patch().name()).isEqualTo("heater"));
    Fx.run(() ->
        desk.work()
            .attempt(() -> model.keepClear("heater", Surface.wall(1), 50, 0, 0.8, 0.6), () -> {}));
    assertThat(words(desk.work().troubleProperty())).contains("does not reach so far");
    Fx.run(() ->
        desk.work().attempt(() -> model.keepClear("", Surface.wall(1), 0, 0, 0, 0.6), () -> {}));
    assertThat(words(desk.work().troubleProperty())).contains("must have a width and a height");
    assertThat(desk.session().book().atHand()).isEmpty();
    assertThat(desk.session().book().here().keepClear()).hasSize(1);
    Fx.run(() -> model.free(model.hand().keepClear().getFirst()));
    assertThat(hand().keepClear()).isEmpty();
  }

  @Test
  @DisplayName(
      "written and read it is the same; a wrong file names line and field, and changes nothing")
  void files() throws IOException {
    Path file = folder.resolve("pieces.json");
    Fx.run(() -> model.add(AtHand.THINKABLE.getLast()));
    AtHand before = hand();
    Fx.run(() -> model.write(file));
    Fx.run(() -> model.remove(model.hand().pieces().getLast()));
    Fx.run(() -> model.read(file));
    assertThat(hand()).isEqualTo(before);
    Files.writeString(
        file,
        """
        { "pieces": [
            { "name": "rug", "widthMetres": 1, "heightMetres": -1, "material": "rug_on_wood", "hold": "lay" } ] }
        """);
    Fx.run(() -> desk.work().attempt(() -> model.read(file), () -> {}));
    assertThat(words(desk.work().troubleProperty()))
        .contains("heightMetres")
        .contains("line 2")
        .contains("0.05");
    assertThat(hand()).isEqualTo(before);
  }
}
