package nullroom.core.measure.take;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import nullroom.core.measure.Moment;
import nullroom.core.measure.altered.Alteration;
import nullroom.core.measure.noise.MainsHum;

/**
 * One channel of a take.
 *
 * @param samples how many
 * @param loudness of this channel alone
 * @param peak largest sample
 * @param truePeak largest amplitude between samples too
 * @param meanSquare of all samples
 * @param dcOffset mean, full scale is 1
 * @param clippedSamples samples in clipped runs
 * @param clippedRuns runs of three or more samples at the largest or smallest amplitude
 * @param clips where those are, the first thousand
 * @param flatTops peaks cut off at one height under full scale
 * @param activeSpeechDbfs active speech level (ITU-T P.56), empty in silence
 * @param activityPercent share of the time in which it is spoken
 * @param noiseFloorDbfs in the pauses, unweighted
 * @param noiseFloorDbfsA the same A-weighted
 * @param pauses whether the floor is that of pauses, else that of the quietest tenth
 * @param mains hum in the quietest moments
 * @param music whether there is music in the pauses
 * @param faults plosives, wind, knocks, handling, rustle and gaps of a link
 * @param dropouts where the sound stood still
 * @param altered what was done to it after the microphone
 * @param frames mean square every tenth of a second
 */
@SuppressWarnings("ArrayRecordComponent") // never compared
public record TakeChannel(
    long samples,
    Loudness loudness,
    double peak,
    double truePeak,
    double meanSquare,
    double dcOffset,
    long clippedSamples,
    long clippedRuns,
    List<Moment> clips,
    int flatTops,
    OptionalDouble activeSpeechDbfs,
    OptionalDouble activityPercent,
    OptionalDouble noiseFloorDbfs,
    OptionalDouble noiseFloorDbfsA,
    boolean pauses,
    Optional<MainsHum> mains,
    boolean music,
    List<Fault> faults,
    List<Moment> dropouts,
    List<Alteration> altered,
    double[] frames) {
  /** Length of a frame. */
  public static final double FRAME_SECONDS = TakeFrames.SECONDS;

  public TakeChannel {
    clips = List.copyOf(clips);
    faults = List.copyOf(faults);
    dropouts = List.copyOf(dropouts);
    altered = List.copyOf(altered);
  }

  /** The same, with what else is known to have been done to it. */
  public TakeChannel withAltered(List<Alteration> all) {
    return new TakeChannel(
        samples,
        loudness,
        peak,
        truePeak,
        meanSquare,
        dcOffset,
        clippedSamples,
        clippedRuns,
        clips,
        flatTops,
        activeSpeechDbfs,
        activityPercent,
        noiseFloorDbfs,
        noiseFloorDbfsA,
        pauses,
        mains,
        music,
        faults,
        dropouts,
        all,
        frames);
  }

  /** Active speech over the noise floor; empty where pauses are missing or filled with music. */
  public OptionalDouble speechToNoiseDb() {
    return activeSpeechDbfs.isPresent() && noiseFloorDbfs.isPresent() && pauses && !music
        ? OptionalDouble.of(activeSpeechDbfs.getAsDouble() - noiseFloorDbfs.getAsDouble())
        : OptionalDouble.empty();
  }

  /** When something of some kinds was heard. */
  public List<Moment> moments(Fault.Kind... kinds) {
    return faults.stream()
        .filter(f -> List.of(kinds).contains(f.kind()))
        .map(Fault::moment)
        .toList();
  }
}
