package nullroom.core.measure.take;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.Random;
import nullroom.core.Progress;
import nullroom.core.measure.Moment;
import nullroom.core.measure.noise.MainsHum;
import nullroom.core.signal.SampleSource;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Takes made of buzzing syllables over noise whose level is known, with one fault each. */
class TakeMeterTest {
  private static final double RATE = 48_000;
  private static final int SECONDS = 30;

  /** Syllables of 0.2 s in words of five, a second of pause after each; noise under all of it. */
  private static double[] take(double voice, double noiseDbfs) {
    Random random = new Random(4);
    double[] x = new double[(int) (SECONDS * RATE)];
    double noise = Math.pow(10, (noiseDbfs - 3.0103) / 20);
    for (int i = 0; i < x.length; i++) {
      double t = i / RATE;
      double inWord = t % 2.25;
      double syllable = inWord % 0.25;
      boolean speaks = inWord < 1.25 && syllable < 0.2;
      double buzz = 0;
      for (int h = 1; speaks && h <= 12; h++) {
        buzz += Math.sin(2 * Math.PI * 130 * h * t + h) / h;
      }
      double swell = speaks ? Math.pow(Math.sin(Math.PI * syllable / 0.2), 2) : 0;
      x[i] = voice * swell * buzz + noise * random.nextGaussian();
    }
    return x;
  }

  private static TakeReport measure(double[]... channels) {
    SampleSource source =
        new SampleSource() {
          private int at;

          @Override
          public double sampleRateHz() {
            return RATE;
          }

          @Override
          public int channels() {
            return channels.length;
          }

          @Override
          public int read(double[][] block) {
            int n = Math.min(block[0].length, channels[0].length - at);
            for (int c = 0; n > 0 && c < channels.length; c++) {
              System.arraycopy(channels[c], at, block[c], 0, n);
            }
            at += Math.max(0, n);
            return n > 0 ? n : -1;
          }
        };
    return TakeMeter.measure(source, Progress.NONE);
  }

  private static TakeChannel one(double[] x) {
    return measure(x).channels().getFirst();
  }

  @ParameterizedTest
  @ValueSource(doubles = {-50, -60, -75})
  @DisplayName("the noise floor is that of the pauses, whatever is said between them")
  void floor(double dbfs) {
    TakeChannel take = one(take(0.2, dbfs));
    assertThat(take.pauses()).isTrue();
    assertThat(take.noiseFloorDbfs().orElseThrow()).isCloseTo(dbfs, within(0.3));
    // white noise to 24 kHz loses 2.8 dB by A-weighting
    assertThat(take.noiseFloorDbfsA().orElseThrow()).isCloseTo(dbfs - 2.8, within(0.4));
    assertThat(take.speechToNoiseDb().orElseThrow())
        .isCloseTo(take.activeSpeechDbfs().orElseThrow() - dbfs, within(0.3));
    assertThat(take.clips()).isEmpty();
    assertThat(take.dropouts()).isEmpty();
    assertThat(take.faults()).isEmpty();
    assertThat(take.flatTops()).isZero();
    assertThat(take.mains()).isEmpty();
  }

  @Test
  @DisplayName("without a pause it says so, and gives no speech to noise")
  void noPause() {
    double[] x = take(0.2, -60);
    for (int i = 0; i < x.length; i++) {
      x[i] += 0.1 * Math.sin(2 * Math.PI * 440 * i / RATE);
    }
    assertThat(one(x).pauses()).isFalse();
    assertThat(one(x).speechToNoiseDb()).isEmpty();
  }

  /** Chords that change every 0.7 s, or one that stays. */
  private static double[] chords(double amplitude, boolean changing) {
    double[] x = take(0.2, -80);
    for (int i = 0; i < x.length; i++) {
      double t = i / RATE;
      double root = 220 * Math.pow(2, (changing ? (int) (t / 0.7) * 5 % 12 : 0) / 12.0);
      for (double part : new double[] {1, 1.25, 1.5}) {
        x[i] += amplitude * Math.sin(2 * Math.PI * root * part * t);
      }
    }
    return x;
  }

  @Test
  @DisplayName(
      "music under the voice is told even where the pauses show through, a drone is not music")
  void music() {
    TakeChannel scored = one(chords(0.002, true));
    assertThat(scored.pauses()).isTrue();
    assertThat(scored.music()).isTrue();
    assertThat(scored.speechToNoiseDb()).isEmpty();
    TakeChannel drone = one(chords(0.002, false));
    assertThat(drone.pauses()).isTrue();
    assertThat(drone.music()).isFalse();
    assertThat(one(take(0.2, -60)).music()).isFalse();
  }

  @Test
  @DisplayName("clipped runs are counted and timed; peaks cut off lower down are found too")
  void clipping() {
    double[] x = take(0.2, -60);
    double[] hot = Arrays.stream(x).map(v -> Math.clamp(8 * v, -1.0, 1.0)).toArray();
    TakeChannel clipped = one(hot);
    assertThat(clipped.clippedRuns()).isPositive();
    assertThat(clipped.clips().getFirst().startSeconds()).isBetween(0.0, 0.25);
    assertThat(clipped.dropouts()).as("a cut peak is no drop-out").isEmpty();
    double[] before = Arrays.stream(x).map(v -> 0.6 * Math.clamp(8 * v, -0.9, 0.9)).toArray();
    TakeChannel cut = one(before);
    assertThat(cut.clippedRuns()).isZero();
    assertThat(cut.flatTops()).isGreaterThan(20);
    double[] tone = new double[(int) RATE];
    for (int i = 0; i < tone.length; i++) {
      tone[i] = 0.5 * Math.sin(2 * Math.PI * 100 * i / RATE);
    }
    assertThat(one(tone).flatTops()).as("a smooth crest is not cut off").isZero();
  }

  @Test
  @DisplayName("knocks, handling, rustle and gaps of a link are told apart, with their moments")
  void toldApart() {
    assertThat(one(take(0.2, -60)).faults()).isEmpty();
    double[] knocked = take(0.2, -60);
    knock(knocked, 1.6);
    knock(knocked, 15.2);
    assertThat(one(knocked).faults())
        .extracting(Fault::kind)
        .containsExactly(Fault.Kind.BUMP, Fault.Kind.BUMP);
    assertThat(one(knocked).moments(Fault.Kind.BUMP).get(1).startSeconds())
        .isCloseTo(15.2, within(0.15));
    double[] held = take(0.2, -60);
    for (double at : new double[] {1.28, 1.58, 1.86}) {
      knock(held, at);
    }
    assertThat(one(held).faults()).extracting(Fault::kind).containsExactly(Fault.Kind.HANDLING);
    double[] rustling = take(0.2, -60);
    Random random = new Random(7);
    double before = 0;
    for (int i = (int) (5.85 * RATE); i < 6.65 * RATE; i++) {
      double now = random.nextGaussian();
      rustling[i] += 0.03 * (now - before);
      before = now;
    }
    assertThat(one(rustling).faults())
        .singleElement()
        .satisfies(f -> {
          assertThat(f.kind()).isEqualTo(Fault.Kind.RUSTLE);
          assertThat(f.moment().startSeconds()).isCloseTo(5.85, within(0.1));
        });
    double[] broken = take(0.2, -75);
    for (int i = (int) (9.1 * RATE); i < 9.18 * RATE; i++) {
      broken[i] = 1e-5 * random.nextGaussian();
    }
    assertThat(one(broken).faults())
        .singleElement()
        .satisfies(f -> {
          assertThat(f.kind()).isEqualTo(Fault.Kind.LINK);
          assertThat(f.moment().startSeconds()).isCloseTo(9.1, within(0.005));
        });
  }

  private static void knock(double[] x, double seconds) {
    int from = (int) (seconds * RATE);
    for (int i = 0; i < 0.25 * RATE; i++) {
      x[from + i] += 0.5 * Math.sin(2 * Math.PI * 40 * i / RATE) * Math.exp(-i / (0.05 * RATE));
    }
  }

  @Test
  @DisplayName("hum, thumps and drop-outs are found where they are")
  void faults() {
    double[] hum = take(0.2, -70);
    for (int i = 0; i < hum.length; i++) {
      hum[i] += 0.003 * Math.sin(2 * Math.PI * 50 * i / RATE);
    }
    MainsHum mains = one(hum).mains().orElseThrow();
    assertThat(mains.fundamentalHz()).isCloseTo(50, within(0.2));
    assertThat(mains.levelDbfs()).isCloseTo(20 * Math.log10(0.003), within(0.5));
    double[] pops = take(0.2, -60);
    for (double at : new double[] {4.1, 11.3}) {
      for (int i = 0; i < 0.12 * RATE; i++) {
        double swell = Math.pow(Math.sin(Math.PI * i / (0.12 * RATE)), 2);
        pops[(int) (at * RATE) + i] += 0.5 * swell * Math.sin(2 * Math.PI * 22 * i / RATE);
      }
    }
    assertThat(one(pops).faults())
        .as("in a pause, and with a word")
        .extracting(Fault::kind)
        .containsExactly(Fault.Kind.BUMP, Fault.Kind.PLOSIVE);
    assertThat(one(pops).moments(Fault.Kind.PLOSIVE))
        .singleElement()
        .satisfies(m -> assertThat(m.startSeconds()).isCloseTo(11.3, within(0.15)));
    double[] windy = take(0.2, -60);
    for (int i = (int) (6 * RATE); i < 7.5 * RATE; i++) {
      windy[i] += 0.4 * Math.sin(2 * Math.PI * 24 * i / RATE);
    }
    assertThat(one(windy).moments(Fault.Kind.WIND))
        .singleElement()
        .satisfies(m -> assertThat(m.durationSeconds()).isCloseTo(1.5, within(0.2)));
    double[] gaps = take(0.2, -60);
    Arrays.fill(gaps, (int) (9.1 * RATE), (int) (9.11 * RATE), 0);
    Arrays.fill(gaps, (int) (20.36 * RATE), (int) (20.39 * RATE), 0);
    assertThat(one(gaps).dropouts())
        .extracting(Moment::startSeconds)
        .satisfiesExactly(
            t -> assertThat(t).isCloseTo(9.1, within(0.001)),
            t -> assertThat(t).isCloseTo(20.36, within(0.001)));
  }

  @Test
  @DisplayName("a dead channel and opposite channels are told; loudness is of both together")
  void channels() {
    double[] x = take(0.2, -60);
    double[] turned = Arrays.stream(x).map(v -> -v).toArray();
    TakeReport both = measure(x, turned);
    assertThat(both.opposite()).isTrue();
    assertThat(both.deadChannels()).isEmpty();
    TakeReport mono = measure(x);
    assertThat(mono.correlation()).isEmpty();
    assertThat(both.loudness().integratedLufs().orElseThrow())
        .isCloseTo(mono.loudness().integratedLufs().orElseThrow() + 3.01, within(0.01));
    assertThat(both.channels().get(1).loudness().integratedLufs().orElseThrow())
        .isCloseTo(mono.loudness().integratedLufs().orElseThrow(), within(1e-6));
    TakeReport half = measure(x, new double[x.length]);
    assertThat(half.deadChannels()).containsExactly(1);
    assertThat(half.opposite()).isFalse();
  }

  @Test
  @DisplayName("a passage 14 dB softer is a jump, where it begins")
  void jumps() {
    double[] x = take(0.2, -80);
    assertThat(measure(x).jumps()).isEmpty();
    for (int i = (int) (13 * RATE); i < x.length; i++) {
      x[i] *= 0.2;
    }
    TakeReport.Jump jump = measure(x).jumps().getFirst();
    assertThat(jump.changeLu()).isCloseTo(-14, within(2.0));
    assertThat(jump.seconds()).isCloseTo(13, within(7.5));
  }

  @Test
  @DisplayName("nothing, and next to nothing, have no figures but no trouble either")
  void empty() {
    TakeChannel silent = one(new double[(int) RATE]);
    assertThat(silent.activeSpeechDbfs()).isEmpty();
    assertThat(silent.noiseFloorDbfs()).isEmpty();
    assertThat(silent.truePeak()).isZero();
    TakeChannel brief = one(Arrays.copyOf(take(0.2, -60), 4800));
    assertThat(brief.activeSpeechDbfs()).isEmpty();
    assertThat(brief.loudness().integratedLufs()).isEmpty();
    assertThat(one(new double[0]).samples()).isZero();
  }
}
