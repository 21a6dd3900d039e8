package nullroom.core.plan;

import java.util.List;
import java.util.OptionalDouble;
import nullroom.core.Figures;
import nullroom.core.plan.Why.Input;
import nullroom.core.predict.Origin;

/** Why the figures of one clip and of a lean test are what they are. */
public final class VoiceReasons {
  private VoiceReasons() {}

  /**
   * Why a figure of a clip is so.
   *
   * @param figure with its unit
   * @param sound name of the recording
   * @param origin of the recording
   * @param uncertaintyDb standard uncertainty, where it is one of level
   */
  public static Why clip(
      VoiceQuantity quantity,
      String figure,
      String sound,
      Origin origin,
      OptionalDouble uncertaintyDb) {
    String part =
        switch (quantity) {
          case NOISE -> "the quiet";
          case RINGING -> "the claps";
          default -> "the talk";
        };
    return quantity.why("", figure, List.of(new Input(part, "of " + sound, origin)), uncertaintyDb);
  }

  /** Why a figure of a lean test is so, as heard. */
  public static Why heard(VoiceQuantity quantity, double db, Origin origin) {
    return quantity.why(
        "",
        Figures.say("%.1f dB", db),
        new Input("the talk", "while still and while moving", origin));
  }

  /** Why the geometry says what it says of one. */
  public static Why geometry(VoiceQuantity quantity, double db, Leaning leaning) {
    Origin described = Origin.predicted("from the room as described");
    return quantity.why(
        "",
        Figures.say("%.1f dB", db),
        List.of(
            new Input(
                "how far you lean",
                Figures.say("%.0f cm", 100 * leaning.movement().leanMetres()),
                described),
            new Input(
                "how far you turn",
                Figures.say("%.0f°", leaning.movement().turnDegrees()),
                described)),
        OptionalDouble.empty());
  }
}
