package nullroom.app.desktop;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import nullroom.core.acoustics.Octave;
import nullroom.core.book.NoiseMeasurement;
import nullroom.core.book.RoomBook;
import nullroom.core.plan.Adviser;
import nullroom.core.plan.Move;
import nullroom.core.predict.Heard;
import nullroom.core.predict.Margins;
import nullroom.core.predict.Refinement;
import nullroom.core.room.Room;

/** A book's verdict in a few lines of text, for a terminal. */
final class DemoText {
  private static final int MOVES = 3;

  private DemoText() {}

  static List<String> of(RoomBook book) {
    Room room = book.room();
    Optional<Refinement> traced = Optional.of(Refinement.of(room, book.decaySeconds(room)));
    Heard heard = book.heard(room, traced);
    Margins targets = book.goal().targets();
    List<String> lines = new ArrayList<>();
    lines.add(book.name() + ", " + lower(book.goal().label()));
    book.noise()
        .flatMap(NoiseMeasurement::nc)
        .ifPresent(nc ->
            lines.add(
                say(
                    "noise   %.0f dBA, NC-%d (heard by the simulated device)",
                    book.noise().get().laeqDbSpl().orElseThrow(), nc.rating())));
    book.decay()
        .ifPresent(d ->
            d.report()
                .tMidSeconds()
                .ifPresent(t ->
                    lines.add(
                        say(
                            "decay   %.2f s at mid frequencies (heard by the simulated device)",
                            t))));
    lines.add(
        say(
            "voice   %.0f dBA at the microphone, %.0f cm away",
            Octave.aWeightedSum(heard.directDbSpl()), heard.distanceMetres() * 100));
    for (Margins.Kind kind : Margins.Kind.values()) {
      lines.add(
          say(
              "%-7s %.1f dB, target %.0f: %s",
              lower(kind.name()),
              heard.margins().get(kind),
              targets.get(kind),
              lower(heard.margins().mark(targets, kind).name())));
    }
    lines.add("next moves:");
    for (Move move :
        Adviser.moves(room, targets, changed -> book.heard(changed, traced)).stream()
            .limit(MOVES)
            .toList()) {
      lines.add(
          say(
              "  %s: %+.1f dB on %s, cost %d, %d minutes",
              move.name(),
              move.gainDb(),
              lower(heard.margins().weakest(targets).name()),
              move.cost(),
              move.minutes()));
    }
    return lines;
  }

  private static String say(String format, Object... figures) {
    return String.format(Locale.ROOT, format, figures);
  }

  private static String lower(String name) {
    return name.toLowerCase(Locale.ROOT);
  }
}
