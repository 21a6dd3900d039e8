package nullroom.core.measure.decay;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import nullroom.core.signal.Band;

/** Modulation transfer of a response, octave by octave (Schroeder 1981), its noise taken off. */
final class Modulation {
  private static final int ORDER = 6;

  private Modulation() {}

  /** Seven rows of fourteen; empty where an octave stands too little over the noise. */
  static List<List<Double>> of(List<ZeroPhase> takes, int lead, double rate) {
    List<List<Double>> rows = new ArrayList<>();
    for (Band band : Band.within(Band.OCTAVES, rate)) {
      if (!SpeechTransmission.OCTAVES_HZ.contains(band.nominalHz())) {
        continue;
      }
      double[] energy = new double[0];
      for (ZeroPhase take : takes) {
        double[] y = take.through(band, ORDER);
        energy = energy.length == 0 ? new double[y.length] : energy;
        for (int i = 0; i < y.length; i++) {
          energy[i] += y[i] * y[i];
        }
      }
      Lundeby tail = Lundeby.of(Arrays.copyOfRange(energy, lead, energy.length), rate);
      if (tail.decayPerSample() == 0) {
        return List.of();
      }
      rows.add(row(energy, lead, tail, rate));
    }
    return rows.size() == SpeechTransmission.OCTAVES_HZ.size() ? rows : List.of();
  }

  private static List<Double> row(double[] energy, int lead, Lundeby tail, double rate) {
    int end = lead + tail.crossing();
    int block = Math.max(1, (int) (0.001 * rate)); // 12.5 Hz turns by 5 degrees in that time
    double[] sums = new double[end / block + 1];
    for (int i = 0; i < end; i++) {
      sums[i / block] += energy[i] - tail.noise();
    }
    double rest = tail.noise() / tail.decayPerSample(); // as much was cut off at the crossing
    double total = Arrays.stream(sums).sum() + rest;
    List<Double> row = new ArrayList<>();
    for (double hz : SpeechTransmission.MODULATIONS_HZ) {
      double w = 2 * Math.PI * hz / rate;
      double re = 0;
      double im = 0;
      for (int k = 0; k < sums.length; k++) {
        double angle = w * (k + 0.5) * block;
        re += sums[k] * Math.cos(angle);
        im += sums[k] * Math.sin(angle);
      }
      double k = tail.decayPerSample();
      double scale = rest * k / (k * k + w * w);
      re += scale * (k * Math.cos(w * end) - w * Math.sin(w * end));
      im += scale * (k * Math.sin(w * end) + w * Math.cos(w * end));
      row.add(Math.round(Math.min(1, Math.hypot(re, im) / total) * 1e5) / 1e5);
    }
    return row;
  }
}
