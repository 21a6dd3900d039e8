package nullroom.core.book;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import nullroom.core.Progress;
import nullroom.core.Trouble;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Capture;
import nullroom.core.acoustics.NoiseRating;
import nullroom.core.acoustics.Octave;
import nullroom.core.measure.altered.Alteration;
import nullroom.core.measure.altered.AlterationMeter;
import nullroom.core.measure.clip.AlteredSound;
import nullroom.core.measure.noise.Calibration;
import nullroom.core.measure.noise.NoiseMeter;
import nullroom.core.measure.noise.NoiseReport;
import nullroom.core.measure.noise.Scale;
import nullroom.core.signal.SampleSource;

/**
 * A room noise measurement kept in the book.
 *
 * @param sound file name under sound/
 * @param taken local date and time, ISO 8601
 * @param simulated whether an acted room was heard
 * @param spot name of the place, empty for the spot of now
 * @param report what the microphone gave
 * @param chain microphone, input and gain that it was recorded with; empty where nobody knows
 * @param scale what its levels mean in the air; empty where that is not known
 * @param roomDbSpl octaves of the room's own noise behind it, where its levels mean something
 * @param without suspects that were switched off then
 * @param altered what was done to the sound after the microphone
 * @param byVoice whether its scale is by the voice that the same recording holds: it then stays
 *     with it, whatever becomes of the chain
 */
public record NoiseMeasurement(
    String sound,
    String taken,
    boolean simulated,
    String spot,
    NoiseReport report,
    Optional<Capture> chain,
    Optional<Scale> scale,
    Optional<Bands> roomDbSpl,
    List<String> without,
    List<Alteration> altered,
    boolean byVoice) {

  public NoiseMeasurement {
    without = List.copyOf(without);
    altered = List.copyOf(altered);
  }

  /**
   * The circumstances of a recording.
   *
   * @param taken local date and time, ISO 8601
   * @param simulated whether an acted room was heard
   * @param spot name of the place
   * @param without suspects switched off
   */
  public record Taken(String taken, boolean simulated, String spot, List<String> without) {}

  /** Of what a device did to the sound, and of a scale, nothing. */
  private static NoiseMeasurement relative(
      String sound, Taken taken, NoiseReport report, Optional<Capture> chain) {
    return new NoiseMeasurement(
        sound,
        taken.taken(),
        taken.simulated(),
        taken.spot(),
        report,
        chain,
        Optional.empty(),
        Optional.empty(),
        taken.without(),
        List.of(),
        false);
  }

  /**
   * Measures the quiet room from a recording.
   *
   * @param recording of any length; the first of its channels is measured
   * @param chain that it was made with; without one its levels are relative
   * @param calibration what is known of the chain's full scale
   * @throws Trouble.BadSound if the recording is too short, silent, or sampled too slowly for the 8
   *     kHz octave
   */
  public static NoiseMeasurement of(
      String sound,
      Taken taken,
      SampleSource recording,
      Optional<Capture> chain,
      Calibration calibration,
      Progress progress) {
    AlteredSound heard = new AlteredSound(recording.sampleRateHz());
    NoiseMeasurement measured =
        relative(
            sound,
            taken,
            report(sound, AlterationMeter.beside(recording, List.of(heard)), progress),
            chain);
    return (taken.simulated() ? measured : measured.altered(heard.found())).by(calibration);
  }

  /** Of a report that was made before, of the quiet alone. */
  static NoiseMeasurement of(
      String sound,
      Taken taken,
      NoiseReport report,
      Optional<Capture> chain,
      Calibration calibration) {
    return relative(sound, taken, report, chain).by(calibration);
  }

  /**
   * The quiet of a recording that holds a voice too, by whose level it has a scale of its own. What
   * the device hisses is in it, for nobody knows the device.
   *
   * @param report of the quiet alone
   * @param scale empty where nobody spoke: its levels are relative then
   */
  public static NoiseMeasurement byVoice(
      String sound, Taken taken, NoiseReport report, Optional<Scale> scale) {
    NoiseMeasurement n = relative(sound, taken, report, Optional.empty());
    return new NoiseMeasurement(
        sound,
        n.taken,
        n.simulated,
        n.spot,
        report,
        n.chain,
        scale,
        scale.flatMap(s -> report.octaveDbSpl(s.fullScaleDbSpl())),
        n.without,
        List.of(),
        scale.isPresent());
  }

  /** The same, to which something was done after the microphone. */
  public NoiseMeasurement altered(List<Alteration> found) {
    return new NoiseMeasurement(
        sound, taken, simulated, spot, report, chain, scale, roomDbSpl, without, found, byVoice);
  }

  /** The same as having been made with another chain. */
  public NoiseMeasurement madeWith(Optional<Capture> other, Calibration calibration) {
    return byVoice
        ? this
        : new NoiseMeasurement(
                sound, taken, simulated, spot, report, other, scale, roomDbSpl, without, altered,
                false)
            .by(calibration);
  }

  /** The same with its levels as a calibration makes them out. */
  NoiseMeasurement by(Calibration calibration) {
    if (byVoice) {
      return this;
    }
    Optional<Scale> now = chain.flatMap(calibration::scale);
    return new NoiseMeasurement(
        sound,
        taken,
        simulated,
        spot,
        report,
        chain,
        now,
        now.flatMap(s ->
            report
                .octaveDbSpl(s.fullScaleDbSpl())
                .map(levels -> chain.orElseThrow().roomNoiseBehind(levels))),
        without,
        altered,
        false);
  }

  /** A report that has all octaves from 63 Hz to 8 kHz. */
  static NoiseReport report(String sound, SampleSource recording, Progress progress) {
    NoiseReport report = NoiseMeter.measure(recording, progress).getFirst();
    if (report.octaveDbSpl(0).isEmpty()) {
      throw new Trouble.BadSound(sound, why(report));
    }
    return report;
  }

  private static String why(NoiseReport report) {
    if (report.seconds() < NoiseMeter.SHORTEST_SECONDS) {
      return "is shorter than 0.4 s; record ten seconds or more";
    }
    return report.laeqDbfs().isEmpty()
        ? "holds digital silence; is the microphone muted?"
        : "is sampled too slowly to hold the 8 kHz octave; record at 44.1 kHz or more";
  }

  /** A-weighted level of the room, where levels mean something. */
  public OptionalDouble laeqDbSpl() {
    return roomDbSpl.isPresent()
        ? OptionalDouble.of(Octave.aWeightedSum(roomDbSpl.get()))
        : OptionalDouble.empty();
  }

  /** Noise criterion of the room, where levels mean something. */
  public Optional<NoiseRating> nc() {
    return roomDbSpl.map(NoiseRating::nc);
  }

  /** Noise rating of the room over 63 Hz to 8 kHz, where levels mean something. */
  public Optional<NoiseRating> nr() {
    return roomDbSpl.map(room -> {
      Map<Double, Double> levels = new HashMap<>();
      for (int i = 0; i < Octave.COUNT; i++) {
        levels.put(Octave.nominalHz(i), room.get(i));
      }
      return NoiseRating.nr(levels);
    });
  }
}
