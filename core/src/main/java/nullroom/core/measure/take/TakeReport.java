package nullroom.core.measure.take;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import nullroom.core.Quantile;

/**
 * A whole take.
 *
 * @param sampleRateHz of it
 * @param channels at least one
 * @param loudness of all channels together
 * @param shortTermLufs every tenth of a second from 3 s on
 * @param correlation of the first two channels, -1 to 1; empty for one channel or silence
 */
@SuppressWarnings("ArrayRecordComponent") // never compared
public record TakeReport(
    double sampleRateHz,
    List<TakeChannel> channels,
    Loudness loudness,
    double[] shortTermLufs,
    OptionalDouble correlation) {
  /** A louder or softer passage differs by more than that (close), or clearly (fail). */
  public static final double JUMP_LU = 6;

  /** One microphone on two channels, coded or not; two that stand together go apart by more. */
  private static final double SAME = 0.9995;

  private static final double SAME_PEAK = 0.01;

  private static final double PASSAGE_SECONDS = 10;
  private static final double HOP_SECONDS = 0.1;
  private static final double GATE_UNDER_INTEGRATED_LU = 20;

  public TakeReport {
    channels = List.copyOf(channels);
  }

  /** The same with other channels. */
  public TakeReport with(List<TakeChannel> others) {
    return new TakeReport(sampleRateHz, others, loudness, shortTermLufs, correlation);
  }

  /** Length in seconds. */
  public double seconds() {
    return channels.getFirst().samples() / sampleRateHz;
  }

  /** Largest true peak of any channel. */
  public double truePeak() {
    return channels.stream().mapToDouble(TakeChannel::truePeak).max().orElse(0);
  }

  /** Whether the first two channels hold the same. */
  public boolean alike() {
    return correlation.isPresent()
        && correlation.getAsDouble() > SAME
        && Math.abs(channels.get(0).peak() - channels.get(1).peak())
            <= SAME_PEAK * channels.getFirst().peak();
  }

  /** Whether the first two channels are of opposite polarity. */
  public boolean opposite() {
    return ChannelPair.isOpposite(correlation);
  }

  /** Channels in which nothing is but noise while another one has sound. */
  public List<Integer> deadChannels() {
    double most = channels.stream().mapToDouble(TakeChannel::meanSquare).max().orElse(0);
    List<Integer> dead = new ArrayList<>();
    for (int c = 0; c < channels.size(); c++) {
      if (ChannelPair.isDead(channels.get(c).meanSquare(), most)) {
        dead.add(c);
      }
    }
    return dead;
  }

  /**
   * What each channel gives to one made of all: those with sound alike; the first alone where they
   * would cancel each other.
   */
  public List<Double> monoShares() {
    List<Integer> dead = deadChannels();
    int live = channels.size() - dead.size();
    List<Double> shares = new ArrayList<>();
    for (int c = 0; c < channels.size(); c++) {
      boolean counts = opposite() ? c == 0 : !dead.contains(c);
      shares.add(counts ? opposite() ? 1.0 : 1.0 / live : 0.0);
    }
    return shares;
  }

  /**
   * A change of loudness from one passage to the next.
   *
   * @param seconds where the new passage begins
   * @param changeLu new over old
   */
  public record Jump(double seconds, double changeLu) {}

  /** Changes of more than {@link #JUMP_LU} between passages of ten seconds. */
  public List<Jump> jumps() {
    List<Jump> jumps = new ArrayList<>();
    if (loudness.integratedLufs().isEmpty()) {
      return jumps;
    }
    double gate = loudness.integratedLufs().getAsDouble() - GATE_UNDER_INTEGRATED_LU;
    int passage = (int) (PASSAGE_SECONDS / HOP_SECONDS);
    double before = Double.NaN;
    for (int from = 0; from + passage / 2 <= shortTermLufs.length; from += passage) {
      int to = Math.min(shortTermLufs.length, from + passage);
      double[] loud = Arrays.stream(shortTermLufs, from, to).filter(l -> l > gate).toArray();
      if (loud.length < passage / 4) {
        continue;
      }
      double now = Quantile.median(loud);
      if (Math.abs(now - before) > JUMP_LU) {
        jumps.add(new Jump(from * HOP_SECONDS, now - before));
      }
      before = now;
    }
    return jumps;
  }
}
