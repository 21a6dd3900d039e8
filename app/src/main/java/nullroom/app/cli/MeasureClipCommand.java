package nullroom.app.cli;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.concurrent.Callable;
import nullroom.core.Figures;
import nullroom.core.Progress;
import nullroom.core.acoustics.Octave;
import nullroom.core.acoustics.OwnVoice;
import nullroom.core.acoustics.VocalEffort;
import nullroom.core.book.Hearing;
import nullroom.core.book.NoiseMeasurement;
import nullroom.core.book.OneClip;
import nullroom.core.book.RoomBook;
import nullroom.core.measure.altered.Alteration;
import nullroom.core.measure.clip.Clip;
import nullroom.core.measure.clip.ClipPart;
import nullroom.core.measure.noise.NoiseReport;
import nullroom.core.plan.Margin;
import nullroom.core.plan.Verdicts;
import nullroom.core.predict.Basis;
import nullroom.core.room.FirstRoom;
import nullroom.core.signal.Samples;
import nullroom.io.audio.SoundFile;
import nullroom.io.book.BookFolder;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

@Command(
    name = "clip",
    mixinStandardHelpOptions = true,
    description =
        "one recording of a place: ten quiet seconds, twenty of talk, three claps, in any order")
final class MeasureClipCommand implements Callable<Integer> {
  @Spec CommandSpec command = CommandSpec.create();
  @Mixin MeasureCommand.OneFile input = new MeasureCommand.OneFile();

  @Option(
      names = "--room",
      paramLabel = "BOOK|ROOM.json",
      description = "where it was recorded; default: a room of 4 x 3 x 2.4 m")
  Optional<Path> room = Optional.empty();

  @Option(
      names = "--effort",
      paramLabel = "NAME",
      defaultValue = "normal",
      description =
          "how loud the voice was: whispered, relaxed, normal, raised, loud, ...; default ${DEFAULT-VALUE}")
  String effort = "normal";

  @Option(
      names = "--distance",
      paramLabel = "METRES",
      defaultValue = "0.5",
      description = "from the lips to the microphone that recorded it; default ${DEFAULT-VALUE}")
  double distance;

  @Override
  public Integer call() {
    VocalEffort voice = Named.one(command, "--effort", effort, VocalEffort.class);
    OneClip.Told told =
        new OneClip.Told(
            String.valueOf(input.file.getFileName()),
            "",
            false,
            "voice",
            voice,
            distance,
            Optional.empty());
    RoomBook book =
        room.map(BookFolder::readBook).orElseGet(() -> Hearing.bookOf(FirstRoom.room()));
    List<String> warnings = new ArrayList<>();
    Samples sound;
    try (SoundFile file = SoundFile.open(input.file)) {
      input.checkChannel(input.file, file);
      sound = file.channel(input.channel);
      warnings.addAll(file.warnings());
    }
    Clip clip = Clip.of(sound, Progress.NONE);
    RoomBook after = OneClip.into(book, clip, told);
    warnings.addAll(clip.words());
    clip.decay().ifPresent(d -> warnings.addAll(d.warnings()));
    for (Alteration.Measured what : Alteration.Measured.values()) {
      warnings.addAll(Alteration.warnings(clip.altered(), what));
    }
    clip.unseen().ifPresent(warnings::add);
    Verdicts verdicts = Verdicts.of(Hearing.traced(after).heard(), after.goal().targets());
    if (input.json) {
      json(clip, after, told, verdicts).put("warnings", warnings).print();
    } else {
      print(clip, after, told, verdicts);
      warnings.forEach(w -> System.out.println("note: " + w));
    }
    return 0;
  }

  private static Optional<OwnVoice> heard(RoomBook book, OneClip.Told told) {
    return book.room().requireTalker().own().filter(o -> o.sound().equals(told.sound()));
  }

  private static JsonOut json(Clip clip, RoomBook book, OneClip.Told told, Verdicts verdicts) {
    JsonOut out = new JsonOut();
    out.put("durationSeconds", clip.seconds());
    out.put("parts", clip.parts().stream().map(MeasureClipCommand::part).toList());
    out.put("noiseDbfsA", figure(clip.quiet().map(NoiseReport::laeqDbfs)));
    out.put(
        "noiseDbA",
        figure(
            book.noise()
                .filter(n -> n.sound().equals(told.sound()))
                .map(NoiseMeasurement::laeqDbSpl)));
    out.put("takes", clip.decay().map(d -> (long) d.takes()).orElse(0L));
    out.put("tMidSeconds", figure(clip.decay().map(d -> d.tMidSeconds())));
    out.put(
        "estimatedMidSeconds", figure(clip.estimate().map(e -> OptionalDouble.of(e.midSeconds()))));
    if (clip.voice().isPresent()) {
      JsonOut voice = out.object("voice");
      voice
          .put("activeSpeechDbfs", clip.voice().get().activeDbfs())
          .put("activityPercent", clip.voice().get().activityPercent())
          .put("crestDb", clip.voice().get().crestDb())
          .put("sibilantDb", clip.voice().get().sibilantDb())
          .put("plosiveDb", clip.voice().get().plosiveDb())
          .put("effort", told.effort().id())
          .put("distanceMetres", told.distanceMetres());
      heard(book, told)
          .ifPresent(o ->
              voice
                  .put("levelDbA", o.levelDbA())
                  .put("uncertaintyDb", o.uncertaintyDb())
                  .put("octaveDbSplAtMetre", o.levelsDbSpl().toArray()));
    } else {
      out.put("voice", null);
    }
    out.put("altered", AlteredOut.json(clip.altered()));
    JsonOut margins = out.object("margins");
    JsonOut words = out.object("verdicts");
    JsonOut off = out.object("uncertaintyDb");
    for (Margin m : verdicts.all()) {
      String key = Figures.word(m.kind());
      margins.put(key + "Db", m.db());
      off.put(key + "Db", m.uncertaintyDb());
      words.put(key, m.verdict().id());
    }
    return out;
  }

  private static OptionalDouble figure(Optional<OptionalDouble> figure) {
    return figure.orElse(OptionalDouble.empty());
  }

  private static JsonOut part(ClipPart p) {
    return new JsonOut()
        .put("kind", Figures.word(p.kind()))
        .put("fromSeconds", p.fromSeconds())
        .put("toSeconds", p.toSeconds());
  }

  private static void print(Clip clip, RoomBook book, OneClip.Told told, Verdicts verdicts) {
    clip.parts()
        .forEach(p ->
            System.out.println(
                Figures.say(
                    "%5.1f to %5.1f s  %s", p.fromSeconds(), p.toSeconds(), p.kind().label())));
    clip.decay()
        .flatMap(d -> d.tMidSeconds().stream().boxed().findFirst())
        .ifPresent(t -> System.out.println(Figures.say("mid-frequency time %.2f s", t)));
    heard(book, told)
        .ifPresent(o ->
            System.out.println(
                Figures.say(
                    "voice %.0f dBA at 1 m, give or take %.1f; loudest peaks %.0f dB over it",
                    o.levelDbA(), o.uncertaintyDb(), o.crestDb())));
    book.noise()
        .filter(n -> n.sound().equals(told.sound()))
        .flatMap(n -> n.laeqDbSpl().stream().boxed().findFirst())
        .ifPresent(level ->
            System.out.println(
                Figures.say(
                    "room noise %.0f dBA, give or take %.0f, by the voice as the scale",
                    level, Basis.VOICE_SCALE_DB)));
    verdicts.all().forEach(m -> System.out.println(m.sentence()));
    if (octaves(book, told).length() > 0) {
      System.out.println(octaves(book, told));
    }
  }

  private static String octaves(RoomBook book, OneClip.Told told) {
    StringBuilder line = new StringBuilder();
    heard(book, told)
        .ifPresent(o -> {
          line.append("voice at 1 m, dB SPL:");
          for (int i = 0; i < Octave.COUNT; i++) {
            line.append(Figures.say("  %.0f Hz %.0f", Octave.nominalHz(i), o.levelsDbSpl().get(i)));
          }
        });
    return line.toString();
  }
}
