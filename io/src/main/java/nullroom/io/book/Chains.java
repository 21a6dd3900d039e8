package nullroom.io.book;

import java.util.Optional;
import nullroom.core.acoustics.Capture;
import nullroom.core.book.Listening;
import nullroom.core.book.NoiseMeasurement;
import nullroom.core.book.SurveyNote;
import nullroom.core.measure.noise.Scale;
import nullroom.core.room.Room;

/**
 * Chains for the recordings of books that did not keep them yet: the microphone described, at the
 * gain that gives the scale that was kept.
 */
final class Chains {
  private Chains() {}

  static Listening added(Listening listening, Room room) {
    Optional<Capture> described = room.microphone().map(m -> m.capture());
    Optional<Capture> ofNoise = listening.noise().flatMap(n -> at(listening, described, n.scale()));
    return new Listening(
        listening.noise().map(n -> with(n, ofNoise)),
        listening.calibration(),
        listening.suspects().stream().map(s -> s.heardWith(ofNoise)).toList(),
        listening.spots().stream().map(s -> with(s, at(listening, described, s.scale()))).toList(),
        listening.surveys().stream()
            .map(s ->
                new SurveyNote(
                    s.file(),
                    s.started(),
                    s.simulated(),
                    at(listening, described, s.scale()),
                    s.scale(),
                    s.ended()))
            .toList(),
        listening.humTest(),
        listening.chainKnown());
  }

  private static NoiseMeasurement with(NoiseMeasurement n, Optional<Capture> chain) {
    return new NoiseMeasurement(
        n.sound(),
        n.taken(),
        n.simulated(),
        n.spot(),
        n.report(),
        chain,
        n.scale(),
        n.roomDbSpl(),
        n.without(),
        n.altered(),
        n.byVoice());
  }

  private static Optional<Capture> at(
      Listening listening, Optional<Capture> described, Optional<Scale> kept) {
    if (described.isEmpty() || kept.isEmpty()) {
      return Optional.empty();
    }
    Capture chain = described.get();
    return listening
        .calibration()
        .scale(chain)
        .flatMap(now -> {
          double gain = chain.gainDb() + now.fullScaleDbSpl() - kept.get().fullScaleDbSpl();
          return gain >= Capture.LEAST_GAIN_DB && gain <= Capture.MOST_GAIN_DB
              ? Optional.of(chain.withGainDb(gain))
              : Optional.empty();
        });
  }
}
