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
  private @Nullable Object asked;
  private @Nullable Object made;

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

  /** The result, where it is of what was asked last and that is this. */
  public Optional<T> of(Object inputs) {
    return Objects.equals(inputs, made) ? value.get() : Optional.empty();
  }

  /**
   * Asks for a result, unless the last was asked for of the same.
   *
   * @param inputs what it is made of, compared by equality
   * @param work makes it of what it was handed alone
   */
  public void ask(Object inputs, Function<Progress, T> work) {
    if (Objects.equals(inputs, asked)) {
      return;
    }
    asked = inputs;
    newest.ask(request -> {
      try {
        T result = work.apply(request);
        request.tell(() -> {
          trouble.set("");
          made = inputs;
          value.set(Optional.of(result));
        });
      } catch (Trouble e) {
        request.tell(() -> {
          made = inputs;
          value.set(Optional.empty());
          trouble.set(e.line());
        });
      }
    });
  }
}
