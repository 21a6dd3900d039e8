package nullroom.app.level;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Path;
import nullroom.app.DeskTest;
import nullroom.app.Fx;
import nullroom.core.acoustics.Bands;
import nullroom.core.plan.Leaning;
import nullroom.core.predict.SyntheticRoom;
import nullroom.core.room.Movement;
import nullroom.core.signal.Samples;
import nullroom.io.audio.WavWriter;
import org.junit.jupiter.api.Test;

/** The lean test in the window: acted, and of a file in which somebody leans back. */
class LeanModelTest extends DeskTest {
  private static final int RATE = 48_000;

  private Path swaying(double fallDb) {
    double[] x = SyntheticRoom.voice(Bands.of(38, 52, 57, 60, 54, 49, 44, 38), RATE, 20 * RATE, 4);
    for (int k = 0; k < x.length; k++) {
      boolean back = k > 6 * RATE && k / RATE / 2 % 2 == 1;
      x[k] *= 0.005 * (back ? Math.pow(10, -fallDb / 20) : 1);
    }
    Path file = folder.resolve("lean.wav");
    WavWriter.writeFloat(file, new Samples(x, RATE));
    return file;
  }

  @Test
  void theActedVoiceSitsStill() {
    LeanModel model = Fx.on(() -> new LeanModel(desk));
    assertThat(Fx.on(model::leaning)).isEmpty();
    after(model::record);
    assertThat(model.heardProperty().get().orElseThrow().simulated()).isTrue();
    assertThat(Fx.on(model::leaning).orElseThrow().measured().movedDb()).isLessThan(2);
  }

  @Test
  void whatNoLeaningExplainsIsSaidSo() {
    LeanModel model = Fx.on(() -> new LeanModel(desk));
    Path file = swaying(9);
    after(() -> model.open(file));
    Leaning leaning = Fx.on(model::leaning).orElseThrow();
    assertThat(leaning.asPredicted()).isFalse();
    assertThat(leaning.measured().fallDb()).isCloseTo(9.5, within(1.5));
    assertThat(leaning.sentence()).contains("No leaning explains that");
    Fx.run(model::describe);
    assertThat(desk.session().book().room().requireTalker().movement().leanMetres())
        .isCloseTo(leaning.leanMetres(), within(1e-9));
    Fx.run(() -> desk.session().undo());
    assertThat(desk.session().book().room().requireTalker().movement()).isEqualTo(Movement.NONE);
  }
}
