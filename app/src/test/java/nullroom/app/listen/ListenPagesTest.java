package nullroom.app.listen;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import javafx.beans.value.ObservableValue;
import nullroom.app.DeskTest;
import nullroom.app.Fx;
import nullroom.app.TestBooks;
import nullroom.core.Trouble;
import nullroom.core.acoustics.Bands;
import nullroom.core.book.Hearing;
import nullroom.core.book.HumTest;
import nullroom.core.book.Suspect;
import nullroom.core.measure.noise.Calibration;
import nullroom.core.room.NearMicrophone;
import nullroom.core.signal.Samples;
import nullroom.io.audio.WavWriter;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** What the pages of the noise station know and do, without a node in sight. */
class ListenPagesTest extends DeskTest {
  private static final Bands ON = Bands.of(-60, -62, -64, -66, -70, -75, -80, -85);

  private ListenModel model;

  @BeforeEach
  void open() {
    model = Fx.on(() -> new ListenModel(desk, TestBooks.WORKERS));
  }

  private String meaning(Page page) {
    Fx.run(() -> model.pageProperty().set(page));
    ObservableValue<String> said = model.say().meaning();
    return Fx.on(said::getValue);
  }

  private Suspect suspect(String name) {
    return model.culprits().suspects().stream()
        .filter(s -> s.name().equals(name))
        .findFirst()
        .orElseThrow();
  }

  /** A suspect heard on and off with a difference in every octave. */
  private void heard(String name, boolean needed, double difference) {
    Fx.run(() -> {
      model.culprits().add(Suspect.of(name, needed));
      desk.session()
          .edit(
              "hear",
              b ->
                  b.with(
                      b.listening()
                          .withSuspect(
                              name,
                              s ->
                                  s.withOn(new Suspect.Heard("a.wav", ON, b.chain(true)))
                                      .withOff(
                                          new Suspect.Heard(
                                              "b.wav",
                                              ON.map(l -> l - difference),
                                              b.chain(true))))));
    });
  }

  @Test
  void theBoardNamesWhoToSwitchOffFirst() {
    assertThat(meaning(Page.CULPRITS)).contains("Put on the board");
    heard("computer", false, 1);
    heard("fridge", true, 8);
    assertThat(model.culprits().board().orElseThrow().order())
        .extracting(c -> c.name())
        .containsExactly("fridge", "computer");
    assertThat(meaning(Page.CULPRITS))
        .contains("Switch off the fridge first: 8.0 dB quieter", "With all 2 off");
    assertThat(model.culprits().own(model.culprits().board().orElseThrow().order().getLast()))
        .startsWith("under ");
    assertThat(model.culprits().spectrum(model.culprits().board().orElseThrow().order().getLast()))
        .matches("63 Hz under -?\\d+, .*8 kHz under -?\\d+ dB SPL");
    assertThat(model.culprits().usualLeft()).noneMatch(s -> s.name().equals("fridge"));
    assertThatThrownBy(() -> model.culprits().add(Suspect.of("fridge", true)))
        .isInstanceOf(Trouble.BadField.class);
    assertThatThrownBy(() -> model.culprits().add(Suspect.of("  ", true)))
        .isInstanceOf(Trouble.BadField.class);
  }

  @Test
  void hearingASuspectTwiceMakesAPair() {
    Fx.run(() -> model.culprits().add(Suspect.of("lamp fan", false)));
    after(() -> model.culprits().listen(suspect("lamp fan"), true));
    after(() -> model.culprits().listen(suspect("lamp fan"), false));
    assertThat(suspect("lamp fan").pair()).isPresent();
    assertThat(desk.session().folder().sounds().file("simulated-lamp-fan-on-1.wav")).exists();
    assertThat(desk.session().folder().load()).isEqualTo(desk.session().book());
    // the simulated room does not change: on and off are alike
    assertThat(meaning(Page.CULPRITS)).contains("sound alike");
  }

  @Test
  void switchingOffLowersTheNoiseAtOnceAndTheReminderStays() {
    after(model::listen);
    heard("boiler", true, 6);
    double before = Hearing.quick(desk.session().book()).heard().margins().quietDb();
    Fx.run(() -> model.culprits().switchOff(suspect("boiler"), true));
    assertThat(Hearing.quick(desk.session().book()).heard().margins().quietDb())
        .isGreaterThan(before + 0.5);
    assertThat(Fx.on(() -> model.say().figure().getValue())).isEqualTo("boiler still off");
    assertThat(meaning(Page.CULPRITS)).contains("Still off: boiler", "pipes freeze");
    assertThatThrownBy(() -> model.culprits().remove(suspect("boiler")))
        .hasMessageContaining("switched off");
    after(model::listen); // measured without it now
    assertThat(desk.session().book().noise().orElseThrow().without()).containsExactly("boiler");
    double without = Hearing.quick(desk.session().book()).heard().margins().quietDb();
    Fx.run(() -> model.culprits().switchOff(suspect("boiler"), false));
    assertThat(Hearing.quick(desk.session().book()).heard().margins().quietDb())
        .isLessThan(without);
    assertThat(model.culprits().owed()).isEmpty();
    Fx.run(() -> model.culprits().remove(suspect("boiler")));
    assertThat(model.culprits().suspects()).isEmpty();
  }

  @Test
  void aSourceInAPlaceIsAsLoudAsItWasHeardAndFallsWithDistance() {
    after(model::listen);
    heard("lamp", false, 20);
    double asHeard = model.culprits().scale().orElseThrow().fullScaleDbSpl() + ON.get(3);
    Fx.run(() ->
        model
            .culprits()
            .place(
                suspect("lamp"), Optional.of(new NearMicrophone(NearMicrophone.Side.BESIDE, 0.8))));
    assertThat(model.culprits().distanceMetres(suspect("lamp")).orElseThrow()).isEqualTo(0.8);
    var source = Hearing.quick(desk.session().book()).heard().sources().getFirst();
    assertThat(source.name()).isEqualTo("lamp");
    assertThat(source.levelDbSpl().get(3)).isCloseTo(asHeard, within(0.1));
    assertThatThrownBy(() ->
            model
                .culprits()
                .place(
                    suspect("lamp"),
                    Optional.of(new NearMicrophone(NearMicrophone.Side.BEHIND, 9))))
        .hasMessageContaining("outside the room");
    Fx.run(() ->
        new nullroom.app.room.RoomModel(desk, TestBooks.WORKERS)
            .setSize(1, 1.2)); // the lamp is outside now
    assertThat(Hearing.quick(desk.session().book()).heard().sources()).isEmpty();
    Fx.run(desk.session()::undo);
    Fx.run(() -> model.culprits().place(suspect("lamp"), Optional.empty()));
    assertThat(Hearing.quick(desk.session().book()).heard().sources()).isEmpty();
    Fx.run(() -> model.culprits().add(Suspect.of("window", false)));
    assertThatThrownBy(() ->
            model
                .culprits()
                .place(
                    suspect("window"),
                    Optional.of(new NearMicrophone(NearMicrophone.Side.BEHIND, 1))))
        .hasMessageContaining("on and off first");
  }

  @Test
  void spotsAreComparedAndOneIsChosen() {
    assertThat(meaning(Page.SPOTS)).contains("name the place");
    assertThatThrownBy(() -> model.spots().listen(" ")).isInstanceOf(Trouble.BadField.class);
    after(() -> model.spots().listen("corner"));
    after(() -> model.spots().listen("by the window"));
    assertThat(model.spots().ranked()).hasSize(2);
    assertThat(meaning(Page.SPOTS)).contains("Best: ", "18:30");
    String name = model.spots().ranked().getFirst().candidate().name();
    Fx.run(() -> model.spots().choose(name));
    assertThat(desk.session().book().noise().orElseThrow().spot())
        .isEqualTo(name.substring(0, name.indexOf(',')));
    Fx.run(() -> model.spots().remove(name));
    assertThat(model.spots().heard()).hasSize(1);
    assertThat(desk.session().folder().load()).isEqualTo(desk.session().book());
  }

  @Test
  void withoutAScaleLevelsAreRelativeAndComparingStillWorks() {
    Fx.run(() -> model.calibration().set(Calibration.UNKNOWN));
    after(model::listen);
    assertThat(Fx.on(() -> model.say().answer().getValue())).contains("relative until");
    assertThat(Fx.on(() -> model.say().figure().getValue())).isEqualTo("relative only");
    assertThat(meaning(Page.REPORT)).contains("dBFS A", "relative only").doesNotContain("dBA");
    assertThat(model.measured()).isFalse();
    heard("fridge", true, 8);
    assertThat(meaning(Page.CULPRITS)).contains("8.0 dB quieter");
    assertThat(meaning(Page.CALIBRATION)).contains("relative only");
    assertThat(desk.session().folder().load()).isEqualTo(desk.session().book());
  }

  @Test
  void everyWayToAScaleCarriesItsUncertainty() {
    assertThat(meaning(Page.CALIBRATION)).contains("give or take 3 dB", "data of microphone");
    Fx.run(() -> model.calibration().setFullScale(118, 0.5));
    assertThat(meaning(Page.CALIBRATION)).contains("118.0 dB SPL, give or take 0.5 dB");
    after(() -> model.calibration().setMeter(30, 2));
    assertThat(meaning(Page.CALIBRATION)).contains("give or take 2 dB", "borrowed meter");
    after(model::listen);
    // the meter read 30 dBA beside the microphone: so does the report, at the microphone
    double atMic =
        desk.session().book().noise().orElseThrow().report().laeqDbfs().orElseThrow()
            + model.calibration().scale().orElseThrow().fullScaleDbSpl();
    assertThat(atMic).isCloseTo(30, within(0.2));
    assertThat(meaning(Page.REPORT)).contains("give or take 2 dB");
    double[] tone = new double[96_000];
    for (int i = 0; i < tone.length; i++) {
      tone[i] = 0.1 * Math.sin(2 * Math.PI * 1000 * i / 48_000);
    }
    Path file = folder.resolve("tone.wav");
    WavWriter.writeFloat(file, new Samples(tone, 48_000));
    after(() -> model.calibration().setTone(file, 94));
    assertThat(meaning(Page.CALIBRATION)).contains("114.0 dB SPL, give or take 1 dB");
    WavWriter.writeFloat(file, new Samples(new double[96_000], 48_000));
    after(() -> model.calibration().setTone(file, 94));
    assertThat(Fx.on(() -> desk.work().troubleProperty().get()))
        .contains("tone.wav", "no calibrator");
  }

  @Test
  void aHumIsTestedForItsPath() {
    Random random = new Random(9);
    double[] x = new double[48_000 * 10];
    for (int i = 0; i < x.length; i++) {
      x[i] = 1e-4 * random.nextGaussian() + 3e-4 * Math.sin(2 * Math.PI * 50 * i / 48_000.0);
    }
    Path file = folder.resolve("hum.wav");
    WavWriter.writeFloat(file, new Samples(x, 48_000));
    after(() -> model.open(file));
    assertThat(meaning(Page.REPORT))
        .contains("hums with the 50 Hz mains", "in the air or in the wires");
    after(() -> model.hum().test(HumTest.Way.COVERED)); // the simulated room has no hum
    assertThat(meaning(Page.REPORT)).contains("It is in the air");
    assertThat(desk.session().book().listening().humTest().orElseThrow().closed()).isEmpty();
    assertThat(List.of(Page.values())).allSatisfy(page -> assertThat(page.hint()).isNotBlank());
  }
}
