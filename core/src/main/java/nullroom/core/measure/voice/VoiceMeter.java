package nullroom.core.measure.voice;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nullroom.core.Decibels;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Octave;
import nullroom.core.measure.take.SpeechActivity;
import nullroom.core.signal.Band;
import nullroom.core.signal.Biquads;
import nullroom.core.signal.Butterworth;
import nullroom.core.signal.Fft;
import nullroom.core.signal.HannSpectrum;
import nullroom.core.signal.Samples;
import nullroom.core.signal.Sums;

/**
 * Measures a voice: active level by ITU-T P.56, spectrum over the moments that P.56 counts as
 * active, with the spectrum of the quiet taken off as energy.
 */
public final class VoiceMeter {
  private static final double BLOCK_SECONDS = 0.085;

  /** What stands less over the noise is a bound. */
  private static final double LEAST_OVER_NOISE = 1;

  /** Share of the samples that lie over the crest. */
  private static final double OVER_CREST = 1e-4;

  private static final int CLASSES = 1 << 16;
  private static final double SIBILANT_HZ = 5000;
  private static final double PLOSIVE_HZ = 120;
  private static final double MOMENT_SECONDS = 0.01;
  private static final double LEAST = 1e-20;

  private final double rate;
  private final HannSpectrum spectrum;

  private VoiceMeter(double rate) {
    this.rate = rate;
    spectrum = new HannSpectrum(Fft.sizeFor(Math.round(BLOCK_SECONDS * rate * 0.75)), rate);
  }

  /**
   * The voice of a recording.
   *
   * @param talk someone speaks in it, pauses and all
   * @param quiet of the same recording at the same gain; may be empty
   * @return empty where nobody speaks
   */
  public static Optional<VoiceReport> measure(Samples talk, List<Samples> quiet) {
    return new VoiceMeter(talk.sampleRateHz()).of(talk, quiet);
  }

  private Optional<VoiceReport> of(Samples talk, List<Samples> quiet) {
    double[] x = talk.toArray();
    return SpeechActivity.of(x, rate).map(activity -> of(talk, x, activity, quiet));
  }

  private VoiceReport of(Samples talk, double[] x, SpeechActivity activity, List<Samples> quiet) {
    double[] all = spectrum(x, activity.active(), activity.stepSamples());
    double[] noise = new double[Octave.COUNT];
    double blocks = 0;
    for (Samples q : quiet) {
      double[] still = q.toArray();
      double share = still.length;
      double[] one = spectrum(still, new boolean[] {true}, still.length);
      for (int i = 0; i < noise.length; i++) {
        noise[i] += one[i] * share;
      }
      blocks += share;
    }
    List<Double> guessed = new ArrayList<>();
    double[] voice = new double[Octave.COUNT];
    double sum = 0;
    for (int i = 0; i < voice.length; i++) {
      double still = blocks == 0 ? 0 : noise[i] / blocks;
      if (all[i] - still < LEAST_OVER_NOISE * still) {
        guessed.add(Octave.nominalHz(i));
      }
      voice[i] = Math.max(all[i] - still, LEAST + 0.5 * Math.min(still, all[i]));
      sum += voice[i];
    }
    double active = activity.levelDbfs();
    // the octaves end at 44 Hz and 11 kHz; what lies beyond is no voice
    double scale = Math.min(1, Decibels.toEnergy(active - Decibels.dbfs(1)) / sum);
    double peak = exceeded(x, OVER_CREST);
    return new VoiceReport(
        talk.seconds(),
        active,
        activity.percent(),
        Bands.from(i -> Decibels.dbfs(voice[i] * scale)),
        guessed,
        Decibels.ofAmplitude(peak) - active + Decibels.dbfs(1),
        moment(x, Butterworth.highPass(4, SIBILANT_HZ, rate)) - active,
        moment(x, Butterworth.lowPass(4, PLOSIVE_HZ, rate)) - active,
        Pitch.voices(x, rate));
  }

  /** Mean square of the active parts in each octave. */
  private double[] spectrum(double[] x, boolean[] active, int step) {
    int size = spectrum.size();
    double[] octaves = new double[Octave.COUNT];
    int blocks = 0;
    for (int at = 0; at + size <= x.length; at += size / 2) {
      if (active[Math.min(active.length - 1, (at + size / 2) / step)]) {
        double[] power = spectrum.of(x, at);
        blocks++;
        for (int i = 0; i < octaves.length; i++) {
          Band band = Octave.ALL.get(i);
          octaves[i] += spectrum.between(power, band.lowHz(), band.highHz());
        }
      }
    }
    for (int i = 0; i < octaves.length; i++) {
      octaves[i] /= Math.max(1, blocks);
    }
    return octaves;
  }

  private double moment(double[] x, Biquads filter) {
    double[] y = new double[x.length];
    filter.filter(x, y, x.length);
    int step = (int) (MOMENT_SECONDS * rate);
    double most = LEAST;
    for (int at = 0; at + step <= y.length; at += step) {
      most = Math.max(most, Sums.ofSquares(y, at, step) / step);
    }
    return Decibels.dbfs(most);
  }

  /** The size that a share of the samples exceed, by counting to a part in so many of the peak. */
  private static double exceeded(double[] x, double share) {
    double peak = Math.max(LEAST, Sums.peak(x, 0, x.length));
    int[] counts = new int[CLASSES + 1];
    for (double v : x) {
      counts[(int) (Math.abs(v) / peak * CLASSES)]++;
    }
    long left = (long) Math.ceil(share * x.length);
    int k = CLASSES;
    while (k > 0 && left > counts[k]) {
      left -= counts[k--];
    }
    return (k + 0.5) / CLASSES * peak;
  }
}
