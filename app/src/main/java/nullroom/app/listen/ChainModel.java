package nullroom.app.listen;

import java.util.Optional;
import nullroom.app.shell.StationContext;
import nullroom.core.Figures;
import nullroom.core.acoustics.Capture;
import nullroom.core.acoustics.MicrophoneType;
import nullroom.core.book.NoiseMeasurement;
import nullroom.core.book.RoomBook;

/** What the noise of now was recorded with, as far as anybody knows; can be said later. */
public final class ChainModel {
  private final StationContext context;

  ChainModel(StationContext context) {
    this.context = context;
  }

  private RoomBook book() {
    return context.session().book();
  }

  private Optional<NoiseMeasurement> measurement() {
    return book().noise();
  }

  /** The chain that the measurement of now was made with, in words. */
  public String words() {
    return measurement()
        .map(n ->
            n.chain()
                .map(c ->
                    Figures.say(
                            "made with %s, %.0f dB of gain",
                            MicrophoneType.nameOf(c, book().shelf().known()), c.gainDb())
                        + (n.simulated() ? " (simulated)" : ""))
                .orElse("made with an unknown microphone or gain"))
        .orElse("");
  }

  /** Whether it could be said to have been made with the microphone described now. */
  public boolean canTakeDescribedChain() {
    return measurement()
        .filter(n -> !n.simulated())
        .filter(n -> !n.chain().equals(Optional.of(described())))
        .isPresent();
  }

  private Capture described() {
    return book().room().requireMicrophone().capture();
  }

  /** The microphone and gain described now, in words. */
  public String described(boolean shortly) {
    return Figures.say(
        shortly ? "%s, %.0f dB" : "the %s at %.0f dB of gain",
        MicrophoneType.nameOf(described(), book().shelf().known()),
        described().gainDb());
  }

  /** Says that the measurement of now was made with the microphone described now. */
  public void madeWithDescribed() {
    context
        .session()
        .edit(
            "Say what the noise was recorded with",
            b -> b.with(b.listening().withChain(Optional.of(described()))));
  }

  /** Says that nobody knows what it was made with. */
  public void madeWithUnknown() {
    context
        .session()
        .edit(
            "Say that nobody knows what the noise was recorded with",
            b -> b.with(b.listening().withChain(Optional.empty())));
  }
}
