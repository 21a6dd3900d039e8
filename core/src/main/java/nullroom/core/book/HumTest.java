package nullroom.core.book;

import java.util.Optional;
import nullroom.core.measure.noise.HumPath;
import nullroom.core.measure.noise.MainsHum;

/**
 * Where a hum comes from, by a recording with the microphone put out of work.
 *
 * @param way how it was put out of work
 * @param open the hum with the microphone listening
 * @param closed the hum without
 */
public record HumTest(Way way, Optional<MainsHum> open, Optional<MainsHum> closed) {
  /** How a microphone is kept from hearing. */
  public enum Way {
    /** Input terminated, the cable left in. */
    TERMINATED,
    /** Capsule covered: wrapped in a blanket. */
    COVERED
  }

  /** The verdict. */
  public HumPath path() {
    return HumPath.of(open, closed);
  }
}
