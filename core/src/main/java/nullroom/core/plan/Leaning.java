package nullroom.core.plan;

import java.util.function.Function;
import nullroom.core.Decibels;
import nullroom.core.Figures;
import nullroom.core.Trouble;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Octave;
import nullroom.core.measure.voice.LeanReport;
import nullroom.core.predict.Heard;
import nullroom.core.room.Movement;
import nullroom.core.room.Room;

/**
 * A lean test held against what the geometry predicts.
 *
 * @param measured what was heard
 * @param movement as described, or as is usual
 * @param predictedFallDb of the level at the worst end of that movement
 * @param predictedToneDb fall of 4 and 8 kHz against 500 Hz and 1 kHz at the dullest end
 * @param leanMetres how far back leaning would explain the fall, the head not turned; a metre at
 *     most
 */
public record Leaning(
    LeanReport measured,
    Movement movement,
    double predictedFallDb,
    double predictedToneDb,
    double leanMetres) {
  private static final double MOST_LEAN_METRES = 1;
  private static final double MOST_EXPLAINED_METRES = 0.99;
  private static final int ROUNDS = 20;

  /** A prediction this far off says that they move otherwise than described. */
  private static final double OFF_DB = 2;

  /** Of the pair judged. */
  public static Leaning of(LeanReport measured, Function<Room, Heard> hearing, Room room) {
    Sway sway = Sway.of(hearing, room);
    double still = tone(hearing.apply(room));
    double dullest = 0;
    for (Movement.Moment end : sway.movement().ends()) {
      try {
        Heard moved = hearing.apply(room.with(room.setUp().at(end)));
        dullest = Math.max(dullest, still - tone(moved));
      } catch (Trouble.BadField wall) {
        continue; // through a wall they do not lean
      }
    }
    return new Leaning(
        measured, sway.movement(), sway.voiceDb(), dullest, back(measured.fallDb(), hearing, room));
  }

  /** How far back the voice falls by so much, as the room answers there; a metre at most. */
  private static double back(double fallDb, Function<Room, Heard> hearing, Room room) {
    double still = hearing.apply(room).voiceDbSplA();
    double low = 0;
    double high = MOST_LEAN_METRES;
    for (int k = 0; k < ROUNDS; k++) {
      double middle = (low + high) / 2;
      if (still - leant(middle, hearing, room) < fallDb) {
        low = middle;
      } else {
        high = middle;
      }
    }
    return (low + high) / 2;
  }

  /** Level of the voice that far back; nothing where a wall stands. */
  private static double leant(double metres, Function<Room, Heard> hearing, Room room) {
    try {
      Movement.Moment back = new Movement.Moment(-metres, 0, 0);
      return hearing.apply(room.with(room.setUp().at(back))).voiceDbSplA();
    } catch (Trouble.BadField wall) {
      return Double.NEGATIVE_INFINITY;
    }
  }

  private static double tone(Heard heard) {
    Bands voice = heard.directDbSpl().energySum(heard.earlyDbSpl());
    return Decibels.sum(voice.get(Octave.COUNT - 2), voice.get(Octave.COUNT - 1))
        - Decibels.sum(voice.get(Octave.HZ_500), voice.get(Octave.HZ_1000));
  }

  /** Whether they move about as described. */
  public boolean asPredicted() {
    return Math.abs(measured.fallDb() - predictedFallDb) < OFF_DB + measured.ownDb();
  }

  /** Whether leaning back by less than a metre explains the fall. */
  public boolean explained() {
    return leanMetres < MOST_EXPLAINED_METRES;
  }

  /** What it means, in a sentence. */
  public String sentence() {
    String heard =
        Figures.say(
            "Moving takes up to %.1f dB off your voice and %.1f dB off its highs; by the geometry of %.0f cm and %.0f degrees it should be %.1f and %.1f.",
            measured.fallDb(),
            measured.toneFallDb(),
            100 * movement.leanMetres(),
            movement.turnDegrees(),
            predictedFallDb,
            predictedToneDb);
    if (measured.fallDb() > predictedFallDb && !asPredicted() && !explained()) {
      return heard + " No leaning explains that: you turned away, or spoke softer.";
    }
    return heard
        + (asPredicted()
            ? " You move as described."
            : measured.fallDb() > predictedFallDb
                ? Figures.say(
                    " That is as far as leaning back by %.0f cm: describe it so, or clip the microphone on.",
                    100 * leanMetres)
                : " You move less than described.");
  }
}
