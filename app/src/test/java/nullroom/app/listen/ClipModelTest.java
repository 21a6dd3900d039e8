package nullroom.app.listen;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Path;
import nullroom.app.DeskTest;
import nullroom.app.Fx;
import nullroom.core.Progress;
import nullroom.core.acoustics.OwnVoice;
import nullroom.core.acoustics.VocalEffort;
import nullroom.core.book.RoomBook;
import nullroom.core.measure.noise.Calibration;
import nullroom.core.predict.Heard;
import nullroom.core.signal.Samples;
import nullroom.io.audio.WavWriter;
import nullroom.io.device.AudioDevice;
import nullroom.io.device.SimulatedDevice;
import org.junit.jupiter.api.Test;

/** One recording in the window: sorted, kept, corrected, undone. */
class ClipModelTest extends DeskTest {
  private ListenModel model() {
    return Fx.on(() -> new ListenModel(desk, Runnable::run));
  }

  private RoomBook book() {
    return desk.session().book();
  }

  /** As a phone would bring it: nobody knows its scale. */
  private Path clip(AudioDevice.Prompt prompt, double seconds) {
    Samples sound =
        SimulatedDevice.in(book().room(), Heard.of(book().room()), 5)
            .record(prompt, seconds, Progress.NONE);
    Path file = folder.resolve("phone.wav");
    WavWriter.writeFloat(file, sound);
    return file;
  }

  @Test
  void oneClipFillsTheBookWithoutAScale() {
    ListenModel model = model();
    Fx.run(() -> model.pageProperty().set(Page.CLIP));
    Path file = clip(AudioDevice.Prompt.CLIP, 38);
    after(() -> model.clip().open(file));
    assertThat(book().decay()).isPresent();
    assertThat(book().noise().orElseThrow().byVoice()).isTrue();
    OwnVoice voice = book().room().requireTalker().own().orElseThrow();
    assertThat(voice.levelKnown()).isFalse();
    assertThat(voice.levelDbA()).isCloseTo(60, within(1e-6));
    assertThat(desk.session().heard().basis().ratio()).isPresent();
    assertThat(desk.session().verdicts().quiet().verdict()).isNotNull();
    assertThat(words(model.say().meaning())).contains("need no scale");
    double noise = book().noise().orElseThrow().laeqDbSpl().orElseThrow();
    double quiet = desk.session().verdicts().quiet().db();

    Fx.run(() -> model.clip().setEffort(VocalEffort.LOUD));
    assertThat(book().noise().orElseThrow().laeqDbSpl().orElseThrow() - noise)
        .as("a louder voice on the same digits: louder noise")
        .isCloseTo(12, within(0.5));
    assertThat(desk.session().verdicts().quiet().db())
        .as("the ratio stays, but for the microphone's own noise")
        .isCloseTo(quiet, within(1.5));
    assertThat(book().decays().measured()).hasSize(1);
    Fx.run(() -> model.clip().setName("Ada"));
    assertThat(book().levels().voices()).extracting(OwnVoice::name).containsExactly("Ada");
    assertThat(desk.session().folder().load()).isEqualTo(book());
    Fx.run(() -> desk.session().undo());
    Fx.run(() -> desk.session().undo());
    Fx.run(() -> desk.session().undo());
    assertThat(book().decay()).isEmpty();
    assertThat(book().room().requireTalker().own()).isEmpty();
  }

  @Test
  void saysWhatIsMissing() {
    ListenModel model = model();
    Path file = clip(AudioDevice.Prompt.CLAPS, 10);
    after(() -> model.clip().open(file));
    assertThat(Fx.on(() -> model.clip().words())).anyMatch(w -> w.startsWith("Nobody talks"));
    assertThat(book().decay()).isPresent();
    assertThat(book().room().requireTalker().own()).isEmpty();
  }

  @Test
  void theVoiceIsAScale() {
    ListenModel model = model();
    double metres =
        book().room().requireTalker().at().distanceTo(book().room().requireMicrophone().at());
    double known =
        Calibration.BY_DATA
            .scale(book().room().requireMicrophone().capture())
            .orElseThrow()
            .fullScaleDbSpl();
    after(() -> model.calibration().setVoice(VocalEffort.NORMAL, metres));
    assertThat(words(desk.work().troubleProperty())).isEmpty();
    assertThat(book().listening().calibration().method()).isEqualTo(Calibration.Method.VOICE);
    assertThat(book().listening().calibration().uncertaintyDb()).isEqualTo(4);
    assertThat(model.calibration().scale().orElseThrow().fullScaleDbSpl())
        .as("the acted voice is the table's, through a chain that is as its data say")
        .isCloseTo(known, within(1.5));
  }

  @Test
  void recordedHereTheVoiceHasALevelOfItsOwn() {
    ListenModel model = model();
    after(() -> model.clip().record());
    OwnVoice voice = book().room().requireTalker().own().orElseThrow();
    assertThat(voice.levelKnown()).isTrue();
    assertThat(voice.simulated()).isTrue();
    assertThat(voice.levelDbA()).as("the acted voice is the table's").isCloseTo(60, within(1.5));
    assertThat(book().noise().orElseThrow().chain()).isPresent();
  }
}
