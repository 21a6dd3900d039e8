package nullroom.app.level;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.Random;
import java.util.stream.IntStream;
import javafx.event.ActionEvent;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.DatePicker;
import javafx.scene.control.RadioButton;
import javafx.scene.control.TextField;
import javafx.scene.layout.VBox;
import nullroom.app.DeskTest;
import nullroom.app.Fx;
import nullroom.app.TestSounds;
import nullroom.core.Progress;
import nullroom.core.acoustics.MicrophoneType;
import nullroom.core.acoustics.Stage;
import nullroom.core.book.Brief;
import nullroom.core.book.Handover;
import nullroom.core.book.School;
import nullroom.core.book.Staging;
import nullroom.core.measure.take.TakeMeter;
import nullroom.core.plan.ChainLink;
import nullroom.core.plan.TakeCheck;
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
        .containsExactly("plosive", "drop-out");
    assertThat(take.findings().getLast().words()).isEqualTo("drop-out at 0:08.1");
    assertThat(take.verdicts())
        .extracting(TakeCheck::check)
        .contains("thumps", "dropouts", "jumps");
    assertThat(take.verdicts().getFirst().outcome())
        .as("failures first")
        .isEqualTo(TakeCheck.Outcome.FAIL);
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
  void aBriefOfOnesOwnIsKeptAndTheFileIsWrittenAsItAsks() {
    TakeModel take = model.take();
    BriefPage page = Fx.on(() -> new BriefPage(model, desk));
    Fx.show(page.node(), 800, 700);
    Fx.run(() -> ((RadioButton) page.node().lookup("#brief-podcast-16")).fire());
    assertThat(take.brief().orElseThrow().id()).isEqualTo("podcast-16");
    assertThat(take.fileName()).isEqualTo("take.wav");
    type(page.node(), "#field-loudness", "-20");
    type(page.node(), "#field-at-most", "0.1");
    type(page.node(), "#own-name", "{room} {date}");
    Fx.run(() -> {
      choose(page.node(), "#own-format", Handover.Format.FLAC);
      choose(page.node(), "#own-bits", 16);
      choose(page.node(), "#own-rate", 44_100.0);
      ((DatePicker) page.node().lookup("#own-due")).setValue(desk.today().plusDays(2));
    });
    Brief own = take.brief().orElseThrow();
    assertThat(own.id()).isEqualTo(Brief.OWN);
    assertThat(own.integratedLufs()).hasValue(-20);
    assertThat(own.handover().longestSeconds()).hasValue(6);
    assertThat(take.due()).contains("in 2 days");
    assertThat(take.fileName())
        .isEqualTo(desk.session().book().name() + " " + desk.today() + ".flac");
    assertThat(desk.session().folder().load().levels().handedOverAs()).contains(own);
    assertThat(take.formats().getFirst()).isEqualTo(Handover.Format.FLAC);
    type(page.node(), "#field-at-least", "3");
    assertThat(take.own().handover().shortestSeconds()).as("longer than the longest").isEmpty();
    Fx.run(() -> choose(page.node(), "#own-bits", 32));
    assertThat(take.own().handover().bits()).as("FLAC holds no float").isEqualTo(16);
    type(page.node(), "#field-at-most", "");
    assertThat(take.own().handover().longestSeconds()).isEmpty();
    after(() -> take.open(take()));
    Path out = folder.resolve(take.fileName());
    after(() -> take.export(out, 0, 0));
    try (SoundFile sound = SoundFile.open(out)) {
      assertThat(sound.sampleRateHz()).isEqualTo(44_100);
      assertThat(sound.bitDepth()).hasValue(16);
      assertThat(TakeMeter.measure(sound, Progress.NONE).loudness().integratedLufs().orElseThrow())
          .isLessThanOrEqualTo(-19.9);
    }
  }

  @Test
  void theGainIsPlannedForWhatIsTypedAndChosen() {
    GainPage page = Fx.on(() -> new GainPage(model, desk));
    Fx.show(new VBox(page.picture(), page.controls()), 800, 700);
    double before = model.rightGainDb();
    type(page.controls(), "#field-distance", "0.3");
    assertThat(model.distanceMetres()).isCloseTo(0.3, within(1e-9));
    assertThat(model.rightGainDb()).isLessThan(before);
    type(page.controls(), "#field-preamp-has", "12");
    assertThat(model.rightGainDb()).isEqualTo(12);
    Fx.run(() -> choose(page.controls(), "#material", Staging.Material.ACTED));
    assertThat(model.staging().allowanceDb()).isEqualTo(12);
    assertThat(model.staging().highestGainDb()).isEqualTo(12);
    type(page.controls(), "#field-allow-for-shouts", "99");
    assertThat(model.staging().allowanceDb()).as("out of range").isEqualTo(12);
    MicrophoneType ribbon = MicrophoneType.ALL.get(7);
    Fx.run(() -> choose(page.controls(), "#level-microphone", ribbon));
    assertThat(model.type()).contains(ribbon);
    type(page.controls(), "#field-and-hisses-at", "-118");
    assertThat(model.preampEinDbu()).isEqualTo(-118);
    assertThat(model.plan().advice().toString()).contains("hiss");
    assertThat(desk.session().folder().load()).isEqualTo(desk.session().book());
  }

  @Test
  void stagesAreTypedInARowAndSayWhatTheyAddAndTake() {
    StagesPage page = Fx.on(() -> new StagesPage(model.stages(), desk));
    Fx.show(page.node(), 800, 700);
    double gain = model.rightGainDb();
    Fx.run(() -> ((Button) page.node().lookup("#stage-inline-booster")).fire());
    type(page.node(), "#field-adds", "12");
    assertThat(model.stages().links()).extracting(ChainLink::gainDb).contains(12.0);
    assertThat(model.rightGainDb()).isEqualTo(gain - 12);
    type(page.node(), "#field-takes-up-to", "-44");
    assertThat(model.plan().advice().getFirst()).contains("overload “inline booster”");
    type(page.node(), "#field-takes-up-to", "");
    type(page.node(), "#stage-name-1", "  box ");
    assertThat(model.stages().stages())
        .containsExactly(new Stage("box", 12, -128, Stage.NO_LIMIT_DBU, false));
    Fx.run(() -> ((Button) page.node().lookup("#stage-automatic-gain")).fire());
    assertThat(words(model.say().answer())).contains("no level can be planned");
    Fx.run(() ->
        IntStream.range(0, Stage.MOST)
            .forEach(i -> {
              ((Button) page.node().lookup("#stage-receiver")).fire();
            }));
    assertThat(model.stages().stages()).hasSize(Stage.MOST);
    assertThat(desk.session().folder().load()).isEqualTo(desk.session().book());
  }

  @Test
  void howLongThereIsIsSaidInDays() {
    LocalDate day = LocalDate.of(2026, 3, 4);
    assertThat(TakeModel.due(day, day.minusDays(3)))
        .isEqualTo("It is due on 2026-03-04, in 3 days.");
    assertThat(TakeModel.due(day, day.minusDays(1)))
        .isEqualTo("It is due on 2026-03-04, in one day.");
    assertThat(TakeModel.due(day, day)).isEqualTo("It is due today.");
    assertThat(TakeModel.due(day, day.plusDays(2)))
        .isEqualTo("It was due on 2026-03-04, 2 days ago.");
  }

  private static void type(Node page, String id, String text) {
    Fx.run(() -> {
      TextField field = (TextField) page.lookup(id);
      field.setText(text);
      field.fireEvent(new ActionEvent());
    });
  }

  @SuppressWarnings("unchecked")
  private static <T> void choose(Node page, String id, T item) {
    ((ComboBox<T>) page.lookup(id)).setValue(item);
  }

  @Test
  void theLoudLineSaysHowFarAndIsLockedWithItsSpot() {
    LoudLine line = model.loudLine();
    assertThat(Fx.on(line::now)).contains("ten seconds each");
    after(line::start);
    assertThat(Fx.on(line::now)).contains("turn the gain up by");
    double change = Fx.on(line::changeDb);
    assertThat(change).isGreaterThan(3);
    assertThat(Fx.on(() -> line.readingProperty().get()).orElseThrow().heldDbfs())
        .isCloseTo(Fx.on(line::peakDbfs), within(0.5));
    double gain = model.gainDb();
    assertThat(words(model.say().answer())) // one answer on both faces of the station
        .contains("Your loudest line", "Set the gain to %.0f dB".formatted(gain + change));
    assertThat(Fx.on(line::good)).isFalse();
    Fx.run(line::lock);
    assertThat(line.locked()).as("not locked while it is wrong").isEmpty();
    Fx.run(line::turned);
    assertThat(model.gainDb()).isEqualTo(gain + change);
    Fx.run(line::turned);
    assertThat(model.gainDb()).as("turned once, however often it is said").isEqualTo(gain + change);
    assertThat(words(model.say().answer())).contains("where it belongs");
    after(line::start);
    assertThat(Fx.on(line::good)).isTrue();
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
    Fx.run(() -> model.setStaging(model.staging().by(School.FLOAT)));
    assertThat(model.rightGainDb()).isLessThan(peaks);
    assertThat(words(model.say().answer())).contains("float");
    assertThat(FilesPage.recorders("camera left 15\n\n recorder 180 ")).hasSize(2);
    assertThat(FilesPage.recorders("camera left 15").getFirst().name()).isEqualTo("camera left");
    assertThatThrownBy(() -> FilesPage.recorders("camera")).hasMessageContaining("needs a name");
  }

  private static double[] noise(int seed, double amplitude) {
    Random random = new Random(seed);
    return random.doubles((long) (4 * RATE), -amplitude, amplitude).toArray();
  }

  @Test
  void aMonoBriefWritesOneChannelAndReadsItBack() {
    TakeModel take = model.take();
    Path stereo = TestSounds.stereo(folder.resolve("stereo.wav"), noise(1, 0.05), noise(2, 0.02));
    after(() -> take.open(stereo));
    Fx.run(() -> take.setBrief(Brief.find("podcast-19").orElseThrow()));
    Path out = folder.resolve("mono.wav");
    after(() -> take.export(out, 0, 0));
    assertThat(words(desk.work().troubleProperty()))
        .contains("Written: mono.wav", "one channel", "LUFS", folder.toString());
    assertThat(Fx.on(() -> desk.work().faultProperty().get())).as("news, no fault").isFalse();
    try (SoundFile sound = SoundFile.open(out)) {
      assertThat(sound.channels()).isEqualTo(1);
      assertThat(TakeMeter.measure(sound, Progress.NONE).loudness().integratedLufs().orElseThrow())
          .isCloseTo(-19, within(0.2));
    }
    Fx.run(() -> take.setBrief(Brief.find("podcast-16").orElseThrow()));
    after(() -> take.export(out, 0, 0));
    try (SoundFile sound = SoundFile.open(out)) {
      assertThat(sound.channels()).isEqualTo(2);
    }
  }

  @Test
  void aCheckedTakeIsThereAgainWhenTheBookIsOpenedAgain() throws Exception {
    after(() -> model.take().open(take()));
    assertThat(model.take().takeProperty().get()).isPresent();
    TakeModel again = Fx.on(() -> new LevelModel(desk).take());
    assertThat(again.takeProperty().get()).isEmpty();
    after(again::recall);
    assertThat(again.takeProperty().get().orElseThrow().report().loudness())
        .isEqualTo(model.take().takeProperty().get().orElseThrow().report().loudness());
    assertThat(again.findings()).isEqualTo(model.take().findings()).hasSize(2);
    String sound = desk.session().book().levels().take();
    Files.delete(desk.session().folder().sounds().file(sound));
    TakeModel gone = Fx.on(() -> new LevelModel(desk).take());
    after(gone::recall);
    assertThat(gone.takeProperty().get()).isEmpty();
    assertThat(words(desk.work().troubleProperty())).contains(sound);
  }
}
