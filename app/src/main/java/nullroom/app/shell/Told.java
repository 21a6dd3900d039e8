package nullroom.app.shell;

import java.util.function.Consumer;
import java.util.stream.Collectors;
import nullroom.core.Progress;
import nullroom.core.measure.altered.Alteration;
import nullroom.core.measure.altered.AlterationMeter;
import nullroom.core.signal.SampleSource;

/**
 * A result, and what to say of the sound that it is from.
 *
 * @param result of a measurement
 * @param words empty where nothing was done to the sound
 */
record Told<T>(T result, String words) {
  /** What was done to a sound's first channel, and which way its figures are wrong. */
  static String of(SampleSource sound, Alteration.Measured what, Progress progress) {
    return AlterationMeter.measure(sound, progress).getFirst().stream()
        .map(a -> a.warning(what))
        .collect(Collectors.joining(" "));
  }

  /** Hands the result on, and says the words before what is said of that. */
  void to(Consumer<T> done, Work work) {
    done.accept(result);
    if (!words.isEmpty()) {
      work.warn((words + " " + work.troubleProperty().get()).strip());
    }
  }
}
