package nullroom.core.book;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import nullroom.core.Progress;
import nullroom.core.TestRooms;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Capture;
import nullroom.core.acoustics.Directivity;
import nullroom.core.acoustics.Octave;
import nullroom.core.acoustics.OwnVoice;
import nullroom.core.acoustics.VocalEffort;
import nullroom.core.measure.clip.Clip;
import nullroom.core.measure.clip.ClipPart;
import nullroom.core.measure.noise.Calibration;
import nullroom.core.measure.noise.NoiseMeter;
import nullroom.core.measure.take.TakeMeter;
import nullroom.core.measure.voice.VoiceMeter;
import nullroom.core.plan.Margin;
import nullroom.core.plan.Verdicts;
import nullroom.core.predict.Basis;
import nullroom.core.predict.Heard;
import nullroom.core.predict.Origin;
import nullroom.core.predict.ResponseSound;
import nullroom.core.predict.RoomResponse;
import nullroom.core.predict.SyntheticRoom;
import nullroom.core.room.Ride;
import nullroom.core.room.Room;
import nullroom.core.room.SetUp;
import nullroom.core.room.Talker;
import nullroom.core.signal.Fft;
import nullroom.core.signal.SampleSource;
import nullroom.core.signal.Samples;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** One recording of a room whose truth is known: dry voice, traced response, noise, one gain. */
class OneClipTest {
  private static final int RATE = 48_000;
  private static final Bands VOICE = Bands.of(38, 52, 57, 60, 54, 49, 44, 38);
  private static final Bands NOISE = Bands.of(45, 38, 30, 25, 20, 16, 12, 10);

  /** Peak of a sine of the voice's active level at 1 m; fixes the gain. */
  private static final double GAIN = 0.004;

  private static Room room(double absorption) {
    Room box = TestRooms.box(absorption);
    Talker talker = box.requireTalker();
    return box.withTalker(
        new Talker(talker.at(), talker.aim(), VocalEffort.NORMAL, Directivity.VOICE));
  }

  private static double[] dry(int n, long seed) {
    double[] voice = SyntheticRoom.voice(VOICE, RATE, n, seed);
    for (int line = 0; line * 3.6 * RATE < n; line++) {
      int from = (int) Math.min(n, (line * 3.6 + 2.9) * RATE);
      Arrays.fill(voice, from, (int) Math.min(n, from + 0.7 * RATE), 0);
    }
    return voice;
  }

  /** Ten quiet seconds, twenty of talk, three claps two seconds apart. */
  private record Made(Samples sound, double[] dry, double[] noise) {}

  private static Made made(Room room, double noiseDb, boolean talk, boolean claps) {
    double[] response = ResponseSound.of(RoomResponse.of(room, 3, Progress.NONE), RATE, 1.2, 3);
    double[] dry = talk ? dry(20 * RATE, 5) : new double[20 * RATE];
    double[] all = new double[38 * RATE];
    for (int k = 0; k < dry.length; k++) {
      all[10 * RATE + k] = GAIN * dry[k];
    }
    Random random = new Random(8);
    for (int clap = 0; claps && clap < 3; clap++) {
      for (int k = 0; k < RATE / 250; k++) {
        all[(31 + 2 * clap) * RATE + k] =
            GAIN * 8e5 * random.nextGaussian() * Math.exp(-k / 40.0) * 2e-5;
      }
    }
    double[] wet = Fft.convolve(all, response);
    double[] noise = SyntheticRoom.noise(NOISE.map(level -> level + noiseDb), RATE, all.length, 9);
    double[] sound = new double[all.length];
    for (int k = 0; k < sound.length; k++) {
      noise[k] *= GAIN;
      sound[k] = wet[k] + noise[k];
    }
    return new Made(new Samples(sound, RATE), dry, noise);
  }

  private static OneClip.Told told(double distance) {
    return told(distance, Optional.empty());
  }

  private static OneClip.Told told(double distance, Optional<Capture> chain) {
    return new OneClip.Told(
        "clip-1.wav", "2026-01-01T20:00", false, "me", VocalEffort.NORMAL, distance, chain);
  }

  private static RoomBook book(Room room) {
    return new RoomBook("box", Goal.SPOKEN_CLOSE, room);
  }

  @ParameterizedTest(name = "absorption {0}")
  @DisplayName("the voice comes out within 1.5 dB per octave of the dry truth at 30 cm, to 0.6 s")
  @ValueSource(doubles = {0.16, 0.25, 0.45})
  void ownVoice(double absorption) {
    Room room = room(absorption);
    Made made = made(room, 0, true, true);
    Clip clip = Clip.of(made.sound(), Progress.NONE);
    RoomBook after = OneClip.into(book(room), clip, told(0.3));
    OwnVoice voice = after.room().requireTalker().own().orElseThrow();
    Bands truth =
        VoiceMeter.measure(new Samples(made.dry(), RATE), List.of()).orElseThrow().octaveDbfs();
    double level = Octave.aWeightedSum(voice.levelsDbSpl()) - Octave.aWeightedSum(truth);
    assertThat(clip.voice().orElseThrow().octaveDbfs().energySum())
        .as("the octaves hold the active level")
        .isCloseTo(clip.voice().orElseThrow().activeDbfs(), within(0.7));
    assertThat(Octave.aWeightedSum(voice.levelsDbSpl()))
        .isCloseTo(VocalEffort.NORMAL.levelDbA(), within(1e-9));
    for (int i = 1; i < Octave.COUNT; i++) {
      assertThat(voice.levelsDbSpl().get(i) - level)
          .as("octave %d", (int) Octave.nominalHz(i))
          .isCloseTo(truth.get(i), within(1.5));
    }
    assertThat(after.decay()).isPresent();
    assertThat(after.levels().voices()).containsExactly(voice);
  }

  @Test
  @DisplayName("Quiet has a verdict without a scale: voice over noise of one recording")
  void quietWithoutScale() {
    Room room = room(0.3);
    Made made = made(room, 10, true, true);
    Clip clip = Clip.of(made.sound(), Progress.NONE);
    RoomBook after = OneClip.into(book(room), clip, told(0.3));
    Heard heard = Hearing.quick(after).heard();
    Basis basis = heard.basis();
    assertThat(basis.ratio()).isPresent();
    assertThat(basis.noise().origin().kind()).isEqualTo(Origin.Kind.MEASURED);
    Margin quiet = Verdicts.of(heard, Goal.SPOKEN_CLOSE.targets()).quiet();
    assertThat(quiet.uncertaintyDb()).isLessThan(3.2);
    assertThat(quiet.largestDoubt().term()).isEqualTo("what the device does to the sound");
    Capture own = room.requireMicrophone().capture();
    RoomBook here = OneClip.into(book(room), clip, told(0.3, Optional.of(own)));
    Verdicts known = Verdicts.of(Hearing.quick(here).heard(), Goal.SPOKEN_CLOSE.targets());
    assertThat(known.quiet().uncertaintyDb()).isLessThan(2.5);
    // the truth: the dry voice at 1 m over the noise, both A-weighted, as they were made
    Bands dry =
        VoiceMeter.measure(new Samples(made.dry(), RATE), List.of()).orElseThrow().octaveDbfs();
    double active =
        TakeMeter.measure(SampleSource.of(new Samples(made.dry(), RATE)), Progress.NONE)
            .channels()
            .getFirst()
            .activeSpeechDbfs()
            .orElseThrow();
    double voice = Octave.aWeightedSum(dry) + active - dry.energySum() + 20 * Math.log10(GAIN);
    double noise =
        NoiseMeter.measure(SampleSource.of(new Samples(made.noise(), RATE)), Progress.NONE)
            .getFirst()
            .laeqDbfs()
            .orElseThrow();
    double level = after.room().requireTalker().own().orElseThrow().levelDbA();
    double room0 = after.noise().orElseThrow().laeqDbSpl().orElseThrow();
    assertThat(level - room0).isCloseTo(voice - noise, within(1.0));
  }

  @Test
  @DisplayName("what is missing is said, and what there is is kept")
  void missing() {
    Room room = room(0.3);
    Clip noClaps = Clip.of(made(room, 0, true, false).sound(), Progress.NONE);
    assertThat(noClaps.decay()).isEmpty();
    assertThat(noClaps.words()).anyMatch(w -> w.startsWith("There are no claps"));
    Clip noTalk = Clip.of(made(room, 0, false, true).sound(), Progress.NONE);
    assertThat(noTalk.voice()).isEmpty();
    assertThat(noTalk.words()).anyMatch(w -> w.startsWith("Nobody talks"));
    RoomBook after = OneClip.into(book(room), noTalk, told(0.3));
    assertThat(after.decay()).isPresent();
    assertThat(after.noise().orElseThrow().roomDbSpl()).isEmpty();
    assertThat(after.room().requireTalker().own()).isEmpty();
    RoomBook both = OneClip.into(after, noClaps, told(0.3));
    assertThat(both.decay()).as("clips add up").isPresent();
    assertThat(both.noise().orElseThrow().roomDbSpl()).isPresent();
  }

  @Test
  @DisplayName("parts are told apart in whatever order they come")
  void order() {
    Samples sound = made(room(0.3), 0, true, true).sound();
    double[] x = sound.toArray();
    double[] turned = new double[x.length];
    int cut = (int) (30.6 * RATE);
    System.arraycopy(x, cut, turned, 0, x.length - cut);
    System.arraycopy(x, 0, turned, x.length - cut, cut);
    List<ClipPart.Kind> kinds =
        Clip.of(new Samples(turned, RATE), Progress.NONE).parts().stream()
            .map(ClipPart::kind)
            .distinct()
            .toList();
    assertThat(kinds).containsExactly(ClipPart.Kind.CLAPS, ClipPart.Kind.QUIET, ClipPart.Kind.TALK);
  }

  @Test
  @DisplayName("a gain that was turned half-way is told")
  void gainTurned() {
    double[] x = made(room(0.3), 0, true, true).sound().toArray();
    for (int k = 20 * RATE; k < x.length; k++) {
      x[k] *= 0.25;
    }
    assertThat(Clip.of(new Samples(x, RATE), Progress.NONE).words())
        .anyMatch(w -> w.contains("the gain seems to have been changed"));
    assertThat(Clip.of(made(room(0.3), 0, true, true).sound(), Progress.NONE).words())
        .noneMatch(w -> w.contains("the gain seems"));
  }

  @Test
  @DisplayName("music alone is no talk")
  void music() {
    double[] x = new double[20 * RATE];
    Random random = new Random(3);
    double[] scale = {220, 247, 277, 294, 330, 370, 415};
    for (int note = 0; note < 50; note++) {
      double hz = scale[random.nextInt(scale.length)];
      for (int k = 0; k < 0.6 * RATE; k++) {
        int at = (int) (note * 0.4 * RATE) + k;
        if (at < x.length) {
          for (int h = 1; h < 6; h++) {
            x[at] += 0.05 / h * Math.sin(2 * Math.PI * hz * h * k / RATE) * Math.exp(-k / 12_000.0);
          }
        }
      }
    }
    for (int k = 0; k < x.length; k++) {
      x[k] += 1e-4 * random.nextGaussian();
    }
    Clip clip = Clip.of(new Samples(x, RATE), Progress.NONE);
    assertThat(clip.voice()).isEmpty();
    assertThat(clip.words()).anyMatch(w -> w.contains("music or singing"));
  }

  @Test
  @DisplayName("an own voice moves with effort as the table does")
  void efforts() {
    OwnVoice voice =
        new OwnVoice(
            "me",
            "v.wav",
            "2026-01-01T20:00",
            false,
            VocalEffort.NORMAL,
            0.3,
            VocalEffort.NORMAL.levelsDbSpl().map(level -> level + 2),
            16,
            -3,
            -5,
            true,
            1);
    assertThat(Octave.aWeightedSum(voice.levelsDbSpl(VocalEffort.LOUD)))
        .isCloseTo(VocalEffort.LOUD.levelDbA() + 2, within(1e-6));
    assertThat(voice.crestDb(VocalEffort.SUNG)).isEqualTo(13);
    Room room = room(0.3);
    Heard table = Heard.of(room);
    Heard own = Heard.of(room.withTalker(room.requireTalker().with(Optional.of(voice))));
    assertThat(own.voiceDbSplA() - table.voiceDbSplA()).isCloseTo(2, within(1e-6));
    assertThat(own.basis().voice().origin().from()).startsWith("your voice");
  }

  @Test
  @DisplayName(
      "a voice is a scale: by 1/r where nothing comes back, 4 dB; better where it is known")
  void scaleByVoice() {
    Room dead = room(0.99);
    double expected = VocalEffort.LOUD.levelsDbSpl().energySum() + 20 * Math.log10(1 / 0.5);
    Calibration by = OneClip.scale(book(dead), VocalEffort.LOUD, 0.5, -24);
    Capture chain = dead.requireMicrophone().capture();
    assertThat(by.scale(chain).orElseThrow().fullScaleDbSpl())
        .isCloseTo(expected + 24, within(0.3));
    assertThat(by.uncertaintyDb()).isEqualTo(4);
  }

  @Test
  @DisplayName(
      "that the book's own microphone is clipped to the breast changes nothing of a phone's clip")
  void clipOnAside() {
    Room room = room(0.3);
    Clip clip = Clip.of(made(room, 0, true, true).sound(), Progress.NONE);
    OwnVoice boom =
        OneClip.into(book(room), clip, told(0.3)).room().requireTalker().own().orElseThrow();
    Room clipped =
        room.with(
            room.setUp()
                .riding(SetUp.MICROPHONE, Optional.of(new Ride(SetUp.TALKER, Ride.Part.CHEST))));
    OwnVoice worn =
        OneClip.into(book(clipped), clip, told(0.3)).room().requireTalker().own().orElseThrow();
    for (int i = 0; i < Octave.COUNT; i++) {
      assertThat(worn.levelsDbSpl().get(i)).isCloseTo(boom.levelsDbSpl().get(i), within(0.01));
    }
  }

  @Test
  @DisplayName("through the book's own chain the voice has a level of its own, and its noise too")
  void levelKnown() {
    Room room = room(0.3);
    Capture chain = room.requireMicrophone().capture();
    Clip clip = Clip.of(made(room, 0, true, true).sound(), Progress.NONE);
    OneClip.Told told =
        new OneClip.Told(
            "clip-1.wav",
            "2026-01-01T20:00",
            false,
            "me",
            VocalEffort.NORMAL,
            0.3,
            Optional.of(chain));
    RoomBook after = OneClip.into(book(room), clip, told);
    OwnVoice voice = after.room().requireTalker().own().orElseThrow();
    // what was played at 1 m, in the units of the samples: 0 dB is their full sine
    double played =
        VoiceMeter.measure(new Samples(dry(20 * RATE, 5), RATE), List.of())
                .orElseThrow()
                .octaveDbfs()
                .energySum()
            + 20 * Math.log10(GAIN);
    assertThat(voice.levelKnown()).isTrue();
    assertThat(voice.levelsDbSpl().energySum())
        .isCloseTo(played + chain.fullScaleDbSpl(), within(1.0));
    assertThat(after.noise().orElseThrow().byVoice()).isFalse();
    assertThat(after.noise().orElseThrow().chain()).contains(chain);
    assertThat(Hearing.quick(after).heard().basis().ratio()).as("one recording").isPresent();
  }
}
