package nullroom.app.dress;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import javafx.event.ActionEvent;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.VBox;
import nullroom.app.DeskTest;
import nullroom.app.Fx;
import nullroom.core.book.Hearing;
import nullroom.core.plan.treatment.TreatmentPlan;
import nullroom.core.plan.treatment.TreatmentSchool;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class PlanPageTest extends DeskTest {
  private PlanModel model;
  private Scene scene;

  @BeforeEach
  void open() throws IOException {
    model = Fx.on(() -> new DressModel(desk)).plan();
    PlanPage page = Fx.on(() -> new PlanPage(model, desk));
    scene = Fx.show(new VBox(page.node(), page.controls()), 760, 640);
    Path pieces =
        Files.writeString(
            folder.resolve("pieces.json"),
            """
            { "pieces": [ { "name": "duvet", "count": 2, "widthMetres": 1.35, "heightMetres": 2.0, "material": "duvet_100", "hold": "stand" } ],
              "inPicture": "allowed" }
            """);
    Fx.run(() -> model.read(pieces));
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
    assertThat(Fx.on(() -> model.handProperty().get()).minutes()).isEmpty();
  }
}
