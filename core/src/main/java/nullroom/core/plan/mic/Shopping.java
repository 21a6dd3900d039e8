package nullroom.core.plan.mic;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import nullroom.core.Figures;
import nullroom.core.Keyed;
import nullroom.core.Progress;
import nullroom.core.Trouble;
import nullroom.core.book.Hearing;
import nullroom.core.book.RoomBook;
import nullroom.core.book.Shelf;
import nullroom.core.plan.treatment.TreatmentPlan;
import nullroom.core.plan.treatment.TreatmentPlanner;
import nullroom.core.plan.treatment.TreatmentSchool;
import nullroom.core.predict.Heard;
import nullroom.core.predict.Margins;

/**
 * What to spend money on first, by one school.
 *
 * @param school what comes first
 * @param buys in order; what costs nothing first
 * @param left money that is left
 * @param margins at the end
 * @param shortDb what is missing of the targets at the end, added
 */
public record Shopping(
    School school, List<Buy> buys, double left, Margins margins, double shortDb) {
  /** Which of picture, sound and room comes first; people differ (common practice). */
  public enum School implements Keyed {
    SOUND_FIRST("sound first"),
    LIGHT_FIRST("light first"),
    TREAT_FIRST("treat first");

    private final String label;

    School(String label) {
      this.label = label;
    }

    /** For people. */
    public String label() {
      return label;
    }
  }

  /**
   * One thing to do or to buy.
   *
   * @param what it is
   * @param price to be paid
   * @param shortDb what is missing of the targets then
   */
  public record Buy(String what, double price, double shortDb) {}

  /** A soft key light that a face can be seen by (common practice, from memory). */
  private static final double LIGHT_PRICE = 60;

  /** Less is not worth money. */
  private static final double WORTH_DB = 0.5;

  private static final double MET_DB = 0.05;
  private static final int MOST_PIECES = 6;

  public Shopping {
    buys = List.copyOf(buys);
  }

  /** Where the sound is no longer what holds a film back. */
  public boolean enough() {
    return shortDb < WORTH_DB;
  }

  /** What the end of it means. */
  public String verdict() {
    return enough()
        ? (shortDb < MET_DB
                ? "The sound meets its three targets"
                : Figures.say("The sound comes within %.1f dB of its targets", shortDb))
            + Figures.say(
                ": from here it holds nothing back, and the other %.0f belong to light, picture or a fallback.",
                left)
        : Figures.say(
            "%.1f dB are still missing, and the %.0f left buy nothing on the list that helps: another place or hour, or a"
                + " larger budget.",
            shortDb, left);
  }

  /**
   * By each school.
   *
   * @param budget in money
   * @throws Trouble.BadField where the budget is under nought
   */
  public static List<Shopping> of(RoomBook book, Shelf shelf, double budget, Progress progress) {
    if (!(budget >= 0)) {
      throw new Trouble.BadField("budget", "must be 0 or more, not " + budget);
    }
    List<Shopping> all = new ArrayList<>();
    for (School school : School.values()) {
      all.add(new Walk(book, shelf, budget, progress).by(school));
    }
    return all;
  }

  /** One way through the shop. */
  private static final class Walk {
    private final Shelf shelf;
    private final Progress progress;
    private final List<Buy> buys = new ArrayList<>();
    private RoomBook book;
    private double left;
    private Margins margins;

    Walk(RoomBook book, Shelf shelf, double budget, Progress progress) {
      this.book = book;
      this.shelf = shelf;
      this.progress = progress;
      left = budget;
      margins = now(book).margins();
    }

    private static Heard now(RoomBook book) {
      Heard asIs = Hearing.quick(book).heard();
      return asIs.withGainDb(book.levels().staging().rightGainDb(asIs, book.goal().targets()));
    }

    private double missing() {
      return MicPlanner.shortDb(margins, book.goal().targets());
    }

    Shopping by(School school) {
      switch (school) {
        case SOUND_FIRST -> {
          microphone();
          treatment();
        }
        case LIGHT_FIRST -> {
          if (left >= LIGHT_PRICE) {
            left -= LIGHT_PRICE;
            buys.add(new Buy("a soft key light", LIGHT_PRICE, missing()));
          }
          microphone();
          treatment();
        }
        case TREAT_FIRST -> {
          treatment();
          microphone();
        }
      }
      return new Shopping(school, buys, left, margins, missing());
    }

    /** What is there at its best place, then what money can buy where that is not enough. */
    private void microphone() {
      List<MicPlanner.Ranked> all =
          MicPlanner.rank(book, shelf, progress).ranking().stream()
              .filter(r -> r.chain().checks().stream().allMatch(MicPlanner.Check::ok))
              .toList();
      all.stream().filter(r -> r.chain().price() == 0).findFirst().ifPresent(this::take);
      double price = left;
      Optional<MicPlanner.Ranked> cheapest =
          all.stream()
              .filter(r -> r.chain().price() <= price && r.shortDb() < MET_DB)
              .min(Comparator.comparingDouble(r -> r.chain().price()));
      cheapest
          .or(() ->
              all.stream()
                  .filter(r -> r.chain().price() <= price)
                  .min(
                      Comparator.comparingLong(
                              (MicPlanner.Ranked r) -> Math.round(r.shortDb() / WORTH_DB))
                          .thenComparingDouble(r -> r.chain().price())))
          .ifPresent(this::take);
    }

    private void take(MicPlanner.Ranked ranked) {
      if (ranked.shortDb() > missing() - WORTH_DB) {
        return;
      }
      book = book.with(ranked.room());
      margins = ranked.heard().margins();
      left -= ranked.chain().price();
      String things =
          ranked.chain().needs().stream()
              .filter(n -> n.price() > 0)
              .map(n -> n.what() + " " + Figures.money(n.price()))
              .collect(Collectors.joining(", "));
      buys.add(
          new Buy(
              Figures.say(
                  "%s, %s at %.0f cm%s",
                  ranked.chain().microphone(),
                  ranked.mount().held(),
                  100 * ranked.metres(),
                  things.isEmpty() ? ": it is there" : ": " + things),
              ranked.chain().price(),
              missing()));
    }

    private void treatment() {
      if (missing() < MET_DB) {
        return;
      }
      TreatmentPlan plan =
          TreatmentPlanner.plan(
                  book,
                  book.hand().withBudget(left),
                  EnumSet.of(TreatmentSchool.FREE),
                  MOST_PIECES,
                  progress)
              .plans()
              .getFirst();
      RoomBook hung = book.with(plan.room());
      Margins then = now(hung).margins();
      if (MicPlanner.shortDb(then, book.goal().targets()) > missing() - WORTH_DB) {
        return;
      }
      book = hung;
      margins = then;
      left -= plan.price();
      String what =
          plan.steps().stream().map(TreatmentPlan.Step::name).collect(Collectors.joining(", "));
      buys.add(new Buy("hang " + what, plan.price(), missing()));
    }
  }
}
