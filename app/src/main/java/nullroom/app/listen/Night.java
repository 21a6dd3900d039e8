package nullroom.app.listen;

import java.time.LocalDateTime;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import nullroom.core.Figures;
import nullroom.core.measure.noise.Intrusion;
import nullroom.core.measure.noise.Scale;
import nullroom.core.measure.noise.Survey;
import nullroom.io.survey.SurveyFile;

/**
 * A survey and what follows from it.
 *
 * @param begin local time of its start
 * @param scale what its levels mean in the air
 * @param survey its seconds
 * @param limitDbfs the highest A-level that a take bears; the lowest number where that is not known
 * @param spoilers what would have spoiled a take
 * @param hours of the clock
 * @param notes what happened while it ran
 */
public record Night(
    LocalDateTime begin,
    Optional<Scale> scale,
    Survey survey,
    double limitDbfs,
    List<Intrusion> spoilers,
    List<Survey.Hour> hours,
    List<String> notes) {

  /** A take of a few minutes. */
  static final double TAKE_SECONDS = 300;

  /** An hour heard for less says little. */
  private static final int LEAST_HEARD_SECONDS = 600;

  /** Judges a survey; takes a while for a long one. */
  static Night of(SurveyFile.Content content, Optional<Scale> scale, double limitDbfs) {
    Survey survey = content.survey();
    LocalDateTime begin =
        content.lines().isEmpty()
            ? LocalDateTime.MIN
            : content
                .lines()
                .getFirst()
                .time()
                .minusNanos((long) (survey.rows().getFirst().startSeconds() * 1e9));
    double toFullHour =
        content.lines().isEmpty() ? 3600 : 3600 - begin.getMinute() * 60 - begin.getSecond();
    return new Night(
        begin,
        scale,
        survey,
        limitDbfs,
        survey.spoilers(limitDbfs),
        survey.hours(toFullHour, limitDbfs, TAKE_SECONDS),
        content.lines().stream()
            .filter(l -> !l.note().isEmpty())
            .map(l -> l.time().toLocalTime() + " " + l.note())
            .toList());
  }

  /** The hour in which a take most likely comes out clean; the quieter of equals. */
  Optional<Survey.Hour> best() {
    return hours.stream()
        .filter(h -> h.heardSeconds() >= LEAST_HEARD_SECONDS)
        .max(
            Comparator.comparingDouble(Survey.Hour::cleanShare)
                .thenComparing(Comparator.comparingDouble(Survey.Hour::laeqDbfs).reversed()));
  }

  /** "01:40". */
  String clock(double seconds) {
    LocalDateTime at = begin.plusSeconds((long) seconds);
    return Figures.say("%02d:%02d", at.getHour(), at.getMinute());
  }

  /** "01:40:07". */
  String clockSeconds(double seconds) {
    return Figures.say("%s:%02d", clock(seconds), begin.plusSeconds((long) seconds).getSecond());
  }

  String words() {
    int seconds = survey.rows().size();
    String heard =
        seconds < 120
            ? seconds + " s"
            : seconds < 3600
                ? Figures.say("%.0f min", seconds / 60.0)
                : Figures.say("%.1f h", seconds / 3600.0);
    String spoiled =
        spoilers.isEmpty()
            ? "none would have spoiled a take"
            : spoilers.size() + " would have spoiled a take";
    String best =
        best()
            .map(h ->
                Figures.say(
                    " Best from %s: a five-minute take comes out clean %.0f times in a hundred.",
                    clock(h.startSeconds()), 100 * h.cleanShare()))
            .orElse("");
    return Figures.say(
            "%s heard since %s. %d sounds broke in, %s.",
            heard, clock(0), survey.intrusions().size(), spoiled)
        + best
        + worst()
        + moved();
  }

  private String moved() {
    List<String> moves = notes.stream().filter(n -> n.contains("clock moved")).toList();
    return moves.isEmpty() ? "" : " While it ran, " + String.join(", ", moves) + ".";
  }

  private String worst() {
    return spoilers.stream()
        .max(Comparator.comparingDouble(survey::loudestDbfs))
        .map(i ->
            Figures.say(
                " The loudest came at %s: %s.",
                clock(i.startSeconds()), Words.level(survey.loudestDbfs(i), scale)))
        .orElse("");
  }
}
