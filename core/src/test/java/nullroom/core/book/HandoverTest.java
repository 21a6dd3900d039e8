package nullroom.core.book;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import nullroom.core.Trouble;
import nullroom.core.measure.take.Loudness;
import nullroom.core.measure.take.TakeChannel;
import nullroom.core.measure.take.TakeReport;
import nullroom.core.plan.WholeTakeChecks;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class HandoverTest {
  private static final String TODAY = "2026-03-01";
  private static final OptionalDouble NONE = OptionalDouble.empty();

  private static Handover named(String pattern) {
    return new Handover(Handover.Format.FLAC, 16, NONE, NONE, NONE, pattern, "2026-03-04");
  }

  private static Handover lasting(OptionalDouble least, OptionalDouble most, OptionalDouble rate) {
    return new Handover(Handover.Format.WAV, 24, rate, least, most, "x", "");
  }

  @Test
  @DisplayName("the file's name is filled in, and holds only what a file name may")
  void names() {
    assertThat(named("{room} {date} {take}").fileName("line 2.wav", "Loft", TODAY))
        .isEqualTo("Loft 2026-03-01 line 2.flac");
    assertThat(named("a/b:c*{take}?").fileName("t.wav", "", TODAY)).isEqualTo("a-b-c-t-.flac");
    assertThat(named("../{take}").fileName("t", "", TODAY)).isEqualTo("-t.flac");
    assertThat(named("{room}").fileName("t.wav", " . ", TODAY)).isEqualTo("take.flac");
    assertThat(Handover.USUAL.fileName("take.wav", "Loft", TODAY)).isEqualTo("take.wav");
  }

  @Test
  @DisplayName("what cannot be is refused with a sentence")
  void refused() {
    OptionalDouble ten = OptionalDouble.of(10);
    assertThatThrownBy(() -> lasting(ten, OptionalDouble.of(5), NONE))
        .isInstanceOf(Trouble.BadField.class)
        .hasMessageContaining("longer than the shortest");
    assertThatThrownBy(() -> lasting(NONE, NONE, OptionalDouble.of(4000)))
        .hasMessageContaining("8 and 192 kHz");
    assertThatThrownBy(() -> named("  ")).hasMessageContaining("1 to 120");
    assertThatThrownBy(() -> new Handover(Handover.Format.FLAC, 32, NONE, NONE, NONE, "x", ""))
        .hasMessageContaining("float write WAV");
    assertThatThrownBy(() -> Brief.own("mine", 3, 1, -1, NONE, Handover.USUAL))
        .hasMessageContaining("LUFS");
    assertThatThrownBy(() -> Brief.own("mine", -20, 1, 5, NONE, Handover.USUAL))
        .hasMessageContaining("dBTP");
    assertThatThrownBy(() -> Brief.own("mine", -20, 0, -1, NONE, Handover.USUAL))
        .hasMessageContaining("LU");
    assertThatThrownBy(() -> Brief.own("mine", -20, 1, -1, OptionalDouble.of(3), Handover.USUAL))
        .hasMessageContaining("dBFS");
  }

  @Test
  @DisplayName("briefs say what they ask for; one's own begins where another stands")
  void words() {
    Brief podcast = Brief.find("podcast-16").orElseThrow();
    assertThat(podcast.words()).isEqualTo("−16 LUFS ± 1 LU, true peak to −1 dBTP");
    assertThat(Brief.find("audiobook").orElseThrow().words())
        .isEqualTo("RMS −23 to −18 dBFS, peak to −3 dBFS, floor under −60 dBFS");
    Brief own = podcast.asOwn("mine");
    assertThat(own.id()).isEqualTo(Brief.OWN);
    assertThat(own.words()).isEqualTo(podcast.words());
    assertThat(Brief.all()).allSatisfy(b -> assertThat(b.asOwn("mine").handover()).isNotNull());
  }

  private static TakeReport lasting(double seconds) {
    Loudness none = new Loudness(NONE, NONE, NONE, NONE);
    TakeChannel channel =
        new TakeChannel(
            (long) (48_000 * seconds),
            none,
            0.1,
            0.1,
            0.001,
            0,
            0,
            0,
            List.of(),
            0,
            NONE,
            NONE,
            NONE,
            NONE,
            false,
            Optional.empty(),
            false,
            List.of(),
            List.of(),
            List.of(),
            new double[0]);
    return new TakeReport(48_000, List.of(channel), none, new double[0], NONE);
  }

  private static Stream<String> marks(double seconds, Handover handover) {
    Brief brief = Brief.own("mine", -20, 1, -1, NONE, handover);
    return WholeTakeChecks.of(lasting(seconds), Optional.of(brief)).stream()
        .filter(v -> v.check().equals("length") || v.check().equals("rate"))
        .map(v -> v.check() + " " + v.outcome() + " " + v.advice());
  }

  @Test
  @DisplayName("a take is held against length and rate")
  void verdicts() {
    OptionalDouble from = OptionalDouble.of(20);
    OptionalDouble to = OptionalDouble.of(60);
    assertThat(marks(30, lasting(from, to, NONE)))
        .containsExactly("length PASS It is as long as asked.");
    assertThat(marks(15.5, lasting(from, to, NONE)))
        .containsExactly("length FAIL 4.5 s are missing.");
    assertThat(marks(61, lasting(NONE, to, OptionalDouble.of(48_000))))
        .containsExactly(
            "length FAIL It is 1.0 s too long: trim it.",
            "rate PASS The sampling rate is what is asked for.");
    assertThat(marks(30, lasting(NONE, NONE, OptionalDouble.of(96_000))))
        .singleElement()
        .asString()
        .startsWith("rate CLOSE")
        .contains("96.0 kHz");
    assertThat(marks(30, Handover.USUAL)).isEmpty();
  }
}
