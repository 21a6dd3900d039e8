package nullroom.core.measure.altered;

import java.util.Optional;
import java.util.stream.DoubleStream;
import java.util.stream.Stream;
import nullroom.core.Figures;
import nullroom.core.measure.altered.LineTexture.Texture;

/**
 * How single bins of spectra lie beside one another while sounds die away into the noise. A room's
 * tail and the noise are both noise, and so is their sum: whatever the levels, the logarithms of
 * neighbouring bins scatter by 5.6 dB, each for itself but for what the window shares. A reduction
 * that leaves the pauses plain noise, only softer, still decides there, bin by bin, what is to be
 * kept, and makes islands of them.
 */
final class TailTexture {
  private static final double TAIL_SECONDS = 0.6;
  private static final double STILL_DB = 1;
  private static final double TAIL_FROM_DB = 8;
  private static final double TAIL_TO_DB = 14;

  /** What falls faster sounds in a part of the window only, and its bins are not apart. */
  private static final double STEEP_DB = 15;

  /**
   * Of a sound that dies away fast most is left out by that, and what is left was sounded itself.
   */
  private static final double KEPT_SHARE = 0.7;

  /** What falls at least so fast, if by less, dies away in the room; islands are there, too. */
  private static final double FALLS_DB = 10;

  private static final double PLAIN_DB = 5.95;
  private static final double PLAINEST_DB = 5.73;
  private static final double PLAINEST_BESIDE = 0.28;
  private static final int PLAINEST_ROWS = 16;

  private static final double NEARLY_PLAIN_DB = 5.78;
  private static final int NEARLY_PLAIN_ROWS = 13;

  /** What falls so, and often, nobody has worked on, whatever else there is. */
  private static final double NOISE_DB = 5.56;

  private static final int NOISE_ROWS = 30;

  /** What falls so, and very often, shows no lines between its levels and the noise. */
  private static final double OFTEN_DB = 5.82;

  private static final int OFTEN_ROWS = 60;

  private static final double LOUD_FROM_DB = 24;
  private static final int MIDDLE_FROM = 1;
  private static final int MIDDLE_TO = 4;

  /**
   * Of untouched sound up to 6.0, or the neighbours up to 0.42; both in few rows up to 6.1 and
   * 0.39.
   */
  private static final double SCATTER_DB = 6.08;

  private static final double BESIDE = 0.41;

  /** Further apart than any of untouched sound, that reaches 6.3, where there is enough of it. */
  private static final double WIDE_DB = 6.4;

  private static final double WIDE_BESIDE = 0.34;
  private static final int WIDE_ROWS = 15;

  /** Squared decibels more than in the pauses, which a steady line would widen, too. */
  private static final double MORE = 6.5;

  /** Of a sung tone the lines follow one another also while it is loud. */
  private static final double FOLLOWING = 0.3;

  private static final double TAIL_FOLLOWING = 0.45;

  /** Of a voice that speaks lines follow less while it is loud, of song and notes mostly more. */
  private static final double SUNG = 0.5;

  /** Lines of song stand so far apart, those of one voice of a hundred by 7.5 dB. */
  private static final double TONES_DB = 9;

  /** So much wider over 8 kHz than about 4 kHz, where it is hardly wider than noise: a coder. */
  private static final double RISING_DB = 0.45;

  private static final double RISING_FROM_DB = 6;

  /** The same in the pauses, where no other coder widens them so with height. */
  private static final double TOP_RISE_DB = 0.8;

  /** Coders that fill their holes leave up to 0.39. */
  private static final double WIDER_BESIDE = 0.4;

  /** Pauses in which bins scatter further than in any plain noise, low and high alike. */
  private static final double EVEN_DB = 5.55;

  private static final double EVEN_SLACK_DB = 0.2;

  /** A coder leaves the voice's own bands nearly as they were, and takes more the higher. */
  private static final double CODED_LOW_DB = 5.6;

  private static final double CODED_RISE_DB = 0.24;

  /** By so many of its own standard errors. */
  private static final double CODED_RISE_SURE = 3;

  /** Of the scatter of one row of plain noise, of some 56 bins. */
  private static final double ROW_ERROR_DB = 0.79;

  /**
   * Lines of real voices waver, and are wide where they stand far over what is between; those that
   * were worked out are narrow.
   */
  private static final double LINES_DB = 6.3;

  private static final double NARROW = 0.0665;

  private static final double NEARLY_NARROW = 0.07;

  /** Lines of plain noise follow one another by up to 0.03. */
  private static final double HUM = 0.035;

  /** Near the noise, whether it rises or falls. */
  private static final double NEAR_FROM_DB = 3;

  private static final double NEAR_TO_DB = 10;

  private final LineTexture lines;
  private final double[] total;

  /**
   * Of all that was heard.
   *
   * @param total levels of it, spectrum by spectrum
   */
  TailTexture(LineTexture lines, double[] total) {
    this.lines = lines;
    this.total = total;
  }

  private static boolean isIslands(Texture t) {
    return t.following() < TAIL_FOLLOWING
        && (t.scatterDb() > SCATTER_DB && t.beside() > BESIDE
            || t.scatterDb() > WIDE_DB && t.beside() > WIDE_BESIDE && t.rows() > WIDE_ROWS);
  }

  /** While sounds die away, from one band to another; empty where that is too short. */
  private Optional<Texture> tails(int from, int to) {
    return lines.of(total, from, to, dyingAway(TAIL_FROM_DB, TAIL_TO_DB, STEEP_DB));
  }

  private static LineTexture.Asked dyingAway(double fromDb, double toDb, double steepDb) {
    return (since, over, fall) ->
        since > 0 && since < TAIL_SECONDS && over > fromDb && over < toDb && fall < steepDb;
  }

  /**
   * Whether what falls fast is noise as a room leaves it, so that lines of what falls slower are
   * those of the sound itself.
   *
   * @param tails what falls slower
   */
  private boolean isPlainWhereItFalls(Texture tails) {
    int all =
        lines
            .of(
                total,
                LineTexture.HIGH,
                lines.bands(),
                dyingAway(TAIL_FROM_DB, TAIL_TO_DB, Double.POSITIVE_INFINITY))
            .map(Texture::rows)
            .orElse(0);
    return falling()
        .filter(t ->
            tails.rows() < KEPT_SHARE * all && t.scatterDb() < PLAIN_DB
                || t.rows() >= PLAINEST_ROWS
                    && t.scatterDb() < PLAINEST_DB
                    && t.beside() < PLAINEST_BESIDE)
        .isPresent();
  }

  /** While something stands far over the noise. */
  private Optional<Texture> loud(int from, int to) {
    return lines.of(total, from, to, (since, over, fall) -> over > LOUD_FROM_DB);
  }

  private Optional<Texture> loudHighs() {
    return loud(LineTexture.HIGH, lines.bands());
  }

  /** While nothing sounds. */
  private Optional<Texture> still(int from, int to) {
    return lines.of(total, from, to, (since, over, fall) -> over < STILL_DB);
  }

  /** Whether somebody decided bin by bin, and no coder did. */
  Optional<Texture> workedOn() {
    Optional<Texture> high = tails(LineTexture.HIGH, lines.bands());
    Optional<Texture> still = still(LineTexture.HIGH, lines.bands());
    Optional<Texture> loud = loudHighs();
    if (high.isEmpty() || still.isEmpty() || loud.isEmpty() || isCoded()) {
      return Optional.empty();
    }
    Optional<Texture> middle = tails(MIDDLE_FROM, MIDDLE_TO);
    Optional<Texture> top = tails(LineTexture.TOP, lines.bands());
    boolean tones = loud.get().following() > FOLLOWING || loud.get().scatterDb() > TONES_DB;
    boolean rising =
        middle.filter(m -> m.scatterDb() < RISING_FROM_DB).isPresent()
            && top.filter(t -> t.scatterDb() > middle.get().scatterDb() + RISING_DB).isPresent();
    double more = square(high.get().scatterDb()) - square(still.get().scatterDb());
    return high.filter(h -> isIslands(h) && more > MORE && !tones && !rising)
        .filter(h -> !fallsAsNoise() && !isPlainWhereItFalls(h));
  }

  /** Whether what falls fast is nearly noise as a room leaves it, and there is enough of it. */
  boolean fallsPlainly() {
    return falls(NEARLY_PLAIN_ROWS, NEARLY_PLAIN_DB);
  }

  /** Whether it is so, and there is much of it. */
  boolean oftenFallsPlainly() {
    return falls(OFTEN_ROWS, OFTEN_DB);
  }

  /** Whether it is so beyond doubt. */
  private boolean fallsAsNoise() {
    return falls(NOISE_ROWS, NOISE_DB);
  }

  private boolean falls(int fewestRows, double underDb) {
    return falling().filter(t -> t.rows() >= fewestRows && t.scatterDb() < underDb).isPresent();
  }

  /** Lines of what falls fast, whatever its level. */
  private Optional<Texture> falling() {
    return lines.of(
        total,
        LineTexture.HIGH,
        lines.bands(),
        (since, over, fall) -> since > 0 && fall > FALLS_DB);
  }

  /** Whether long tones are loud, that go on in pauses as long as a room rings. */
  boolean isSung() {
    return loudHighs().filter(l -> l.following() > SUNG).isPresent();
  }

  /** Whether it is so, or lines stand as far apart as those of song. */
  boolean isSong() {
    return isSung() || loudHighs().filter(l -> l.scatterDb() > TONES_DB).isPresent();
  }

  /** Whether what is loud is a comb of narrow lines, that leaves little between. */
  boolean isComb() {
    return isComb(NARROW);
  }

  /**
   * Whether lines may stand alone by themselves: nearly in a comb, in a hum of the pauses, or where
   * nothing dies away slowly, or as plain noise does.
   */
  boolean mayStandAlone() {
    return isComb(NEARLY_NARROW)
        || fallsPlainly()
        || tails(LineTexture.HIGH, lines.bands()).isEmpty()
        || still(LineTexture.HIGH, lines.bands()).filter(t -> t.following() > HUM).isPresent();
  }

  private boolean isComb(double narrow) {
    return loud(0, 1)
        .filter(l -> l.scatterDb() > LINES_DB && l.beside() < narrow * l.scatterDb())
        .isPresent();
  }

  /** Whether islands are in the pauses, more the higher: a coder's. */
  boolean isCoded() {
    return coded().isPresent();
  }

  /** What speaks for a coder: islands in the pauses, more the higher. */
  Optional<String> coded() {
    Optional<Texture> low = still(0, LineTexture.HIGH);
    Optional<Texture> high = still(LineTexture.HIGH, lines.bands());
    return low.isPresent()
            && high.isPresent()
            && low.get().scatterDb() < CODED_LOW_DB
            && risesSurely(low.get(), high.get())
        ? Optional.of(
            Figures.say(
                "in the pauses neighbouring lines of the spectrum scatter by %.1f dB over 4 kHz and by %.1f dB under it: those of noise scatter alike",
                high.get().scatterDb(), low.get().scatterDb()))
        : Optional.empty();
  }

  private static boolean risesSurely(Texture low, Texture high) {
    double error = ROW_ERROR_DB * Math.sqrt(1.0 / low.rows() + 1.0 / high.rows());
    return high.scatterDb() - low.scatterDb() > Math.max(CODED_RISE_DB, CODED_RISE_SURE * error);
  }

  /** Islands in the pauses as wide as no coder leaves them but one that widens them with height. */
  boolean isWide() {
    Optional<Texture> middle = still(MIDDLE_FROM, MIDDLE_TO);
    return middle.isPresent()
        && still(LineTexture.TOP, lines.bands())
            .filter(t ->
                t.beside() > WIDER_BESIDE && t.scatterDb() < middle.get().scatterDb() + TOP_RISE_DB)
            .isPresent();
  }

  /** Islands in the pauses, as many at all heights: no coder's. */
  boolean isEven() {
    Optional<Texture> low = still(0, LineTexture.HIGH);
    Optional<Texture> high = still(LineTexture.HIGH, lines.bands());
    return lines.bands() > LineTexture.TOP // a coder shows by what it does up there
        && low.isPresent()
        && high.isPresent()
        && low.get().scatterDb() > EVEN_DB
        && Math.abs(high.get().scatterDb() - low.get().scatterDb()) < EVEN_SLACK_DB;
  }

  /**
   * Scatter, neighbours and followers where sounds die away, near the noise, in the pauses below
   * and above 4 kHz, where it is loud, and in what falls fast; not numbers of too few.
   */
  DoubleStream traces() {
    return Stream.of(
            tails(LineTexture.HIGH, lines.bands()),
            lines.of(
                total,
                0,
                lines.bands(),
                (since, over, fall) -> over > NEAR_FROM_DB && over < NEAR_TO_DB),
            still(0, LineTexture.HIGH),
            still(LineTexture.HIGH, lines.bands()),
            loudHighs(),
            falling())
        .flatMapToDouble(t ->
            t.map(x -> DoubleStream.of(x.scatterDb(), x.beside(), x.following()))
                .orElseGet(() -> Trace.nothing(3)));
  }

  private static double square(double x) {
    return x * x;
  }
}
