package nullroom.app.shell;

import java.util.List;
import java.util.concurrent.Executor;
import java.util.function.Supplier;
import java.util.stream.Stream;
import javafx.application.Platform;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.beans.property.SimpleStringProperty;
import javafx.beans.property.StringProperty;
import javafx.collections.FXCollections;
import javafx.collections.ObservableList;
import nullroom.core.Trouble;
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

  /** What stands in where no input of this computer is there. */
  private final Input fallback;

  private final List<Input> fixed;
  private final ObjectProperty<Input> chosen;
  private final StringProperty output = new SimpleStringProperty("");
  private String preferred = "";
  private boolean foundBefore;

  /** The simulated room, and inputs of this computer as they are found. */
  public Inputs(Supplier<AudioDevice> simulated) {
    this(new Input("simulated room", true, simulated), List.of());
  }

  private Inputs(Input simulated, List<Input> others) {
    fallback = others.isEmpty() ? simulated : others.getFirst();
    fixed = Stream.concat(Stream.of(simulated), others.stream()).toList();
    all.setAll(fixed);
    chosen = new SimpleObjectProperty<>(fallback);
  }

  /**
   * Of a book about a room of one's own: where no microphone is found nothing records, for the
   * simulated room gets into such a book only where it is chosen.
   */
  public static Inputs own(Supplier<AudioDevice> simulated) {
    return new Inputs(
        new Input("simulated room", true, simulated),
        List.of(new Input("no microphone found", false, Inputs::none)));
  }

  private static AudioDevice none() {
    throw new Trouble.BadSound(
        "",
        "No microphone was found on this computer: plug one in, drop a recording, or choose the simulated room at the bottom to practise.");
  }

  /** Everything there is, the simulated room first. */
  public ObservableList<Input> all() {
    return all;
  }

  /** The input that records. */
  public ObjectProperty<Input> chosenProperty() {
    return chosen;
  }

  /** Name of the output that plays; empty for the system's own. */
  public StringProperty outputProperty() {
    return output;
  }

  /** Whether an input was found on this computer, and is no stand-in. */
  public boolean isFound(Input input) {
    return all.contains(input) && !fixed.contains(input);
  }

  /** Names the input that is chosen as soon as it is found. */
  public void prefer(String name) {
    preferred = name;
  }

  /**
   * Looks for inputs of this computer. The first one ever found is chosen; one that is chosen and
   * gone gives way to what stands in.
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
    if (all.stream().skip(fixed.size()).map(Input::name).toList().equals(names)) {
      return;
    }
    Input before = chosen.get();
    boolean waiting = !foundBefore || !fallback.simulated() && before.equals(fallback);
    foundBefore |= !found.isEmpty();
    List<Input> real =
        found.stream().map(device -> new Input(device.name(), false, () -> device)).toList();
    all.setAll(Stream.concat(fixed.stream(), real.stream()).toList());
    chosen.set(
        waiting && !real.isEmpty() && before.equals(fallback)
            ? real.stream()
                .filter(input -> input.name().equals(preferred))
                .findFirst()
                .orElse(real.getFirst())
            : all.stream()
                .filter(input -> input.name().equals(before.name()))
                .findFirst()
                .orElse(fallback));
  }
}
