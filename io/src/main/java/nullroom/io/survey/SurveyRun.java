package nullroom.io.survey;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Duration;
import java.time.LocalDateTime;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import java.util.function.Supplier;
import nullroom.core.Trouble;
import nullroom.core.measure.noise.SecondLevels;
import nullroom.core.measure.noise.SecondMeter;
import nullroom.core.measure.noise.Survey;
import nullroom.core.signal.Band;

/**
 * A survey that is running. The thread that hears adds blocks and never waits; another writes the
 * seconds to disk. When the disk is full the survey stops, says so, and keeps what was written.
 */
public final class SurveyRun implements AutoCloseable {
  /** A clock may wander this far from the count of samples before it was moved. */
  private static final double CLOCK_SLACK_SECONDS = 2;

  private static final int FLUSH_SECONDS = 10;

  /** Hears of what happens, on the writing thread. */
  public interface Listener {
    /** A second is safe on disk. */
    void written(SurveyFile.Line line);

    /** The survey cannot go on; all before is kept. */
    void stopped(String sentence);
  }

  private final SecondMeter meter;
  private final SurveyFile.Sink sink;
  private final Listener listener;
  private final Supplier<LocalDateTime> clock;
  private final Optional<IntrusionSound> sound;
  private final ExecutorService writer =
      Executors.newSingleThreadExecutor(Thread.ofPlatform().name("survey").daemon().factory());
  private LocalDateTime zero;
  private double startSeconds;
  private volatile boolean failed;

  /**
   * How to run.
   *
   * @param csv where rows go; one that is there already is gone on with
   * @param startSeconds where its next row begins
   * @param clock local time
   * @param sound where the sound around intrusions is kept, where it is
   */
  public record Plan(
      Path csv,
      double startSeconds,
      Supplier<LocalDateTime> clock,
      Optional<Consumer<IntrusionSound.Clip>> sound) {}

  /**
   * Begins.
   *
   * @throws Trouble.BadFile if the file cannot be written
   */
  public static SurveyRun begin(
      Plan plan, double sampleRateHz, double largestAmplitude, Listener listener) {
    try {
      SurveyFile.Sink sink = SurveyFile.append(plan.csv(), Band.within(Band.OCTAVES, sampleRateHz));
      return new SurveyRun(plan, sampleRateHz, largestAmplitude, sink, listener);
    } catch (IOException e) {
      throw new Trouble.BadFile(plan.csv().toString(), "cannot be written: " + e.getMessage());
    }
  }

  SurveyRun(
      Plan plan,
      double sampleRateHz,
      double largestAmplitude,
      SurveyFile.Sink sink,
      Listener listener) {
    this.sink = sink;
    this.listener = listener;
    clock = plan.clock();
    startSeconds = plan.startSeconds();
    zero = clock.get().minusNanos((long) (startSeconds * 1e9));
    sound = plan.sound().map(keep -> new IntrusionSound(sampleRateHz, largestAmplitude, keep));
    meter = new SecondMeter(sampleRateHz, largestAmplitude, this::second);
  }

  /** Takes the next samples; {@code block} is not modified. */
  public void add(double[] block, int count) {
    if (!failed) {
      sound.ifPresent(s -> s.add(block, count));
      meter.add(block, count);
    }
  }

  private void second(SecondLevels levels) {
    LocalDateTime time = time(startSeconds);
    double off = Duration.between(time(startSeconds + 1), clock.get()).toNanos() * 1e-9;
    String note = "";
    if (Math.abs(off) > CLOCK_SLACK_SECONDS) {
      zero = zero.plusNanos((long) (off * 1e9));
      note = "clock moved by %+d s".formatted(Math.round(off));
    }
    String kept = sound.map(s -> s.second(levels)).orElse("");
    SurveyFile.Line line =
        new SurveyFile.Line(
            time,
            new Survey.Row(startSeconds, levels),
            note.isEmpty() || kept.isEmpty() ? note + kept : note + "; " + kept);
    startSeconds++;
    writer.execute(() -> write(line));
  }

  private LocalDateTime time(double seconds) {
    return zero.plusNanos((long) (seconds * 1e9));
  }

  private void write(SurveyFile.Line line) {
    if (failed) {
      return;
    }
    try {
      sink.write(SurveyFile.text(line));
      listener.written(line);
    } catch (IOException e) {
      failed = true;
      listener.stopped(
          "The survey stopped at %s because its file could not be written (%s). Is the disk full? All until then is kept."
              .formatted(line.time().toLocalTime().withNano(0), e.getMessage()));
    }
  }

  /** Ends: what was heard is written, but for the second under way. */
  @Override
  public void close() {
    writer.execute(() -> sound.ifPresent(IntrusionSound::finish));
    writer.shutdown();
    try {
      if (!writer.awaitTermination(FLUSH_SECONDS, TimeUnit.SECONDS)) {
        listener.stopped("The survey's last seconds could not be written in time.");
      }
      sink.close();
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    } catch (IOException e) {
      listener.stopped("The survey's file could not be closed: " + e.getMessage());
    }
  }
}
