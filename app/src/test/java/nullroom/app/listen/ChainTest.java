package nullroom.app.listen;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Path;
import java.util.Random;
import nullroom.app.DeskTest;
import nullroom.app.Fx;
import nullroom.app.TestBooks;
import nullroom.app.level.LevelModel;
import nullroom.core.book.NoiseMeasurement;
import nullroom.core.measure.noise.Calibration;
import nullroom.core.predict.Heard;
import nullroom.core.signal.Samples;
import nullroom.io.audio.WavWriter;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** A recording keeps the chain it was made with, whatever is described afterwards. */
class ChainTest extends DeskTest {
  private ListenModel model;

  @BeforeEach
  void open() {
    model = Fx.on(() -> new ListenModel(desk, TestBooks.WORKERS));
    Random random = new Random(5);
    double[] x = new double[48_000 * 8];
    for (int i = 0; i < x.length; i++) {
      x[i] = 1e-3 * random.nextGaussian();
    }
    Path file = folder.resolve("somebody's recorder.wav");
    WavWriter.writeFloat(file, new Samples(x, 48_000));
    after(() -> model.open(file));
  }

  private NoiseMeasurement noise() {
    return desk.session().book().noise().orElseThrow();
  }

  private double dbA() {
    return noise().laeqDbSpl().orElseThrow();
  }

  @Test
  void aDroppedFileIsRelativeUntilSomebodySaysWhatItWasMadeWith() {
    assertThat(noise().chain()).isEmpty();
    assertThat(noise().laeqDbSpl()).isEmpty();
    assertThat(model.chain().words()).contains("unknown microphone or gain");
    assertThat(words(model.say().answer())).startsWith("Nobody knows yet");
    assertThat(words(model.say().meaning())).contains("relative only").doesNotContain("dBA");
    assertThat(desk.session().heard().noiseDbSpl())
        .as("no level of the room comes from it")
        .isEqualTo(Heard.of(room()).noiseDbSpl());
    Fx.run(model.chain()::madeWithDescribed);
    double full = model.calibration().scale().orElseThrow().fullScaleDbSpl();
    assertThat(dbA())
        .as("its level in air: a cardioid takes in about a third of what comes from all around")
        .isCloseTo(
            noise().report().laeqDbfs().orElseThrow() + full + 10 * Math.log10(3), within(1.0));
    assertThat(model.chain().words()).contains("34 dB of gain");
    assertThat(model.chain().canTakeDescribedChain()).isFalse();
    assertThat(desk.session().folder().load()).isEqualTo(desk.session().book());
    Fx.run(model.chain()::madeWithUnknown);
    assertThat(noise().laeqDbSpl()).isEmpty();
    Fx.run(desk.session()::undo);
    assertThat(noise().laeqDbSpl()).isPresent();
  }

  @Test
  void whatIsDescribedAfterwardsLeavesItAndACorrectionMovesIt() {
    Fx.run(model.chain()::madeWithDescribed);
    double before = dbA();
    Fx.run(() -> new LevelModel(desk).setGain(44));
    assertThat(dbA()).as("the gain of now is not the recording's").isEqualTo(before);
    assertThat(model.chain().canTakeDescribedChain()).isTrue();
    Fx.run(model.chain()::madeWithDescribed);
    assertThat(dbA())
        .as("ten decibels more of gain, ten less of sound")
        .isCloseTo(before - 10, within(0.05));
    Fx.run(() -> model.calibration().setFullScale(130, 1));
    double corrected = dbA();
    assertThat(noise().scale().orElseThrow().uncertaintyDb()).isEqualTo(1);
    assertThat(words(model.say().meaning())).contains("give or take 1 dB");
    Fx.run(() -> model.calibration().setFullScale(120, 1));
    assertThat(dbA()).isCloseTo(corrected - 10, within(0.05));
    Fx.run(() -> model.calibration().set(Calibration.UNKNOWN));
    assertThat(noise().laeqDbSpl()).as("relative only means relative").isEmpty();
    assertThat(words(model.say().answer())).startsWith("Nobody knows yet");
  }
}
