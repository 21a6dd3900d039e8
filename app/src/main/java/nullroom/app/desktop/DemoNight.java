package nullroom.app.desktop;

import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Octave;
import nullroom.core.measure.noise.SecondLevels;
import nullroom.core.measure.noise.Survey;
import nullroom.core.predict.Heard;
import nullroom.core.signal.Band;
import nullroom.io.survey.SurveyFile;

/**
 * A night over the bakery, invented and seeded: second by second the levels that the simulated
 * microphone would give. A cold store that cycles, an extractor, a weathercock, a shower of rain,
 * dough mixers from three.
 */
final class DemoNight {
  static final LocalDateTime BEGIN = LocalDateTime.of(2026, 3, 13, 22, 0);
  private static final int SECONDS = 8 * 3600;
  private static final long SEED = 41;

  /** FAST goes this far over the mean of a second in steady noise. */
  private static final double STEADY_RISE_DB = 1.2;

  private static final double CREST_DB = 11;

  private static final Bands WIND = Bands.of(37, 31, 25, 19, 14, 11, 9, 8);
  private static final Bands COLD_STORE = Bands.of(42, 36, 27, 20, 14, 9, 5, 2);
  private static final Bands EXTRACTOR = Bands.of(38, 36, 31, 25, 19, 13, 8, 3);
  private static final Bands MIXERS = Bands.of(46, 42, 36, 29, 22, 16, 10, 5);
  private static final Bands RAIN = Bands.of(30, 29, 30, 31, 32, 31, 29, 26);
  private static final Bands KNOCK = Bands.of(50, 52, 48, 42, 36, 30, 24, 18);
  private static final Bands CREAK = Bands.of(20, 22, 28, 36, 44, 42, 34, 24);

  private final Heard heard;
  private final Random random = new Random(SEED);

  private DemoNight(Heard heard) {
    this.heard = heard;
  }

  static List<SurveyFile.Line> of(Heard heard) {
    return new DemoNight(heard).lines();
  }

  private List<SurveyFile.Line> lines() {
    List<SurveyFile.Line> lines = new ArrayList<>();
    double gust = 0;
    int knock = 0;
    int creak = 0;
    for (int s = 0; s < SECONDS; s++) {
      gust = 0.97 * gust + 0.35 * random.nextGaussian();
      double hour = 22 + s / 3600.0;
      Bands steady = steady(s, hour, gust);
      creak = creak > 0 ? creak - 1 : random.nextInt(700) == 0 ? 1 + random.nextInt(3) : 0;
      boolean mixing = hour >= 27;
      knock = knock > 0 ? knock - 1 : random.nextInt(mixing ? 22 : 2600) == 0 ? 1 : 0;
      Bands sudden = knock > 0 ? louder(KNOCK) : creak > 0 ? louder(CREAK) : Bands.all(-60);
      lines.add(line(s, steady, sudden));
    }
    return lines;
  }

  private Bands louder(Bands levels) {
    double by = 3 * random.nextGaussian();
    return levels.map(level -> level + by);
  }

  private Bands steady(int second, double hour, double gust) {
    Bands sum = WIND.map(level -> level + gust);
    if (second / 60 % 30 < 12) {
      sum = sum.energySum(COLD_STORE);
    }
    if (hour < 23.4 || hour >= 26.8) {
      sum = sum.energySum(EXTRACTOR);
    }
    if (hour >= 27) {
      sum = sum.energySum(MIXERS);
    }
    if (hour > 24.6 && hour < 25.1) {
      double swell = 8 * Math.sin(Math.PI * (hour - 24.6) / 0.5) - 6;
      sum = sum.energySum(RAIN.map(level -> level + swell));
    }
    return sum;
  }

  /** A sudden sound lasts a third of its second. */
  private SurveyFile.Line line(int second, Bands steady, Bands sudden) {
    Bands mean = heard.givenDbfs(steady.energySum(sudden.map(level -> level - 5)));
    double loudest =
        Octave.aWeightedSum(heard.givenDbfs(steady.energySum(sudden))) + STEADY_RISE_DB;
    double wander = 0.3 * random.nextGaussian();
    List<Double> octaves = new ArrayList<>();
    octaves.add(mean.get(0) + 3);
    for (int i = 0; i < Octave.COUNT; i++) {
      octaves.add(mean.get(i) + wander);
    }
    octaves.add(mean.get(Octave.COUNT - 1) - 2);
    double all = mean.energySum();
    SecondLevels levels =
        new SecondLevels(
            Octave.aWeightedSum(mean) + wander,
            loudest + wander,
            all + wander,
            all + 1 + wander,
            all + CREST_DB,
            0,
            octaves);
    return new SurveyFile.Line(BEGIN.plusSeconds(second), new Survey.Row(second, levels), "");
  }

  static List<Band> octaves() {
    return Band.OCTAVES;
  }
}
