package nullroom.app.shell;

import java.util.Optional;
import nullroom.core.Progress;
import nullroom.core.measure.altered.Alteration;

/** A measurement after which what a device did to the sound is told. */
record Telling<T>(StationContext.Measurement<T> measure, Alteration.Measured measured)
    implements StationContext.Measurement<T> {
  @Override
  public T of(StationContext.Kept sound, Progress progress) {
    return measure.of(sound, progress);
  }

  @Override
  public Optional<Alteration.Measured> what() {
    return Optional.of(measured);
  }
}
