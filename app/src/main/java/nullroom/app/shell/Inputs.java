package nullroom.app.shell;

import java.util.List;
import java.util.concurrent.Executor;
import java.util.function.Supplier;
import javafx.application.Platform;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.collections.FXCollections;
import javafx.collections.ObservableList;
import nullroom.io.device.AudioDevice;

/** What can record, and which of it does. Lives on the FX thread. */
public final class Inputs {
  /**
   * One input.
   *
   * @param name for people
   * @param simulated whether it only acts a room
   * @param device as it is when a recording starts
   */
  public record Input(String name, boolean simulated, Supplier<AudioDevice> device) {}

  private final ObservableList<Input> all = FXCollections.observableArrayList();
  private final ObjectProperty<Input> chosen;

  /** The simulated room alone. */
  public Inputs(Supplier<AudioDevice> simulated) {
    Input room = new Input("simulated room", true, simulated);
    all.add(room);
    chosen = new SimpleObjectProperty<>(room);
  }

  /** Everything there is, the simulated room first. */
  public ObservableList<Input> all() {
    return all;
  }

  /** The input that records. */
  public ObjectProperty<Input> chosenProperty() {
    return chosen;
  }

  /**
   * Looks for inputs of this computer; the first one found is chosen.
   *
   * @param look may take its time; not on the FX thread
   */
  public void look(Executor executor, Supplier<List<AudioDevice>> look) {
    executor.execute(() -> {
      List<Input> found =
          look.get().stream().map(device -> new Input(device.name(), false, () -> device)).toList();
      Platform.runLater(() -> {
        all.addAll(found);
        if (!found.isEmpty()) {
          chosen.set(found.getFirst());
        }
      });
    });
  }
}
