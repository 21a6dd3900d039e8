package nullroom.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import nullroom.core.acoustics.Capture;
import nullroom.core.acoustics.Stage;
import nullroom.core.predict.Heard;

/**
 * One link from the microphone to the digits, with what it adds and what it takes, all as sound at
 * the microphone, so that links compare.
 *
 * @param name for people
 * @param kind which part of the row
 * @param gainDb what it adds to the level
 * @param levelDbu level behind the microphone and the links before it of a sound of 94 dB SPL
 * @param hissDbSplA its own noise as sound at the microphone, A-weighted
 * @param limitDbSpl level of a sine at the microphone at which it overloads; infinite where nothing
 *     overloads it
 * @param automatic whether it sets its own gain
 */
public record ChainLink(
    String name,
    Kind kind,
    double gainDb,
    double levelDbu,
    double hissDbSplA,
    double limitDbSpl,
    boolean automatic) {
  /** The parts of a row. */
  public enum Kind {
    MICROPHONE,
    STAGE,
    INPUT
  }

  /** The links of a chain, in order: microphone, stages, input. */
  public static List<ChainLink> row(Capture capture) {
    List<ChainLink> row = new ArrayList<>();
    double level = capture.dbuOf(94);
    row.add(
        new ChainLink(
            "microphone",
            Kind.MICROPHONE,
            0,
            level,
            capture.selfNoiseDbA(),
            capture.maxDbSpl(),
            false));
    for (Stage stage : capture.stages()) {
      double limit =
          stage.limitDbu() < Stage.NO_LIMIT_DBU
              ? 94 + stage.limitDbu() - level
              : Double.POSITIVE_INFINITY;
      row.add(
          new ChainLink(
              stage.name(),
              Kind.STAGE,
              stage.gainDb(),
              level,
              94 + stage.einDbu() - level,
              limit,
              stage.automatic()));
      level += stage.gainDb();
    }
    row.add(
        new ChainLink(
            capture.preamp() ? "preamp and converter" : "its converter",
            Kind.INPUT,
            capture.gainDb(),
            level,
            94 + capture.preampEinDbu() - level,
            capture.fullScaleDbSpl(),
            false));
    return row;
  }

  /** From the loudest expected peak up to where it overloads. */
  public double leftDb(Heard heard) {
    return limitDbSpl - heard.peakDbSpl();
  }

  /** The stage that overloads before the microphone does; empty where none does. */
  static Optional<ChainLink> firstToOverload(Capture capture) {
    return row(capture).stream()
        .filter(l -> l.kind() == Kind.STAGE && l.limitDbSpl() < capture.maxDbSpl())
        .min(Comparator.comparingDouble(ChainLink::limitDbSpl));
  }
}
