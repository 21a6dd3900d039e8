package nullroom.app.shell;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;
import javafx.beans.property.ReadOnlyLongProperty;
import javafx.beans.property.ReadOnlyLongWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import javafx.beans.value.ObservableValue;
import nullroom.core.Figures;
import nullroom.core.acoustics.Octave;
import nullroom.core.book.Decays;
import nullroom.core.book.Hearing;
import nullroom.core.book.RoomBook;
import nullroom.core.plan.Ladder;
import nullroom.core.plan.Verdicts;
import nullroom.core.predict.Heard;
import nullroom.core.predict.Refinement;
import nullroom.core.room.Room;
import nullroom.io.book.BookFolder;
import org.jspecify.annotations.Nullable;

/**
 * The open book: its current state, undo and redo, and what the microphone hears. Lives on the FX
 * thread; every new state is handed to the saver at once, which writes the newest on its own
 * thread.
 */
public final class BookSession {
  private record Step(String name, RoomBook before, RoomBook after) {}

  /** What can be taken back and repeated, the newest first. */
  public static final class Steps {
    private final List<Step> undo;
    private final List<Step> redo;

    private Steps(List<Step> undo, List<Step> redo) {
      this.undo = undo;
      this.redo = redo;
    }
  }

  /** Drags of one thing within this time are one step of undo. */
  private static final long MERGE_NANOS = 1_000_000_000L;

  /** A change of a predicted time that is worth a question. */
  private static final double NOTABLE_SHARE = 0.01;

  /** A change that is worth a word. */
  private static final double NOTABLE_DB = 0.5;

  private final BookSaver saver;
  private final ReadOnlyObjectWrapper<RoomBook> book;
  private final ReadOnlyObjectWrapper<Heard> heard;
  private final ReadOnlyObjectWrapper<Heard> before;
  private final ReadOnlyStringWrapper undoName = new ReadOnlyStringWrapper("");
  private final ReadOnlyStringWrapper redoName = new ReadOnlyStringWrapper("");
  private final Deque<Step> undo = new ArrayDeque<>();
  private final Deque<Step> redo = new ArrayDeque<>();
  private final ReadOnlyObjectWrapper<Optional<Described>> described =
      new ReadOnlyObjectWrapper<>(Optional.empty());
  private Optional<Refinement> refinement = Optional.empty();
  private final ReadOnlyLongWrapper revision = new ReadOnlyLongWrapper();
  private final ReadOnlyStringWrapper refined = new ReadOnlyStringWrapper("");
  private long lastEdit;

  /**
   * A session on a book.
   *
   * @param folder where it is saved
   * @param book its state
   * @param saver one thread that saves in order
   * @param onTrouble told in one sentence when a save fails; called from the saver
   */
  public BookSession(BookFolder folder, RoomBook book, Executor saver, Consumer<String> onTrouble) {
    this(folder, book, Optional.empty(), saver, onTrouble);
  }

  /**
   * A session on a book that may be there to be read only.
   *
   * @param readOnly why, in a sentence; edits are then refused with it
   */
  public BookSession(
      BookFolder folder,
      RoomBook book,
      Optional<String> readOnly,
      Executor saver,
      Consumer<String> onTrouble) {
    this.saver = new BookSaver(folder, readOnly, saver, onTrouble);
    this.book = new ReadOnlyObjectWrapper<>(book);
    this.heard = new ReadOnlyObjectWrapper<>(heard(book));
    this.before = new ReadOnlyObjectWrapper<>(heard.get());
    refined.set(words(book, 0));
    this.saver.save(book);
  }

  /** Where the book lives. */
  public BookFolder folder() {
    return saver.folder();
  }

  /** The current state. */
  public ReadOnlyObjectProperty<RoomBook> bookProperty() {
    return book.getReadOnlyProperty();
  }

  /** Whether nobody said yet how large the room is. */
  public ObservableValue<Boolean> assumedProperty() {
    return book.map(b -> !b.here().described());
  }

  /**
   * The current state, for the FX thread.
   *
   * @throws IllegalStateException on a virtual thread: work there is handed what it needs, since
   *     the book may change meanwhile
   */
  public RoomBook book() {
    if (Thread.currentThread().isVirtual()) {
      throw new IllegalStateException("the book is read where it changes, on the FX thread");
    }
    return book.get();
  }

  /** What the microphone hears in the current state. */
  public ReadOnlyObjectProperty<Heard> heardProperty() {
    return heard.getReadOnlyProperty();
  }

  /** What it hears, now. */
  public Heard heard() {
    return heard.get();
  }

  /** What it would hear in a changed room, by the same reckoning. */
  public Heard heard(Room changed) {
    return hearing().heard(changed);
  }

  /** How it hears; free to be asked on another thread. */
  public Hearing hearing() {
    return Hearing.of(book(), refinement);
  }

  /** What tracing found of the room beyond the quick answer. */
  public Optional<Refinement> refinement() {
    return refinement;
  }

  /** The ladder of now. */
  public Ladder ladder() {
    return Ladder.of(heard(), book().goal().targets());
  }

  /** The three margins of now with their words. */
  public Verdicts verdicts() {
    return Verdicts.of(heard(), book().goal().targets());
  }

  private Heard heard(RoomBook of) {
    return Hearing.of(of, refinement).heard();
  }

  /**
   * Takes over what tracing the room found beyond the quick answer. What is heard changes by it,
   * and the change is said.
   */
  public void refine(Refinement found) {
    double clear = heard().margins().clearDb();
    refinement = Optional.of(found);
    Heard now = heard(book());
    before.set(heard.get());
    heard.set(now);
    refined.set(words(book(), now.margins().clearDb() - clear));
    revision.set(revision.get() + 1);
  }

  /** Counts up when the book or what is heard has changed and all of it is in place. */
  public ReadOnlyLongProperty revisionProperty() {
    return revision.getReadOnlyProperty();
  }

  /** How far the prediction has got, in a few words. */
  public ReadOnlyStringProperty refinedProperty() {
    return refined.getReadOnlyProperty();
  }

  /** Says how far tracing has got, 0 to 1; NaN where it was stopped. */
  public void tracing(double share) {
    refined.set(
        Double.isNaN(share)
            ? "Quick answer; tracing was stopped."
            : Figures.say("Quick answer; tracing the room, %.0f %%.", 100 * share));
  }

  private String words(RoomBook of, double change) {
    if (refinement.filter(r -> Refinement.alike(r.room(), of.room())).isEmpty()) {
      return "Quick answer.";
    }
    return Math.abs(change) < NOTABLE_DB
        ? "Traced, surface by surface."
        : Figures.say("Traced; Clear moved by %+.1f dB.", change);
  }

  /** What it heard before the last step, for the ghost on the ladder. */
  public ReadOnlyObjectProperty<Heard> beforeProperty() {
    return before.getReadOnlyProperty();
  }

  /** Name of the step that undo takes back; empty where there is none. */
  public ReadOnlyStringProperty undoNameProperty() {
    return undoName.getReadOnlyProperty();
  }

  /** Name of the step that redo repeats; empty where there is none. */
  public ReadOnlyStringProperty redoNameProperty() {
    return redoName.getReadOnlyProperty();
  }

  /**
   * Changes the book. An edit of the same name right after another joins it, so that a drag is one
   * step.
   *
   * @param name for people, as "Move the microphone"
   * @param edit from book to book; what it throws leaves the book as it was
   */
  public void edit(String name, UnaryOperator<RoomBook> edit) {
    RoomBook from = book.get();
    RoomBook to = edit.apply(from);
    if (to.equals(from)) {
      return;
    }
    if (saver.refuses()) {
      revision.set(revision.get() + 1); // so that every view shows again what is so
      return;
    }
    if (to.decays().measured().size() != from.decays().measured().size()) {
      described.set(Optional.empty()); // measured anew, of the room as it is described now
    }
    long now = System.nanoTime();
    Step last = undo.peek();
    boolean joins = last != null && last.name().equals(name) && now - lastEdit < MERGE_NANOS;
    if (joins) {
      undo.pop();
    }
    lastEdit = now;
    undo.push(new Step(name, joins && last != null ? last.before() : from, to));
    redo.clear();
    show(to, undo.getFirst().before());
  }

  /**
   * What was described anew after the room had been measured: it is taken to have been so when it
   * was measured, until somebody says otherwise.
   *
   * @param names of the edits
   * @param measured the decays with what was described of the room before
   */
  public record Described(List<String> names, Decays measured) {
    public Described {
      names = List.copyOf(names);
    }
  }

  /** What was described anew and is still to be asked about. */
  public ReadOnlyObjectProperty<Optional<Described>> describedProperty() {
    return described.getReadOnlyProperty();
  }

  /**
   * Changes what the room is described as. What was measured stays as it is: the model moves, not
   * the room.
   *
   * @param name for people
   * @param change from room to room; what it throws leaves the book as it was
   */
  public void describe(String name, UnaryOperator<Room> change) {
    Decays before = book().decays();
    Optional<Described> asked = described.get();
    edit(name, b -> b.describedAs(change.apply(b.room())));
    if (predictsOtherTimes(before, book().decays())) {
      List<String> names = new ArrayList<>(asked.map(Described::names).orElse(List.of()));
      names.remove(name);
      names.add(name);
      described.set(
          Optional.of(new Described(names, asked.map(Described::measured).orElse(before))));
    }
  }

  private static boolean predictsOtherTimes(Decays before, Decays now) {
    return before.last().isPresent()
        && IntStream.range(0, Octave.COUNT)
            .anyMatch(b -> {
              double then = before.last().get().predictedSeconds().get(b);
              double anew = now.last().orElseThrow().predictedSeconds().get(b);
              return Math.abs(anew / then - 1) > NOTABLE_SHARE;
            });
  }

  /** It was so when the room was measured: the description was wrong before. */
  public void wasThere() {
    described.set(Optional.empty());
  }

  /** It came after the measurement: the room itself has changed. */
  public void isNew() {
    described
        .get()
        .ifPresent(d -> edit("Say that it came after the measurement", b -> b.with(d.measured())));
    described.set(Optional.empty());
  }

  /** What can be taken back and repeated. */
  public Steps steps() {
    return new Steps(List.copyOf(undo), List.copyOf(redo));
  }

  /** Goes on from the steps of a session on the same book, which it was when that ended. */
  public void goOnFrom(Steps steps) {
    undo.addAll(steps.undo);
    redo.addAll(steps.redo);
    nameSteps();
  }

  /** Whether the last step was one to another place, which undo would leave again. */
  public boolean undoLeavesPlace() {
    return leaves(undo.peek());
  }

  /** Whether redo goes to another place. */
  public boolean redoLeavesPlace() {
    return leaves(redo.peek());
  }

  private static boolean leaves(@Nullable Step step) {
    return step != null && !step.before().here().name().equals(step.after().here().name());
  }

  /** Takes back the last step. */
  public void undo() {
    described.set(Optional.empty());
    if (!undo.isEmpty()) {
      Step step = undo.pop();
      redo.push(step);
      show(step.before(), step.after());
    }
  }

  /** Repeats the step taken back last. */
  public void redo() {
    described.set(Optional.empty());
    if (!redo.isEmpty()) {
      Step step = redo.pop();
      undo.push(step);
      show(step.after(), step.before());
    }
  }

  private void nameSteps() {
    undoName.set(undo.isEmpty() ? "" : undo.getFirst().name());
    redoName.set(redo.isEmpty() ? "" : redo.getFirst().name());
  }

  private void show(RoomBook now, RoomBook ghost) {
    lastEdit = redo.isEmpty() ? lastEdit : 0;
    nameSteps();
    before.set(ghost == book() ? heard.get() : heard(ghost));
    heard.set(heard(now));
    refined.set(words(now, 0));
    book.set(now);
    revision.set(revision.get() + 1);
    this.saver.save(now);
  }

  /** What saves it. */
  public BookSaver saver() {
    return saver;
  }

  /** Why the book is open to be read only; empty where it can be changed. */
  public Optional<String> readOnly() {
    return saver.readOnly();
  }
}
