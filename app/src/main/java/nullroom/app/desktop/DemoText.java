package nullroom.app.desktop;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import nullroom.core.Figures;
import nullroom.core.Progress;
import nullroom.core.acoustics.Octave;
import nullroom.core.book.Hearing;
import nullroom.core.book.NoiseMeasurement;
import nullroom.core.book.RoomBook;
import nullroom.core.plan.Adviser;
import nullroom.core.plan.Move;
import nullroom.core.plan.Verdicts;
import nullroom.core.predict.Heard;
import nullroom.core.predict.Margins;
import nullroom.core.room.Room;

/** A book's verdict in a few lines of text, for a terminal. */
final class DemoText {
  private static final int MOVES = 3;

  private DemoText() {}

  static List<String> of(RoomBook book) {
    Room room = book.room();
    Hearing hearing = Hearing.traced(book);
    Heard heard = hearing.heard();
    Margins targets = book.goal().targets();
    Verdicts verdicts = Verdicts.of(heard, targets);
    List<String> lines = new ArrayList<>();
    lines.add(book.name() + ", " + lower(book.goal().label()));
    book.noise()
        .flatMap(NoiseMeasurement::nc)
        .ifPresent(nc ->
            lines.add(
                Figures.say(
                    "noise   %.0f dBA, NC-%d (heard by the simulated device)",
                    book.noise().get().laeqDbSpl().orElseThrow(), nc.rating())));
    book.decay()
        .ifPresent(d ->
            d.report()
                .tMidSeconds()
                .ifPresent(t ->
                    lines.add(
                        Figures.say(
                            "decay   %.2f s at mid frequencies (heard by the simulated device)",
                            t))));
    lines.add(
        Figures.say(
            "voice   %.0f dBA at the microphone, %.0f cm away",
            Octave.aWeightedSum(heard.directDbSpl()), heard.distanceMetres() * 100));
    verdicts.all().forEach(m -> lines.add(m.sentence()));
    lines.add("next moves:");
    for (Move move :
        Adviser.moves(room, targets, book.levels().staging(), hearing::heard, Progress.NONE)
            .stream()
            .limit(MOVES)
            .toList()) {
      lines.add(
          Figures.say(
              "  %s: %+.1f dB on %s, cost %d, %d minutes",
              move.name(), move.gainDb(), verdicts.weakest().name(), move.cost(), move.minutes()));
    }
    return lines;
  }

  private static String lower(String name) {
    return name.toLowerCase(Locale.ROOT);
  }
}
