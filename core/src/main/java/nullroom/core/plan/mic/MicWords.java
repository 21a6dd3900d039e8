package nullroom.core.plan.mic;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import nullroom.core.Figures;
import nullroom.core.acoustics.Mount;
import nullroom.core.acoustics.Octave;
import nullroom.core.book.KitField;
import nullroom.core.plan.Sway;
import nullroom.core.predict.Heard;
import nullroom.core.predict.Margins;
import nullroom.core.room.Room;

/** Why a microphone stands where it does in a ranking. */
final class MicWords {
  /** Less is nothing that anybody hears. */
  private static final double HEARD_DB = 1;

  private MicWords() {}

  /**
   * Why.
   *
   * @param room with it in its place
   * @param seen whether a picture shows it there
   */
  static List<String> why(
      Room room,
      Heard heard,
      Margins targets,
      MicChain chain,
      Mount mount,
      Sway sway,
      boolean seen) {
    List<String> why = new ArrayList<>();
    double metres = heard.distanceMetres();
    Margins.Kind weakest = heard.margins().weakest(targets);
    double over = heard.margins().over(targets, weakest);
    why.add(
        Figures.say(
            "%s at %.0f cm: %s is the weakest, %.1f dB %s its target.",
            Figures.capital(mount.held()),
            100 * metres,
            Figures.capital(Figures.word(weakest)),
            Math.abs(over),
            over < 0 ? "under" : "over"));
    if (heard.margins().over(targets, Margins.Kind.CLEAR) < 0) {
      why.add(
          Figures.say(
              "At %.1f m the room is too loud beside the voice: Clear %.1f dB.",
              metres, heard.margins().clearDb()));
    }
    if (heard.margins().over(targets, Margins.Kind.QUIET) < 0) {
      why.add(
          Figures.say(
              "Quiet %.1f dB: the loudest of the noises is %s.",
              heard.margins().quietDb(), loudest(heard)));
    }
    why.add(sway(sway));
    if (chain.kit().filter(k -> !k.stated().containsKey(KitField.SELF_NOISE)).isPresent()) {
      why.add(
          Figures.say(
              "Nobody stated its self-noise: %.0f dBA is usual of its class.",
              chain.type().selfNoiseDbA()));
    }
    why.add(
        switch (mount) {
          case CLIP, HEAD, HAND -> "It goes with the one who speaks: any frame or camera will do.";
          case CAMERA -> "It goes with the camera: another place or lens of that changes it.";
          case BOOM, STAND, DESK ->
              "It stands where this frame leaves room: a wider one drives it back.";
        });
    if (mount == Mount.BOOM || mount == Mount.STAND) {
      why.addAll(LampShadow.of(room));
    }
    if (seen) {
      why.add("It is seen in the picture.");
    }
    return why;
  }

  /** How a second pickup differs from the first in what makes it fail. */
  static List<String> differences(MicPlanner.Ranked first, MicPlanner.Ranked second) {
    return List.of(
        Figures.say(
            "One is %s, the other %s: a slipped clip, a knocked stand or a gust takes one of them.",
            first.mount().held(), second.mount().held()),
        second
            .chain()
            .input()
            .map(i -> "It goes into the " + i + ", with cells and a card of its own.")
            .orElseGet(() ->
                switch (second.type().connector()) {
                  case BUILT_IN -> "It records by itself: no cable, preamp or cell is shared.";
                  case USB -> "It records in a computer: no preamp is shared.";
                  case WIRELESS -> "Its receiver goes into another recorder than the first.";
                  case XLR, TRS35, TRRS35 ->
                      "It needs an input or recorder of its own, or both fail with that.";
                }));
  }

  /** What is odd about a microphone of the shelf; empty where nothing is. */
  static Optional<String> doubt(MicChain chain) {
    return chain.kit().isPresent() && !chain.type().hasUsualPattern()
        ? Optional.of(
            "“"
                + chain.type().label()
                + "”: microphones of its class are not made as "
                + chain.type().pattern().label().toLowerCase(Locale.ROOT)
                + ". It is ranked as you wrote it; look at its data sheet again.")
        : Optional.empty();
  }

  private static String sway(Sway sway) {
    String moving =
        Figures.say(
            "Leaning %.0f cm and turning %.0f°%s",
            100 * sway.movement().leanMetres(),
            sway.movement().turnDegrees(),
            sway.stated() ? "" : ", as is usual,");
    return sway.voiceDb() < HEARD_DB
        ? moving + Figures.say(" costs %.1f dB of voice at worst: nothing.", sway.voiceDb())
        : moving + Figures.say(" costs %.1f dB of voice at worst.", sway.voiceDb());
  }

  private static String loudest(Heard heard) {
    double room = Octave.aWeightedSum(heard.placeNoiseDbSpl());
    double self = Octave.aWeightedSum(heard.selfNoiseDbSpl());
    double hiss = Octave.aWeightedSum(heard.preampNoiseDbSpl());
    if (room >= self && room >= hiss) {
      return "the room’s";
    }
    return self >= hiss ? "the microphone’s own" : "the input’s hiss";
  }
}
