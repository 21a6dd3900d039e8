package nullroom.core.predict;

import java.util.Random;
import nullroom.core.Decibels;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Octave;
import nullroom.core.signal.Band;
import nullroom.core.signal.Fft;

/**
 * Sound as a simulated device would record it: responses, claps and noise made from a {@link
 * Heard}, seeded. Pressures are in pascal at the capsule; the chain is the device's business.
 */
public final class SyntheticRoom {
  private static final double PASCAL_REFERENCE = 20e-6;
  private static final double DECAY_AMPLITUDE = 3 * Math.log(10);

  /** So steep that an octave's level is its own. */
  private static final int EDGE_ORDER = 60;

  private SyntheticRoom() {}

  /**
   * Impulse response re the direct sound at 1 m: a direct arrival after the travel time and a tail
   * of seeded noise that decays in each octave with the times of {@code heard}, at the levels of
   * its reply re its direct sound.
   *
   * @param speedOfSound metres a second
   * @param seconds length
   * @param seed of the tail
   * @return amplitudes; time zero is the emission
   */
  public static double[] response(
      Heard heard, double speedOfSound, double sampleRateHz, double seconds, long seed) {
    int count = (int) Math.round(seconds * sampleRateHz);
    double[] response = new double[count];
    double delay = heard.distanceMetres() / speedOfSound * sampleRateHz;
    int first = (int) Math.round(delay);
    if (first >= count) {
      return response;
    }
    Bands reply = heard.earlyDbSpl().energySum(heard.lateDbSpl());
    double direct = 1 / Math.max(Heard.NEAREST_METRES, heard.distanceMetres());
    int n = Fft.sizeFor(count);
    for (int octave = 0; octave < Octave.COUNT; octave++) {
      double seconds60 = heard.decaySeconds().get(octave);
      double[] noise = bandNoise(n, octave, sampleRateHz, seed * 31 + octave);
      double ratio = Decibels.toEnergy(reply.get(octave) - heard.directDbSpl().get(octave));
      // a unit impulse has the energy of the band's share of the spectrum; noise of unit variance
      // has its rate over it
      double bandShare = 2 * Octave.ALL.get(octave).widthHz() / sampleRateHz;
      double envelopeSum = sampleRateHz * seconds60 / (2 * DECAY_AMPLITUDE);
      double amplitude = direct * Math.sqrt(ratio * bandShare / envelopeSum);
      for (int i = first; i < count; i++) {
        double t = (i - first) / sampleRateHz;
        response[i] += amplitude * noise[i] * Math.exp(-DECAY_AMPLITUDE * t / seconds60);
      }
    }
    response[first] += direct;
    return response;
  }

  /** Gaussian noise of unit mean square confined to one octave. */
  static double[] bandNoise(int n, int octave, double sampleRateHz, long seed) {
    Random random = new Random(seed);
    double[] noise = new double[n];
    for (int i = 0; i < n; i++) {
      noise[i] = random.nextGaussian();
    }
    shape(noise, addBand(new double[n / 2 + 1], octave, 1, sampleRateHz));
    return noise;
  }

  /**
   * Adds what white noise of unit mean square needs, as power gain per bin, to have a mean square
   * in one octave and nothing elsewhere.
   */
  private static double[] addBand(
      double[] power, int octave, double meanSquare, double sampleRateHz) {
    Band band = Octave.ALL.get(octave);
    int n = 2 * (power.length - 1);
    double density = meanSquare * sampleRateHz / (2 * band.widthHz());
    // beyond a third of an octave outside, a response of this order is nought
    int from = Math.max(1, (int) (band.lowHz() / 1.3 * n / sampleRateHz));
    int to = Math.min(power.length - 1, (int) (band.highHz() * 1.3 * n / sampleRateHz) + 1);
    for (int k = from; k < to; k++) {
      power[k] += density * band.powerResponse(k * sampleRateHz / n, EDGE_ORDER);
    }
    return power;
  }

  /**
   * Adds what goes on above the uppermost octave, falling by 12 dB an octave: nothing that sounds
   * ends at an edge, and what does was cut off by a device.
   */
  private static void addAbove(double[] power, double meanSquare, double sampleRateHz) {
    Band band = Octave.ALL.get(Octave.COUNT - 1);
    int n = 2 * (power.length - 1);
    double density = meanSquare * sampleRateHz / (2 * band.widthHz());
    for (int k = (int) (band.highHz() * n / sampleRateHz) + 1; k < power.length - 1; k++) {
      double hz = k * sampleRateHz / n;
      double share = 1 - Math.min(1, band.powerResponse(hz, EDGE_ORDER));
      power[k] += density * share * Math.pow(band.highHz() / hz, 4);
    }
  }

  private static void shape(double[] noise, double[] power) {
    Fft fft = new Fft(noise.length);
    fft.forward(noise);
    noise[0] = 0;
    noise[1] = 0;
    for (int k = 1; k < noise.length / 2; k++) {
      double gain = Math.sqrt(power[k]);
      noise[2 * k] *= gain;
      noise[2 * k + 1] *= gain;
    }
    fft.inverse(noise);
  }

  /**
   * Stationary Gaussian noise with stated octave levels.
   *
   * @param levelsDbSpl per octave
   * @return pressures in pascal, {@code count} of them
   */
  public static double[] noise(Bands levelsDbSpl, double sampleRateHz, int count, long seed) {
    Random random = new Random(seed);
    double[] noise = new double[Fft.sizeFor(count)];
    for (int i = 0; i < noise.length; i++) {
      noise[i] = random.nextGaussian();
    }
    double[] power = new double[noise.length / 2 + 1];
    for (int octave = 0; octave < Octave.COUNT; octave++) {
      double pascal = pascal(levelsDbSpl.get(octave));
      addBand(power, octave, pascal * pascal, sampleRateHz);
    }
    double top = pascal(levelsDbSpl.get(Octave.COUNT - 1));
    addAbove(power, top * top, sampleRateHz);
    shape(noise, power);
    return java.util.Arrays.copyOf(noise, count);
  }

  /**
   * A voice-like signal: noise of the voice's octave levels in syllables of a seeded rhythm, with
   * pauses; its level while active is the stated one.
   */
  public static double[] voice(Bands levelsDbSpl, double sampleRateHz, int count, long seed) {
    double[] voice = noise(levelsDbSpl, sampleRateHz, count, seed);
    Random random = new Random(seed + 1);
    int at = 0;
    while (at < count) {
      int syllables = 4 + random.nextInt(8);
      for (int s = 0; s < syllables && at < count; s++) {
        int length = (int) (sampleRateHz * (0.12 + 0.14 * random.nextDouble()));
        for (int i = 0; i < length && at < count; i++, at++) {
          voice[at] *= Math.sqrt(8.0 / 3) * Math.pow(Math.sin(Math.PI * i / length), 2);
        }
      }
      int pause = (int) (sampleRateHz * (0.35 + 0.5 * random.nextDouble()));
      for (int i = 0; i < pause && at < count; i++, at++) {
        voice[at] = 0;
      }
    }
    return voice;
  }

  /** What a level in dB SPL is in pascal. */
  public static double pascal(double levelDbSpl) {
    return PASCAL_REFERENCE * Decibels.toAmplitude(levelDbSpl);
  }
}
