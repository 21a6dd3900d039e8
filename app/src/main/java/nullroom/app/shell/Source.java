package nullroom.app.shell;

import java.util.Optional;
import java.util.function.Function;
import nullroom.core.Progress;
import nullroom.core.signal.Samples;
import nullroom.io.device.AudioDevice;
import nullroom.io.device.AudioStream;
import nullroom.io.device.Recording;

/**
 * The input that was chosen when a recording began. A real one that is heard already cannot be
 * opened twice: what it hears is recorded.
 */
record Source(String name, boolean simulated, AudioDevice device, Live live) {
  private Optional<AudioStream> heardAlready() {
    return simulated ? Optional.empty() : TapStream.on(live);
  }

  Samples record(AudioDevice.Prompt prompt, double seconds, Progress progress) {
    Optional<AudioStream> heard = heardAlready();
    if (heard.isEmpty()) {
      return device.record(prompt, seconds, progress);
    }
    try (AudioStream stream = heard.get()) {
      return Recording.of(stream, name, seconds, progress);
    }
  }

  Samples watch(
      AudioDevice.Prompt prompt,
      double seconds,
      Function<AudioStream, Recording.Watch> watch,
      Progress progress) {
    try (AudioStream stream = heardAlready().orElseGet(() -> device.open(prompt))) {
      return Recording.of(stream, name, seconds, watch.apply(stream), progress);
    }
  }
}
