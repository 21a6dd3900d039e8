package nullroom.app.shell;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import nullroom.app.Fx;
import nullroom.core.Progress;
import nullroom.core.Trouble;
import nullroom.core.signal.Samples;
import nullroom.io.device.AudioDevice;
import nullroom.io.device.AudioStream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

class InputsTest {
  private record Named(String name) implements AudioDevice {
    @Override
    public double sampleRateHz() {
      return 48_000;
    }

    @Override
    public OptionalDouble fullScaleDbSpl() {
      return OptionalDouble.empty();
    }

    @Override
    public AudioStream open(Prompt prompt) {
      throw new AssertionError("only its name is asked for");
    }

    @Override
    public Samples record(Prompt prompt, double seconds, Progress progress) {
      throw new AssertionError("only its name is asked for");
    }
  }

  @BeforeAll
  static void toolkit() {
    Fx.start();
  }

  private static void found(Inputs inputs, String... names) {
    List<AudioDevice> devices = Arrays.stream(names).<AudioDevice>map(Named::new).toList();
    inputs.look(Runnable::run, () -> devices);
    Fx.run(() -> {});
  }

  private static String chosen(Inputs inputs) {
    return Fx.on(() -> inputs.chosenProperty().get().name());
  }

  @Test
  void whatIsPluggedInAppearsAndWhatIsPulledOutGivesWay() {
    Inputs inputs = new Inputs(() -> new Named("acted"));
    found(inputs);
    assertThat(chosen(inputs)).isEqualTo("simulated room");
    found(inputs, "interface", "camera");
    assertThat(chosen(inputs)).isEqualTo("interface");
    assertThat(Fx.on(() -> inputs.all().stream().map(Inputs.Input::name).toList()))
        .containsExactly("simulated room", "interface", "camera");
    Fx.run(() -> inputs.chosenProperty().set(inputs.all().getLast()));
    found(inputs, "interface", "camera"); // nothing changed
    assertThat(chosen(inputs)).isEqualTo("camera");
    found(inputs, "camera");
    assertThat(chosen(inputs)).isEqualTo("camera");
    found(inputs, "interface");
    assertThat(chosen(inputs)).isEqualTo("simulated room");
    found(inputs, "interface", "camera"); // plugged in again: the choice is left alone
    assertThat(chosen(inputs)).isEqualTo("simulated room");
  }

  @Test
  void inABookOfOnesOwnNothingIsSimulatedUntilItIsChosen() {
    Inputs inputs = Inputs.own(() -> new Named("acted"));
    assertThat(chosen(inputs)).isEqualTo("no microphone found");
    Inputs.Input none = Fx.on(() -> inputs.chosenProperty().get());
    assertThat(none.simulated()).isFalse();
    assertThatThrownBy(() -> none.device().get())
        .isInstanceOf(Trouble.BadSound.class)
        .hasMessageContaining("plug one in")
        .hasMessageContaining("simulated room");
    found(inputs, "interface");
    assertThat(chosen(inputs)).isEqualTo("interface");
    found(inputs);
    assertThat(chosen(inputs))
        .as("pulled out: not the simulated one")
        .isEqualTo("no microphone found");
    Fx.run(() -> inputs.chosenProperty().set(inputs.all().getFirst()));
    assertThat(Fx.on(() -> inputs.chosenProperty().get().simulated())).isTrue();
  }
}
