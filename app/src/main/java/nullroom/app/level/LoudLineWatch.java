package nullroom.app.level;

import java.util.Optional;
import java.util.function.Consumer;
import nullroom.core.Decibels;
import nullroom.core.measure.meter.LiveMeter;
import nullroom.core.measure.take.ChannelPair;
import nullroom.core.measure.take.LoudnessMeter;
import nullroom.core.signal.Sums;
import nullroom.core.signal.TruePeak;
import nullroom.io.device.AudioStream;
import nullroom.io.device.Recording;

/** The meter of the loud line, off the FX thread. */
final class LoudLineWatch implements Recording.Watch {
  /** Hearing is told so often: every 20 ms. */
  private static final int BLOCKS_PER_READING = 2;

  private final double rate;
  private final LoudnessMeter loudness;
  private final LiveMeter meter;
  private final TruePeak truePeak = new TruePeak();
  private final double[][] one = new double[1][];
  private final Consumer<LoudLine.Reading> told;
  private double now;
  private double largest;
  private long heard;
  private long blocks;
  private Optional<ChannelPair> pair = Optional.empty();

  /**
   * A watch.
   *
   * @param input what is going to be heard
   * @param told receives each reading, on the hearing thread
   */
  LoudLineWatch(AudioStream input, Consumer<LoudLine.Reading> told) {
    rate = input.sampleRateHz();
    this.told = told;
    loudness = new LoudnessMeter(rate, 1);
    meter = new LiveMeter(rate, input.largestAmplitude());
  }

  @Override
  public boolean hear(double[] block, int count) {
    one[0] = block;
    loudness.add(one, count);
    meter.add(block, count);
    truePeak.add(block, count);
    now = Math.max(now, Sums.peak(block, 0, count));
    heard += count;
    if (++blocks % BLOCKS_PER_READING == 0) {
      largest = Math.max(largest, now);
      told.accept(
          new LoudLine.Reading(
              heard / rate,
              Decibels.ofAmplitude(now),
              Decibels.ofAmplitude(largest),
              Decibels.ofAmplitude(truePeak.largest()),
              loudness.momentaryLufs(),
              meter.reading()));
      now = 0;
    }
    return true;
  }

  @Override
  public void channels(ChannelPair both) {
    pair = Optional.of(both);
  }

  /** What is wrong between two channels, in a sentence; empty where nothing is. */
  String channelWords() {
    return pair.map(p ->
            p.firstIsDead()
                ? "Sound comes in on the second channel only, and the first is recorded: plug the microphone in there. "
                : p.secondIsDead()
                    ? "Of the two channels only the first has sound, which is recorded. "
                    : p.opposite()
                        ? "The two channels are of opposite polarity: turn one of them over, or they cancel each other. "
                        : "")
        .orElse("");
  }
}
