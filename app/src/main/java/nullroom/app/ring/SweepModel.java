package nullroom.app.ring;

import java.nio.file.Path;
import java.util.Optional;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import nullroom.app.shell.StationContext;
import nullroom.core.Decibels;
import nullroom.core.signal.Samples;
import nullroom.core.signal.Sweep;
import nullroom.io.audio.WavWriter;
import nullroom.io.device.AudioDevice;

/** Plays the sweep, quietly first, or writes it to be played from something else. */
public final class SweepModel {
  /** Quiet before the sweep starts, and after it. */
  private static final double BEFORE_SECONDS = 0.5;

  private static final double AFTER_SECONDS = 3.5;
  private static final double RATE_HZ = 48_000;

  private final ObjectProperty<Loudness> loudness = new SimpleObjectProperty<>(Loudness.VERY_LOW);
  private Loudness heard = Loudness.VERY_LOW;
  private final RingModel ring;
  private final StationContext context;

  SweepModel(RingModel ring, StationContext context) {
    this.ring = ring;
    this.context = context;
  }

  /** How loud the next sweep is; very low at every start. */
  public ObjectProperty<Loudness> loudnessProperty() {
    return loudness;
  }

  /** Chooses a loudness: after what was heard last, one step up at most. */
  public void choose(Loudness wanted) {
    Loudness most = heard.louder();
    loudness.set(wanted);
    if (wanted.ordinal() > most.ordinal()) {
      loudness.set(most);
      context
          .work()
          .warn("One step at a time: play it “" + most.label() + "” first and listen to it.");
    }
  }

  private static Samples series(Loudness at) {
    return Sweep.USUAL.series(RATE_HZ, 1, AFTER_SECONDS, Decibels.toAmplitude(at.peakDbfs()));
  }

  /** Plays a sweep, records it and keeps the result. */
  public void play() {
    Loudness now = loudness.get();
    context.record(
        "Playing a sweep, " + now.label(),
        AudioDevice.Prompt.SWEEP,
        BEFORE_SECONDS + Sweep.USUAL.seconds() + AFTER_SECONDS,
        Optional.of(series(now)),
        "sweep",
        ring.measure(),
        ring::keep);
    heard = now;
  }

  /** Writes the sweep to a file. */
  public void write(Path file) {
    context
        .work()
        .start(
            "Writing the sweep",
            progress -> {
              WavWriter.write24(file, series(Loudness.LOUD));
              return file;
            },
            written ->
                context
                    .work()
                    .say(
                        "Written: "
                            + written.getFileName()
                            + ". Play it from the talker’s place, quietly at first; record it at the microphone and open the recording here."));
  }
}
