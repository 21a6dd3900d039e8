package nullroom.core.measure.altered;

import java.util.Optional;
import nullroom.core.Figures;

/**
 * Islands of tones, that come and go where a room and its noise leave every bin of a spectrum to
 * itself: a gain of its own was set for each bin, by a reduction or by a coder. Cannot see a
 * reduction that leaves pauses and tails plain noise, only softer.
 */
final class Islands {
  /** Of the lines about 2 kHz a coder of a low rate drops a third. */
  private static final double COARSE = 0.32;

  private final TailTexture tails;
  private final LevelsBetween.Seen between;
  private final Optional<QuietTexture> quiet;
  private final CoderGrid grid;

  /**
   * Of one sound.
   *
   * @param between its lines between noise and sound
   * @param quiet of its quietest moments; empty also where the steps of the file are louder
   * @param grid its frames, if a coder wrote it
   */
  Islands(
      SpectraSeen spectra,
      LevelsBetween.Seen between,
      Optional<QuietTexture> quiet,
      CoderGrid grid) {
    tails = spectra.tails();
    this.between = between;
    this.quiet = tails.isSung() ? Optional.empty() : quiet;
    this.grid = grid;
  }

  /** What speaks for a reduction, or a coder of a low rate. */
  Optional<String> ofReduction() {
    return tails
        .workedOn()
        .filter(t -> !between.isUnlikely(tails.fallsPlainly()))
        .map(t ->
            Figures.say(
                "while sounds die away islands of tones come and go: neighbouring lines of the spectrum follow one another by %.2f and scatter by %.1f dB, where a room has 0.3 and 5.6",
                t.beside(), t.scatterDb()))
        .or(() ->
            quiet
                .filter(q -> q.isWorkedOn() && !tails.isCoded() && (!q.isCoded() || tails.isEven()))
                .map(q ->
                    Figures.say(
                        "in the quietest moments islands of tones come and go: neighbouring lines of the spectrum follow one another by %.2f and scatter by %.1f dB, where noise has 0.27 and 5.9",
                        q.beside(), q.scatterDb())));
  }

  /** Whether a coder wrote the sound that drops so much that it leaves such islands. */
  boolean areOfCoder() {
    return grid.dropped().orElse(0) > COARSE;
  }

  /** What speaks for a coder, or a reduction whose islands lie as a coder's do. */
  Optional<String> ofCoder(boolean edged) {
    Optional<QuietTexture> still = quiet.filter(q -> !q.diesAway());
    return quiet
        .filter(q -> edged && q.isWorkedOn())
        .or(() -> still.filter(QuietTexture::isCoded))
        .map(q ->
            Figures.say(
                "islands of tones come and go in the quietest moments%s: neighbouring lines of the highs follow one another by %.2f, in noise by 0.26",
                edged ? " under the edge of the spectrum" : "", q.high()))
        .or(() -> still.flatMap(q -> tails.coded()));
  }

  /** Whether they are wider than a coder leaves them, and no coder's frames show. */
  boolean areWide() {
    return tails.isWide() && !areOfFrames();
  }

  /** Whether the frames show in which a coder wrote the sound. */
  boolean areOfFrames() {
    return grid.dropped().isPresent();
  }
}
