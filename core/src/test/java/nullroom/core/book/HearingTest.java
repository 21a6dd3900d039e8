package nullroom.core.book;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import nullroom.core.Progress;
import nullroom.core.TestRooms;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Capture;
import nullroom.core.acoustics.MicrophoneType;
import nullroom.core.measure.decay.MadeRoom;
import nullroom.core.measure.noise.Calibration;
import nullroom.core.plan.Margin;
import nullroom.core.plan.Prediction;
import nullroom.core.plan.Verdicts;
import nullroom.core.predict.Heard;
import nullroom.core.predict.Origin;
import nullroom.core.predict.Statistics;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.Surface;
import nullroom.core.signal.SampleSource;
import nullroom.core.signal.Samples;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class HearingTest {
  private static final double RATE = 48_000;
  private final Room room = TestRooms.box(0.15);
  private final RoomBook bare = new RoomBook("test", Goal.SPOKEN_ON_CAMERA, room);

  private DecayMeasurement clapped(String sound, double factor) {
    double t = Statistics.of(room).midSeconds() * factor;
    double[] x = new double[(int) (RATE * (1 + 3 * t))];
    double[] h = MadeRoom.response(t, 3);
    System.arraycopy(h, 0, x, 4800, Math.min(h.length, x.length - 4800));
    return DecayMeasurement.of(
        sound, "2026-03-04T20:15", MeasuredAt.in(room), new Samples(x, RATE), room, Progress.NONE);
  }

  private RoomBook listened(Calibration calibration) {
    double[] x = new java.util.Random(4).doubles((int) (6 * RATE), -1e-3, 1e-3).toArray();
    Listening listening = bare.listening().withCalibration(calibration).withChainKnown(true);
    RoomBook book = bare.with(listening);
    return book.with(
        NoiseMeasurement.of(
            "noise-1.wav",
            new NoiseMeasurement.Taken("2026-03-04T20:10", false, "", List.of()),
            SampleSource.of(new Samples(x, RATE)),
            book.chain(false),
            calibration,
            Progress.NONE));
  }

  private static NoiseMeasurement louder(NoiseMeasurement n, String taken, String spot, double db) {
    return new NoiseMeasurement(
        n.sound(),
        taken,
        n.simulated(),
        spot,
        n.report(),
        n.chain(),
        n.scale(),
        n.roomDbSpl().map(b -> b.map(level -> level + db)),
        n.without(),
        n.altered(),
        n.byVoice());
  }

  @Test
  @DisplayName("at a spot that was listened to its own noise counts, until the room is heard again")
  void noiseOfTheSpot() {
    RoomBook book = listened(Calibration.BY_DATA);
    NoiseMeasurement general = book.noise().orElseThrow();
    NoiseMeasurement own = louder(general, "2026-03-04T20:30", "window", 8);
    RoomBook atSpot =
        book.withSpots(List.of(Spot.of("window", room)))
            .with(book.listening().withSpots(List.of(own)));
    double quiet = Hearing.quick(book).heard().margins().quietDb();
    assertThat(Hearing.quick(atSpot).heard().margins().quietDb()).isLessThan(quiet - 3);
    assertThat(Hearing.quick(atSpot).heard().basis().noise().origin().from()).contains("20:30");
    Room aside =
        room.withMicrophone(
            room.requireMicrophone().movedTo(new Point(1.5, 1.6, 1.2), room.requireTalker().at()));
    assertThat(Hearing.quick(atSpot.with(aside)).heard().basis().noise().origin().from())
        .contains("20:10");
    NoiseMeasurement again = louder(general, "2026-03-04T21:00", "", 0);
    assertThat(atSpot.with(again).noise()).contains(again);
  }

  @Test
  @DisplayName("many microphones at once hear what each hears alone")
  void many() {
    RoomBook book = listened(Calibration.BY_DATA).with(clapped("claps-1.wav", 1.2));
    Hearing hearing = Hearing.traced(book);
    List<Capture> chains =
        MicrophoneType.ALL.stream().map(t -> t.on(room.requireMicrophone().capture())).toList();
    List<Heard> all = hearing.heard(chains);
    for (int i = 0; i < chains.size(); i++) {
      Room alone = room.withMicrophone(room.requireMicrophone().with(chains.get(i)));
      assertThat(all.get(i)).isEqualTo(hearing.heard(alone));
    }
  }

  @Test
  @DisplayName("nothing measured: predicted and assumed, and nothing is called measured")
  void described() {
    Heard heard = Hearing.quick(bare).heard();
    assertThat(heard.basis().decay().kind()).isEqualTo(Origin.Kind.PREDICTED);
    assertThat(heard.basis().noise().origin().kind()).isEqualTo(Origin.Kind.ASSUMED);
    assertThat(heard.basis().voice().origin().kind()).isEqualTo(Origin.Kind.ASSUMED);
    assertThat(heard.basis().scale()).isEmpty();
  }

  @Test
  @DisplayName("a room that nobody described is assumed, and no verdict on Clear stands on it")
  void assumed() {
    RoomBook book = bare.with(bare.here().described(false));
    Heard heard = Hearing.quick(book).heard();
    assertThat(heard.basis().decay().kind()).isEqualTo(Origin.Kind.ASSUMED);
    assertThat(heard.basis().reply().origin().kind()).isEqualTo(Origin.Kind.ASSUMED);
    Margin clear = Verdicts.of(heard, book.goal().targets()).clear();
    Margin known = Verdicts.of(Hearing.quick(bare).heard(), book.goal().targets()).clear();
    assertThat(clear.db()).isEqualTo(known.db());
    assertThat(clear.uncertaintyDb()).isGreaterThan(2 * known.uncertaintyDb());
    assertThat(clear.sentence()).contains("cannot tell (say how large the room is");
    RoomBook clapped = book.with(clapped("claps-1.wav", 1));
    assertThat(Hearing.quick(clapped).heard().basis().decay().kind())
        .isEqualTo(Origin.Kind.MEASURED);
    RoomBook said = book.with(room.stretched(1.1, 1, 1));
    assertThat(said.here().described()).isTrue();
    assertThat(
            book.with(room.withFinish(Surface.FLOOR, room.finishOf(Surface.CEILING)))
                .here()
                .described())
        .isFalse();
  }

  @Test
  @DisplayName("a measured decay takes the prediction's place, and is surer than tables")
  void decayMeasured() {
    RoomBook book = bare.with(clapped("claps-1.wav", 1.5));
    Heard before = Hearing.quick(bare).heard();
    Heard heard = Hearing.quick(book).heard();
    assertThat(heard.basis().decay().kind()).isEqualTo(Origin.Kind.MEASURED);
    assertThat(heard.basis().decay().from()).isEqualTo("measured on 2026-03-04 at 20:15");
    assertThat(heard.decaySeconds().get(4))
        .isCloseTo(1.5 * before.decaySeconds().get(4), within(0.12 * heard.decaySeconds().get(4)));
    assertThat(heard.margins().clearDb()).isLessThan(before.margins().clearDb() - 1);
    assertThat(clear(book).uncertaintyDb()).isLessThan(clear(bare).uncertaintyDb());
    RoomBook acted = bare.with(clapped("simulated-claps-1.wav", 1.5));
    assertThat(Hearing.quick(acted).heard().basis().decay().kind())
        .isEqualTo(Origin.Kind.SIMULATED);
  }

  private static Margin clear(RoomBook book) {
    return Verdicts.of(Hearing.quick(book).heard(), book.goal().targets()).clear();
  }

  @Test
  @DisplayName("a better scale makes Quiet surer; relative levels leave the noise assumed")
  void scales() {
    var chain = room.requireMicrophone().capture();
    RoomBook byData = listened(Calibration.BY_DATA);
    RoomBook byTone = listened(Calibration.ofFullScale(110, 1, chain));
    Heard data = Hearing.quick(byData).heard();
    assertThat(data.basis().noise().origin().kind()).isEqualTo(Origin.Kind.MEASURED);
    assertThat(data.basis().scale().orElseThrow().origin().kind()).isEqualTo(Origin.Kind.ASSUMED);
    assertThat(Hearing.quick(byTone).heard().basis().scale().orElseThrow().origin().kind())
        .isEqualTo(Origin.Kind.MEASURED);
    assertThat(quiet(byTone).uncertaintyDb()).isLessThan(quiet(byData).uncertaintyDb() - 0.3);
    Heard relative = Hearing.quick(listened(Calibration.UNKNOWN)).heard();
    assertThat(relative.basis().scale()).isEmpty();
    assertThat(relative.basis().noise().origin().kind()).isEqualTo(Origin.Kind.ASSUMED);
  }

  private static Margin quiet(RoomBook book) {
    return Verdicts.of(Hearing.quick(book).heard(), book.goal().targets()).quiet();
  }

  @Test
  @DisplayName("the room that was traced is heard as it was traced, with the measured decay")
  void traced() {
    RoomBook book = bare.with(clapped("claps-1.wav", 0.7));
    Prediction full = Prediction.of(book, book.goal(), false, Progress.NONE);
    Heard session = Hearing.traced(book).heard();
    assertThat(full.heard()).isEqualTo(session);
    assertThat(full.t20Seconds(4).orElseThrow())
        .isCloseTo(session.decaySeconds().get(4), within(0.15 * session.decaySeconds().get(4)));
    Prediction quick = Prediction.of(book, Goal.SUNG_DRY, true, Progress.NONE);
    assertThat(quick.heard()).isEqualTo(Hearing.quick(book).heard());
    assertThat(quick.t20Seconds(2).orElseThrow()).isEqualTo(quick.heard().decaySeconds().get(2));
    assertThat(quick.ladder().verdicts().quiet().targetDb())
        .isEqualTo(Goal.SUNG_DRY.targets().quietDb());
  }

  @Test
  @DisplayName("through another gain as in a room where that gain is set")
  void anotherGain() {
    var m = room.requireMicrophone();
    Room turned = room.withMicrophone(m.with(m.capture().withGainDb(57)));
    assertThat(Hearing.quick(bare).heard().withGainDb(57))
        .isEqualTo(Hearing.quick(bare).heard(turned))
        .isNotEqualTo(Hearing.quick(bare).heard());
  }

  @Test
  @DisplayName("hung after the measurement: the measured times change by what is predicted")
  void changed() {
    RoomBook book = bare.with(clapped("claps-1.wav", 1.3));
    Room soft =
        room.withFinish(
            Surface.wall(1), new nullroom.core.room.Finish.Stated(Bands.all(0.8), Bands.all(0.1)));
    Hearing hearing = Hearing.of(book, Optional.empty());
    double share = Statistics.of(soft).seconds().get(4) / Statistics.of(room).seconds().get(4);
    assertThat(hearing.decaySeconds(soft).get(4))
        .isCloseTo(share * hearing.decaySeconds(room).get(4), within(1e-9));
    assertThat(hearing.heard(soft).basis().decayShare().get(4))
        .as("a change that is only predicted is less sure")
        .isGreaterThan(hearing.heard(room).basis().decayShare().get(4));
  }

  @Test
  @DisplayName(
      "what a device may do to a decay without a trace is counted, but not of an acted room")
  void unseen() {
    DecayMeasurement heard = clapped("claps-1.wav", 1);
    DecayMeasurement acted = clapped(DecayMeasurement.SIMULATED + "claps-1.wav", 1);
    assertThat(heard.altered()).isEmpty();
    assertThat(heard.unseen()).isPresent();
    assertThat(acted.unseen()).isEmpty();
    double by = share(acted);
    assertThat(share(heard)).isCloseTo(Math.hypot(by, 0.08), within(1e-9)).isGreaterThan(by);
  }

  private double share(DecayMeasurement decay) {
    return Hearing.quick(bare.with(decay)).heard().basis().decayShare().get(4);
  }
}
