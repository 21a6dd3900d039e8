package nullroom.core.measure.decay;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import nullroom.core.Figures;
import nullroom.core.acoustics.Octave;
import nullroom.core.signal.Samples;
import nullroom.core.signal.Sums;

/**
 * Watches an input while someone claps, and says of each clap, as soon as it has died away, how far
 * it stood over the noise in each octave and whether it will do. Samples are kept for as long as
 * they are needed. Not thread-safe.
 */
public final class ClapWatch {
  /** What became of a sudden sound. */
  public enum Verdict {
    GOOD("good"),
    WEAK("too weak"),
    CLIPPED("clipped"),
    NO_CLAP("no clap"),
    TOO_SOON("too soon");

    private final String label;

    Verdict(String label) {
      this.label = label;
    }

    /** Name for people. */
    public String label() {
      return label;
    }
  }

  /**
   * A sudden sound.
   *
   * @param atSeconds since the watch began
   * @param verdict whether it will do
   * @param inrDb impulse to noise ratio per octave of {@link Octave}; empty where there is none
   * @param advice one sentence; empty for a good one
   */
  public record Clap(double atSeconds, Verdict verdict, List<OptionalDouble> inrDb, String advice) {
    public Clap {
      inrDb = List.copyOf(inrDb);
    }
  }

  /** A clap is judged when it is this old. */
  public static final double SETTLE_SECONDS = 1.4;

  private static final double FRAME_SECONDS = 0.002;
  private static final double BEFORE_SECONDS = 0.4;

  /** Rise over the background that wakes the watch, in energy (20 dB). */
  private static final double WAKE = 100;

  /** How quickly the background follows, per frame: half a second. */
  private static final double FOLLOW = FRAME_SECONDS / 0.5;

  /** A sudden sound also rises over what was there 30 ms before. */
  private static final double FOLLOW_RECENT = FRAME_SECONDS / 0.03;

  /** A frame of digital silence stands for this. */
  private static final double LEAST_ENERGY = 1e-12;

  private final double rate;
  private final double clipped;
  private final int frame;
  private final List<Clap> claps = new ArrayList<>();
  private double[] kept = new double[1 << 16];
  private int count;
  private long dropped;
  private int seen;
  private double background = -1;
  private double recent;
  private long onset = -1;
  private long lastOnset = Long.MIN_VALUE / 2;

  /**
   * A watch.
   *
   * @param sampleRateHz samples a second
   * @param largestAmplitude of the input; a sample that reaches it is clipped
   */
  public ClapWatch(double sampleRateHz, double largestAmplitude) {
    rate = sampleRateHz;
    clipped = largestAmplitude;
    frame = (int) (FRAME_SECONDS * rate);
  }

  /**
   * The next samples.
   *
   * @param block not modified
   * @param length how many of it count
   */
  public void add(double[] block, int length) {
    if (count + length > kept.length) {
      kept = Arrays.copyOf(kept, 2 * (count + length));
    }
    System.arraycopy(block, 0, kept, count, length);
    count += length;
    while (seen + frame <= count) {
      look(Sums.ofSquares(kept, seen, frame) / frame + LEAST_ENERGY);
      seen += frame;
      if (onset >= 0 && dropped + seen - onset >= SETTLE_SECONDS * rate) {
        judge(dropped + seen);
      }
    }
    forget();
  }

  /** What was heard so far, oldest first. */
  public List<Clap> claps() {
    return List.copyOf(claps);
  }

  /** How many will do. */
  public int good() {
    return (int) claps.stream().filter(c -> c.verdict() == Verdict.GOOD).count();
  }

  /** Whether a sudden sound is dying away and not judged yet. */
  public boolean waiting() {
    return onset >= 0;
  }

  private void look(double energy) {
    if (background < 0) {
      background = energy;
      recent = energy;
    }
    long now = dropped + seen;
    boolean sudden = energy > WAKE * background && energy > Onsets.RISE * recent;
    if (sudden && now - lastOnset > Onsets.SHORTEST_GAP_SECONDS * rate) {
      if (onset >= 0 && energy > loudestOf(onset) / 30) {
        judge(now); // the one before is cut off by this one
      }
      if (onset < 0) {
        onset = now;
        lastOnset = now;
      }
    }
    recent += FOLLOW_RECENT * (energy - recent);
    background += FOLLOW * (Math.min(energy, 4 * background) - background);
  }

  private double loudestOf(long start) {
    int from = (int) (start - dropped);
    return Sums.ofSquares(kept, from, frame) / frame;
  }

  private void judge(long end) {
    int from = (int) Math.max(0, onset - dropped - (long) (BEFORE_SECONDS * rate));
    double[] x = Arrays.copyOfRange(kept, from, (int) (end - dropped));
    claps.add(verdict(x, (int) (onset - dropped) - from));
    onset = -1;
  }

  private Clap verdict(double[] x, int at) {
    double seconds = onset / rate;
    double length = (x.length - at) / rate;
    if (Arrays.stream(x).anyMatch(v -> Math.abs(v) >= clipped)) {
      return new Clap(
          seconds,
          Verdict.CLIPPED,
          List.of(),
          "It clipped: turn the gain down or stand further away.");
    }
    if (!ImpulseTakes.likeAClap(x, at, rate)) {
      return new Clap(
          seconds, Verdict.NO_CLAP, List.of(), "That was a thump or a word: it is left out.");
    }
    if (length < SETTLE_SECONDS / 2) {
      return new Clap(
          seconds, Verdict.TOO_SOON, List.of(), "The next sound came too soon: wait two seconds.");
    }
    DecayReport report = DecayAnalysis.ofImpulses(new Samples(x, rate), Octave.ALL);
    List<OptionalDouble> inr =
        Octave.ALL.stream()
            .map(b ->
                report
                    .band(b.nominalHz())
                    .map(DecayReport.BandDecay::inrDb)
                    .orElse(OptionalDouble.empty()))
            .toList();
    double least = Math.min(inr.get(Octave.HZ_500).orElse(0), inr.get(Octave.HZ_1000).orElse(0));
    return least >= DecayAnalysis.INR_T20_DB
        ? new Clap(seconds, Verdict.GOOD, inr, "")
        : new Clap(
            seconds,
            Verdict.WEAK,
            inr,
            Figures.say(
                "Only %.0f of 35 dB over the noise at mid frequencies: clap harder, or quieten the room.",
                least));
  }

  /** Lets go of what no clap to come can need. */
  private void forget() {
    int need = onset >= 0 ? (int) (onset - dropped) : seen;
    int spare = need - (int) (2 * BEFORE_SECONDS * rate);
    if (spare > 4 * rate) {
      System.arraycopy(kept, spare, kept, 0, count - spare);
      count -= spare;
      seen -= spare;
      dropped += spare;
    }
  }
}
