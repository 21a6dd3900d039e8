package nullroom.core.measure.altered;

import static nullroom.core.measure.altered.AlteredSounds.FLAT;
import static nullroom.core.measure.altered.AlteredSounds.NOISE;
import static nullroom.core.measure.altered.AlteredSounds.RATE;
import static nullroom.core.measure.altered.AlteredSounds.claps;
import static nullroom.core.measure.altered.AlteredSounds.found;
import static nullroom.core.measure.altered.AlteredSounds.kinds;
import static nullroom.core.measure.altered.AlteredSounds.rms;
import static nullroom.core.measure.altered.AlteredSounds.spectral;
import static nullroom.core.measure.altered.AlteredSounds.talk;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.function.BiConsumer;
import nullroom.core.measure.Frames;
import nullroom.core.predict.SyntheticRoom;
import nullroom.core.signal.Butterworth;
import nullroom.core.signal.Fft;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What devices do, done here to sounds of known truth; and sounds to which nothing was done. */
class AlterationMeterTest {
  @ParameterizedTest(name = "{0} dB over the noise, {1} s")
  @DisplayName("to an untouched voice nothing was done")
  @CsvSource({"20, 0.2", "35, 0.6", "50, 0.3", "60, 1.2"})
  void voice(double snr, double ring) {
    assertThat(found(talk(snr, ring, 1))).isEmpty();
    assertThat(found(talk(snr, ring, 2))).isEmpty();
  }

  @ParameterizedTest
  @DisplayName("nor to claps, in dead rooms and live ones")
  @ValueSource(doubles = {0.06, 0.15, 0.5, 1.5})
  void clapping(double seconds) {
    assertThat(found(claps(1e-4, seconds))).isEmpty();
    assertThat(found(claps(3e-3, seconds))).isEmpty();
  }

  @Test
  @DisplayName(
      "nor to steady noise, hum, a tone, a slam, traffic that swells, or a fridge that stops")
  void noises() {
    double[] noise = SyntheticRoom.noise(NOISE, RATE, 12 * RATE, 3);
    double scale = 0.002 / rms(noise, noise.length);
    List<BiConsumer<double[], Integer>> all =
        List.of(
            (x, k) -> {},
            (x, k) -> x[k] += 0.01 * Math.sin(2 * Math.PI * 50 * k / RATE),
            (x, k) -> x[k] += 0.3 * Math.sin(2 * Math.PI * 1000 * k / RATE),
            (x, k) -> x[k] *= 1 + (k / RATE == 5 ? 200 * Math.exp(-(k % RATE) / 5000.0) : 0),
            (x, k) -> x[k] *= Math.pow(10, 0.4 * Math.sin(2 * Math.PI * k / RATE / 5.0)),
            (x, k) -> x[k] *= k > x.length / 2 ? 0.35 : 1);
    for (int which = 0; which < all.size(); which++) {
      double[] x = Arrays.stream(noise).map(v -> scale * v).toArray();
      for (int k = 0; k < x.length; k++) {
        all.get(which).accept(x, k);
      }
      assertThat(found(x)).as("noise " + which).isEmpty();
    }
  }

  @ParameterizedTest
  @DisplayName("a gain that recovers after loud sounds is known by the floor that comes up again")
  @ValueSource(doubles = {0.4, 0.8, 1.5})
  void automaticGain(double releaseSeconds) {
    double[] x = talk(40, 0.25, 7);
    double follow = 0;
    double release = Math.exp(-1 / (releaseSeconds * RATE));
    for (int k = 0; k < x.length; k++) {
      follow = Math.max(Math.abs(x[k]), follow * release);
      x[k] *= Math.pow(Math.max(follow, 0.002) / 0.1, -0.7);
    }
    assertThat(kinds(x)).containsExactly(Alteration.Kind.AUTOMATIC_GAIN);
    assertThat(Alteration.warnings(found(x), Alteration.Measured.DECAY).getFirst())
        .contains("decays read too long")
        .contains("manual gain");
  }

  @Test
  @DisplayName(
      "a steady tone, clipped or square, has gaps between its lines that are no coder's holes")
  void lines() {
    double[] x = new double[8 * RATE];
    for (int k = 0; k < x.length; k++) {
      double tone = Math.sin(2 * Math.PI * 300 * k / RATE);
      x[k] = Math.rint(Math.clamp(4 * tone, -1, 1) * 8e6) / 8.4e6;
    }
    assertThat(kinds(x)).doesNotContain(Alteration.Kind.LOSSY);
  }

  @Test
  @DisplayName("a gate is known by drops that no room makes; digital silence between sounds, too")
  void gate() {
    double[] x = talk(40, 0.3, 8);
    double[] zero = x.clone();
    double follow = 0;
    double gain = 1;
    for (int k = 0; k < x.length; k++) {
      follow = Math.max(Math.abs(x[k]), follow * 0.9995);
      gain = follow > 0.01 ? 1 : Math.max(1e-3, gain * 0.99);
      x[k] *= gain;
      zero[k] = follow > 0.01 ? zero[k] : 0;
    }
    assertThat(kinds(x)).containsExactly(Alteration.Kind.GATE);
    assertThat(kinds(zero)).contains(Alteration.Kind.GATE);
    assertThat(found(zero).getFirst().evidence()).contains("digital silence");
  }

  @Test
  @DisplayName("a limiter is known by peaks that pile up under a ceiling")
  void limiter() {
    double[] x = talk(40, 0.3, 9);
    double gain = 1;
    for (int k = 0; k < x.length; k++) {
      gain = Math.min(1, gain * 1.0003);
      double y = 6 * x[k];
      gain = Math.abs(y * gain) > 0.5 ? 0.5 / Math.abs(y) : gain;
      x[k] = y * gain;
    }
    assertThat(kinds(x)).contains(Alteration.Kind.LIMITER).hasSize(1);
    assertThat(found(x).getFirst().evidence()).contains("−6.0 dBFS");
  }

  @Test
  @DisplayName("peaks cut off flat under full scale are clipping, no limiter")
  void clipped() {
    double[] x = talk(40, 0.3, 9);
    for (int k = 0; k < x.length; k++) {
      x[k] = Math.clamp(6 * x[k], -0.5, 0.5);
    }
    assertThat(found(x)).isEmpty();
  }

  @ParameterizedTest
  @DisplayName("a band limit is known by its edge, which is named within 5 %")
  @ValueSource(doubles = {4000, 8000, 16_000})
  void bandLimit(double hz) {
    double[] x =
        spectral(talk(35, 0.3, 10), (power, bin, frame) -> bin * RATE / 2048.0 < hz ? 1 : 0);
    assertThat(kinds(x)).contains(Alteration.Kind.BAND_LIMIT);
    String evidence =
        found(x).stream()
            .filter(a -> a.kind() == Alteration.Kind.BAND_LIMIT)
            .findFirst()
            .orElseThrow()
            .evidence();
    double told = Double.parseDouble(evidence.replaceAll("nothing above (\\d+) Hz.*", "$1"));
    assertThat(told / hz).isBetween(0.95, 1.1);
  }

  @ParameterizedTest
  @DisplayName("and so is one of few taps, whose edge is a quarter wide")
  @ValueSource(doubles = {4000, 8000, 11_025})
  void wideEdge(double hz) {
    double[] x =
        spectral(
            talk(FLAT, 35, 0.3, 10),
            (power, bin, frame) -> {
              double over = bin * RATE / 2048.0 / hz - 0.9;
              return Math.pow(10, -Math.clamp(over * 300, 0, 60) / 20);
            });
    assertThat(found(x))
        .anySatisfy(a -> assertThat(a.kind()).isEqualTo(Alteration.Kind.BAND_LIMIT));
  }

  @Test
  @DisplayName("a coder of a low rate is known by narrow holes among the highs")
  void lossy() {
    double[] x =
        spectral(
            talk(35, 0.3, 11),
            (power, bin, frame) -> bin > 180 && (bin / 40 + 3 * (frame / 6)) % 7 == 0 ? 1e-4 : 1);
    assertThat(kinds(x)).contains(Alteration.Kind.LOSSY);
  }

  @Test
  @DisplayName("noise reduction is known by tones that come and go in the pauses")
  void noiseReduction() {
    double[] x = talk(30, 0.3, 12);
    double[] floor = new double[1025];
    spectral(
        Arrays.copyOfRange(x, (int) (2.6 * RATE), (int) (3.5 * RATE)),
        (power, bin, frame) -> {
          floor[bin] += power / 40;
          return 1;
        });
    double[] y = spectral(x, (power, bin, frame) -> power > 4 * floor[bin] ? 1 : 0.05);
    assertThat(kinds(y)).contains(Alteration.Kind.NOISE_REDUCTION);
  }

  @Test
  @DisplayName("a gain that recovers by little is seen where all pauses rise together")
  void risesTogether() {
    double[] x = claps(3e-3, 0.3);
    double[] y = x.clone();
    double[] other = x.clone();
    for (int k = 0; k < x.length; k++) {
      double since = (k % (2 * RATE)) / (double) RATE - 0.5;
      y[k] *= Math.pow(10, since > 0 ? -4 * Math.exp(-since / 0.5) / 20 : 0);
      int pause = k / (2 * RATE); // one pause rises, the next falls
      double slope = (pause % 2 == 0 ? 1 : -1) * 4 * (1 - Math.exp(-Math.max(0, since) / 0.5));
      other[k] *= Math.pow(10, slope / 20);
    }
    assertThat(kinds(y)).containsExactly(Alteration.Kind.AUTOMATIC_GAIN);
    FineBands fine = new FineBands(RATE);
    fine.add(y, y.length);
    assertThat(RisingTogether.of(fine)).isPresent();
    assertThat(found(other)).isEmpty();
    assertThat(found(x)).isEmpty();
  }

  @Test
  @DisplayName("three pauses are enough, however unlike their lengths")
  void threePauses() {
    double[] x = new double[8 * RATE];
    double[] y = new double[x.length];
    Random random = new Random(21);
    double[] onsets = {1, 2.3, 4.2}; // of claps
    for (int k = 0; k < x.length; k++) {
      double at = k / (double) RATE;
      double since = -1;
      for (double onset : onsets) {
        since = at >= onset ? at - onset : since;
      }
      double decay = since < 0 ? 0 : Math.pow(10, -3 * since / 0.3);
      x[k] = (0.3 * decay + 1e-3) * random.nextGaussian();
      y[k] = x[k] * Math.pow(10, since < 0 ? 0 : -4 * Math.exp(-since / 0.5) / 20);
    }
    FineBands fine = new FineBands(RATE);
    fine.add(y, y.length);
    assertThat(RisingTogether.of(fine)).isPresent();
    assertThat(found(x)).isEmpty();
  }

  @ParameterizedTest(name = "up to {0} Hz, {1} dB apart")
  @DisplayName("what comes up in the highest bands, too, and by as much in few pauses, is a gain's")
  @CsvSource({"24000, 0, true", "9000, 0, false", "24000, 3, false"})
  void cloth(double toHz, double apartDb, boolean told) {
    double[] x = claps(3e-3, 0.3);
    double[] up = new double[x.length];
    Random random = new Random(22);
    Arrays.setAll(up, k -> 1.5e-3 * random.nextGaussian());
    if (toHz < RATE / 2.0) {
      Butterworth.lowPass(4, toHz, RATE).filter(up, up, up.length);
    }
    double[] y = Arrays.copyOf(x, 8 * RATE);
    for (int k = 0; k < y.length; k++) {
      double since = (k + 1.5 * RATE) % (2 * RATE) / RATE; // the clap before
      int pause = (int) (k + 1.5 * RATE) / (2 * RATE) % 2;
      double db = 8 + apartDb * (pause == 0 ? 1 : -1);
      double rise = Math.pow(10, db / 20) * (1 - Math.exp(-since / 0.5));
      y[k] += rise * up[k];
    }
    FineBands fine = new FineBands(RATE);
    fine.add(y, y.length);
    assertThat(RisingTogether.of(fine).isPresent()).isEqualTo(told);
  }

  @ParameterizedTest(name = "beside it it is {0} dB softer")
  @DisplayName("noise under a voice is no softer where that over it stands as in the pauses")
  @CsvSource({"3, true", "0, false"})
  void standsBeside(double asideDb, boolean told) {
    Frames octaves = new Frames(1);
    Frames aside = new Frames(2);
    Random random = new Random(23);
    for (int k = 0; k < 400; k++) {
      boolean sounds = k % 40 > 18;
      octaves.add(sounds ? -20 : -60);
      aside.add(
          -70 - (sounds ? 3 : 0) + 0.3 * random.nextGaussian(),
          -70 - (sounds ? asideDb : 0) + 0.1 * random.nextGaussian());
    }
    assertThat(HeldDown.of(octaves, aside, 0.04, 2).isPresent()).isEqualTo(told);
  }

  @Test
  @DisplayName("a sweep begins under the voice, and what is left of its bass is no pause's noise")
  void sweepFromTheBass() {
    double[] x = new double[24 * RATE];
    for (int k = 0; k < x.length; k++) {
      double since = k / (double) RATE % 4 - 0.5;
      double octaves = 8.2 * since / 3;
      double phase = 2 * Math.PI * 20 * 3 / (8.2 * Math.log(2)) * (Math.pow(2, octaves) - 1);
      x[k] = since > 0 && since < 3 ? 0.2 * Math.sin(phase) : 0;
    }
    x = Arrays.copyOf(Fft.convolve(x, AlteredSounds.reply(0.08, 60, new Random(1))), x.length);
    Random random = new Random(24);
    for (int k = 0; k < x.length; k++) {
      x[k] += 2e-4 * random.nextGaussian();
    }
    FineBands fine = new FineBands(RATE);
    fine.add(x, x.length);
    assertThat(UnderNoise.of(fine, Pauses.of(fine))).isEmpty();
  }

  @Test
  @DisplayName("a gain that recovers at once still takes the noise down beside the voice")
  void heldDown() {
    double[] x = new double[18 * RATE];
    double[] y = new double[x.length];
    double envelope = 0;
    Random random = new Random(8);
    double rumble = 0;
    for (int k = 0; k < x.length; k++) { // hiss and rumble that the voice does not reach
      rumble = 0.996 * rumble + 5e-4 * random.nextGaussian();
      double at = k / (double) RATE % 1.7; // the pauses are too short to be laid over one another
      double swell = at < 1.3 ? Math.pow(Math.sin(Math.PI * at * 4), 2) : 0;
      for (int h = 2; h <= 20; h++) {
        x[k] += 0.12 * swell / h * Math.sin(2 * Math.PI * 120 * h * k / RATE + h * h);
      }
      x[k] += 3e-3 * random.nextGaussian() + rumble;
    }
    for (int k = 0; k < x.length; k++) {
      envelope = Math.max(Math.abs(x[k]), envelope * Math.exp(-1 / (0.03 * RATE)));
      double over = Math.max(0, 20 * Math.log10(envelope + 1e-9) + 40);
      y[k] = x[k] * Math.pow(10, -0.8 * over / 20);
    }
    assertThat(found(x)).isEmpty();
    assertThat(found(y))
        .anySatisfy(a -> {
          assertThat(a.kind()).isEqualTo(Alteration.Kind.AUTOMATIC_GAIN);
          assertThat(a.evidence()).contains("only add up");
        });
  }

  @Test
  @DisplayName("islands under an edge are a coder's, not noise reduction")
  void coder() {
    double[] x = talk(30, 0.3, 12);
    double[] y =
        spectral(x, (power, bin, frame) -> bin > 400 ? 0 : power > 3e-4 || bin < 100 ? 1 : 0.02);
    assertThat(kinds(y))
        .contains(Alteration.Kind.BAND_LIMIT)
        .doesNotContain(Alteration.Kind.NOISE_REDUCTION);
  }

  @Test
  @DisplayName("of a moment, of silence and of one sample nothing is said")
  void little() {
    assertThat(found(new double[] {0.1})).isEmpty();
    assertThat(found(new double[RATE])).isEmpty();
    assertThat(found(Arrays.copyOf(talk(30, 0.2, 1), RATE / 10))).isEmpty();
  }
}
