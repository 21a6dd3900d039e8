package nullroom.core.plan.mic;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import nullroom.core.Decibels;
import nullroom.core.Figures;
import nullroom.core.acoustics.Octave;
import nullroom.core.book.Hearing;
import nullroom.core.book.RoomBook;
import nullroom.core.predict.Heard;
import nullroom.core.room.Member;
import nullroom.core.room.Room;
import nullroom.core.room.SetUp;

/**
 * Several voices before several microphones: which hears whom how loud.
 *
 * @param voices names of the talkers
 * @param microphones names of them
 * @param metres from each voice to each microphone
 * @param directDbA by voice and microphone, what comes straight, dB SPL A through its pattern
 * @param wholeDbA the same with all that the room adds
 * @param own by voice, the microphone that hears it best over the others
 */
@SuppressWarnings("ArrayRecordComponent") // never compared
public record Voices(
    List<String> voices,
    List<String> microphones,
    double[][] metres,
    double[][] directDbA,
    double[][] wholeDbA,
    int[] own) {
  /** Another's mouth should be so many times as far as one's own (common practice). */
  public static final double FAR_ENOUGH = 3;

  /** Bleed so far under the voice is not noticed beside it (common practice). */
  private static final double UNNOTICED_DB = 20;

  /** Empty where there are not several voices, or there is no microphone. */
  public static Optional<Voices> of(RoomBook book) {
    SetUp s = book.room().setUp();
    return s.talkers().size() < 2 || s.microphones().isEmpty()
        ? Optional.empty()
        : Optional.of(among(book));
  }

  private static Voices among(RoomBook book) {
    Room room = book.room();
    SetUp s = room.setUp();
    Hearing hearing = Hearing.quick(book);
    int rows = s.talkers().size();
    int columns = s.microphones().size();
    double[][] metres = new double[rows][columns];
    double[][] direct = new double[rows][columns];
    double[][] whole = new double[rows][columns];
    for (int v = 0; v < rows; v++) {
      for (int m = 0; m < columns; m++) {
        SetUp.Judged pair = new SetUp.Judged(v, m, s.judged().camera());
        Heard heard = hearing.heard(room.with(s.with(pair)));
        metres[v][m] = heard.distanceMetres();
        direct[v][m] = Octave.aWeightedSum(heard.directDbSpl());
        whole[v][m] =
            Octave.aWeightedSum(
                heard.directDbSpl().energySum(heard.earlyDbSpl()).energySum(heard.lateDbSpl()));
      }
    }
    int[] own = IntStream.range(0, rows).map(v -> best(direct, v)).toArray();
    return new Voices(
        s.talkers().stream().map(Member::name).toList(),
        s.microphones().stream().map(Member::name).toList(),
        metres,
        direct,
        whole,
        own);
  }

  /** The microphone in which a voice stands out most from the other voices. */
  private static int best(double[][] direct, int voice) {
    int best = 0;
    double most = Double.NEGATIVE_INFINITY;
    for (int m = 0; m < direct[voice].length; m++) {
      double others = 0;
      for (int v = 0; v < direct.length; v++) {
        others += v == voice ? 0 : Decibels.toEnergy(direct[v][m]);
      }
      double over = direct[voice][m] - Decibels.ofEnergy(others);
      if (over > most) {
        most = over;
        best = m;
      }
    }
    return best;
  }

  /** The voice that a microphone is for; empty where it is nobody's, or several voices share it. */
  public Optional<Integer> ownerOf(int microphone) {
    List<Integer> owners =
        IntStream.range(0, own.length).filter(v -> own[v] == microphone).boxed().toList();
    return owners.size() == 1 ? Optional.of(owners.getFirst()) : Optional.empty();
  }

  /** Whether each voice has a microphone to itself. */
  public boolean eachItsOwn() {
    return IntStream.of(own).distinct().count() == own.length;
  }

  /**
   * How loud a voice is in somebody else's microphone, over its owner's there; straight alone, or
   * with the room.
   */
  public double bleedDb(int voice, int microphone, boolean withRoom) {
    int owner = ownerOf(microphone).orElseThrow();
    double[][] levels = withRoom ? wholeDbA : directDbA;
    return levels[voice][microphone] - levels[owner][microphone];
  }

  /** How many times as far a voice is from somebody else's microphone as its owner. */
  public double timesAsFar(int voice, int microphone) {
    int owner = ownerOf(microphone).orElseThrow();
    return metres[voice][microphone] / metres[owner][microphone];
  }

  /** What distance alone makes of the bleed: 20 lg of the distances. */
  public double bleedByDistanceDb(int voice, int microphone) {
    return -Decibels.ofAmplitude(timesAsFar(voice, microphone));
  }

  /**
   * By how much to lower a microphone while somebody else speaks into their own, each at the gain
   * at which its owner is as loud as the others, so that it adds nothing that is noticed.
   */
  public double lowerByDb(int voice, int microphone) {
    return Math.max(0, bleedDb(voice, microphone, true) + UNNOTICED_DB);
  }

  /** By how much the noise rises where all are open instead of one. */
  public double openNoiseDb() {
    return Decibels.ofEnergy(IntStream.of(own).distinct().count());
  }

  /** What to do, in order. */
  public List<String> advice() {
    List<String> all = new ArrayList<>();
    if (!eachItsOwn()) {
      all.add(
          "Two voices share a microphone: neither can be turned up alone. Give each one of its own, or sit them so that both are"
              + " alike in it.");
    }
    for (int m = 0; m < microphones.size(); m++) {
      Optional<Integer> owner = ownerOf(m);
      for (int v = 0; owner.isPresent() && v < voices.size(); v++) {
        if (v != owner.get() && timesAsFar(v, m) < FAR_ENOUGH) {
          all.add(
              Figures.say(
                  "%s is only %.1f times as far from %s as %s: three times keeps them apart. Bring it nearer, or move them apart.",
                  voices.get(v), timesAsFar(v, m), microphones.get(m), voices.get(owner.get())));
        }
      }
    }
    if (eachItsOwn()) {
      all.add(
          Figures.say(
              "Open the microphone of the one who speaks; all open at once add %.1f dB of noise. Record each on its own track.",
              openNoiseDb()));
    }
    return all;
  }
}
