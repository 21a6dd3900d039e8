package nullroom.io.survey;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import nullroom.core.Trouble;
import nullroom.core.measure.noise.Intrusion;
import nullroom.core.signal.Band;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class SurveyRunTest {
  private static final double RATE = 8_000;
  private static final LocalDateTime BEGIN = LocalDateTime.of(2026, 5, 4, 22, 30);

  @TempDir Path folder;
  private LocalDateTime now = BEGIN;
  private final List<SurveyFile.Line> written = Collections.synchronizedList(new ArrayList<>());
  private final List<String> stopped = Collections.synchronizedList(new ArrayList<>());
  private final List<IntrusionSound.Clip> clips = Collections.synchronizedList(new ArrayList<>());

  private final SurveyRun.Listener listener =
      new SurveyRun.Listener() {
        @Override
        public void written(SurveyFile.Line line) {
          written.add(line);
        }

        @Override
        public void stopped(String sentence) {
          stopped.add(sentence);
        }
      };

  private Path csv() {
    return folder.resolve("survey-1.csv");
  }

  private SurveyRun.Plan plan(double start, boolean sound) {
    return new SurveyRun.Plan(
        csv(), start, () -> now, sound ? Optional.of(clips::add) : Optional.empty());
  }

  /** Feeds seconds of hiss, a loud one where told; the clock goes along. */
  private void feed(SurveyRun run, int seconds, List<Integer> loud) {
    Random random = new Random(5);
    double[] block = new double[80];
    for (int s = 0; s < seconds; s++) {
      for (int b = 0; b < 100; b++) {
        for (int i = 0; i < block.length; i++) {
          block[i] = (loud.contains(s) ? 0.05 : 0.001) * random.nextGaussian();
        }
        now = b == 99 ? now.plusSeconds(1) : now;
        run.add(block, block.length);
      }
    }
  }

  private void survey(double start, int seconds, List<Integer> loud, boolean sound) {
    try (SurveyRun run = SurveyRun.begin(plan(start, sound), RATE, 1, listener)) {
      feed(run, seconds, loud);
    }
  }

  @Test
  void everySecondIsARowThatAnythingCanOpen() throws IOException {
    survey(0, 60, List.of(40), false);
    assertThat(written).hasSize(60);
    List<CSVRecord> rows =
        CSVFormat.DEFAULT
            .builder()
            .setHeader()
            .setSkipHeaderRecord(true)
            .get()
            .parse(Files.newBufferedReader(csv()))
            .getRecords();
    assertThat(rows).hasSize(60);
    assertThat(rows.get(0).get("time")).startsWith("2026-05-04T22:30");
    assertThat(Double.parseDouble(rows.get(59).get("startSeconds"))).isEqualTo(59);
    double rms = 20 * Math.log10(0.001 * Math.sqrt(2));
    assertThat(Double.parseDouble(rows.get(10).get("lzeqDbfs"))).isCloseTo(rms, within(0.3));
    assertThat(rows.get(0).toMap()).containsKeys("octave31.5Dbfs", "octave2000Dbfs", "note");
    List<Intrusion> found = SurveyFile.read(csv()).survey().intrusions();
    assertThat(found)
        .singleElement()
        .satisfies(i -> {
          assertThat(i.startSeconds()).isEqualTo(40);
          assertThat(i.riseDb()).isGreaterThan(25);
        });
  }

  @Test
  void aRowTornByACrashIsLeftOutAndTheSurveyGoesOn() throws IOException {
    survey(0, 5, List.of(), false);
    Files.writeString(csv(), "2026-05-04T22:30:05,5.00,-51.2", StandardOpenOption.APPEND);
    SurveyFile.Content broken = SurveyFile.read(csv());
    assertThat(broken.lines()).hasSize(5);
    assertThat(broken.torn()).isEqualTo(1);
    now = BEGIN.plusSeconds(600);
    survey(600, 5, List.of(), false);
    SurveyFile.Content whole = SurveyFile.read(csv());
    assertThat(whole.torn()).isZero();
    assertThat(whole.lines()).hasSize(10);
    assertThat(whole.lines().get(5).row().startSeconds()).isEqualTo(600);
    assertThat(whole.lines().get(5).time()).isEqualTo(BEGIN.plusSeconds(600));
    assertThat(whole.survey().seconds()).isEqualTo(605);
  }

  @ParameterizedTest
  @ValueSource(ints = {3600, -3600})
  void aClockThatIsMovedIsNotedAndTearsNothing(int by) {
    try (SurveyRun run = SurveyRun.begin(plan(0, false), RATE, 1, listener)) {
      feed(run, 10, List.of());
      now = now.plusSeconds(by);
      feed(run, 10, List.of());
    }
    SurveyFile.Content content = SurveyFile.read(csv());
    assertThat(content.lines()).hasSize(20);
    for (int i = 0; i < 20; i++) {
      assertThat(content.lines().get(i).row().startSeconds()).isEqualTo(i);
    }
    assertThat(content.lines())
        .filteredOn(l -> !l.note().isEmpty())
        .singleElement()
        .satisfies(l -> assertThat(l.note()).isEqualTo("clock moved by %+d s".formatted(by)));
    assertThat(content.lines().getLast().time()).isEqualTo(BEGIN.plusSeconds(19 + by));
  }

  @Test
  void aFullDiskStopsItAndKeepsWhatIsThere() {
    List<String> disk = new ArrayList<>();
    SurveyFile.Sink sink =
        new SurveyFile.Sink() {
          @Override
          public void write(String text) throws IOException {
            if (disk.size() == 7) {
              throw new IOException("No space left on device");
            }
            disk.add(text);
          }

          @Override
          public void close() {}
        };
    try (SurveyRun run = new SurveyRun(plan(0, false), RATE, 1, sink, listener)) {
      feed(run, 20, List.of());
    }
    assertThat(disk).hasSize(7);
    assertThat(written).hasSize(7);
    assertThat(stopped)
        .singleElement()
        .asString()
        .contains("22:30:07", "Is the disk full?", "kept");
  }

  @Test
  void theSoundAroundWhatBreaksInIsKept() throws InterruptedException {
    survey(0, 40, List.of(20, 30), true);
    CountDownLatch waited = new CountDownLatch(1);
    for (int i = 0; i < 100 && clips.size() < 2; i++) {
      waited.await(20, TimeUnit.MILLISECONDS);
    }
    assertThat(clips).hasSize(2);
    IntrusionSound.Clip first = clips.getFirst();
    // two seconds before, the loud one, two after, and one more while FAST still falls
    assertThat(first.sound().seconds()).isBetween(5.0, 6.0);
    double[] x = first.sound().toArray();
    double loud = 0;
    for (int i = (int) (2 * RATE); i < 3 * RATE; i++) {
      loud = Math.max(loud, Math.abs(x[i]));
    }
    assertThat(loud).isGreaterThan(0.1);
    assertThat(SurveyFile.read(csv()).lines().get(20).note()).isEqualTo("sound 1");
  }

  @Test
  void whatIsNoSurveyIsRefused() throws IOException {
    assertThatThrownBy(() -> SurveyFile.read(csv()))
        .isInstanceOf(Trouble.BadFile.class)
        .hasMessageContaining("does not exist");
    Files.writeString(csv(), "dear diary\n");
    assertThatThrownBy(() -> SurveyFile.read(csv())).hasMessageContaining("no survey");
    Path nowhere = folder.resolve("no folder").resolve("s.csv");
    SurveyRun.Plan plan = new SurveyRun.Plan(nowhere, 0, () -> now, Optional.empty());
    assertThatThrownBy(() -> SurveyRun.begin(plan, RATE, 1, listener))
        .isInstanceOf(Trouble.BadFile.class)
        .hasMessageContaining("cannot be written");
  }

  @Test
  void aSurveyWrittenWholeReadsBackAsItWas() {
    survey(0, 8, List.of(), false);
    List<SurveyFile.Line> lines = SurveyFile.read(csv()).lines();
    Path copy = folder.resolve("copy.csv");
    SurveyFile.write(copy, lines, Band.within(Band.OCTAVES, RATE));
    assertThat(copy).hasSameTextualContentAs(csv());
  }
}
