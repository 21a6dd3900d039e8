package nullroom.app.level;

import java.util.Optional;
import java.util.function.Supplier;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import nullroom.app.shell.StationContext;
import nullroom.core.Figures;
import nullroom.core.Trouble;
import nullroom.core.book.Knob;
import nullroom.core.measure.noise.NoiseMeter;
import nullroom.core.signal.SampleSource;
import nullroom.io.device.AudioDevice;

/** Learns the dial of the preamp in its own marks, from one steady sound at two of them. */
public final class KnobModel {
  private static final double SECONDS = 4;

  private record First(Knob.Marks marks, double mark, double dbfs) {}

  private final StationContext context;
  private final Supplier<Double> gainDb;
  private final ReadOnlyStringWrapper next = new ReadOnlyStringWrapper();
  private Optional<First> first = Optional.empty();

  KnobModel(StationContext context, Supplier<Double> gainDb) {
    this.context = context;
    this.gainDb = gainDb;
    say();
  }

  /** What to do next, or what was learnt. */
  public ReadOnlyStringProperty nextProperty() {
    return next.getReadOnlyProperty();
  }

  /** What was learnt. */
  public Optional<Knob> knob() {
    return context.session().book().levels().knob();
  }

  /** Hears a steady sound with the dial at a mark; the second time it learns. */
  public void hear(Knob.Marks marks, double mark) {
    context.record(
        "Hearing the dial at " + Figures.say("%.1f", mark),
        AudioDevice.Prompt.VOICE,
        SECONDS,
        "dial",
        (sound, progress) ->
            NoiseMeter.measure(SampleSource.of(sound.samples()), progress)
                .getFirst()
                .laeqDbfs()
                .orElseThrow(() ->
                    new Trouble.BadSound(sound.name(), "is silent; is the microphone muted?")),
        dbfs -> heard(marks, mark, dbfs));
  }

  private void heard(Knob.Marks marks, double mark, double dbfs) {
    boolean second = first.filter(f -> f.marks() == marks && f.mark() != mark).isPresent();
    if (!second) {
      first = Optional.of(new First(marks, mark, dbfs));
      say();
      return;
    }
    context
        .work()
        .attempt(
            () -> {
              First f = first.orElseThrow();
              Knob learnt = Knob.learnt(marks, f.mark(), f.dbfs(), mark, dbfs, gainDb.get());
              context
                  .session()
                  .edit("Learn the dial", b -> b.with(b.levels().withKnob(Optional.of(learnt))));
              first = Optional.empty();
            },
            () -> first = Optional.empty());
    say();
  }

  /** How to turn it for another gain, in its own marks; empty where they were not learnt. */
  public Optional<String> turn(double toGainDb) {
    return knob().map(k -> k.turn(gainDb.get(), toGainDb));
  }

  /** Forgets what was learnt. */
  public void forget() {
    first = Optional.empty();
    context.session().edit("Forget the dial", b -> b.with(b.levels().withKnob(Optional.empty())));
    say();
  }

  /** Says anew what to do, for the book as it is. */
  void say() {
    next.set(
        first
            .map(f ->
                "Heard. Turn it to another mark, keep the same steady sound going, and hear it again.")
            .orElseGet(() ->
                knob()
                    .map(k -> Figures.say("Learnt: %.1f dB a mark.", k.dbPerMark()))
                    .orElse(
                        "Play or hum one steady sound, hear it at two marks, and advice speaks in yours.")));
  }
}
