package nullroom.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import nullroom.core.Figures;
import nullroom.core.acoustics.Octave;
import nullroom.core.book.DecayMeasurement;
import nullroom.core.book.RoomBook;
import nullroom.core.measure.decay.PositionAverage;
import nullroom.core.plan.Why.Input;
import nullroom.core.predict.Origin;
import nullroom.core.predict.Statistics;

/** Why the figures of a book are what they are that stand on no ladder. */
public final class BookReasons {
  private BookReasons() {}

  /** The reverberation time: measured where it was, predicted elsewhere. */
  public static Why reverberation(RoomBook book) {
    return book.decay()
        .flatMap(d -> book.decays().average().map(a -> measured(d, a)))
        .orElseGet(() -> predicted(book));
  }

  private static Why measured(DecayMeasurement last, PositionAverage average) {
    Origin origin = Origin.heard(last.simulated(), last.taken());
    List<Input> inputs = new ArrayList<>();
    double worst = 0;
    for (PositionAverage.Averaged band : average.bands()) {
      if (band.centreHz() >= Octave.nominalHz(Octave.FIRST_VOICE)) {
        inputs.add(
            new Input(
                Figures.say("T20 at %.0f Hz", band.centreHz()),
                Figures.say("%.2f ± %.2f s", band.seconds(), band.deviationSeconds()),
                origin));
        worst = Math.max(worst, band.deviationSeconds() / band.seconds());
      }
    }
    return new Why(
        "reverberation time",
        average.tMidSeconds().isPresent()
            ? Figures.say(
                "%.2f s, the mean of 500 and 1000 Hz", average.tMidSeconds().getAsDouble())
            : "not at 500 and 1000 Hz",
        Figures.say(
            "Slope of the energy decay curve from −5 to −25 dB, averaged over %d pairs of places;"
                + " by chance alone each may be off by up to %.0f %%.",
            average.pairs(), 100 * worst),
        "ISO 3382-2: T20, and 7.1 for its deviation",
        inputs,
        OptionalDouble.empty(),
        "more places, and more claps at each");
  }

  /** The reverberation time that the description of the room predicts. */
  public static Why predicted(RoomBook book) {
    Statistics statistics = Statistics.of(book.room());
    Origin tables =
        Origin.assumed(
            book.here().described()
                ? "as described, absorption by tables"
                : "for an ordinary room: nobody described this one");
    return new Why(
        "predicted reverberation",
        Figures.say("%.2f s, the mean of 500 and 1000 Hz", statistics.midSeconds()),
        statistics.why(),
        "H. Kuttruff, Room Acoustics: reverberation formulas; ISO 9613-1 for air",
        List.of(
            new Input("volume", Figures.say("%.1f m³", statistics.volume()), tables),
            new Input("surface", Figures.say("%.1f m²", statistics.surface()), tables),
            new Input(
                "absorption area at 1 kHz",
                Figures.say("%.1f m²", statistics.absorptionArea().get(Octave.HZ_1000)),
                tables)),
        OptionalDouble.empty(),
        "the material of the largest surface; tables are good to about 15 %");
  }
}
