package nullroom.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.function.DoubleUnaryOperator;
import nullroom.core.Progress;
import nullroom.core.book.Brief;
import nullroom.core.measure.take.TakeMeter;
import nullroom.core.measure.take.TakeReport;
import nullroom.core.plan.TakeCheck.Outcome;
import nullroom.core.signal.SampleSource;
import nullroom.core.signal.Samples;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Verdicts on takes of made syllables, each with one thing wrong with it. */
class TakeChecksTest {
  private static final double RATE = 48_000;
  private static final double PEAK_TARGET_DBFS = -12;

  /** Words of five syllables and pauses of a second; their loudest sample at a peak. */
  private static double[] spoken(double peakDbfs, double noiseDbfs) {
    Random random = new Random(6);
    double[] x = new double[(int) (20 * RATE)];
    double most = 0;
    for (int i = 0; i < x.length; i++) {
      double t = i / RATE;
      double syllable = t % 2.25 < 1.25 ? t % 0.25 : 1;
      double swell = syllable < 0.2 ? Math.pow(Math.sin(Math.PI * syllable / 0.2), 2) : 0;
      for (int h = 1; h <= 12; h++) {
        x[i] += swell * Math.sin(2 * Math.PI * 130 * h * t + h) / h;
      }
      most = Math.max(most, Math.abs(x[i]));
    }
    double gain = Math.pow(10, peakDbfs / 20) / most;
    double noise = Math.pow(10, noiseDbfs / 20);
    for (int i = 0; i < x.length; i++) {
      x[i] = gain * x[i] + noise * random.nextGaussian();
    }
    return x;
  }

  private static List<TakeCheck> verdicts(double[] x, Optional<Brief> brief) {
    TakeReport report = TakeMeter.measure(SampleSource.of(new Samples(x, RATE)), Progress.NONE);
    return TakeChecks.of(report.channels().getFirst(), report.loudness(), PEAK_TARGET_DBFS, brief);
  }

  private static TakeCheck one(List<TakeCheck> all, String check) {
    return all.stream().filter(v -> v.check().equals(check)).findFirst().orElseThrow();
  }

  @ParameterizedTest
  @CsvSource({
    "-12.5,PASS",
    "-20,PASS",
    "-25,CLOSE",
    "-31,FAIL",
    "-40,FAIL",
    "-10,CLOSE",
    "-7,FAIL"
  })
  @DisplayName("a peak far under its target is as wrong as one over it")
  void peak(double peakDbfs, Outcome outcome) {
    TakeCheck peak = one(verdicts(spoken(peakDbfs, -90), Optional.empty()), "peak");
    assertThat(peak.outcome()).isEqualTo(outcome);
    assertThat(peak.measured()).isCloseTo(peakDbfs, within(0.1));
    if (outcome != Outcome.PASS) {
      assertThat(peak.advice()).contains(peakDbfs < PEAK_TARGET_DBFS ? "by +" : "by −");
    }
  }

  @Test
  @DisplayName("a clean take passes all that does not depend on a brief")
  void clean() {
    assertThat(verdicts(spoken(-13, -80), Optional.empty()))
        .allSatisfy(v -> assertThat(v.outcome()).as(v.check()).isEqualTo(Outcome.PASS));
  }

  private static void fails(String check, String advice, DoubleUnaryOperator fault) {
    double[] x = Arrays.stream(spoken(-13, -80)).map(fault).toArray();
    TakeCheck verdict = one(verdicts(x, Optional.empty()), check);
    assertThat(verdict.outcome()).as(check).isEqualTo(Outcome.FAIL);
    assertThat(verdict.advice()).contains(advice);
  }

  @Test
  @DisplayName("every fault fails its own check with what to do")
  void faults() {
    fails("clipping", "Turn the gain down", v -> Math.clamp(6 * v, -1, 1));
    fails("clippingBefore", "before the converter", v -> Math.clamp(v, -0.05, 0.05));
    fails("dcOffset", "high-pass", v -> v + 0.01);
    double[] t = new double[1];
    fails("hum", "Hum at 50 Hz", v -> v + 0.02 * Math.sin(2 * Math.PI * 50 * t[0]++ / RATE));
    int[] i = new int[1];
    fails("dropouts", "stands still at 2.", v -> i[0]++ / 480 % 1000 == 230 ? 0 : v);
    Random random = new Random(8);
    fails("speechToNoise", "come nearer", v -> v + 0.004 * random.nextGaussian());
  }

  @Test
  @DisplayName("of silence nothing is said")
  void silence() {
    assertThat(verdicts(new double[(int) RATE], Optional.empty())).isEmpty();
  }

  @Test
  @DisplayName("against a brief its loudness, true peak and floor are held")
  void brief() {
    Optional<Brief> brief = Brief.find("podcast-16");
    List<TakeCheck> all = verdicts(spoken(-13, -50), brief);
    assertThat(all).extracting(TakeCheck::check).contains("loudness", "truePeak");
    assertThat(one(all, "truePeak").outcome()).isEqualTo(Outcome.PASS);
    assertThat(one(all, "loudness").limit())
        .isEqualTo(brief.orElseThrow().integratedLufs().orElseThrow());
    List<TakeCheck> book = verdicts(spoken(-13, -50), Brief.find("audiobook"));
    assertThat(one(book, "noiseFloor").outcome()).isEqualTo(Outcome.FAIL);
    assertThat(one(book, "noiseFloor").measured()).isCloseTo(-50 + 3, within(1.5));
  }

  @Test
  @DisplayName("a written file is held to what it was written for")
  void written() {
    Brief mono = Brief.find("podcast-19").orElseThrow();
    TakeReport file =
        TakeMeter.measure(SampleSource.of(new Samples(spoken(-13, -80), RATE)), Progress.NONE);
    assertThat(WrittenTake.words(file)).contains("one channel", "48.0 kHz", "LUFS", "dBTP");
    assertThat(WrittenTake.fault(file, mono, Optional.empty())).isEmpty();
    TakeReport loud =
        TakeMeter.measure(SampleSource.of(new Samples(spoken(0, -80), RATE)), Progress.NONE);
    assertThat(WrittenTake.fault(loud, mono, Optional.empty()))
        .hasValueSatisfying(fault -> assertThat(fault).contains("true peaks may reach"));
  }
}
