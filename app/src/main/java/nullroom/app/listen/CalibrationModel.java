package nullroom.app.listen;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import nullroom.app.shell.StationContext;
import nullroom.core.Figures;
import nullroom.core.Trouble;
import nullroom.core.acoustics.Capture;
import nullroom.core.acoustics.VocalEffort;
import nullroom.core.book.OneClip;
import nullroom.core.book.RoomBook;
import nullroom.core.measure.noise.Calibration;
import nullroom.core.measure.noise.NoiseMeter;
import nullroom.core.measure.noise.NoiseReport;
import nullroom.core.measure.noise.Scale;
import nullroom.core.measure.voice.VoiceMeter;
import nullroom.core.measure.voice.VoiceReport;
import nullroom.core.signal.SampleSource;
import nullroom.io.audio.SoundFile;
import nullroom.io.device.AudioDevice;

/** What digital levels mean in the air, and how that is known. */
public final class CalibrationModel {
  private static final double VOICE_SECONDS = 12;
  private static final double LEAST_VOICE_SECONDS = 2;

  private final StationContext context;

  CalibrationModel(StationContext context) {
    this.context = context;
  }

  private Capture chain() {
    return context.session().book().room().requireMicrophone().capture();
  }

  /** How it is known now. */
  public Calibration calibration() {
    return context.session().book().listening().calibration();
  }

  /** What a full scale means now; empty where nobody said that the chain described is in use. */
  public Optional<Scale> scale() {
    boolean simulated = context.inputs().chosenProperty().get().simulated();
    return context.session().book().chain(simulated).flatMap(calibration()::scale);
  }

  /**
   * By the data of microphone and input, or not at all. Whoever sets a scale says that the chain
   * described is the one in use.
   */
  public void set(Calibration calibration) {
    boolean known = calibration.method() != Calibration.Method.NONE;
    context
        .session()
        .edit(
            "Set the scale " + calibration.method().label(),
            b -> b.with(b.listening().withCalibration(calibration).withChainKnown(known)));
  }

  /** By a known full scale. */
  public void setFullScale(double dbSpl, double uncertaintyDb) {
    set(Calibration.ofFullScale(dbSpl, uncertaintyDb, chain()));
  }

  /** By a file with a calibrator's tone, recorded at this gain. */
  public void setTone(Path file, double levelDbSpl) {
    Capture chain = chain();
    context
        .work()
        .start(
            "Measuring the tone in " + file.getFileName(),
            progress -> {
              try (SoundFile sound = SoundFile.open(file)) {
                return Calibration.ofTone(
                    levelDbSpl, NoiseMeter.measure(sound, progress).getFirst(), chain);
              } catch (Trouble.BadSound e) {
                throw new Trouble.BadSound(
                    String.valueOf(file.getFileName()), String.valueOf(e.getMessage()));
              }
            },
            this::set);
  }

  /** By a meter beside the microphone: listens for ten seconds while it shows a level. */
  public void setMeter(double readingDbA, double meterUncertaintyDb) {
    Capture chain = chain();
    context.record(
        "Listening beside the meter",
        AudioDevice.Prompt.QUIET,
        ListenModel.SECONDS,
        "meter",
        (sound, progress) -> {
          NoiseReport report =
              NoiseMeter.measure(SampleSource.of(sound.samples()), progress).getFirst();
          return Calibration.ofMeter(readingDbA, meterUncertaintyDb, report, chain);
        },
        this::set);
  }

  /** By the user's voice at a known distance: listens for twelve seconds. */
  public void setVoice(VocalEffort effort, double distanceMetres) {
    context.record(
        "Listening to your voice",
        AudioDevice.Prompt.VOICE,
        VOICE_SECONDS,
        "voice-scale",
        byVoice(effort, distanceMetres),
        this::set);
  }

  /** The same by a file that was recorded through the chain described. */
  public void setVoice(Path file, VocalEffort effort, double distanceMetres) {
    context.open(
        "Listening to the voice in " + file.getFileName(),
        file,
        "voice-scale",
        byVoice(effort, distanceMetres),
        this::set);
  }

  private StationContext.Measurement<Calibration> byVoice(VocalEffort effort, double distance) {
    RoomBook book = context.session().book();
    return (sound, progress) -> {
      VoiceReport voice =
          VoiceMeter.measure(sound.samples(), List.of())
              .filter(v -> v.seconds() >= LEAST_VOICE_SECONDS)
              .orElseThrow(() ->
                  new Trouble.BadSound(sound.name(), "nobody speaks in it; talk for ten seconds"));
      return OneClip.scale(book, effort, distance, voice.activeDbfs());
    };
  }

  String meaning() {
    return scale()
        .map(s ->
            Figures.say(
                "Full scale is %.1f dB SPL%s, known %s.",
                s.fullScaleDbSpl(), Words.giveOrTake(scale()), calibration().method().label()))
        .orElse(
            "Levels are relative only: before against after, on against off, one spot against another. Set a scale to know"
                + " whether it is quiet enough.");
  }
}
