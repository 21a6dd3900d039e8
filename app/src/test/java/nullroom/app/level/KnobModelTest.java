package nullroom.app.level;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import nullroom.app.DeskTest;
import nullroom.app.Fx;
import nullroom.core.book.Knob;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class KnobModelTest extends DeskTest {
  private void heard(LevelModel model, double mark, double gain) {
    Fx.run(() -> {
      model.setGain(gain); // as the hand turns the real one
      model.knob().hear(Knob.Marks.NUMBERS, mark);
    });
    Fx.until(desk.work().runningProperty(), false);
  }

  @Test
  @DisplayName("heard at 4 and, 12 dB up, at 6: learnt, advice speaks in marks, and it is saved")
  void learns() {
    LevelModel model = Fx.on(() -> new LevelModel(desk));
    heard(model, 4, 30);
    assertThat(Fx.on(() -> model.knob().nextProperty().get())).contains("another mark");
    heard(model, 6, 42);
    Knob knob = Fx.on(() -> model.knob().knob()).orElseThrow();
    assertThat(knob.dbPerMark()).isCloseTo(6, within(0.3));
    assertThat(Fx.on(() -> model.say().answer().getValue())).contains("on your dial");
    assertThat(desk.session().folder().load()).isEqualTo(desk.session().book());
    Fx.run(() -> model.knob().forget());
    assertThat(Fx.on(() -> model.say().answer().getValue())).doesNotContain("dial");
  }

  @Test
  @DisplayName("the same sound at two marks that were not turned teaches nothing, and that is said")
  void alike() {
    LevelModel model = Fx.on(() -> new LevelModel(desk));
    heard(model, 4, 30);
    heard(model, 6, 30);
    assertThat(Fx.on(() -> model.knob().knob())).isEmpty();
    assertThat(Fx.on(() -> desk.work().troubleProperty().get())).contains("alike");
  }
}
