package nullroom.app.cli;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import nullroom.core.Figures;
import nullroom.core.book.Goal;
import nullroom.core.plan.mic.FrameReach;
import nullroom.core.plan.mic.MicMap;
import nullroom.core.plan.mic.MicPlanner;
import nullroom.core.plan.mic.Voices;
import nullroom.core.predict.Margins;
import nullroom.core.room.PlacedMicrophone;
import nullroom.core.room.Point;
import nullroom.io.book.BookFolder;
import org.jspecify.annotations.Nullable;

/** Ranked microphones as JSON. */
final class MicJson {
  private MicJson() {}

  static JsonOut of(Goal goal, MicPlanner.Result found) {
    return new JsonOut()
        .put("goal", goal.id())
        .put("targets", PredictJson.targets(goal))
        .put("ranking", found.ranking().stream().map(r -> entry(goal, r)).toList());
  }

  private static Map<String, @Nullable Object> entry(Goal goal, MicPlanner.Ranked r) {
    PlacedMicrophone m = r.room().requireMicrophone();
    Point at = m.at();
    Margins margins = r.heard().margins();
    Map<String, @Nullable Object> out = new LinkedHashMap<>();
    out.put("microphone", r.chain().microphone());
    out.put("input", r.chain().input().orElse(null));
    out.put("booster", r.chain().booster().orElse(null));
    out.put("place", r.mount().id());
    out.put("at", new double[] {at.x(), at.y(), at.z()});
    out.put("azimuthDegrees", m.aim().azimuthDegrees());
    out.put("elevationDegrees", m.aim().elevationDegrees());
    out.put("distanceMetres", r.metres());
    out.put("gainDb", m.capture().gainDb());
    Map<String, Object> three = margins(margins);
    three.put("clearDb", r.heard().hasLate() ? margins.clearDb() : Double.NaN);
    out.put("margins", three);
    out.put("worst", margins(r.sway().worst()));
    out.put("swayDb", r.sway().voiceDb());
    out.put("weakest", Figures.word(margins.weakest(goal.targets())));
    out.put("shortDb", r.shortDb());
    out.put("why", r.chain().why());
    out.put("chain", r.chain().checks().stream().map(MicJson::check).toList());
    out.put("price", r.chain().price());
    out.put("needs", r.chain().needs());
    out.put("room", BookFolder.tree(r.room()));
    return out;
  }

  private static Map<String, Object> check(MicPlanner.Check c) {
    Map<String, Object> out = new LinkedHashMap<>();
    out.put("check", c.check());
    out.put("ok", c.ok());
    out.put("advice", c.advice());
    return out;
  }

  static Map<String, Object> distance(MicPlanner.AtDistance d) {
    Map<String, Object> out = new LinkedHashMap<>();
    out.put("metres", d.metres());
    out.putAll(margins(d.margins()));
    return out;
  }

  private static Map<String, Object> margins(Margins margins) {
    Map<String, Object> out = new LinkedHashMap<>();
    out.put("quietDb", margins.quietDb());
    out.put("clearDb", margins.clearDb());
    out.put("safeDb", margins.safeDb());
    return out;
  }

  static Map<String, Object> map(String name, MicMap map) {
    Map<String, Object> out = new LinkedHashMap<>();
    out.put("microphone", name);
    out.put("plane", "side");
    out.put("alongMetres", map.alongMetres());
    out.put("upMetres", map.acrossMetres());
    out.put("shortDb", List.of(map.shortDb()));
    List<List<@Nullable String>> blocked = new ArrayList<>();
    for (MicMap.Block[] row : map.blocks()) {
      List<@Nullable String> words = new ArrayList<>();
      for (MicMap.Block block : row) {
        words.add(block == MicMap.Block.NONE ? null : Figures.word(block));
      }
      blocked.add(words);
    }
    out.put("blocked", blocked);
    return out;
  }

  static Map<String, @Nullable Object> frame(FrameReach f) {
    Map<String, @Nullable Object> out = new LinkedHashMap<>();
    out.put("camera", f.camera());
    out.put("metres", f.metres());
    out.put("widthMetres", f.widthMetres());
    out.put("heightMetres", f.heightMetres());
    out.put("shot", f.shot().id());
    out.put("upright", f.upright());
    out.put("lipsInPicture", f.lips());
    out.put("headroomMetres", f.headroomMetres());
    Map<String, Object> nearest = new LinkedHashMap<>();
    nearest.put("above", f.above());
    nearest.put("below", f.below());
    nearest.put("left", f.left());
    nearest.put("right", f.right());
    nearest.put("boom", f.nearest());
    out.put("nearestMetres", nearest);
    out.put("buys", f.buys());
    return out;
  }

  /** Who is heard in whose microphone. */
  static Map<String, @Nullable Object> voices(Voices v) {
    Map<String, @Nullable Object> out = new LinkedHashMap<>();
    out.put("voices", v.voices());
    out.put("microphones", v.microphones());
    out.put("own", IntStream.of(v.own()).mapToObj(v.microphones()::get).toList());
    out.put("directDbA", List.of(v.directDbA()));
    out.put("wholeDbA", List.of(v.wholeDbA()));
    List<Map<String, Object>> bleed = new ArrayList<>();
    for (int m = 0; m < v.microphones().size(); m++) {
      for (int k = 0; v.ownerOf(m).isPresent() && k < v.voices().size(); k++) {
        if (k != v.ownerOf(m).get()) {
          Map<String, Object> one = new LinkedHashMap<>();
          one.put("voice", v.voices().get(k));
          one.put("microphone", v.microphones().get(m));
          one.put("byDistanceDb", v.bleedByDistanceDb(k, m));
          one.put("directDb", v.bleedDb(k, m, false));
          one.put("wholeDb", v.bleedDb(k, m, true));
          one.put("timesAsFar", v.timesAsFar(k, m));
          one.put("lowerByDb", v.lowerByDb(k, m));
          bleed.add(one);
        }
      }
    }
    out.put("bleed", bleed);
    out.put("advice", v.advice());
    return out;
  }

  static Map<String, @Nullable Object> backup(Goal goal, MicPlanner.Backup b) {
    Map<String, @Nullable Object> out = entry(goal, b.ranked());
    out.put("failsDifferently", b.failsDifferently());
    return out;
  }
}
