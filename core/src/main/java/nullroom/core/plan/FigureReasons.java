package nullroom.core.plan;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import nullroom.core.Decibels;
import nullroom.core.Figures;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Material;
import nullroom.core.acoustics.NoiseRating;
import nullroom.core.acoustics.Octave;
import nullroom.core.acoustics.PorousLayer;
import nullroom.core.book.DecayMeasurement;
import nullroom.core.book.Hearing;
import nullroom.core.book.NoiseMeasurement;
import nullroom.core.book.RoomBook;
import nullroom.core.measure.decay.DecayReport;
import nullroom.core.measure.decay.PositionAverage;
import nullroom.core.measure.noise.NoiseReport;
import nullroom.core.measure.noise.Scale;
import nullroom.core.measure.take.TakeChannel;
import nullroom.core.measure.take.TakeReport;
import nullroom.core.plan.Why.Input;
import nullroom.core.predict.Heard;
import nullroom.core.predict.Margins;
import nullroom.core.predict.Origin;
import nullroom.core.predict.Statistics;
import nullroom.core.room.Room;

/**
 * Why the single figures of a book's measurements are what they are; empty where the book has none
 * such.
 */
public final class FigureReasons {
  private static final Origin DESCRIBED = Origin.predicted("from the room as described");

  private FigureReasons() {}

  /** A figure of the noise measured last. */
  public static Optional<Why> noise(RoomBook book, Quantity quantity) {
    return book.noise().flatMap(n -> noise(n, quantity));
  }

  /** A figure of a noise measurement. */
  public static Optional<Why> noise(NoiseMeasurement n, Quantity quantity) {
    NoiseReport r = n.report();
    return switch (quantity) {
      case LAEQ -> level(n, quantity, r.laeqDbfs());
      case LCEQ -> level(n, quantity, r.lceqDbfs());
      case LZEQ -> level(n, quantity, r.lzeqDbfs());
      case LAF_MAX -> level(n, quantity, r.laMaxFastDbfs());
      case LA10 -> level(n, quantity, r.la10Dbfs());
      case LA50 -> level(n, quantity, r.la50Dbfs());
      case LA90 -> level(n, quantity, r.la90Dbfs());
      case C_MINUS_A -> some(r.cMinusADb(), "%.1f dB").map(f -> quantity.why("", f, recording(n)));
      case SCALE_DOUBT ->
          n.scale()
              .map(s ->
                  quantity.why(
                      "",
                      Figures.say("%.1f dB", s.uncertaintyDb()),
                      new Input(
                          "full scale",
                          Figures.say("%.1f dB SPL", s.fullScaleDbSpl()),
                          Origin.assumed("as the scale was set"))));
      case ROOM_LEVEL ->
          some(n.laeqDbSpl(), "%.1f dBA")
              .map(f -> quantity.why("", f, List.of(recording(n)), doubt(n)));
      case NC -> n.nc().map(rating -> rating(n, quantity, rating));
      case NR -> n.nr().map(rating -> rating(n, quantity, rating));
      default -> Optional.empty();
    };
  }

  private static Why rating(NoiseMeasurement n, Quantity quantity, NoiseRating rating) {
    String deciding =
        Figures.say("%d, by the octave of %.0f Hz", rating.rating(), rating.decidingBandHz());
    return quantity.why("", deciding, List.of(recording(n)), doubt(n));
  }

  private static Optional<Why> level(NoiseMeasurement n, Quantity quantity, OptionalDouble dbfs) {
    return level(n, quantity, "", dbfs);
  }

  private static Optional<Why> level(
      NoiseMeasurement n, Quantity quantity, String where, OptionalDouble dbfs) {
    double offset = n.scale().map(Scale::fullScaleDbSpl).orElse(0.0);
    String format = n.scale().isPresent() ? "%.1f dB SPL at the microphone" : "%.1f dBFS";
    return some(dbfs.stream().map(l -> l + offset).findFirst(), format)
        .map(f -> quantity.why(where, f, List.of(recording(n)), doubt(n)));
  }

  private static OptionalDouble doubt(NoiseMeasurement n) {
    return n.scale().map(s -> OptionalDouble.of(s.uncertaintyDb())).orElse(OptionalDouble.empty());
  }

  private static Input recording(NoiseMeasurement n) {
    return new Input(
        "recording",
        Figures.say("of %.1f s", n.report().seconds()),
        Origin.heard(n.simulated(), n.taken()));
  }

  /** How far a noise lies under the highest that the goal allows. */
  public static Optional<Why> toQuietLine(Heard heard, Margins targets, Bands noise) {
    Why quiet = Ladder.of(heard, targets).whyOf("Quiet");
    return heard
        .quietLine(noise, targets.quietDb())
        .map(line ->
            Quantity.TO_QUIET_LINE.why(
                "",
                Figures.say("%+.1f dB", line.get(0) - noise.get(0)),
                quiet.inputs(),
                quiet.uncertaintyDb()));
  }

  /** The room's noise in an octave, as measured in the air or else as assumed. */
  public static Optional<Why> roomBand(RoomBook book, int band) {
    double hz = Octave.nominalHz(band);
    Optional<NoiseMeasurement> inAir = book.noise().filter(n -> n.roomDbSpl().isPresent());
    if (inAir.isPresent()) {
      NoiseMeasurement n = inAir.get();
      String level = Figures.say("%.1f dB SPL", n.roomDbSpl().orElseThrow().get(band));
      return Optional.of(
          Quantity.BAND_NOISE.why(
              Figures.say(", %.0f Hz", hz), level, List.of(recording(n)), doubt(n)));
    }
    Optional<Bands> described = book.room().noiseDbSpl();
    double level = described.orElse(Heard.ASSUMED_NOISE_DB_SPL).get(band);
    Origin origin =
        Origin.assumed(described.isPresent() ? "as described" : "for an ordinary quiet room");
    String figure = Figures.say("%.1f dB SPL", level);
    return Optional.of(
        Quantity.BAND_NOISE.why(
            Figures.say(", %.0f Hz", hz), figure, new Input("level", figure, origin)));
  }

  /** The level in an octave as the microphone gave it. */
  public static Optional<Why> octave(NoiseMeasurement n, int band) {
    return n.report()
        .octaveDbSpl(0)
        .flatMap(levels ->
            level(
                n,
                Quantity.OCTAVE_NOISE,
                Figures.say(", %.0f Hz", Octave.nominalHz(band)),
                OptionalDouble.of(levels.get(band))));
  }

  /** The level in a third octave, counted from the lowest, as the microphone gave it. */
  public static Optional<Why> third(RoomBook book, int index) {
    return book.noise()
        .filter(n -> index < n.report().thirds().size())
        .flatMap(n -> {
          NoiseReport.BandLevel third = n.report().thirds().get(index);
          String where =
              ", "
                  + BigDecimal.valueOf(third.centreHz()).stripTrailingZeros().toPlainString()
                  + " Hz";
          return level(n, Quantity.THIRD_NOISE, where, third.leqDbfs());
        });
  }

  /** A figure of an octave of the decay measured last. */
  public static Optional<Why> decay(RoomBook book, Quantity quantity, double centreHz) {
    return book.decay().flatMap(d -> d.report().band(centreHz).flatMap(b -> decay(d, quantity, b)));
  }

  private static Optional<Why> decay(
      DecayMeasurement d, Quantity quantity, DecayReport.BandDecay b) {
    Optional<String> figure =
        switch (quantity) {
          case EDT -> some(b.edtSeconds(), "%.2f s");
          case T20 -> some(b.t20Seconds(), "%.2f s");
          case T20_CHANCE ->
              some(b.t20DeviationSeconds().stream().map(s -> 2 * s).findFirst(), "%.2f s");
          case T30 -> some(b.t30Seconds(), "%.2f s");
          case C50 -> some(b.c50Db(), "%.1f dB");
          case C80 -> some(b.c80Db(), "%.1f dB");
          case D50 -> some(b.d50Percent(), "%.0f %%");
          case CENTRE_TIME ->
              some(b.centreTimeSeconds().stream().map(s -> 1000 * s).findFirst(), "%.0f ms");
          case OVER_NOISE -> some(b.inrDb(), "%.0f dB");
          case BENT -> some(b.curvaturePercent(), "%.0f %%");
          case NOT_STRAIGHT -> some(b.nonLinearityPermille(), "%.1f ‰");
          default -> Optional.empty();
        };
    return figure.map(f ->
        quantity.why(
            Figures.say(" at %.0f Hz", b.centreHz()),
            f,
            List.of(takes(d)),
            OptionalDouble.empty()));
  }

  /** The mean time of a decay measurement, of the middle octaves or those of the voice. */
  public static Optional<Why> decay(DecayMeasurement d, Quantity quantity) {
    OptionalDouble seconds =
        quantity == Quantity.T_MID ? d.report().tMidSeconds() : d.report().tVoiceSeconds();
    return some(seconds, "%.2f s").map(f -> quantity.why("", f, takes(d)));
  }

  private static Input takes(DecayMeasurement d) {
    DecayReport r = d.report();
    String how = r.excitation().map(e -> " by " + Figures.word(e)).orElse("");
    return new Input(
        "takes",
        Figures.say("%d%s at %s", r.takes(), how, d.at().pair()),
        Origin.heard(d.simulated(), d.taken()));
  }

  /** A figure of an octave of the mean over the places. */
  public static Optional<Why> mean(RoomBook book, Quantity quantity, double centreHz) {
    return book.decays()
        .average()
        .flatMap(a -> a.band(centreHz).flatMap(b -> mean(book, quantity, b)));
  }

  private static Optional<Why> mean(
      RoomBook book, Quantity quantity, PositionAverage.Averaged band) {
    Optional<String> figure =
        switch (quantity) {
          case MEAN_T20 -> Optional.of(Figures.say("%.2f s", band.seconds()));
          case SPREAD -> some(band.spreadSeconds(), "%.2f s");
          case T20_CHANCE -> Optional.of(Figures.say("%.2f s", 2 * band.deviationSeconds()));
          case PLACES -> Optional.of(String.valueOf(band.pairs()));
          default -> Optional.empty();
        };
    DecayMeasurement last = book.decay().orElseThrow();
    Input pairs =
        new Input(
            "places", String.valueOf(band.pairs()), Origin.heard(last.simulated(), last.taken()));
    return figure.map(f -> quantity.why(Figures.say(" at %.0f Hz", band.centreHz()), f, pairs));
  }

  /** The time of an octave by what the room's description says. */
  public static Why predicted(RoomBook book, int band) {
    Statistics s = Statistics.of(book.room());
    return Quantity.PREDICTED_TIME.why(
        Figures.say(" at %.0f Hz", Octave.nominalHz(band)),
        Figures.say("%.2f s", s.seconds().get(band)),
        List.of(
            new Input("volume", Figures.say("%.1f m³", s.volume()), DESCRIBED),
            new Input(
                "absorption area",
                Figures.say("%.1f m²", s.absorptionArea().get(band)),
                DESCRIBED)),
        OptionalDouble.empty());
  }

  /**
   * The time of an octave that is reckoned with in a room: as predicted, held against what was
   * measured where it was.
   */
  public static Why expected(Hearing hearing, Room room, int band) {
    Statistics s = Statistics.of(room);
    return Quantity.EXPECTED_TIME.why(
        Figures.say(" at %.0f Hz", Octave.nominalHz(band)),
        Figures.say("%.2f s", hearing.decaySeconds(room).get(band)),
        List.of(
            new Input(
                "absorption area", Figures.say("%.1f m²", s.absorptionArea().get(band)), DESCRIBED),
            new Input(
                "time by that",
                Figures.say("%.2f s", s.seconds().get(band)),
                hearing.heard().basis().decay())),
        OptionalDouble.empty());
  }

  /** What a material takes up in an octave. */
  public static Why absorption(Material material, int band) {
    return coefficient(
        material.absorption(),
        band,
        new Input("material", material.name(), Origin.assumed(Figures.source(material.source()))));
  }

  /** What a porous layer takes up in an octave. */
  public static Why layer(PorousLayer layer, int band) {
    return coefficient(
        layer.absorption(),
        band,
        new Input(
            "layer",
            Figures.say("of %.0f mm", 1000 * layer.thicknessMetres()),
            Origin.predicted("by Miki’s model of its flow resistivity")));
  }

  private static Why coefficient(Bands absorption, int band, Input input) {
    return Quantity.ABSORPTION.why(
        Figures.say(" at %.0f Hz", Octave.nominalHz(band)),
        Figures.say("%.2f", absorption.get(band)),
        input);
  }

  /**
   * A figure of a take.
   *
   * @param name of the take's file
   */
  public static Optional<Why> take(TakeReport take, TakeChannel c, String name, Quantity quantity) {
    Optional<String> figure = takeFigure(take, c, quantity);
    Input input =
        new Input(
            "take",
            Figures.say("of %.1f s", take.seconds()),
            new Origin(Origin.Kind.MEASURED, "read from " + name));
    return figure.map(f -> quantity.why("", f, input));
  }

  private static Optional<String> takeFigure(TakeReport take, TakeChannel c, Quantity quantity) {
    return switch (quantity) {
      case SAMPLE_PEAK -> some(OptionalDouble.of(Decibels.ofAmplitude(c.peak())), "%.1f dBFS");
      case TRUE_PEAK -> some(OptionalDouble.of(Decibels.ofAmplitude(take.truePeak())), "%.1f dBTP");
      case LOUDNESS -> some(take.loudness().integratedLufs(), "%.1f LUFS");
      case LOUDNESS_RANGE -> some(take.loudness().rangeLu(), "%.1f LU");
      case ACTIVE_SPEECH -> some(c.activeSpeechDbfs(), "%.1f dBFS");
      case SPOKEN -> some(c.activityPercent(), "%.1f %%");
      case FLOOR -> some(c.noiseFloorDbfs(), "%.1f dBFS");
      case FLOOR_A -> some(c.noiseFloorDbfsA(), "%.1f dBFS");
      case SPEECH_TO_NOISE -> some(c.speechToNoiseDb(), "%.1f dB");
      default -> Optional.empty();
    };
  }

  private static Optional<String> some(OptionalDouble figure, String format) {
    return figure.isPresent() && Double.isFinite(figure.getAsDouble())
        ? Optional.of(Figures.say(format, figure.getAsDouble()))
        : Optional.empty();
  }
}
