package nullroom.app.shell;

import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.concurrent.Executor;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.ReadOnlyDoubleProperty;
import javafx.beans.property.ReadOnlyDoubleWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import nullroom.core.Progress;
import nullroom.core.Trouble;

/**
 * One piece of long work at a time, off the FX thread, with progress, cancel and its trouble said
 * in one sentence.
 */
public final class Work {
  private final Executor executor;
  private final ReadOnlyBooleanWrapper running = new ReadOnlyBooleanWrapper();
  private final ReadOnlyDoubleWrapper fraction = new ReadOnlyDoubleWrapper();
  private final ReadOnlyStringWrapper what = new ReadOnlyStringWrapper("");
  private final ReadOnlyStringWrapper trouble = new ReadOnlyStringWrapper("");
  private final ReadOnlyBooleanWrapper fault = new ReadOnlyBooleanWrapper();
  private final ReadOnlyObjectWrapper<Optional<Path>> written =
      new ReadOnlyObjectWrapper<>(Optional.empty());
  private UnaryOperator<String> speaks = UnaryOperator.identity();
  private volatile boolean cancelled;

  /** Work done on an executor. */
  public Work(Executor executor) {
    this.executor = executor;
  }

  /** Whether something is under way. */
  public ReadOnlyBooleanProperty runningProperty() {
    return running.getReadOnlyProperty();
  }

  /** How much of it is done, 0 to 1. */
  public ReadOnlyDoubleProperty fractionProperty() {
    return fraction.getReadOnlyProperty();
  }

  /** What is under way, for people. */
  public ReadOnlyStringProperty whatProperty() {
    return what.getReadOnlyProperty();
  }

  /** What went wrong or was done last, as one sentence; empty after a success. */
  public ReadOnlyStringProperty troubleProperty() {
    return trouble.getReadOnlyProperty();
  }

  /** Whether the last sentence is of a fault; else it is news. */
  public ReadOnlyBooleanProperty faultProperty() {
    return fault.getReadOnlyProperty();
  }

  /** The file that the last sentence is about, where it says that one was written. */
  public ReadOnlyObjectProperty<Optional<Path>> writtenProperty() {
    return written.getReadOnlyProperty();
  }

  /** Says that a file was written, and where. */
  public void wrote(Path file) {
    wrote(file, "", false);
  }

  /**
   * The same with what else there is to say of it.
   *
   * @param more one or more sentences, or empty
   * @param wrong whether they are of a fault
   */
  public void wrote(Path file, String more, boolean wrong) {
    Path whole = file.toAbsolutePath();
    written.set(Optional.of(whole));
    fault.set(wrong);
    String words = "Written: " + whole.getFileName() + ", in " + whole.getParent() + ".";
    trouble.set(more.isEmpty() ? words : words + " " + more);
  }

  /** Says what has happened. */
  public void say(String sentence) {
    written.set(Optional.empty());
    fault.set(false);
    trouble.set(sentence);
  }

  /** Says what went wrong. */
  public void warn(String sentence) {
    written.set(Optional.empty());
    fault.set(true);
    trouble.set(speaks.apply(sentence));
  }

  /** Says places of files in the words of the window from now on. */
  public void setSpeaks(UnaryOperator<String> words) {
    speaks = words;
  }

  /**
   * Does something short at once; what goes wrong is said.
   *
   * @param otherwise follows then, to show again what is so
   */
  public void attempt(Runnable action, Runnable otherwise) {
    try {
      action.run();
    } catch (Trouble e) {
      warn(e.line());
      otherwise.run();
    }
  }

  /** Stops what is under way; it ends at its next step. */
  public void cancel() {
    cancelled = true;
  }

  /**
   * Starts work; says so and does nothing while other work is under way. Call on the FX thread.
   *
   * @param name for people
   * @param work runs off the FX thread; may throw {@link Trouble}
   * @param done receives its result on the FX thread
   */
  public <T> void start(String name, Function<Progress, T> work, Consumer<T> done) {
    if (running.get()) {
      warn("Not yet: “" + what.get() + "” is still under way. Wait until it is done, or stop it.");
      return;
    }
    cancelled = false;
    running.set(true);
    fraction.set(0);
    what.set(name);
    say("");
    executor.execute(() -> run(work, done));
  }

  private <T> void run(Function<Progress, T> work, Consumer<T> done) {
    try {
      T result = work.apply(this::step);
      Platform.runLater(() -> {
        running.set(false);
        try {
          done.accept(result);
        } catch (Trouble e) {
          warn(e.line());
        }
      });
    } catch (CancellationException e) {
      end("Stopped; nothing was changed.", false);
    } catch (Trouble e) {
      end(e.line(), true);
    } catch (Throwable e) { // an Error, too, must not leave the window busy for ever
      end("Something unexpected went wrong: " + e, true);
      throw e;
    }
  }

  private void end(String sentence, boolean wrong) {
    Platform.runLater(() -> {
      running.set(false);
      if (wrong) {
        warn(sentence);
      } else {
        say(sentence);
      }
    });
  }

  private void step(long done, long total) {
    if (cancelled) {
      throw new CancellationException();
    }
    if (total > 0) {
      Platform.runLater(() -> fraction.set((double) done / total));
    }
  }
}
