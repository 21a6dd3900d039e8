package nullroom.app.dress;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.Optional;
import javafx.event.ActionEvent;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import nullroom.app.DeskTest;
import nullroom.app.Fx;
import nullroom.core.book.Hearing;
import nullroom.core.plan.treatment.TreatmentPlan;
import nullroom.core.plan.treatment.TreatmentSchool;
import nullroom.core.predict.FirstArrivals;
import nullroom.core.room.Point;
import nullroom.core.room.RoomItem;
import nullroom.core.room.Surface;
import nullroom.core.room.SurfaceTag;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class PlanPageTest extends DeskTest {
  private PlanModel model;
  private Scene scene;

  @BeforeEach
  void open() throws IOException {
    DressModel dress = Fx.on(() -> new DressModel(desk));
    model = dress.plan();
    PlanPage page = Fx.on(() -> new PlanPage(model, desk));
    PlanPicture picture = Fx.on(() -> new PlanPicture(model, desk));
    scene =
        Fx.show(
            new HBox(
                new VBox(page.node(), page.controls()),
                new VBox(picture.node(), picture.controls())),
            1200,
            780);
    Path pieces =
        Files.writeString(
            folder.resolve("pieces.json"),
            """
            { "pieces": [ { "name": "duvet", "count": 2, "widthMetres": 1.35, "heightMetres": 2.0, "material": "duvet_100", "hold": "stand" } ],
              "inPicture": "allowed" }
            """);
    Fx.run(() -> dress.hand().read(pieces));
  }

  private void press(String id) {
    Button button = Fx.find(scene, id, Button.class);
    Fx.run(button::fire);
  }

  private String said() {
    return Fx.find(scene, "plan-words", Label.class).getText();
  }

  @Test
  @DisplayName("planned, looked at by school, put up, and then the room is as was told")
  void plannedAndPutUp() {
    press("plan-up");
    assertThat(words(desk.work().troubleProperty())).contains("there is none yet");
    after(() -> model.make());
    assertThat(said()).contains("dB off").contains("No plan of these pieces");
    press("plan-even");
    TreatmentPlan plan = Fx.on(() -> model.plan().orElseThrow());
    assertThat(plan.school()).isEqualTo(TreatmentSchool.EVEN);
    assertThat(plan.steps()).isNotEmpty();
    press("plan-up");
    assertThat(room()).isEqualTo(plan.room());
    assertThat(Hearing.quick(desk.session().book()).heard().margins())
        .isEqualTo(plan.after().margins());
    assertThat(said()).contains("No plan of these pieces");
    press("plan-up");
    assertThat(words(desk.work().troubleProperty())).contains("is up already");
    Fx.run(() -> desk.undo());
    Fx.run(() ->
        desk.session()
            .edit(
                "Air",
                b -> b.with(b.room().tagged(Surface.FLOOR, Optional.of(SurfaceTag.STAY_BARE)))));
    assertThat(said()).contains("plan again");
    press("plan-up");
    assertThat(words(desk.work().troubleProperty())).contains("the room has changed");
    Fx.run(() -> desk.undo());
    assertThat(said()).contains("No plan of these pieces");
  }

  @Test
  @DisplayName("minutes that are too few leave nothing to hang; emptied they do not matter")
  void limits() {
    TextField minutes = Fx.find(scene, "field-minutes", TextField.class);
    Fx.run(() -> {
      minutes.setText("5");
      minutes.fireEvent(new ActionEvent());
    });
    after(() -> model.make());
    assertThat(Fx.on(() -> model.plan().orElseThrow()).steps()).isEmpty();
    Fx.run(() -> {
      minutes.setText("");
      minutes.fireEvent(new ActionEvent());
    });
    assertThat(Fx.on(() -> model.hand()).minutes()).isEmpty();
  }

  @Test
  @DisplayName("one piece put up is up, the plan stays, and the rest can follow")
  void oneByOne() {
    after(() -> model.make());
    TreatmentPlan plan = Fx.on(() -> model.plan().orElseThrow());
    assertThat(plan.steps()).hasSize(2);
    press("plan-up-1");
    assertThat(room().patches()).contains(plan.steps().getFirst().patch().orElseThrow());
    assertThat(Fx.on(() -> model.stale())).isFalse();
    assertThat(Fx.find(scene, "plan-up-1", Button.class).isDisabled()).isTrue();
    press("plan-up-2");
    assertThat(room().patches()).containsAll(plan.room().patches());
  }

  @Test
  @DisplayName("before and after on one key; a dragged piece has its figures, and goes back")
  void beforeAndDragged() {
    after(() -> model.make());
    TreatmentPlan plan = Fx.on(() -> model.plan().orElseThrow());
    Label figures = Fx.find(scene, "plan-figures", Label.class);
    String after = figures.getText();
    assertThat(after)
        .startsWith("After: ")
        .contains(String.format(Locale.ROOT, "%.2f dB off", plan.after().offDb()));
    CheckBox picture = Fx.find(scene, "plan-before", CheckBox.class);
    Fx.run(() -> picture.fireEvent(key(KeyCode.B)));
    assertThat(figures.getText()).startsWith("Before: ").isNotEqualTo(after);
    assertThat(Fx.on(() -> model.room())).isEqualTo(room());
    Fx.run(() -> picture.fireEvent(key(KeyCode.B)));
    int last = plan.room().patches().size() - 1;
    RoomItem item = new RoomItem(RoomItem.Kind.PATCH, last);
    Point to = item.at(plan.room()).plus(new Point(0, 0.15, 0), 1);
    Fx.run(() -> model.drag(item, to));
    assertThat(figures.getText()).startsWith("As you dragged it: ");
    assertThat(Fx.on(() -> model.room()).patches().get(last))
        .isNotEqualTo(plan.room().patches().get(last));
    Fx.run(() -> model.drag(new RoomItem(RoomItem.Kind.FURNITURE, 0), new Point(1, 1, 0)));
    assertThat(Fx.on(() -> model.room()).furniture()).isEqualTo(room().furniture());
    press("plan-settle");
    assertThat(figures.getText()).isEqualTo(after);
  }

  private static KeyEvent key(KeyCode code) {
    return new KeyEvent(KeyEvent.KEY_PRESSED, "", "", code, false, false, false, false);
  }

  @Test
  @DisplayName(
      "mirror points lie where angles are equal, with what to measure; what comes back is tinted")
  void mirrors() {
    after(() -> model.make());
    CheckBox points = Fx.find(scene, "plan-mirror-points", CheckBox.class);
    Fx.run(points::fire);
    assertThat(Fx.find(scene, "plan-mirrors", Label.class).getText())
        .contains("from the corner with wall")
        .contains("dB under the direct sound");
    for (FirstArrivals.Arrival a : Fx.on(() -> model.mirrors())) {
      Point talker = room().requireTalker().at();
      Point microphone = room().requireMicrophone().at();
      if (a.surface().orElseThrow() == Surface.FLOOR) {
        double share = talker.z() / (talker.z() + microphone.z());
        assertThat(a.at().x())
            .isCloseTo(talker.x() + share * (microphone.x() - talker.x()), within(1e-6));
        assertThat(a.at().y())
            .isCloseTo(talker.y() + share * (microphone.y() - talker.y()), within(1e-6));
      }
    }
    after(() -> model.traceReturns());
    assertThat(Fx.on(() -> model.returnsNow())).isPresent();
    Fx.run(() -> model.beforeProperty().set(true));
    assertThat(Fx.on(() -> model.returnsNow())).isPresent();
  }

  @Test
  @DisplayName("the hanging list is a PDF; without a plan there is none")
  void list() {
    Path file = folder.resolve("list.pdf");
    Fx.run(() -> desk.work().attempt(() -> model.write(file, m -> m + " m"), () -> {}));
    assertThat(words(desk.work().troubleProperty())).contains("there is none yet");
    after(() -> model.make());
    Fx.run(() -> model.write(file, m -> m + " m"));
    assertThat(file).isRegularFile().isNotEmptyFile();
  }
}
