package nullroom.app.shell;

import java.util.ArrayList;
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
   * Looks for inputs of this computer. The first one ever found is chosen; one that is chosen and
   * gone gives way to the simulated room.
   *
   * @param look may take its time; not on the FX thread
   */
  public void look(Executor executor, Supplier<List<AudioDevice>> look) {
    executor.execute(() -> {
      List<AudioDevice> found = look.get();
      Platform.runLater(() -> show(found));
    });
  }

  private void show(List<AudioDevice> found) {
    List<String> names = found.stream().map(AudioDevice::name).toList();
    boolean first = all.size() == 1;
    if (all.stream().skip(1).map(Input::name).toList().equals(names)) {
      return;
    }
    Input before = chosen.get();
    List<Input> now = new ArrayList<>(List.of(all.getFirst()));
    found.forEach(device -> now.add(new Input(device.name(), false, () -> device)));
    all.setAll(now);
    chosen.set(
        now.stream()
            .filter(input -> input.name().equals(before.name()))
            .findFirst()
            .filter(input -> !(first && input.simulated()))
            .orElse(first ? now.get(1) : now.getFirst()));
  }
}
