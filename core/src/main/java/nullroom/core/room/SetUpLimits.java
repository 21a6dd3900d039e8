package nullroom.core.room;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.BiConsumer;
import nullroom.core.Trouble;

/** What a set-up cannot be, each with the field to blame. */
final class SetUpLimits {
  /** Things nearer than this are in one place. */
  private static final double SAME_PLACE_METRES = 0.005;

  private static final int MOST_TALKERS = 6;
  private static final int MOST_MICROPHONES = 8;
  private static final int MOST_CAMERAS = 8;
  private static final int MOST_LOUDSPEAKERS = 8;

  /** More find no place on one thing. */
  private static final int MOST_RIDERS = 7;

  private final SetUp setUp;

  /** Names of what else there is to ride on. */
  private final Set<String> furniture;

  /** Each member under its field. */
  private final List<String> fields = new ArrayList<>();

  private final List<Member<?>> members = new ArrayList<>();

  private SetUpLimits(SetUp setUp, Set<String> furniture) {
    this.setUp = setUp;
    this.furniture = furniture;
    add(SetUp.TALKER, setUp.talkers());
    add(SetUp.MICROPHONE, setUp.microphones());
    add(SetUp.CAMERA, setUp.cameras());
    add("loudspeaker", setUp.loudspeakers());
  }

  private <T extends Placed<T>> void add(String single, List<Member<T>> all) {
    boolean alone = all.size() == 1 && all.getFirst().name().equals(single);
    for (int i = 0; i < all.size(); i++) {
      fields.add(alone ? single : single + "s[" + i + "]");
    }
    members.addAll(all);
  }

  /**
   * Refuses what cannot be.
   *
   * @param furniture names of what else there is to ride on
   */
  static void check(Enclosure enclosure, SetUp setUp, Set<String> furniture) {
    SetUpLimits limits = new SetUpLimits(setUp, furniture);
    limits.counts();
    limits.each((field, m) -> enclosure.requireInside(field + ".at", m.it().at()));
    limits.names();
    limits.rides();
    limits.places();
  }

  /** Tells each of them with its field. */
  static void each(SetUp setUp, BiConsumer<String, Member<?>> told) {
    new SetUpLimits(setUp, Set.of()).each(told);
  }

  private void each(BiConsumer<String, Member<?>> told) {
    for (int i = 0; i < members.size(); i++) {
      told.accept(fields.get(i), members.get(i));
    }
  }

  private void counts() {
    count("talkers", setUp.talkers(), MOST_TALKERS);
    count("microphones", setUp.microphones(), MOST_MICROPHONES);
    count("cameras", setUp.cameras(), MOST_CAMERAS);
    count("loudspeakers", setUp.loudspeakers(), MOST_LOUDSPEAKERS);
    judged("voice", setUp.judged().voice(), setUp.talkers());
    judged("microphone", setUp.judged().microphone(), setUp.microphones());
    judged("camera", setUp.judged().camera(), setUp.cameras());
  }

  private static void count(String field, List<?> all, int most) {
    if (all.size() > most) {
      throw new Trouble.BadField(
          field, "holds " + all.size() + " of them; a room here has " + most + " at most");
    }
  }

  private static void judged(String field, int index, List<?> all) {
    if (index < 0 || index > 0 && index >= all.size()) {
      throw new Trouble.BadField("judged." + field, "there are " + all.size() + " of them only");
    }
  }

  private void names() {
    Map<String, String> fieldOf = new HashMap<>();
    each((field, m) -> {
      if (m.name().isBlank()) {
        throw new Trouble.BadField(field + ".name", "must not be empty");
      }
      String before = fieldOf.put(m.name(), field);
      if (before != null) {
        throw new Trouble.BadField(
            field + ".name", "'" + m.name() + "' is the name of " + before + " already");
      }
    });
  }

  private void rides() {
    Map<String, Member<?>> byName = new HashMap<>();
    members.forEach(m -> byName.put(m.name(), m));
    Map<String, Integer> riders = new HashMap<>();
    each((field, m) ->
        m.ride()
            .ifPresent(ride -> {
              Member<?> carrier = byName.get(ride.what());
              boolean person = carrier != null && carrier.it() instanceof Talker;
              if (carrier == null && !furniture.contains(ride.what())) {
                throw new Trouble.BadField(
                    field + ".ridesOn.what", "there is nothing named '" + ride.what() + "'");
              }
              if (carrier == m) {
                throw new Trouble.BadField(
                    field + ".ridesOn.what", "'" + m.name() + "' cannot ride on itself");
              }
              fits(field, ride, person);
              if (riders.merge(ride.what(), 1, Integer::sum) > MOST_RIDERS) {
                throw new Trouble.BadField(
                    field + ".ridesOn.what",
                    "'"
                        + ride.what()
                        + "' carries "
                        + MOST_RIDERS
                        + " things already, more find"
                        + " no place on it");
              }
              circle(field, m, byName);
            }));
  }

  private static void fits(String field, Ride ride, boolean person) {
    if (person == (ride.part() == Ride.Part.TOP)) {
      throw new Trouble.BadField(
          field + ".ridesOn.part",
          person
              ? "a talker carries on chest, head or hand, not on top"
              : "'" + ride.what() + "' is no talker: what rides on it is on its top");
    }
  }

  private static void circle(String field, Member<?> first, Map<String, Member<?>> byName) {
    Set<String> seen = new HashSet<>(Set.of(first.name()));
    Member<?> at = first;
    while (at != null && at.ride().isPresent()) {
      at = byName.get(at.ride().get().what());
      if (at != null && !seen.add(at.name())) {
        throw new Trouble.BadField(
            field + ".ridesOn.what", "rides in a circle over '" + at.name() + "'");
      }
    }
  }

  private void places() {
    for (int i = 0; i < members.size(); i++) {
      for (int j = 0; j < i; j++) {
        if (members.get(i).it().at().distanceTo(members.get(j).it().at()) < SAME_PLACE_METRES) {
          same(i, j);
        }
      }
    }
  }

  private void same(int i, int j) {
    Object later = members.get(i).it();
    Object before = members.get(j).it();
    boolean lips = before instanceof Talker && later instanceof PlacedMicrophone;
    boolean films = later instanceof Camera || before instanceof Camera;
    if (films) {
      return; // a phone's microphone is its camera
    }
    throw new Trouble.BadField(
        fields.get(i) + ".at",
        lips
            ? "the microphone is where the lips are; move it at least 1 cm away"
            : "'" + members.get(i).name() + "' is where '" + members.get(j).name() + "' is");
  }
}
