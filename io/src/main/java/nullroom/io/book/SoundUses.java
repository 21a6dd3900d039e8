package nullroom.io.book;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import nullroom.core.book.RoomBook;
import tools.jackson.databind.JsonNode;

/** What the recordings of a book were used for: where the book names them. */
public final class SoundUses {
  private static final Map<String, String> WORDS =
      Map.of(
          "noise", "the noise",
          "suspects", "a culprit",
          "spots", "a spot",
          "surveys", "hours of noise",
          "decay", "the decay",
          "earlierDecays", "an earlier decay",
          "decayEstimate", "the decay heard in speech",
          "levels", "the take checked last",
          "voices", "a voice",
          "calibration", "the scale");

  private final Map<String, List<String>> uses = new LinkedHashMap<>();

  private SoundUses() {}

  /** Those of a book: from the name of a recording to what it is for, in words. */
  public static Map<String, List<String>> of(RoomBook book) {
    SoundUses found = new SoundUses();
    found.walk(BookJson.write(book), "", "");
    return found.uses;
  }

  /**
   * Goes through a part of the book.
   *
   * @param use what a sound named here is for
   * @param place at which, where it is not the one of now
   */
  private void walk(JsonNode node, String use, String place) {
    if (node.isObject()) {
      String there = node.path("room").path("name").asString(place);
      for (Map.Entry<String, JsonNode> member : node.properties()) {
        boolean named = member.getKey().equals("sound") || member.getKey().equals("take");
        if (named && member.getValue().isString()) {
          String words = place.isEmpty() ? use : use + " at " + place;
          List<String> all =
              uses.computeIfAbsent(member.getValue().stringValue(), s -> new ArrayList<>());
          if (!words.isEmpty() && !all.contains(words)) {
            all.add(words);
          }
        } else {
          walk(
              member.getValue(),
              WORDS.getOrDefault(member.getKey(), use),
              use.isEmpty() && place.isEmpty() && !member.getKey().equals("otherPlaces")
                  ? ""
                  : there);
        }
      }
    } else {
      node.forEach(child -> walk(child, use, place));
    }
  }
}
