package nullroom.app.ring;

import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import nullroom.core.measure.DecayChange;
import nullroom.core.measure.DecayReport;
import nullroom.core.measure.Excitation;
import nullroom.io.book.DecayMeasurement;
import nullroom.io.book.RoomBook;

/** What the reverberation station says about its measurements. */
final class RingWords {
  /** Arrivals named in words. */
  private static final int NAMED = 3;

  private RingWords() {}

  /** How often what was heard. */
  static String takes(DecayReport report) {
    boolean single = report.takes() == 1;
    String what =
        switch (report.excitation().orElse(Excitation.IMPULSE)) {
          case IMPULSE -> single ? "clap" : "claps";
          case SWEEP -> single ? "sweep" : "sweeps";
          case NOISE -> single ? "interruption of noise" : "interruptions of noise";
        };
    return single ? "one " + what : report.takes() + " " + what + " averaged";
  }

  /** What the response means for speech, and what comes back first. */
  static String response(RoomBook book, List<RingModel.Arrival> arrivals) {
    if (book.decay().isEmpty()) {
      return "";
    }
    DecayReport report = book.decay().get().report();
    StringBuilder text = new StringBuilder();
    report
        .speechTransmission()
        .ifPresent(sti ->
            text.append(
                String.format(
                    Locale.ROOT,
                    "Speech transmission index %.2f, %.2f with this room’s noise. ",
                    sti,
                    book.heard().speechTransmission(report.modulationTransfer()))));
    report
        .directToReverberantDb()
        .ifPresent(db ->
            text.append(
                String.format(Locale.ROOT, "Direct over reverberant %+.0f dB. ", db)
                    .replace('-', '−')));
    report
        .harmonicDistortionPercent()
        .ifPresent(d ->
            text.append(String.format(Locale.ROOT, "The loudspeaker distorts by %.1f %%. ", d)));
    report
        .flutter()
        .ifPresent(f ->
            text.append(
                String.format(
                    Locale.ROOT,
                    "Flutter echo every %.1f ms: two bare surfaces %.2f m apart. ",
                    1000 * f.periodSeconds(),
                    f.periodSeconds() * book.room().air().speedOfSound() / 2)));
    String named =
        arrivals.stream()
            .filter(a -> !a.name().isEmpty())
            .limit(NAMED)
            .map(a ->
                String.format(
                        Locale.ROOT,
                        "%s (%.1f ms, %.0f dB)",
                        a.name(),
                        a.milliseconds(),
                        a.levelDb())
                    .replace('-', '−'))
            .collect(Collectors.joining(", "));
    if (!named.isEmpty()) {
      text.append("Comes back first from ").append(named).append('.');
    }
    return text.toString().trim();
  }

  /** Whether the times have changed since the measurement before; empty with only one. */
  static String change(RoomBook book) {
    if (book.decay().isEmpty() || book.earlierDecays().isEmpty()) {
      return "";
    }
    DecayMeasurement before = book.earlierDecays().getFirst();
    List<DecayChange> changes = DecayChange.of(before.report(), book.decay().get().report());
    String real = bands(changes, true);
    String same = bands(changes, false);
    return String.format(
        "Since %s: %s%s%s.",
        before.taken().replace('T', ' '),
        real.isEmpty() ? "no change that is more than chance" : "real at " + real,
        real.isEmpty() || same.isEmpty() ? "" : "; cannot tell at ",
        real.isEmpty() ? "" : same);
  }

  private static String bands(List<DecayChange> changes, boolean real) {
    return changes.stream()
        .filter(c -> c.real() == real)
        .map(c ->
            real
                ? String.format(
                        Locale.ROOT,
                        "%s (%+.2f s, give or take %.2f)",
                        bandName(c.centreHz()),
                        c.differenceSeconds(),
                        c.uncertaintySeconds())
                    .replace('-', '−')
                : bandName(c.centreHz()))
        .collect(Collectors.joining(", "));
  }

  private static String bandName(double hz) {
    return hz >= 1000
        ? String.format(Locale.ROOT, "%.0f kHz", hz / 1000)
        : String.format(Locale.ROOT, "%.0f Hz", hz);
  }
}
