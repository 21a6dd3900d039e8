package nullroom.core.plan.mic;

import java.util.ArrayList;
import java.util.List;
import nullroom.core.Decibels;
import nullroom.core.acoustics.Capture;
import nullroom.core.acoustics.Octave;
import nullroom.core.plan.ChainLink;
import nullroom.core.predict.Heard;

/**
 * One station of the sound on its way from the lips to the file.
 *
 * @param name for people
 * @param unit that its three figures are in
 * @param voice level of the voice there, A-weighted
 * @param noise of all that came to it so far, A-weighted; NaN where there is none
 * @param limit level of a sine that overloads it; NaN where nothing does
 * @param atMicrophoneDbSpl what is to be taken off its figures to compare stations: dB SPL at the
 *     microphone
 */
public record ChainLevel(
    String name, String unit, double voice, double noise, double limit, double atMicrophoneDbSpl) {
  private static final double PASCAL_DB_SPL = 94;

  /** From the lips to the file; noises add as energies (Friis). */
  public static List<ChainLevel> of(Heard heard, double voiceAtMetreDbSplA) {
    Capture capture = heard.capture();
    List<ChainLevel> all = new ArrayList<>();
    double voice = heard.voiceDbSplA();
    all.add(
        new ChainLevel(
            "lips, at 1 m",
            "dB SPL",
            voiceAtMetreDbSplA,
            Double.NaN,
            Double.NaN,
            voiceAtMetreDbSplA - voice));
    double noise = Octave.aWeightedSum(heard.placeNoiseDbSpl());
    all.add(new ChainLevel("room", "dB SPL", voice, noise, Double.NaN, 0));
    for (ChainLink link : ChainLink.row(capture)) {
      if (link.kind() == ChainLink.Kind.MICROPHONE) {
        noise = Decibels.sum(noise, link.hissDbSplA());
        all.add(new ChainLevel("microphone", "dB SPL", voice, noise, link.limitDbSpl(), 0));
        continue;
      }
      noise = Decibels.sum(noise, link.hissDbSplA());
      boolean file = link.kind() == ChainLink.Kind.INPUT;
      double offset =
          file ? -capture.fullScaleDbSpl() : link.levelDbu() + link.gainDb() - PASCAL_DB_SPL;
      double all94 = file ? heard.noiseDbSplA() : noise;
      all.add(
          new ChainLevel(
              file ? "file" : link.name(),
              file ? "dBFS" : "dBu",
              voice + offset,
              all94 + offset,
              link.limitDbSpl() < Double.POSITIVE_INFINITY
                  ? link.limitDbSpl() + offset
                  : Double.NaN,
              offset));
    }
    return all;
  }
}
