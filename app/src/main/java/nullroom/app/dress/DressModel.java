package nullroom.app.dress;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import nullroom.app.shell.StationContext;
import nullroom.app.shell.StationText;
import nullroom.core.Figures;
import nullroom.core.Trouble;
import nullroom.core.acoustics.Materials;
import nullroom.core.book.Goal;
import nullroom.core.book.RoomBook;
import nullroom.core.plan.FigureReasons;
import nullroom.core.plan.Hanging;
import nullroom.core.plan.Why;
import nullroom.core.predict.Heard;
import nullroom.core.predict.Margins;
import nullroom.core.room.Finish;
import nullroom.core.room.Patch;
import nullroom.core.room.Room;
import nullroom.core.room.Surface;
import nullroom.core.room.SurfaceTag;

/** What the treatment station knows and can do. */
public final class DressModel {
  private final StationContext context;
  private final ObjectProperty<Hanging> hanging = new SimpleObjectProperty<>(Hanging.BLANKET);
  private final ObjectProperty<Surface> surface = new SimpleObjectProperty<>(Surface.wall(3));
  private final ObjectProperty<DressPage> page = new SimpleObjectProperty<>(DressPage.PIECE);
  private final HandModel hand;
  private final PlanModel plan;
  private final StationText say;

  /** A model that works with a context. */
  public DressModel(StationContext context) {
    this.context = context;
    hand = new HandModel(context);
    plan = new PlanModel(context, hand);
    say =
        StationText.of(
            context.session(),
            () -> page.get() == DressPage.PIECE ? sayAnswer() : plan.sayAnswer(),
            () -> page.get() == DressPage.PIECE ? sayMeaning() : page.get().meaning(),
            this::sayFigure,
            () -> context.session().ladder().whyOf("Clear"),
            hanging,
            surface,
            page,
            plan.madeProperty(),
            plan.schoolProperty());
  }

  /** The page shown. */
  public ObjectProperty<DressPage> pageProperty() {
    return page;
  }

  /** What is at hand. */
  public HandModel hand() {
    return hand;
  }

  /** The whole plan. */
  public PlanModel plan() {
    return plan;
  }

  /** What would be hung. */
  public ObjectProperty<Hanging> hangingProperty() {
    return hanging;
  }

  /** The surface chosen. */
  public ObjectProperty<Surface> surfaceProperty() {
    return surface;
  }

  /** The station's words. */
  public StationText say() {
    return say;
  }

  private RoomBook book() {
    return context.session().book();
  }

  /** The room as it is. */
  public Room room() {
    return book().room();
  }

  /** The goal whose band of times is shown. */
  public Goal goal() {
    return book().goal();
  }

  /** Pieces that could be taken down: those made of absorbing material. */
  public List<Patch> pieces() {
    return room().patches().stream().filter(DressModel::isTreatment).toList();
  }

  private static boolean isTreatment(Patch patch) {
    return patch.finish() instanceof Finish.Listed listed
        && (Materials.get(listed.materialId()).category().equals("absorber")
            || listed.materialId().startsWith("rug"));
  }

  /**
   * The chosen piece on the chosen surface; empty where it does not fit or something hangs there.
   */
  public Optional<Patch> proposal() {
    return room().surfaces().contains(surface.get())
        ? hanging.get().patchOn(room(), surface.get())
        : Optional.empty();
  }

  /** Reverberation times now. */
  public double[] secondsNow() {
    return context.session().hearing().decaySeconds(room()).toArray();
  }

  /** Reverberation times with the proposal, where there is one. */
  public Optional<double[]> secondsThen() {
    return proposal().map(p -> context.session().hearing().decaySeconds(room().plus(p)).toArray());
  }

  Optional<Why> whyNow(int band) {
    return Optional.of(FigureReasons.expected(context.session().hearing(), room(), band));
  }

  Optional<Why> whyThen(int band) {
    return proposal()
        .map(p -> FigureReasons.expected(context.session().hearing(), room().plus(p), band));
  }

  private String sayAnswer() {
    Optional<Patch> proposal = proposal();
    if (proposal.isEmpty()) {
      Optional<SurfaceTag> tag = tag().filter(t -> !t.mayBeCovered());
      if (tag.isPresent()) {
        return Figures.capital(surface.get().spoken())
            + " "
            + tag.get().label()
            + ", as you said in Room. Choose another surface in the picture.";
      }
      boolean taken = room().patches().stream().anyMatch(p -> p.surface().equals(surface.get()));
      return taken
          ? "What is on "
              + surface.get().spoken()
              + " already leaves no place. Choose another surface in the picture."
          : "A "
              + name()
              + " does not belong on "
              + surface.get().spoken()
              + ". Choose another surface in the picture.";
    }
    Heard now = context.session().heard();
    Heard then = context.session().heard(room().plus(proposal.get()));
    double clear = then.margins().clearDb() - now.margins().clearDb();
    return Figures.say(
        "A %s on %s would buy %.1f dB of Clear: from %.1f to %.1f dB, and the goal asks for %.0f.",
        tag().isPresent() ? "dark " + name() : name(),
        surface.get().spoken(),
        clear,
        now.margins().clearDb(),
        then.margins().clearDb(),
        goal().targets().get(Margins.Kind.CLEAR));
  }

  private Optional<SurfaceTag> tag() {
    return room().surfaces().contains(surface.get())
        ? room().tagOf(surface.get())
        : Optional.empty();
  }

  private String name() {
    return hanging.get().name().toLowerCase(Locale.ROOT);
  }

  private String sayMeaning() {
    return Figures.say(
        "%s. Cloth works from about 500 Hz up; bass needs depth.%nMoney: about %s%nWork: about %d minutes",
        hanging.get().label(), Figures.money(hanging.get().cost()), hanging.get().minutes());
  }

  private String sayFigure() {
    int count = pieces().size();
    return count == 0 ? "nothing up" : count == 1 ? "1 piece up" : count + " pieces up";
  }

  /** Hangs the proposal. */
  public void hang() {
    Patch patch =
        proposal()
            .orElseThrow(() ->
                new Trouble.BadField(surface.get().spoken(), "nothing can be hung there now"));
    context.session().edit("Hang a " + patch.name(), b -> b.with(b.room().plus(patch)));
  }

  /** Takes down the piece that went up last. */
  public void takeDown() {
    List<Patch> up = pieces();
    if (!up.isEmpty()) {
      Patch last = up.getLast();
      List<Patch> rest = new ArrayList<>(room().patches());
      rest.remove(last);
      context
          .session()
          .edit("Take down the " + last.name(), b -> b.with(b.room().withPatches(rest)));
    }
  }
}
