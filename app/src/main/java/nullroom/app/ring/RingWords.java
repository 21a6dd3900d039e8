package nullroom.app.ring;

import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import nullroom.app.control.BandName;
import nullroom.app.shell.StationContext;
import nullroom.app.shell.Units;
import nullroom.core.Figures;
import nullroom.core.book.DecayEstimate;
import nullroom.core.book.DecayMeasurement;
import nullroom.core.book.RoomBook;
import nullroom.core.measure.decay.BlindDecay;
import nullroom.core.measure.decay.DecayChange;
import nullroom.core.measure.decay.DecayReport;
import nullroom.core.measure.decay.Excitation;
import nullroom.core.predict.Heard;

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

  /** When, where and from what a decay was measured, and what is missing. */
  static String measured(DecayMeasurement decay, int places) {
    DecayReport report = decay.report();
    String first =
        String.format(
            "%s %s from %s%s.",
            StationContext.howKnown(decay.sound()),
            decay.taken().replace('T', ' '),
            takes(report),
            places == 1 ? "" : "; times are means over " + places + " places");
    long missing = report.bands().stream().filter(b -> b.t20Seconds().isEmpty()).count();
    return missing == 0
        ? first + " Every octave stands far enough over the noise for its time."
        : first
            + " "
            + report.warnings().getFirst()
            + (report.warnings().size() > 1 ? " More under “Figures”." : "");
  }

  /** Of a time that is only estimated. */
  static String estimated(DecayEstimate estimate) {
    return Figures.say(
        " That is only an estimate, give or take %.2f s, from %d ends of words in %s; clap to know.",
        estimate.decay().midSpreadSeconds(), estimate.decay().decays(), estimate.sound());
  }

  /** Where a recording held nothing but speech. */
  static String offered(BlindDecay guess, boolean measured) {
    return Figures.say(
        "No claps, sweep or switched-off noise in it. From the ends of words: about %.2f s, give or take %.2f s; an estimate%s.",
        guess.midSeconds(),
        guess.midSpreadSeconds(),
        measured ? ", kept beside what was measured" : " until you clap");
  }

  /** What the response means for speech, and what comes back first. */
  static String response(
      RoomBook book, Heard heard, List<RingModel.Arrival> arrivals, Units units) {
    if (book.decay().isEmpty()) {
      return "";
    }
    DecayReport report = book.decay().get().report();
    StringBuilder text = new StringBuilder();
    report
        .speechTransmission()
        .ifPresent(sti ->
            text.append(
                Figures.say(
                    "Speech transmission index %.2f, %.2f with this room’s noise. ",
                    sti, heard.speechTransmission(report.modulationTransfer()))));
    report
        .directToReverberantDb()
        .ifPresent(db -> text.append(Figures.say("Direct over reverberant %+.0f dB. ", db)));
    report
        .harmonicDistortionPercent()
        .ifPresent(d -> text.append(Figures.say("The loudspeaker distorts by %.1f %%. ", d)));
    String echo = Arrivals.flutter(book, units);
    text.append(echo).append(echo.isEmpty() ? "" : " ");
    Arrivals.ringing(book).forEach(rings -> text.append(rings).append(' '));
    String named =
        arrivals.stream()
            .filter(a -> !a.name().isEmpty())
            .limit(NAMED)
            .map(a ->
                Figures.say(
                    "%s (%.1f ms, %.0f dB)",
                    a.fullName(book.room()), a.milliseconds(), a.levelDb()))
            .collect(Collectors.joining(", "));
    if (!named.isEmpty()) {
      text.append("Comes back first from ").append(named).append('.');
    }
    return text.toString().trim();
  }

  /** Whether the times have changed since the measurement before; empty with only one. */
  static String change(RoomBook book) {
    List<DecayChange> changes = book.decays().changes();
    if (changes.isEmpty()) {
      return "";
    }
    DecayMeasurement before = book.decays().before().getFirst();
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
                ? Figures.say(
                    "%s (%+.2f s, give or take %.2f)",
                    BandName.of(c.centreHz()), c.differenceSeconds(), c.uncertaintySeconds())
                : BandName.of(c.centreHz()))
        .collect(Collectors.joining(", "));
  }

  /** A time, or a dash. */
  static String seconds(OptionalDouble time) {
    return time.isPresent() ? Figures.say("%.2f", time.getAsDouble()) : "–";
  }
}
