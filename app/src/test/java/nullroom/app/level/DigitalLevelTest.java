package nullroom.app.level;

import static org.assertj.core.api.Assertions.assertThat;

import nullroom.app.DeskTest;
import nullroom.app.Fx;
import nullroom.core.acoustics.MicrophoneType;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class DigitalLevelTest extends DeskTest {
  private static MicrophoneType type(String label) {
    return MicrophoneType.ALL.stream()
        .filter(t -> t.label().startsWith(label))
        .findFirst()
        .orElseThrow();
  }

  @Test
  @DisplayName("a phone has no gain to plan: said, nothing turns, and the ladder stays")
  void phone() {
    LevelModel model = Fx.on(() -> new LevelModel(desk));
    Fx.run(() -> model.setType(type("Phone")));
    assertThat(Fx.on(model::turns)).isFalse();
    double peak = Fx.on(() -> model.plan().peakDbfs());
    Fx.run(() -> model.setGain(30));
    assertThat(Fx.on(() -> model.plan().peakDbfs())).isEqualTo(peak);
    assertThat(Fx.on(() -> model.plan().changeDb())).isZero();
    assertThat(Fx.on(() -> model.plan().advice()))
        .hasSize(1)
        .first()
        .asString()
        .contains("no gain");
    assertThat(Fx.on(() -> model.say().answer().getValue())).contains("no gain to turn");
    assertThat(desk.session().folder().load()).isEqualTo(desk.session().book());
    Fx.run(() -> model.setType(type("Broadcast")));
    assertThat(Fx.on(model::turns)).isTrue();
  }
}
