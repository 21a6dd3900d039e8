package nullroom.app.shell;

import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.function.Function;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import nullroom.core.Progress;
import nullroom.core.Trouble;
import org.jspecify.annotations.Nullable;

/**
 * A result that follows what it is made of: worked out off the FX thread, of all that was asked the
 * newest only. Asked on the FX thread.
 */
public final class Fresh<T> {
  private final Newest newest;
  private final ReadOnlyObjectWrapper<Optional<T>> value =
      new ReadOnlyObjectWrapper<>(Optional.empty());
  private final ReadOnlyObjectWrapper<String> trouble = new ReadOnlyObjectWrapper<>("");
  private @Nullable Object of;

  /**
   * Nothing yet.
   *
   * @param restMillis begun once requests have rested for so long
   */
  public Fresh(Executor background, long restMillis, StationContext context) {
    newest = new Newest(background, restMillis, context.work()::warn);
  }

  /** The result that was worked out last; that of before, until a newer one is there. */
  public ReadOnlyObjectProperty<Optional<T>> valueProperty() {
    return value.getReadOnlyProperty();
  }

  /** Why there is none, in a sentence; empty where there is one. */
  public ReadOnlyObjectProperty<String> troubleProperty() {
    return trouble.getReadOnlyProperty();
  }

  /**
   * Asks for a result, unless the last was asked for of the same.
   *
   * @param inputs what it is made of, compared by equality
   * @param work makes it of what it was handed alone
   */
  public void ask(Object inputs, Function<Progress, T> work) {
    if (Objects.equals(inputs, of)) {
      return;
    }
    of = inputs;
    newest.ask(request -> {
      try {
        T made = work.apply(request);
        request.tell(() -> {
          trouble.set("");
          value.set(Optional.of(made));
        });
      } catch (Trouble e) {
        request.tell(() -> {
          value.set(Optional.empty());
          trouble.set(e.line());
        });
      }
    });
  }
}
