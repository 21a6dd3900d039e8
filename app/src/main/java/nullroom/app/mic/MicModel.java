package nullroom.app.mic;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.concurrent.ForkJoinPool;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.beans.value.ObservableValue;
import nullroom.app.shell.StationContext;
import nullroom.app.shell.StationText;
import nullroom.core.Figures;
import nullroom.core.acoustics.Capture;
import nullroom.core.acoustics.MicrophoneType;
import nullroom.core.book.RoomBook;
import nullroom.core.plan.Ladder;
import nullroom.core.plan.Margin;
import nullroom.core.plan.Verdicts;
import nullroom.core.plan.Why;
import nullroom.core.predict.Heard;
import nullroom.core.predict.Margins;
import nullroom.core.room.Aim;
import nullroom.core.room.PlacedMicrophone;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.Talker;

/** What the microphone station knows and can do. */
public final class MicModel {
  /** One microphone type at the present place. */
  public record Choice(MicrophoneType type, Verdicts verdicts, boolean inUse) {}

  private final StationContext context;
  private final StationText say;
  private final ObjectProperty<MicPage> page = new SimpleObjectProperty<>(MicPage.ZONE);
  private final ShelfModel shelf;
  private final ZoneModel zone;
  private final RankModel rank;
  private final VoicesModel voices;
  private final FrameModel frame;
  private long rankedAt = -1;
  private List<Choice> ranking = List.of();
  private List<Choice> others = List.of();

  /** A model that works with a context. */
  public MicModel(StationContext context) {
    this(context, ForkJoinPool.commonPool());
  }

  /** A model that works long things out elsewhere. */
  public MicModel(StationContext context, Executor background) {
    this.context = context;
    shelf = new ShelfModel(context);
    zone = new ZoneModel(context, background);
    rank = new RankModel(context, background);
    voices = new VoicesModel(context, background);
    frame = new FrameModel(context, background);
    say =
        StationText.of(
            context.session(),
            this::sayAnswer,
            this::sayMeaning,
            () -> context.units().get().near(distanceMetres()),
            () -> context.session().ladder().whyOf("voice"),
            context.units(),
            rank.rankingProperty());
  }

  /** The page shown. */
  public ObjectProperty<MicPage> pageProperty() {
    return page;
  }

  /** What there is to record with. */
  public ShelfModel shelf() {
    return shelf;
  }

  /** Whether the clean zone is mapped. */
  public ObservableValue<Boolean> mappedProperty() {
    return zone.map().valueProperty().map(Optional::isPresent);
  }

  /** Whether every microphone was tried at all its places. */
  public ObservableValue<Boolean> rankedProperty() {
    return rank.rankingProperty().map(Optional::isPresent);
  }

  ZoneModel zone() {
    return zone;
  }

  RankModel rank() {
    return rank;
  }

  FrameModel frame() {
    return frame;
  }

  VoicesModel voices() {
    return voices;
  }

  /** All of a book that decides where a microphone does best, but where it is now. */
  static List<Object> inputs(RoomBook book) {
    Room room = book.room();
    return List.of(
        room.enclosure(),
        room.finishes(),
        room.contents(),
        room.noise(),
        room.setUp().talkers(),
        room.setUp().cameras(),
        room.setUp().loudspeakers(),
        room.setUp().judged(),
        room.requireMicrophone().capture().withGainDb(0),
        book.goal(),
        book.levels(),
        book.listening(),
        book.decays(),
        book.shelf());
  }

  /** Whether the user's own microphones are compared, in place of the generic classes. */
  public boolean byShelf() {
    return !book().shelf().types().isEmpty();
  }

  /** The station's words. */
  public StationText say() {
    return say;
  }

  private RoomBook book() {
    return context.session().book();
  }

  private Talker talker() {
    return book().room().requireTalker();
  }

  private PlacedMicrophone microphone() {
    return book().room().requireMicrophone();
  }

  /** From lips to capsule. */
  public double distanceMetres() {
    return talker().at().distanceTo(microphone().at());
  }

  /** Height of the capsule over the lips. */
  public double riseMetres() {
    return microphone().at().z() - talker().at().z();
  }

  /** Angle off the talker's axis, 0 to 180 degrees. */
  public double angleDegrees() {
    return talker().aim().angleTo(microphone().at().minus(talker().at()));
  }

  /** Targets of the goal. */
  public Margins targets() {
    return book().goal().targets();
  }

  /** What is heard now. */
  public Heard heard() {
    return context.session().heard();
  }

  /** The type in use, where it is one of the list. */
  public Optional<MicrophoneType> type() {
    return MicrophoneType.in(microphone().capture(), book().shelf().known());
  }

  /**
   * What is compared at this place: the shelf, or the generic classes where that is empty; each
   * with the gain that suits it, the strongest weakest margin first. Of several that would do the
   * same here the first stands for all.
   */
  public List<Choice> choices() {
    rankHere();
    return ranking;
  }

  /** The generic classes beside the shelf, ranked alike; none where there is no shelf. */
  public List<Choice> others() {
    rankHere();
    return others;
  }

  private void rankHere() {
    long now = context.session().revisionProperty().get();
    if (now == rankedAt) {
      return;
    }
    rankedAt = now;
    Map<Capture, MicrophoneType> own = different(book().shelf().types());
    Map<Capture, MicrophoneType> classes = different(MicrophoneType.ALL);
    classes.keySet().removeAll(own.keySet());
    ranking = ranked((own.isEmpty() ? classes : own).values());
    others = own.isEmpty() ? List.of() : ranked(classes.values());
  }

  private Map<Capture, MicrophoneType> different(List<MicrophoneType> types) {
    Map<Capture, MicrophoneType> different = new LinkedHashMap<>();
    types.forEach(t -> different.putIfAbsent(t.on(microphone().capture()), t));
    return different;
  }

  private List<Choice> ranked(Collection<MicrophoneType> types) {
    Capture now = microphone().capture();
    List<Heard> heard =
        context.session().hearing().heard(types.stream().map(t -> t.on(now)).toList());
    List<Choice> all = new ArrayList<>();
    for (MicrophoneType type : types) {
      Heard right = atRightGain(heard.get(all.size()));
      all.add(new Choice(type, Verdicts.of(right, targets()), type.isIn(now)));
    }
    all.sort(Comparator.comparingDouble(this::weakestOver).reversed());
    return all;
  }

  private double weakestOver(Choice choice) {
    return choice.verdicts().weakest().overDb();
  }

  /** Why a margin is what it is with another type. */
  public Optional<Why> why(MicrophoneType type, String margin) {
    return Ladder.of(heardWith(type), targets()).findWhy(margin);
  }

  private Heard heardWith(MicrophoneType type) {
    Capture chain = type.on(microphone().capture());
    return atRightGain(context.session().hearing().heard(List.of(chain)).getFirst());
  }

  /** With the gain that is right for it. */
  private Heard atRightGain(Heard asIs) {
    return asIs.withGainDb(book().levels().staging().rightGainDb(asIs, targets()));
  }

  /** Uses another type. */
  public void setType(MicrophoneType type) {
    context
        .session()
        .edit(
            "Take the " + type.label().toLowerCase(Locale.ROOT),
            b ->
                b.with(
                    b.room().withMicrophone(microphone().with(type.on(microphone().capture())))));
  }

  /** Moves the microphone along its line to the lips. */
  public void setDistance(double metres) {
    context
        .session()
        .edit(
            "Change the distance",
            b -> b.with(b.room().withMicrophone(microphone().atDistance(talker().at(), metres))));
  }

  /** Swings the microphone around the lips, in the horizontal, at its height and distance. */
  public void setAngle(double degrees) {
    Talker talker = talker();
    PlacedMicrophone m = microphone();
    Point away = m.at().minus(talker.at());
    double elevation = Math.asin(Math.clamp(away.z() / away.length(), -1, 1));
    double side = sideways(talker, away) < 0 ? -1 : 1;
    // the angle off the axis is made by azimuth, as far as the elevation leaves room for it
    double cosine = Math.cos(Math.toRadians(degrees)) / Math.max(1e-6, Math.cos(elevation));
    double azimuth =
        talker.aim().azimuthDegrees() + side * Math.toDegrees(Math.acos(Math.clamp(cosine, -1, 1)));
    Point direction = new Aim(azimuth, Math.toDegrees(elevation)).direction();
    Point at = talker.at().plus(direction, distanceMetres());
    context
        .session()
        .edit("Change the angle", b -> b.with(b.room().withMicrophone(m.movedTo(at, talker.at()))));
  }

  private static double sideways(Talker talker, Point away) {
    Point d = talker.aim().direction();
    return d.x() * away.y() - d.y() * away.x();
  }

  private String sayAnswer() {
    Margin weakest = context.session().verdicts().weakest();
    Choice best = choices().getFirst();
    String hint =
        best.inUse()
            ? byShelf()
                ? "Nothing else on your shelf does better here."
                : "No other type does better here."
            : hint(best);
    return seen() + said(weakest, hint) + atItsBest();
  }

  private String seen() {
    boolean seen =
        book().room().setUp().worn().isEmpty() && book().room().setUp().films(microphone().at());
    return seen ? "It is in the picture. " : "";
  }

  /** What the ranking says, where that is of now. */
  private String atItsBest() {
    return rank.best()
        .map(r ->
            Figures.say(
                " Each at its best place, the %s is first: %s, %s%s.",
                r.chain().microphone().toLowerCase(Locale.ROOT),
                r.mount().held(),
                context.units().get().near(r.metres()),
                r.shortDb() < 0.05
                    ? ", meets all three"
                    : Figures.say(", %.1f dB short", r.shortDb())))
        .orElse("");
  }

  private static String said(Margin weakest, String hint) {
    return switch (weakest.verdict()) {
      case MET ->
          Figures.say(
              "This one will do: its weakest margin, %s, has %.0f dB to spare. %s",
              weakest.name(), weakest.overDb(), hint);
      case CANNOT_TELL ->
          Figures.say(
              "Nobody can tell: %s is %.0f dB for %.0f, give or take %.0f; %s. %s",
              weakest.name(),
              weakest.db(),
              weakest.targetDb(),
              weakest.uncertaintyDb(),
              weakest.largestDoubt().remedy(),
              hint);
      case CLOSE, SHORT ->
          Figures.say(
              "%s is %.0f dB short with this one here. %s",
              weakest.name(), -weakest.overDb(), hint);
    };
  }

  private String hint(Choice best) {
    double over = weakestOver(best);
    return best.type().label()
        + (over >= 0
            ? " would meet all three."
            : Figures.say(" does best here, and is still %.0f dB short.", -over));
  }

  private String sayMeaning() {
    return "Halving the distance gains about 6 dB of voice over room and noise. A narrower pattern takes in less room; a clip-on"
        + " hears all of it, but from close by. Tie booms and stands down: what hangs overhead must not creep.";
  }
}
