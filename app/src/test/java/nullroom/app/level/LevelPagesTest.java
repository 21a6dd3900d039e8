package nullroom.app.level;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Files;
import java.nio.file.Path;
import nullroom.app.DeskTest;
import nullroom.app.Fx;
import nullroom.core.Progress;
import nullroom.core.measure.TakeMeter;
import nullroom.core.plan.Brief;
import nullroom.core.plan.School;
import nullroom.core.plan.Verdict;
import nullroom.core.signal.Samples;
import nullroom.io.audio.SoundFile;
import nullroom.io.audio.WavWriter;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** The level station's pages: their models, with the simulated room in front of them. */
class LevelPagesTest extends DeskTest {
  private static final double RATE = 48_000;
  private LevelModel model;

  @BeforeEach
  void open() {
    model = Fx.on(() -> new LevelModel(desk));
  }

  /** A buzz that pauses, with one thump and one drop-out. */
  private Path take() {
    double[] x = new double[(int) (12 * RATE)];
    for (int i = 0; i < x.length; i++) {
      double t = i / RATE;
      double swell = t % 2 < 1 ? Math.pow(Math.sin(Math.PI * (t % 0.25) / 0.25), 2) : 0;
      x[i] = 0.1 * swell * Math.sin(2 * Math.PI * 300 * t) + 0.0003 * Math.sin(i * 1.7);
      double pop = t - 4.2;
      x[i] += pop > 0 && pop < 0.12 ? 0.4 * Math.sin(2 * Math.PI * 20 * pop) : 0;
    }
    java.util.Arrays.fill(x, (int) (8.1 * RATE), (int) (8.12 * RATE), 0);
    Path file = folder.resolve("take.wav");
    WavWriter.writeFloat(file, new Samples(x, RATE));
    return file;
  }

  @Test
  void aTakeIsCheckedFlaggedAndHandedOverAndStaysAsItWas() throws Exception {
    Path file = take();
    byte[] before = Files.readAllBytes(file);
    TakeModel take = model.take();
    assertThat(take.findings()).isEmpty();
    after(() -> take.open(file));
    assertThat(take.findings())
        .extracting(TakeModel.Finding::kind)
        .containsExactly("thump", "drop-out");
    assertThat(take.findings().getLast().words()).isEqualTo("drop-out at 0:08.1");
    assertThat(take.verdicts()).extracting(Verdict::check).contains("thumps", "dropouts", "jumps");
    assertThat(take.verdicts().getFirst().mark()).as("failures first").isEqualTo(Verdict.Mark.FAIL);
    assertThat(take.delivery()).isEmpty();
    Fx.run(() -> take.setBrief(Brief.find("broadcast-23").orElseThrow()));
    assertThat(take.brief().orElseThrow().id()).isEqualTo("broadcast-23");
    assertThat(desk.session().folder().load()).isEqualTo(desk.session().book());
    Path out = folder.resolve("out.wav");
    after(() -> take.export(out, 1, 11));
    assertThat(desk.work().troubleProperty().get()).contains("Written: out.wav");
    try (SoundFile sound = SoundFile.open(out)) {
      var report = TakeMeter.measure(sound, Progress.NONE);
      assertThat(report.seconds()).isCloseTo(10, within(1e-3));
      assertThat(20 * Math.log10(report.truePeak())).isLessThanOrEqualTo(-0.95);
    }
    assertThat(Files.readAllBytes(file)).isEqualTo(before);
  }

  @Test
  void theLoudLineSaysHowFarAndIsLockedWithItsSpot() {
    LoudLine line = model.loudLine();
    assertThat(Fx.on(line::now)).contains("ten seconds each");
    after(line::start);
    LoudLine.Result first = Fx.on(() -> line.resultProperty().get()).orElseThrow();
    assertThat(Fx.on(line::now)).contains("turn the gain");
    assertThat(first.changeDb()).isGreaterThan(3);
    assertThat(Fx.on(() -> line.readingProperty().get()).orElseThrow().heldDbfs())
        .isCloseTo(first.peakDbfs(), within(0.5));
    double gain = model.gainDb();
    Fx.run(line::turned);
    assertThat(model.gainDb()).isEqualTo(gain + Math.floor(first.changeDb()));
    after(line::start);
    assertThat(Fx.on(() -> line.resultProperty().get()).orElseThrow().good()).isTrue();
    assertThat(Fx.on(line::now)).contains("Good").contains("Lock it");
    assertThat(line.locked()).isEmpty();
    Fx.run(line::lock);
    assertThat(Fx.on(line::locked)).contains("Locked at");
    assertThat(words(model.say().meaning())).contains("Locked at");
    assertThat(desk.session().folder().load()).isEqualTo(desk.session().book());
    Fx.run(() -> model.setGain(20));
    assertThat(Fx.on(line::locked)).contains("the gain changed");
  }

  @Test
  void schoolsChangeTheGainAndFilesAreCounted() {
    double peaks = model.rightGainDb();
    Fx.run(() -> model.schoolProperty().set(School.FLOAT));
    assertThat(model.rightGainDb()).isLessThan(peaks);
    assertThat(words(model.say().answer())).contains("float");
    assertThat(FilesPage.recorders("camera left 15\n\n recorder 180 ")).hasSize(2);
    assertThat(FilesPage.recorders("camera left 15").getFirst().name()).isEqualTo("camera left");
    assertThatThrownBy(() -> FilesPage.recorders("camera")).hasMessageContaining("needs a name");
  }
}
