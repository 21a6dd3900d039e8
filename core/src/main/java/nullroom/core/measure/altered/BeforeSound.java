package nullroom.core.measure.altered;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import nullroom.core.signal.Band;
import nullroom.core.signal.Biquads;
import nullroom.core.signal.Butterworth;

/**
 * Noise that rises just before something sounds. In a room nothing comes before its cause; but what
 * works on blocks of sound opens for a whole block, and lets the noise of its beginning through. It
 * asks for sounds that begin at once, out of noise that stood still, and how far the noise rose in
 * the hundredths of a second before. A sound may begin softly by itself, in colours of its own; the
 * noise that is let through rises alike in all bands, and before all sounds. Cannot see a reduction
 * where nothing begins at once.
 */
final class BeforeSound {
  /**
   * Blocks of some ten milliseconds show in the short rows, of up to a twentieth in the long ones.
   */
  private static final double[] ROW_SECONDS = {0.001, 0.002};

  /** Sounds before which the short rows must show it, too, where the long ones show a swelling. */
  private static final double RISEN_SHARE = 0.3;

  private static final double[] EDGES_HZ = {1200, 2500, 4500, 8000, 14_000};
  private static final double MOST_OF_RATE = 0.48;
  private static final int ORDER = 2;

  /** So many sounds may swell up by chance, unless the noise has come up before. */
  private static final int BY_CHANCE = 2;

  /** In one band alone nothing can be seen to rise alike. */
  private static final int FEWEST_BANDS = 2;

  private final Biquads high;
  private final List<Beginnings> byLength;
  private double[] highs = new double[0];

  BeforeSound(double rate) {
    high = Butterworth.highPass(ORDER, EDGES_HZ[0], rate);
    List<Band> bands =
        IntStream.range(1, EDGES_HZ.length)
            .filter(b -> EDGES_HZ[b] < MOST_OF_RATE * rate)
            .mapToObj(b ->
                new Band(
                    EDGES_HZ[b],
                    Math.sqrt(EDGES_HZ[b - 1] * EDGES_HZ[b]),
                    EDGES_HZ[b - 1],
                    EDGES_HZ[b]))
            .toList();
    byLength =
        bands.size() < FEWEST_BANDS
            ? List.of()
            : Arrays.stream(ROW_SECONDS).mapToObj(s -> new Beginnings(bands, rate, s)).toList();
  }

  /** The next samples. */
  void add(double[] block, int length) {
    highs = highs.length < length ? new double[length] : highs;
    high.filter(block, highs, length);
    byLength.forEach(b -> b.add(block, highs, length));
  }

  /** Those of the short rows and of the long ones; not numbers where too few bands are heard. */
  DoubleStream traces() {
    return byLength.isEmpty()
        ? Trace.nothing(ROW_SECONDS.length * Beginnings.TRACES)
        : byLength.stream().flatMapToDouble(Beginnings::traces);
  }

  /** What speaks for something that works on blocks. */
  Optional<String> told() {
    return first(Beginnings::told)
        .or(() ->
            crackles() || byLength.stream().anyMatch(Beginnings::plainlySwellUp)
                ? Optional.empty()
                : byLength.stream().findFirst().flatMap(Beginnings::stands));
  }

  /**
   * The same where something else speaks for it, too: then it is enough that the noise mostly
   * rises.
   *
   * @param fewest sounds that begin at once
   * @param evidence a sentence, into which their number and the rise are put
   */
  Optional<String> mostlyRises(int fewest, String evidence) {
    return first(b ->
        b.count() > BY_CHANCE || b.hasRisenBefore() || byLength.getFirst().standsRisen()
            ? b.mostlyRises(fewest, evidence)
            : Optional.empty());
  }

  private Optional<String> first(Function<Beginnings, Optional<String>> evidence) {
    return byLength.stream()
        .filter(b -> !crackles() && (!b.swellUp() || standsRisen(b.count())))
        .map(evidence)
        .flatMap(Optional::stream)
        .findFirst();
  }

  private boolean crackles() {
    return byLength.stream().anyMatch(Beginnings::crackle);
  }

  /** In the short rows, before some of so many sounds. */
  private boolean standsRisen(int sounds) {
    Beginnings shortest = byLength.getFirst();
    return shortest.standsRisen() && shortest.count() >= RISEN_SHARE * sounds;
  }
}
