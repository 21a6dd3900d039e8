package nullroom.core.measure.clip;

import java.util.ArrayList;
import java.util.List;
import nullroom.core.measure.clip.Sounding.Region;
import nullroom.core.signal.Samples;

/**
 * Tells quiet, talk and claps apart in one recording, in whatever order they come. What rises from
 * the quiet is cut into regions; a region that begins suddenly with its loudest and only dies away
 * is a clap unless it is a weak one in the middle of talk; what goes up and down is talk; what lies
 * between, long enough, is quiet.
 */
public final class ClipSorter {
  /** What of the voice follows within this belongs to the same stretch of talk. */
  private static final double TALK_GAP_SECONDS = 2.2;

  /** A clap so near to talk on both sides is a consonant. */
  private static final double AMONG_SECONDS = 0.9;

  /** A stretch that holds less of a voice is a cough. */
  private static final double SHORTEST_TALK_SECONDS = 1.5;

  private static final double LEAST_VOICE_SECONDS = 0.8;

  /** Quiet for so long is worth measuring. */
  private static final double SHORTEST_QUIET_SECONDS = 1.0;

  /** What dies away after the last sound is left out. */
  private static final double AFTER_SECONDS = 0.35;

  private static final double AFTER_CLAP_SECONDS = 1.0;
  private static final double BEFORE_SECONDS = 0.15;

  /** Short pauses beside a long quiet add nothing to it. */
  private static final double LEAST_OF_LONGEST = 0.33;

  private static final double SAME_QUIET_DB = 6;

  private static final double SHORTEST_PAUSE_SECONDS = 0.2;
  private static final double PAUSE_AFTER_SECONDS = 0.15;
  private static final double PAUSE_BEFORE_SECONDS = 0.03;

  /** Claps of one series come within this of one another. */
  private static final double SERIES_SECONDS = 6;

  /** And within this of the loudest. */
  private static final double SERIES_DB = 20;

  private static final double BEFORE_CLAP_SECONDS = 0.3;
  private static final double CLAP_END_SECONDS = 2.5;

  private final Sounding sounding;
  private final List<Region> regions;
  private final double end;

  /** Of one channel. */
  public ClipSorter(Samples sound) {
    sounding = Sounding.of(sound);
    regions = sounding.regions();
    end = sound.seconds();
  }

  /** Pauses of a fifth of a second and more, from soon after what sounds before. */
  List<ClipPart> pauses() {
    List<ClipPart> all = new ArrayList<>();
    double from = 0;
    for (Region r : regions) {
      double begins = from == 0 ? 0 : from + PAUSE_AFTER_SECONDS;
      double ends = r.from() - PAUSE_BEFORE_SECONDS;
      if (ends - begins >= SHORTEST_PAUSE_SECONDS) {
        all.add(new ClipPart(ClipPart.Kind.QUIET, begins, ends));
      }
      from = r.to();
    }
    return all;
  }

  /** The parts in their order; empty where nothing can be told. */
  public List<ClipPart> parts() {
    List<Region> claps = claps();
    List<ClipPart> talk = talk(regions.stream().filter(r -> !claps.contains(r)).toList());
    List<ClipPart> parts = new ArrayList<>(talk);
    parts.addAll(series(claps, talk));
    for (ClipPart q : quiet(claps)) {
      boolean still = !sounding.undulates(q.fromSeconds(), q.toSeconds());
      parts.add(
          still
              ? q
              : new ClipPart(
                  sounding.kind(q.fromSeconds(), q.toSeconds()), q.fromSeconds(), q.toSeconds()));
    }
    parts.sort((a, b) -> Double.compare(a.fromSeconds(), b.fromSeconds()));
    return parts;
  }

  /** Regions like claps that do not stand amid talk, of about one loudness. */
  private List<Region> claps() {
    List<Region> all = new ArrayList<>();
    for (int k = 0; k < regions.size(); k++) {
      Region r = regions.get(k);
      if (r.likeAClap() && !among(k)) {
        all.add(r);
      }
    }
    if (all.isEmpty()) {
      return all;
    }
    double loudest = all.stream().mapToDouble(Region::peakDb).max().orElseThrow();
    all.removeIf(r -> r.peakDb() < loudest - SERIES_DB);
    return all;
  }

  private boolean among(int k) {
    Region r = regions.get(k);
    boolean before =
        k > 0
            && !regions.get(k - 1).likeAClap()
            && r.from() - regions.get(k - 1).to() < AMONG_SECONDS;
    boolean after =
        k + 1 < regions.size()
            && !regions.get(k + 1).likeAClap()
            && regions.get(k + 1).from() - r.to() < AMONG_SECONDS;
    return before && after;
  }

  private List<ClipPart> talk(List<Region> regions) {
    List<ClipPart> all = new ArrayList<>();
    List<Region> run = new ArrayList<>();
    for (Region r : regions) {
      if (!run.isEmpty() && r.from() - run.getLast().to() > TALK_GAP_SECONDS) {
        all.add(stretch(run));
        run.clear();
      }
      run.add(r);
    }
    if (!run.isEmpty()) {
      all.add(stretch(run));
    }
    return all;
  }

  private ClipPart stretch(List<Region> run) {
    double from = run.getFirst().from();
    double to = run.getLast().to();
    double sounds = run.stream().mapToDouble(r -> r.to() - r.from()).sum();
    boolean much = to - from >= SHORTEST_TALK_SECONDS && sounds >= LEAST_VOICE_SECONDS;
    return new ClipPart(much ? sounding.kind(from, to) : ClipPart.Kind.OTHER, from, to);
  }

  /** Claps one after another, with room around them. */
  private List<ClipPart> series(List<Region> claps, List<ClipPart> talk) {
    List<ClipPart> all = new ArrayList<>();
    int k = 0;
    while (k < claps.size()) {
      int last = k;
      while (last + 1 < claps.size()
          && claps.get(last + 1).from() - claps.get(last).from() < SERIES_SECONDS
          && free(talk, claps.get(last).from(), claps.get(last + 1).from())) {
        last++;
      }
      double from = Math.max(0, claps.get(k).from() - BEFORE_CLAP_SECONDS);
      double until = Math.min(end, claps.get(last).from() + CLAP_END_SECONDS);
      for (ClipPart t : talk) {
        if (t.fromSeconds() > claps.get(last).from()) {
          until = Math.min(until, t.fromSeconds());
        }
        if (t.toSeconds() < claps.get(k).from()) {
          from = Math.max(from, t.toSeconds());
        }
      }
      all.add(new ClipPart(ClipPart.Kind.CLAPS, from, until));
      k = last + 1;
    }
    return all;
  }

  private static boolean free(List<ClipPart> talk, double from, double to) {
    return talk.stream().noneMatch(t -> t.fromSeconds() < to && t.toSeconds() > from);
  }

  /** What lies between sounds, long enough, and is as quiet as the quietest. */
  private List<ClipPart> quiet(List<Region> claps) {
    List<ClipPart> all = still(claps);
    double longest = all.stream().mapToDouble(ClipPart::seconds).max().orElse(0);
    all.removeIf(q -> q.seconds() < LEAST_OF_LONGEST * longest);
    double level = all.stream().mapToDouble(sounding::levelDb).min().orElse(0);
    all.removeIf(q -> sounding.levelDb(q) - level > SAME_QUIET_DB);
    return all;
  }

  private List<ClipPart> still(List<Region> claps) {
    List<ClipPart> all = new ArrayList<>();
    double from = 0;
    for (int k = 0; k <= regions.size(); k++) {
      double to = k < regions.size() ? regions.get(k).from() - BEFORE_SECONDS : end;
      if (to - from >= SHORTEST_QUIET_SECONDS) {
        all.add(new ClipPart(ClipPart.Kind.QUIET, from, to));
      }
      if (k < regions.size()) {
        Region r = regions.get(k);
        from =
            claps.contains(r)
                ? Math.max(r.to() + AFTER_SECONDS, r.from() + AFTER_CLAP_SECONDS)
                : r.to() + AFTER_SECONDS;
      }
    }
    return all;
  }
}
