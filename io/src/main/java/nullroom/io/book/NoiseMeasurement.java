package nullroom.io.book;

import java.util.List;
import nullroom.core.Progress;
import nullroom.core.Trouble;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.NoiseRating;
import nullroom.core.acoustics.Octave;
import nullroom.core.measure.Intrusion;
import nullroom.core.measure.NoiseMeter;
import nullroom.core.measure.NoiseReport;
import nullroom.core.measure.Tone;
import nullroom.core.predict.Heard;
import nullroom.core.signal.SampleSource;
import nullroom.core.signal.Samples;

/**
 * A room noise measurement kept in the book.
 *
 * @param sound file name under sound/
 * @param taken local date and time, ISO 8601
 * @param laeqDbSpl A-weighted level at the microphone's place
 * @param octaveDbSpl octave levels
 * @param nc noise criterion
 * @param ncBandHz the octave that decides it
 * @param tones steady tones in it, by frequency
 * @param intrusions what rose over the background, by time
 */
public record NoiseMeasurement(
    String sound,
    String taken,
    double laeqDbSpl,
    Bands octaveDbSpl,
    int nc,
    double ncBandHz,
    List<Tone> tones,
    List<Intrusion> intrusions) {

  public NoiseMeasurement {
    tones = List.copyOf(tones);
    intrusions = List.copyOf(intrusions);
  }

  /**
   * Measures the quiet room from a recording through the microphone that {@code heard} describes,
   * at its gain.
   *
   * @throws Trouble.BadSound if the recording is too short, silent, or sampled too slowly for the 8
   *     kHz octave
   */
  public static NoiseMeasurement of(String sound, String taken, Samples recording, Heard heard) {
    NoiseReport report = NoiseMeter.measure(SampleSource.of(recording), Progress.NONE).getFirst();
    Bands atMicrophone =
        report
            .octaveDbSpl(heard.capture().fullScaleDbSpl())
            .orElseThrow(() -> new Trouble.BadSound(sound, why(report)));
    Bands room = heard.roomNoiseBehind(atMicrophone);
    NoiseRating nc = NoiseRating.nc(room);
    return new NoiseMeasurement(
        sound,
        taken,
        Octave.aWeightedSum(room),
        room,
        nc.rating(),
        nc.decidingBandHz(),
        report.tones(),
        report.intrusions());
  }

  private static String why(NoiseReport report) {
    if (report.seconds() < NoiseMeter.SHORTEST_SECONDS) {
      return "is shorter than 0.4 s; record ten seconds or more";
    }
    return report.laeqDbfs().isEmpty()
        ? "holds digital silence; is the microphone muted?"
        : "is sampled too slowly to hold the 8 kHz octave; record at 44.1 kHz or more";
  }
}
