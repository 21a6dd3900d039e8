package nullroom.core.plan.mic;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nullroom.core.acoustics.Capture;
import nullroom.core.acoustics.Pattern;
import nullroom.core.book.Hearing;
import nullroom.core.book.RoomBook;
import nullroom.core.predict.Heard;
import nullroom.core.predict.Margins;
import nullroom.core.predict.QuickReplies;
import nullroom.core.room.Aim;
import nullroom.core.room.Member;
import nullroom.core.room.PlacedMicrophone;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.SetUp;
import nullroom.core.room.Talker;

/**
 * One microphone amid several voices.
 *
 * @param pattern of it
 * @param room with it there and no other
 * @param spreadDb between the voice that it hears loudest and the softest, A-weighted
 * @param worst margins of the voice that stands worst
 * @param voice name of that
 */
public record SharedMicrophone(
    Pattern pattern, Room room, double spreadDb, Margins worst, String voice) {
  private static final double UP_METRES = 0.1;

  /**
   * The microphone judged with each pattern amid the talkers, turned as serves the worst voice
   * best; the best pattern first. Empty where there are not several voices, or no place amid them.
   *
   * @throws nullroom.core.Trouble.BadField where there is no microphone
   */
  public static List<SharedMicrophone> of(RoomBook book) {
    Room room = book.room();
    List<Member<Talker>> talkers = room.setUp().talkers();
    if (talkers.size() < 2) {
      return List.of();
    }
    Point sum = new Point(0, 0, 0);
    for (Member<Talker> t : talkers) {
      sum = sum.plus(t.it().at(), 1.0 / talkers.size());
    }
    Point amid = sum.plus(new Point(0, 0, 1), UP_METRES);
    if (!room.isFree(amid)) {
      return List.of();
    }
    List<Aim> aims = new ArrayList<>(List.of(new Aim(0, 90), new Aim(0, -90)));
    talkers.forEach(t -> aims.add(Aim.along(t.it().at().minus(amid))));
    for (int azimuth = -180; azimuth < 180; azimuth += 30) {
      aims.add(new Aim(azimuth, 0));
    }
    Hearing hearing = Hearing.quick(book);
    QuickReplies replies = hearing.replies();
    Capture capture = room.requireMicrophone().capture();
    Margins targets = book.goal().targets();
    List<SharedMicrophone> all = new ArrayList<>();
    for (Pattern pattern : Pattern.values()) {
      aims.stream()
          .map(aim -> new PlacedMicrophone(amid, aim, capture.withPattern(pattern)))
          .map(m -> one(book, hearing, replies, MicPlaces.alone(room, m, Optional.empty())))
          .max((a, b) -> Double.compare(least(a.worst, targets), least(b.worst, targets)))
          .ifPresent(all::add);
    }
    all.sort((a, b) -> Double.compare(least(b.worst, targets), least(a.worst, targets)));
    return all;
  }

  private static double least(Margins margins, Margins targets) {
    return margins.over(targets, margins.weakest(targets));
  }

  private static SharedMicrophone one(
      RoomBook book, Hearing hearing, QuickReplies replies, Room room) {
    Margins targets = book.goal().targets();
    SetUp s = room.setUp();
    Capture capture = room.requireMicrophone().capture();
    List<Heard> heard = new ArrayList<>();
    for (int v = 0; v < s.talkers().size(); v++) {
      Room judged = room.with(s.with(new SetUp.Judged(v, 0, s.judged().camera())));
      heard.add(hearing.heard(judged, List.of(capture), replies).getFirst());
    }
    double gain =
        heard.stream()
            .mapToDouble(h -> book.levels().staging().rightGainDb(h, targets))
            .min()
            .orElseThrow();
    List<Margins> margins = heard.stream().map(h -> h.withGainDb(gain).margins()).toList();
    int worst = 0;
    for (int v = 1; v < margins.size(); v++) {
      worst = least(margins.get(v), targets) < least(margins.get(worst), targets) ? v : worst;
    }
    double loudest = heard.stream().mapToDouble(Heard::voiceDbSplA).max().orElseThrow();
    double softest = heard.stream().mapToDouble(Heard::voiceDbSplA).min().orElseThrow();
    return new SharedMicrophone(
        capture.pattern(),
        room,
        loudest - softest,
        margins.get(worst),
        s.talkers().get(worst).name());
  }
}
