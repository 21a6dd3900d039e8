package nullroom.core.measure.clip;

import java.util.List;
import java.util.stream.IntStream;
import nullroom.core.Progress;
import nullroom.core.measure.altered.AlterationMeter;
import nullroom.core.measure.take.TakeChannel;
import nullroom.core.measure.take.TakeMeter;
import nullroom.core.measure.take.TakeReport;
import nullroom.core.signal.SampleSource;

/** A take of which what its claps show is known, too, as of every other sound. */
public final class AlteredTake {
  private AlteredTake() {}

  /**
   * Measures a source to its end.
   *
   * @param progress told how many samples were read, the whole unknown
   */
  public static TakeReport measure(SampleSource source, Progress progress) {
    List<ClapsHeard> claps =
        IntStream.range(0, source.channels())
            .mapToObj(c -> new ClapsHeard(source.sampleRateHz()))
            .toList();
    TakeReport report = TakeMeter.measure(AlterationMeter.beside(source, claps), progress);
    return report.with(
        IntStream.range(0, claps.size())
            .parallel()
            .mapToObj(c -> with(report.channels().get(c), claps.get(c)))
            .toList());
  }

  private static TakeChannel with(TakeChannel channel, ClapsHeard claps) {
    return channel.withAltered(claps.with(channel.altered()));
  }
}
