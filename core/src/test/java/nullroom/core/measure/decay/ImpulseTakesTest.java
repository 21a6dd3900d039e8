package nullroom.core.measure.decay;

import static nullroom.core.measure.decay.MadeRoom.RATE;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import nullroom.core.acoustics.Octave;
import nullroom.core.measure.noise.TonesAndIntrusionsTest;
import nullroom.core.signal.Fft;
import nullroom.core.signal.Samples;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Claps as people record them: uneven gaps, other sounds among them, silence at the end. */
class ImpulseTakesTest {
  private record Session(double[] x, List<Double> clapsAt) {}

  /** Claps at random, each left alone until it has died away, then silence, in a noisy room. */
  private static Session session(long seed, double silence) {
    Random random = new Random(seed);
    double t = 0.15 + 0.8 * random.nextDouble();
    List<Double> at = new ArrayList<>();
    double now = 0.3 + random.nextDouble();
    for (int k = 0; k < 2 + random.nextInt(4); k++) {
      at.add(now);
      now += 1.3 * t + 0.5 + random.nextDouble();
    }
    double[] dry = new double[(int) ((now + silence) * RATE)];
    for (double clap : at) {
      double[] one = MadeRoom.clap(random);
      double size = 0.4 + 0.6 * random.nextDouble();
      MadeRoom.add(dry, Arrays.stream(one).map(v -> size * v).toArray(), (int) (clap * RATE));
    }
    double[] x = MadeRoom.inRoom(dry, t, seed);
    double[] noise = TonesAndIntrusionsTest.noise(x.length / RATE, -1, seed);
    for (int i = 0; i < noise.length; i++) {
      x[i] += 0.02 * noise[i];
    }
    return new Session(x, at);
  }

  private static void allFound(Session session, Takes takes) {
    assertThat(takes.found()).isEqualTo(session.clapsAt().size());
    assertThat(takes.directSeconds().orElseThrow())
        .isCloseTo(session.clapsAt().getFirst(), within(0.001));
  }

  @ParameterizedTest(name = "seed {0}")
  @DisplayName("every clap is found, however long the silence after the last")
  @ValueSource(longs = {1, 2, 3, 4, 5, 6})
  void silenceAtTheEnd(long seed) {
    Session session = session(seed, 8);
    Takes takes = ImpulseTakes.find(session.x(), RATE);
    allFound(session, takes);
    assertThat(takes.warnings()).isEmpty();
  }

  @ParameterizedTest(name = "seed {0}")
  @DisplayName("a door slammed louder than the claps hides none of them and is not measured")
  @ValueSource(longs = {11, 12, 13, 14})
  void slam(long seed) {
    Session session = session(seed, 3);
    Random random = new Random(seed);
    double[] door = new double[(int) (0.5 * RATE)];
    double low = 0;
    double lower = 0;
    for (int i = 0; i < door.length; i++) { // noise under 150 Hz or so, that dies in 60 ms
      low += 0.02 * (random.nextGaussian() - low);
      lower += 0.02 * (low - lower);
      door[i] = lower * Math.exp(-i / (0.06 * RATE));
    }
    double peak = Arrays.stream(door).map(Math::abs).max().orElseThrow();
    int at = session.x().length - (int) (2.5 * RATE);
    MadeRoom.add(session.x(), Arrays.stream(door).map(v -> 3 * v / peak).toArray(), at);
    allFound(session, ImpulseTakes.find(session.x(), RATE));
    double[] alone = Arrays.copyOfRange(session.x(), at - (int) RATE / 10, session.x().length);
    assertThat(ImpulseTakes.find(alone, RATE).found()).isZero();
  }

  @Test
  @DisplayName("a soft click before a clap does not hide it")
  void clickBefore() {
    Session session = session(21, 2);
    MadeRoom.add(
        session.x(), new double[] {0.01}, (int) ((session.clapsAt().getFirst() - 0.1) * RATE));
    allFound(session, ImpulseTakes.find(session.x(), RATE));
  }

  @Test
  @DisplayName("a response with an offset that dies away is found where it starts")
  void decayingOffset() {
    double[] x = new double[(int) (2 * RATE)];
    MadeRoom.add(x, MadeRoom.decay(0.4, 3), (int) (0.25 * RATE));
    for (int i = (int) (0.25 * RATE); i < x.length; i++) {
      x[i] = 0.1 * x[i] + 0.1 * Math.exp(-(i / RATE - 0.25) / 0.3);
    }
    Takes takes = ImpulseTakes.find(x, RATE);
    assertThat(takes.found()).isEqualTo(1);
    assertThat(takes.directSeconds().orElseThrow()).isCloseTo(0.25, within(0.0005));
  }

  @Test
  @DisplayName("claps in noise whose file was filled up with digital silence: all, with that noise")
  void filledUp() {
    Session session = session(31, 2);
    double[] longer = Arrays.copyOf(session.x(), session.x().length + (int) (6 * RATE));
    DecayReport report = DecayAnalysis.ofImpulses(new Samples(longer, RATE), Octave.ALL);
    DecayReport without = DecayAnalysis.ofImpulses(new Samples(session.x(), RATE), Octave.ALL);
    assertThat(report.takes()).isEqualTo(session.clapsAt().size());
    assertThat(report.band(1000).orElseThrow().inrDb().orElseThrow())
        .isCloseTo(without.band(1000).orElseThrow().inrDb().orElseThrow(), within(0.5));
  }

  @Test
  @DisplayName("a clap that the next one cuts off is left out and said so; noise alone holds none")
  void cutOff() {
    double[] dry = new double[(int) (9 * RATE)];
    Random random = new Random(5);
    for (double at : new double[] {0.5, 3.5, 3.9}) {
      MadeRoom.add(dry, MadeRoom.clap(random), (int) (at * RATE));
    }
    Takes takes = ImpulseTakes.find(MadeRoom.inRoom(dry, 1.2, 5), RATE);
    assertThat(takes.found()).isEqualTo(2);
    assertThat(takes.warnings()).singleElement().asString().startsWith("1 clap was left out");
    double[] noise = TonesAndIntrusionsTest.noise(4, 0, 9);
    assertThat(ImpulseTakes.find(noise, RATE).found()).isZero();
    assertThat(ImpulseTakes.find(Fft.convolve(noise, new double[] {1, -1}), RATE).found()).isZero();
  }
}
