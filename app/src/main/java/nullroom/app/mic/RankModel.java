package nullroom.app.mic;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Executor;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.SimpleStringProperty;
import javafx.beans.property.StringProperty;
import nullroom.app.shell.Fresh;
import nullroom.app.shell.StationContext;
import nullroom.core.acoustics.MicrophoneType;
import nullroom.core.book.Hearing;
import nullroom.core.book.RoomBook;
import nullroom.core.plan.Ladder;
import nullroom.core.plan.Why;
import nullroom.core.plan.mic.MicPlanner;
import nullroom.core.plan.mic.MicPlanner.Ranked;
import nullroom.core.predict.Heard;
import nullroom.core.predict.Margins;
import nullroom.core.room.Member;
import nullroom.core.room.PlacedMicrophone;
import nullroom.core.room.SetUp;

/** Every microphone at its own best place, and what belongs to the one looked at. */
final class RankModel {
  /** So long a drag must rest before all is ranked again. */
  private static final long REST_MILLIS = 150;

  /** So many are drawn against distance. */
  private static final int DRAWN = 4;

  private final StationContext context;
  private final Fresh<Ranking> ranking;
  private final Fresh<List<Ranked>> otherwise;
  private final Fresh<Map<String, List<MicPlanner.AtDistance>>> distances;
  private final StringProperty chosen = new SimpleStringProperty("");

  /**
   * A ranking and the book that it is of.
   *
   * @param book it
   * @param result best first
   */
  record Ranking(RoomBook book, MicPlanner.Result result) {
    /** One entry by the name of its microphone. */
    Optional<Ranked> find(String microphone) {
      return result.ranking().stream()
          .filter(r -> r.chain().microphone().equals(microphone))
          .findFirst();
    }
  }

  RankModel(StationContext context, Executor background) {
    this.context = context;
    ranking = new Fresh<>(background, REST_MILLIS, context);
    otherwise = new Fresh<>(background, REST_MILLIS, context);
    distances = new Fresh<>(background, REST_MILLIS, context);
  }

  ReadOnlyObjectProperty<Optional<Ranking>> rankingProperty() {
    return ranking.valueProperty();
  }

  Fresh<Ranking> ranking() {
    return ranking;
  }

  ReadOnlyObjectProperty<Optional<List<Ranked>>> otherwiseProperty() {
    return otherwise.valueProperty();
  }

  ReadOnlyObjectProperty<Optional<Map<String, List<MicPlanner.AtDistance>>>> distancesProperty() {
    return distances.valueProperty();
  }

  /** Name of the microphone looked at; empty for the best. */
  StringProperty chosenProperty() {
    return chosen;
  }

  private RoomBook book() {
    return context.session().book();
  }

  Margins targets() {
    return book().goal().targets();
  }

  /** Asks for the ranking of now. */
  void refresh() {
    RoomBook book = book();
    ranking.ask(
        MicModel.inputs(book),
        progress -> new Ranking(book, MicPlanner.rank(book, book.shelf(), progress)));
  }

  /** Asks for the one looked at by other mounts and patterns. */
  void refreshOtherwise() {
    chosen()
        .ifPresent(r -> {
          RoomBook book = ranking().valueProperty().get().orElseThrow().book();
          String name = r.chain().microphone();
          otherwise.ask(
              List.of(MicModel.inputs(book), name),
              progress -> MicPlanner.otherwise(book, book.shelf(), name));
        });
  }

  /** Asks for margins against distance of the best, the one looked at and the one in use. */
  void refreshDistances() {
    Optional<Ranking> now = ranking.valueProperty().get();
    if (now.isEmpty()) {
      return;
    }
    List<Ranked> drawn = drawn(now.get());
    RoomBook book = now.get().book();
    distances.ask(
        List.of(MicModel.inputs(book), drawn.stream().map(r -> r.chain().microphone()).toList()),
        progress -> {
          Map<String, List<MicPlanner.AtDistance>> all = new LinkedHashMap<>();
          for (Ranked r : drawn) {
            progress.step(all.size(), drawn.size());
            all.put(r.chain().microphone(), MicPlanner.distances(book, r));
          }
          return all;
        });
  }

  private List<Ranked> drawn(Ranking now) {
    List<Ranked> all = new ArrayList<>();
    chosen().ifPresent(all::add);
    inUse().ifPresent(all::add);
    all.addAll(now.result().ranking());
    Map<String, Ranked> distinct = new LinkedHashMap<>();
    all.forEach(r -> distinct.putIfAbsent(r.chain().microphone(), r));
    return distinct.values().stream().limit(DRAWN).toList();
  }

  /** The one looked at: the chosen one, else the best. */
  Optional<Ranked> chosen() {
    return ranking
        .valueProperty()
        .get()
        .flatMap(
            all -> all.find(chosen.get()).or(() -> all.result().ranking().stream().findFirst()));
  }

  /** The best, where the ranking is of the book as it is now. */
  Optional<Ranked> best() {
    return ranking
        .valueProperty()
        .get()
        .filter(all -> MicModel.inputs(all.book()).equals(MicModel.inputs(book())))
        .flatMap(all -> all.result().ranking().stream().findFirst());
  }

  /** The microphone judged at its own best place, where it is one of the ranking. */
  Optional<Ranked> inUse() {
    Optional<MicrophoneType> type =
        MicrophoneType.in(book().room().requireMicrophone().capture(), book().shelf().known());
    return type.flatMap(t -> ranking.valueProperty().get().flatMap(all -> all.find(t.label())));
  }

  /** A second pickup that does not fail with the best. */
  Optional<MicPlanner.Backup> backup() {
    return ranking.valueProperty().get().flatMap(all -> MicPlanner.backup(all.result().ranking()));
  }

  /** What is missing where the microphone judged is now, by the same reckoning as the ranking. */
  double missingNowDb() {
    RoomBook book = book();
    Heard heard = Hearing.quick(book).heard();
    double gain = book.levels().staging().rightGainDb(heard, targets());
    return MicPlanner.shortDb(heard.withGainDb(gain).margins(), targets());
  }

  /** From the lips to the microphone judged. */
  double metresNow() {
    return context.session().heard().distanceMetres();
  }

  /** Why a margin of one of them is what it is. */
  Optional<Why> why(Ranked ranked, String margin) {
    return Ladder.of(ranked.heard(), targets()).findWhy(margin);
  }

  /** Takes one of them to its best place, in place of the microphone judged. */
  void put(Ranked ranked) {
    Member<PlacedMicrophone> there = ranked.room().setUp().listener().orElseThrow();
    context.attempt(
        "Put the " + ranked.chain().microphone() + " at its best place",
        b -> {
          SetUp s = b.room().setUp();
          String name = s.listener().map(Member::name).orElse(SetUp.MICROPHONE);
          SetUp put = s.with(there.it()).riding(name, there.ride());
          return b.with(b.room().with(put)).with(b.levels().with(ranked.staging()));
        });
  }
}
