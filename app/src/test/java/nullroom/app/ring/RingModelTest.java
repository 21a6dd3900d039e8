package nullroom.app.ring;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Path;
import java.util.List;
import java.util.Random;
import nullroom.app.DeskTest;
import nullroom.app.Fx;
import nullroom.app.TestBooks;
import nullroom.app.listen.ListenModel;
import nullroom.app.shell.Units;
import nullroom.core.acoustics.Octave;
import nullroom.core.book.Goal;
import nullroom.core.measure.decay.ClapWatch;
import nullroom.core.measure.decay.PositionAverage.Grade;
import nullroom.core.room.Finish;
import nullroom.core.room.Furniture;
import nullroom.core.room.Patch;
import nullroom.core.room.Point;
import nullroom.core.room.Surface;
import nullroom.core.signal.Samples;
import nullroom.io.audio.WavWriter;
import org.junit.jupiter.api.Test;

/** The reverberation station's model, with the simulated room in front of it. */
class RingModelTest extends DeskTest {
  private static final double RATE = 48_000;

  private RingModel model() {
    return Fx.on(() -> new RingModel(desk));
  }

  private Path file(String name, double[] x) {
    Path file = folder.resolve(name);
    WavWriter.writeFloat(file, new Samples(x, RATE));
    return file;
  }

  /** Two seconds of a decay that begins after a tenth of one. */
  private static double[] decay(double seconds) {
    Random random = new Random(2);
    double[] x = new double[96_000];
    for (int i = 4800; i < x.length; i++) {
      x[i] = 0.02 * random.nextGaussian() * Math.pow(10, -3 * (i - 4800) / RATE / seconds);
    }
    x[4800] += 0.8;
    return x;
  }

  @Test
  void predictsFirstAndKnowsAfterClapping() {
    RingModel model = Fx.on(() -> new RingModel(desk));
    assertThat(words(model.say().answer())).startsWith("Yes").contains("predicted");
    assertThat(model.bands()).isEmpty();
    assertThat(model.measuredSeconds()).containsOnly(Double.NaN);
    after(model::clap);
    assertThat(words(model.say().answer())).doesNotContain("predicted");
    assertThat(words(model.say().meaning())).contains("5 claps averaged");
    assertThat(words(model.say().figure())).matches("\\d\\.\\d\\d s");
    assertThat(model.measuredSeconds()[4])
        .isCloseTo(model.predictedSeconds()[4], within(0.15 * model.predictedSeconds()[4]));
    assertThat(model.bands()).hasSize(8);
    assertThat(model.goal()).isEqualTo(Goal.SPOKEN_ON_CAMERA);
  }

  @Test
  void playsASweepLouderOnlyStepByStep() {
    RingModel model = Fx.on(() -> new RingModel(desk));
    assertThat(model.details()).isEmpty();
    Fx.run(() -> model.sweep().choose(Loudness.LOUD));
    assertThat(model.sweep().loudnessProperty().get()).isEqualTo(Loudness.LOW);
    Fx.run(() -> model.sweep().choose(Loudness.VERY_LOW));
    after(() -> model.sweep().play());
    assertThat(words(model.say().meaning())).contains("one sweep");
    assertThat(Fx.on(model::details)).contains("Speech transmission index", "distorts by");
    assertThat(Fx.on(model::details)).containsPattern("index 0\\.[5-9]\\d, 0\\.[3-9]\\d with");
    assertThat(model.measuredSeconds()[4])
        .isCloseTo(model.predictedSeconds()[4], within(0.15 * model.predictedSeconds()[4]));
    assertThat(desk.session().folder().load()).isEqualTo(desk.session().book());
    assertThat(Fx.on(model::details)).doesNotContain("Since ");
    after(() -> model.sweep().play());
    assertThat(Fx.on(model::details)).contains("Since ", "no change");
    assertThat(desk.session().book().decays().before()).hasSize(1);
    assertThat(desk.session().folder().load()).isEqualTo(desk.session().book());
    Path written = folder.resolve("to-play.wav");
    after(() -> model.sweep().write(written));
    assertThat(nullroom.io.audio.SoundFile.readChannel(written, 0).seconds()).isEqualTo(13.5);
  }

  @Test
  void namesTheSurfaceThatAnswers() {
    RingModel model = Fx.on(() -> new RingModel(desk));
    var room = desk.session().book().room();
    var path = nullroom.core.predict.FirstArrivals.of(room).getFirst();
    double speed = room.air().speedOfSound();
    java.util.Random random = new java.util.Random(2);
    double[] x = new double[96_000];
    for (int i = 4800; i < x.length; i++) {
      x[i] = 0.002 * random.nextGaussian() * Math.pow(10, -3 * (i - 4800) / 48_000.0 / 0.4);
    }
    x[4800] += 0.8;
    x[4800 + (int) Math.round(path.extraMetres() / speed * 48_000)] += 0.4;
    Path file = folder.resolve("response.wav");
    nullroom.io.audio.WavWriter.writeFloat(file, new nullroom.core.signal.Samples(x, 48_000));
    after(() -> model.open(file));
    RingModel.Arrival first = Fx.on(model::arrivals).getFirst();
    assertThat(first.levelDb()).isCloseTo(-6, within(0.5));
    assertThat(first.extraMetres()).isCloseTo(path.extraMetres(), within(0.03));
    assertThat(first.name()).isEqualTo(path.name().replace("wall", "wall "));
    assertThat(Fx.on(model::details)).contains("Comes back first from " + first.name());
  }

  @Test
  void aRecordingWithoutClapsChangesNothing() {
    ListenModel listen = Fx.on(() -> new ListenModel(desk, TestBooks.WORKERS));
    RingModel model = Fx.on(() -> new RingModel(desk));
    after(listen::listen);
    var before = desk.session().book();
    after(() -> model.open(desk.session().folder().sounds().file("simulated-noise-1.wav")));
    assertThat(words(desk.work().troubleProperty())).contains("simulated-noise-1.wav", "No clap");
    assertThat(desk.session().folder().sounds().file("claps-1.wav")).doesNotExist();
    assertThat(desk.session().book()).isEqualTo(before);
  }

  @Test
  void theGuideTellsEveryClapWhileItListensAndStopsAtFive() {
    RingModel model = model();
    assertThat(Fx.on(() -> model.guide().advice()))
        .as("2 sqrt(V/cT) of 28.8 m3")
        .containsPattern("at least [01]\\.\\d\\d m from the microphone");
    Fx.run(() -> desk.units().set(Units.FEET));
    assertThat(Fx.on(() -> model.guide().advice())).containsPattern("at least \\d ft \\d+ in from");
    assertThat(Fx.on(() -> model.guide().now())).contains("Nothing sudden");
    after(model::clap);
    List<ClapWatch.Clap> claps = Fx.on(() -> model.guide().clapsProperty().get());
    assertThat(claps).hasSize(5).allMatch(c -> c.verdict() == ClapWatch.Verdict.GOOD);
    assertThat(claps.get(1).atSeconds() - claps.get(0).atSeconds()).isCloseTo(2.4, within(0.01));
    assertThat(claps.getFirst().inrDb()).hasSize(Octave.COUNT);
    assertThat(Fx.on(() -> model.guide().now())).startsWith("5 good claps of 5");
    assertThat(desk.session().book().decay().orElseThrow().report().takes()).isEqualTo(5);
    assertThat(Fx.on(() -> model.pageProperty().get()))
        .as("the result is shown")
        .isEqualTo(RingPage.DECAY);
    assertThat(model.thirds()).hasSize(24);
  }

  @Test
  void severalPlacesAreAveragedUntilTheRoomIsAnother() {
    RingModel model = model();
    PlacesModel places = model.places();
    assertThat(Fx.on(places::grade)).contains("several places");
    for (String source : List.of("A", "B")) {
      for (String microphone : List.of("1", "2", "3")) {
        Fx.run(() -> places.sourceProperty().set(source));
        Fx.run(() -> places.microphoneProperty().set(microphone));
        Path sound =
            file(source + microphone + ".wav", decay(0.3 + 0.01 * (microphone.charAt(0) - '0')));
        after(() -> model.open(sound));
      }
    }
    assertThat(Fx.on(places::grade)).contains("6 pairs", "engineering method", "precision");
    assertThat(places.average().orElseThrow().grade()).contains(Grade.ENGINEERING);
    assertThat(places.average().orElseThrow().band(1000).orElseThrow().pairs()).isEqualTo(6);
    assertThat(places.all()).hasSize(6).allMatch(places::counts);
    assertThat(words(model.say().meaning())).contains("means over 6 places");
    assertThat(Fx.on(model::change)).isEmpty();

    Fx.run(() ->
        desk.session()
            .edit(
                "Hang a blanket",
                book ->
                    book.with(
                        book.room()
                            .plus(
                                Patch.rectangle(
                                    "blanket", Surface.wall(1), 1, 0.5, 2, 1.5, "rug_on_wood")))));
    Path dry = file("dry.wav", decay(0.15));
    after(() -> model.open(dry));
    assertThat(places.average().orElseThrow().pairs()).isEqualTo(1);
    assertThat(places.all().getFirst().at().present()).contains("blanket");
    assertThat(places.counts(places.all().get(1))).isFalse();
    assertThat(Fx.on(model::change)).contains("real at", "1 kHz (−0.");
    assertThat(desk.session().folder().load()).isEqualTo(desk.session().book());

    Fx.run(() -> places.remove(places.all().getFirst()));
    assertThat(places.average().orElseThrow().pairs()).isEqualTo(6);
    Fx.run(() -> places.noteProperty().set(" door open "));
    assertThat(places.at().present()).endsWith("; door open");
  }

  @Test
  void saysThatTheDeviceShutTheSoundOff() {
    RingModel model = model();
    double[] claps = new double[(int) (9 * RATE)];
    double[] one = decay(0.5);
    for (int k = 0; k < claps.length; k++) {
      int since = k % 96_000;
      claps[k] = since < 4800 + 20_000 ? one[since] : 1e-7 * one[4900 + since % 50];
    }
    after(() -> model.open(file("gated.wav", claps)));
    assertThat(words(model.say().answer()))
        .startsWith(
            "Not to be believed as it stands, for the sound shows a gate: decays read too short");
    assertThat(words(model.say().meaning()))
        .contains("digital silence between sounds")
        .contains("switch off the gate");
  }

  @Test
  void wordsGiveAnEstimateForAsLongAsNothingElseIsThere() {
    RingModel model = model();
    Random random = new Random(4);
    double[] dry = new double[(int) (25 * RATE)];
    for (int at = 9600;
        at < dry.length - 2 * RATE;
        at += (int) ((0.5 + random.nextDouble()) * RATE)) {
      int length = (int) ((0.1 + 0.2 * random.nextDouble()) * RATE);
      for (int i = 0; i < length; i++) {
        double gain = Math.min(1, Math.min(i / 4000.0, (length - i) / 1200.0));
        dry[at + i] = 0.05 * gain * gain * random.nextGaussian();
      }
    }
    double[] room = decay(0.4);
    room[4800] = 0;
    double[] wet =
        java.util.Arrays.copyOf(nullroom.core.signal.Fft.convolve(dry, room), dry.length);
    for (int i = 0; i < wet.length; i++) {
      wet[i] = wet[i] / 4 + 1e-6 * random.nextGaussian();
    }
    Path take = file("take.wav", wet);
    after(() -> model.open(take));
    assertThat(desk.session().book().decay()).isEmpty();
    var estimate = desk.session().book().decays().estimate().orElseThrow().decay();
    assertThat(estimate.midSeconds()).isCloseTo(0.4, within(0.08));
    assertThat(words(model.say().answer()))
        .contains("only an estimate, give or take", "clap to know");
    assertThat(words(model.say().figure())).startsWith("about 0.");
    assertThat(words(desk.work().troubleProperty()))
        .contains("From the ends of words", "until you clap");
    assertThat(desk.session().folder().load()).isEqualTo(desk.session().book());
    Path claps = file("clap.wav", decay(0.5));
    after(() -> model.open(claps));
    assertThat(words(model.say().answer())).doesNotContain("estimate");
  }

  @Test
  void deskFlutterAndModeAreNamedFromTheDescription() {
    RingModel model = model();
    Fx.run(() ->
        desk.session()
            .edit(
                "Put up a desk",
                book ->
                    book.with(
                        book.room()
                            .withFurniture(
                                List.of(
                                    new Furniture(
                                        "desk",
                                        new Point(1.45, 1, 0.7),
                                        0.7,
                                        1,
                                        0.03,
                                        0,
                                        Finish.of("door_solid")))))));
    var room = desk.session().book().room();
    double speed = room.air().speedOfSound();
    var path =
        nullroom.core.predict.FirstArrivals.of(room).stream()
            .filter(a -> a.name().equals("desk"))
            .findFirst()
            .orElseThrow();
    double[] x = decay(0.25);
    x[4800 + (int) Math.round(path.extraMetres() / speed * RATE)] += 0.4;
    double echo = 2 * 3.0 / speed * RATE; // between the walls of the 3 m side
    for (int k = 2; 4800 + k * echo < x.length && k < 14; k++) {
      x[(int) (4800 + k * echo)] += 0.5 * Math.pow(10, -3 * k * echo / RATE / 0.7);
    }
    double first = speed / 2 / 4;
    for (int i = 4800; i < x.length; i++) {
      double t = (i - 4800) / RATE;
      x[i] += 0.02 * Math.sin(2 * Math.PI * first * t) * Math.pow(10, -3 * t / 0.9);
    }
    Path file = file("response.wav", x);
    after(() -> model.open(file));
    assertThat(Fx.on(model::arrivals).getFirst().name()).startsWith("desk");
    assertThat(Fx.on(model::echoes))
        .anyMatch(s ->
            s.startsWith("Flutter echo every 17.")
                && s.contains("wall 1 to your right and wall 3 to your left"))
        .anyMatch(
            s -> s.contains("43 Hz rings on") && s.contains("mode along its length at 43 Hz"));
    assertThat(Fx.on(model::details)).contains("Flutter echo", "rings on", "desk");
  }
}
