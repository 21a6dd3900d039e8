package nullroom.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import nullroom.core.Figures;
import nullroom.core.book.Hearing;
import nullroom.core.predict.Heard;
import nullroom.core.predict.Margins;
import nullroom.core.room.Movement;
import nullroom.core.room.Room;
import nullroom.core.room.SetUp;

/**
 * A voice and a microphone of a set-up, and how it stands.
 *
 * @param voice name of the talker
 * @param microphone name of it
 * @param judged the two as indices
 * @param verdicts with the gain of now
 */
public record Pair(String voice, String microphone, SetUp.Judged judged, Verdicts verdicts) {

  private static Pair of(Hearing hearing, Room room, Margins targets, SetUp.Judged judged) {
    Heard heard = hearing.heard(room.with(room.setUp().with(judged)));
    return new Pair(
        room.setUp().talkers().get(judged.voice()).name(),
        room.setUp().microphones().get(judged.microphone()).name(),
        judged,
        Verdicts.of(heard, targets));
  }

  /** What its weakest margin has over its target. */
  public double overDb() {
    return verdicts.weakest().overDb();
  }

  /** Each voice with the microphone that serves it best, in the order of the talkers. */
  private static List<Pair> served(Hearing hearing, Room room, Margins targets) {
    SetUp s = room.setUp();
    List<Pair> all = new ArrayList<>();
    for (int v = 0; v < s.talkers().size(); v++) {
      int voice = v;
      IntStream.range(0, s.microphones().size())
          .mapToObj(m -> new SetUp.Judged(voice, m, s.judged().camera()))
          .map(judged -> of(hearing, room, targets, judged))
          .max(Comparator.comparingDouble(Pair::overDb))
          .ifPresent(all::add);
    }
    return all;
  }

  /**
   * Of the other voices, each with the microphone that serves it best, that which stands worst, if
   * it stands worse than the pair that is judged.
   */
  public static Optional<Pair> worse(Hearing hearing, Room room, Margins targets) {
    SetUp s = room.setUp();
    if (s.talkers().size() < 2 || s.microphones().isEmpty()) {
      return Optional.empty();
    }
    double here = of(hearing, room, targets, s.judged()).overDb();
    return served(hearing, room, targets).stream()
        .filter(p -> p.judged().voice() != s.judged().voice() && p.overDb() < here)
        .min(Comparator.comparingDouble(Pair::overDb));
  }

  /** "Worse off is guest with the clip: Clear 3.1 dB, short". */
  public String sentence() {
    Margin weakest = verdicts.weakest();
    return Figures.say(
        "Worse off is %s with %s: %s %.1f dB, %s",
        voice, microphone, weakest.name(), weakest.db(), weakest.verdict().label());
  }

  /** "Leaning and turning, at worst: ...". */
  public static String movementWords(Margins worst) {
    return Figures.say(
        "Leaning and turning, at worst: Quiet %.1f dB, Clear %.1f dB, Safe %.1f dB.",
        worst.quietDb(), worst.clearDb(), worst.safeDb());
  }

  /**
   * The least of each margin over the ends of the talker's moving and where they sit; empty where
   * they sit still. Where moving would take them through a wall they do not go.
   */
  public static Optional<Margins> worstOfMovement(Hearing hearing, Room room) {
    return room.requireTalker().movement().equals(Movement.NONE)
        ? Optional.empty()
        : Optional.of(Sway.of(hearing::heard, room).worst());
  }
}
