package nullroom.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import nullroom.core.TestRooms;
import nullroom.core.acoustics.Bands;
import nullroom.core.book.Hearing;
import nullroom.core.measure.voice.LeanReport;
import nullroom.core.measure.voice.LeanTest;
import nullroom.core.predict.SyntheticRoom;
import nullroom.core.room.Movement;
import nullroom.core.room.Room;
import nullroom.core.signal.Samples;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class LeaningTest {
  private static final int RATE = 48_000;
  private static final Bands VOICE = Bands.of(38, 52, 57, 60, 54, 49, 44, 38);

  /** A voice that from the sixth second on is softer by so much every other two seconds. */
  private static Samples swaying(double fallDb) {
    double[] x = SyntheticRoom.voice(VOICE, RATE, 20 * RATE, 4);
    for (int k = 0; k < x.length; k++) {
      double t = (double) k / RATE;
      boolean back = t > 6 && (int) (t / 2) % 2 == 1;
      x[k] *= 0.005 * (back ? Math.pow(10, -fallDb / 20) : 1);
    }
    return new Samples(x, RATE);
  }

  @Test
  @DisplayName("leaning back is heard as 1/r: by hand, twice the distance is 6.0 dB")
  void leaning() {
    LeanReport still = LeanTest.measure(swaying(0)).orElseThrow();
    LeanReport moved = LeanTest.measure(swaying(6)).orElseThrow();
    assertThat(moved.fallDb() - still.fallDb()).isCloseTo(6, within(1.0));
    assertThat(moved.movedDb()).isGreaterThan(still.movedDb() + 1.5);
    assertThat(moved.toneFallDb()).isCloseTo(still.toneFallDb(), within(1.0));
    assertThat(moved.worst())
        .hasSize(3)
        .allSatisfy(w -> assertThat((int) ((w.seconds() + 0.5) / 2) % 2).isEqualTo(1));
    Room room = TestRooms.box(0.9);
    LeanReport six = new LeanReport(-20, 1, 3, 2.8, 20 * Math.log10(2), 0, moved.worst());
    Leaning l = Leaning.of(six, r -> Hearing.quick(room).heard(r), room);
    assertThat(l.leanMetres()).as("twice as far as 0.3 m").isCloseTo(0.3, within(0.03));
    assertThat(l.movement()).isEqualTo(Sway.USUAL);
    assertThat(l.asPredicted()).isFalse();
    assertThat(l.sentence()).containsPattern("leaning back by (29|3[0-3]) cm");
    Room stated = room.withTalker(room.requireTalker().with(new Movement(0.3, 0)));
    assertThat(Leaning.of(six, r -> Hearing.quick(stated).heard(r), stated).asPredicted()).isTrue();
  }

  @Test
  @DisplayName("too little talk is no test")
  void nothing() {
    assertThat(LeanTest.measure(new Samples(new double[RATE * 10], RATE))).isEmpty();
  }
}
