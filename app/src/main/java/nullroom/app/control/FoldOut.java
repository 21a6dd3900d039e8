package nullroom.app.control;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.DoubleFunction;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Rectangle;
import nullroom.core.Figures;
import nullroom.core.predict.ArrivalLocus;
import nullroom.core.predict.Framing;
import nullroom.core.predict.ReturnMap;
import nullroom.core.room.Aim;
import nullroom.core.room.Camera;
import nullroom.core.room.Furniture;
import nullroom.core.room.Outline;
import nullroom.core.room.Patch;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.RoomItem;
import nullroom.core.room.Screen;
import nullroom.core.room.Surface;

/**
 * The room unfolded like a cardboard box: the floor in the middle, each wall hinged to its floor
 * edge, the ceiling beyond the wall at the top of the picture. What lies on surfaces, what stands
 * in the room, the talker, the microphone and the camera are on it, and can be taken hold of where
 * there is an {@link ItemHandler}.
 */
public final class FoldOut extends PlotPane {
  /** How far along a wall, and up it, its name may stand; the first free place is taken. */
  /** Half of how thick cloth is drawn. */
  /** Smaller, the things in the room lie on one another. */
  private static final double LEAST_WIDTH = 300;

  private static final double LEAST_HEIGHT = 240;

  private static final double SCREEN_METRES = 0.04;

  private static final double[][] LABEL_PLACES = {
    {0.5, 0.5}, {0.5, 0.88}, {0.16, 0.5}, {0.84, 0.5}, {0.5, 0.12}, {0.16, 0.88}, {0.84, 0.88}
  };

  private static final double AIM_LENGTH = 30;

  private Optional<Room> room = Optional.empty();
  private Captions captions = new Captions(this, 0, 0);
  private Optional<Surface> selected = Optional.empty();
  private Consumer<Surface> onSelect = surface -> {};
  private Consumer<Point> onFloor = place -> {};
  private Optional<ItemHandler> handler = Optional.empty();
  private Optional<Patch> proposal = Optional.empty();
  private Map<Surface, List<ArrivalLocus.Piece>> lines = Map.of();
  private List<Pin> marks = List.of();
  private FoldOutTint tint = FoldOutTint.NONE;
  private Optional<DoubleFunction<String>> lengths = Optional.empty();
  private final ZoomPan view = new ZoomPan(this);

  /** An empty picture. */
  public FoldOut() {
    super("fold-out");
    setMinSize(LEAST_WIDTH, LEAST_HEIGHT);
    setAccessibleText("the room unfolded; plus, minus and zero zoom, drag to pan");
  }

  /** How far it is zoomed in; 1 shows all of it. */
  public double zoom() {
    return view.zoom();
  }

  /** How lengths of walls are said beside their names; none at first. */
  public void setLengths(DoubleFunction<String> said) {
    lengths = Optional.of(said);
    redraw();
  }

  /** The room shown. */
  public void show(Room shown) {
    show(shown, Optional.empty());
  }

  /** The room shown, with a piece that is not there yet. */
  public void show(Room shown, Optional<Patch> proposed) {
    room = Optional.of(shown);
    proposal = proposed;
    redraw();
  }

  /**
   * A place on a surface.
   *
   * @param name said beside it, may be empty
   * @param surface that it lies on
   * @param at in the surface's own axes
   */
  public record Pin(String name, Surface surface, Point at) {}

  /** Lines over surfaces, in the surfaces' own axes, and places; they stay until others come. */
  public void trace(Map<Surface, List<ArrivalLocus.Piece>> traced, List<Pin> marked) {
    lines = Map.copyOf(traced);
    marks = List.copyOf(marked);
    redraw();
  }

  /**
   * Tints each cell of the surfaces by what it sends back, in steps of 3 dB under the strongest.
   *
   * @param returns empty for no tint
   * @param early that of the first 50 ms, else that later
   */
  public void tint(Optional<ReturnMap> returns, boolean early) {
    tint = tint.with(returns, early);
    redraw();
  }

  /** Hatches what the camera has in its picture. */
  public void frame(Optional<Framing> seen) {
    tint = tint.with(seen);
    redraw();
  }

  /** Marks a surface. */
  public void select(Surface surface) {
    selected = Optional.of(surface);
    redraw();
  }

  /** What happens when a surface is pressed. */
  public void setOnSelect(Consumer<Surface> action) {
    onSelect = action;
  }

  /** What happens when the floor is pressed, with the place in the plan. */
  public void setOnFloor(Consumer<Point> action) {
    onFloor = action;
  }

  /** Makes everything in it movable. */
  public void setItemHandler(ItemHandler taking) {
    handler = Optional.of(taking);
    redraw();
  }

  @Override
  protected void draw(double width, double height) {
    room.ifPresent(r ->
        draw(Unfolding.of(r, width, height, view.zoom(), view.panX(), view.panY()), width, height));
  }

  private void draw(Unfolding u, double width, double height) {
    Room r = u.room();
    setClip(new Rectangle(width, height));
    captions = new Captions(this, width, height);
    r.surfaces().forEach(surface -> surface(u, surface));
    tint.draw(this, u);
    Optional<ItemHandle> handle =
        handler.map(h -> new ItemHandle(this, r, h, (item, x, y) -> place(u, item, u.plan(x, y))));
    for (int k = 0; k < r.patches().size(); k++) {
      ItemHandle.take(
          handle, piece(u, r.patches().get(k), "piece"), new RoomItem(RoomItem.Kind.PATCH, k));
    }
    for (int k = 0; k < r.furniture().size(); k++) {
      ItemHandle.take(
          handle, furniture(u, r.furniture().get(k), k), new RoomItem(RoomItem.Kind.FURNITURE, k));
    }
    for (int k = 0; k < r.screens().size(); k++) {
      ItemHandle.take(handle, screen(u, r.screens().get(k)), new RoomItem(RoomItem.Kind.SCREEN, k));
    }
    lines.forEach((surface, pieces) -> line(u, surface, pieces));
    marks.forEach(mark -> mark(u, mark));
    proposal.ifPresent(patch -> piece(u, patch, "proposal").setMouseTransparent(true));
    r.camera().ifPresent(c -> wedge(u, c));
    for (RoomItem item : RoomItem.of(r)) {
      if (item.isPoint()) {
        handle(u, handle, item);
      }
    }
    captions.draw();
  }

  /** A place of the plan in a thing's own coordinates. */
  private static Point place(Unfolding u, RoomItem item, Point plan) {
    return item.kind() == RoomItem.Kind.PATCH
        ? u.local(u.room().patches().get(item.index()).surface(), plan)
        : new Point(plan.x(), plan.y(), item.at(u.room()).z());
  }

  private Polygon piece(Unfolding u, Patch patch, String style) {
    List<Point> corners = patch.corners().stream().map(p -> u.flat(patch.surface(), p)).toList();
    Polygon body = polygon(u.screen(corners), style);
    double x = corners.stream().mapToDouble(Point::x).average().orElse(0);
    double bottom = corners.stream().mapToDouble(Point::y).min().orElse(0);
    captions.piece(patch.label(), u.sx(x), u.sy(bottom) + 9);
    return body;
  }

  private Polygon furniture(Unfolding u, Furniture piece, int index) {
    Polygon body = polygon(u.screen(piece.plan()), "furniture");
    tint.draw(this, u, piece, index);
    Point middle = Outline.centre(piece.plan());
    captions.piece(piece.label(), u.sx(middle.x()), u.sy(middle.y()));
    return body;
  }

  /** Free cloth from above: a band as wide as it is seen best. */
  private Polygon screen(Unfolding u, Screen screen) {
    Point thick = new Point(0, 0, 0).plus(screen.normal(), SCREEN_METRES);
    Point from = screen.from();
    Point to = screen.to();
    Polygon body =
        polygon(
            u.screen(
                List.of(
                    from.plus(thick, 1),
                    to.plus(thick, 1),
                    to.plus(thick, -1),
                    from.plus(thick, -1))),
            "furniture",
            "cloth");
    captions.piece(screen.name(), u.sx(screen.middle().x()), u.sy(screen.middle().y()));
    return body;
  }

  private void line(Unfolding u, Surface surface, List<ArrivalLocus.Piece> pieces) {
    segments(
        pieces.stream()
            .map(piece ->
                u.screen(List.of(u.flat(surface, piece.from()), u.flat(surface, piece.to()))))
            .toList(),
        "locus");
  }

  private void mark(Unfolding u, Pin mark) {
    Point p = u.flat(mark.surface(), mark.at());
    double x = u.sx(p.x());
    double y = u.sy(p.y());
    Polygon star =
        polygon(
            new double[] {
              x, y - 8, x + 2.4, y - 2.4, x + 8, y, x + 2.4, y + 2.4, x, y + 8, x - 2.4, y + 2.4,
              x - 8, y, x - 2.4, y - 2.4
            },
            "mark");
    star.setMouseTransparent(true);
    if (!mark.name().isEmpty()) {
      star.setAccessibleText("spot " + mark.name());
      captions.handle(mark.name(), x, y, "piece-label");
    }
  }

  private void surface(Unfolding u, Surface surface) {
    boolean floor = surface instanceof Surface.Floor;
    List<Point> corners = u.corners(surface);
    Polygon p = polygon(u.screen(corners), "surface", floor ? "floor" : "wall");
    if (selected.filter(surface::equals).isPresent()) {
      p.getStyleClass().add("selected");
    }
    p.setId("surface-" + surface.id());
    p.setAccessibleText(
        Figures.say("%s, %.1f m²", surface.label(), u.room().areaOf(surface))
            + tint.words(u.room(), surface));
    p.setOnMousePressed(e -> {
      onSelect.accept(surface);
      if (floor) {
        onFloor.accept(u.plan(e.getX(), e.getY()));
      }
    });
    if (surface instanceof Surface.Wall wall) {
      Point at = labelPlace(u, wall);
      double metres = u.room().enclosure().length(wall);
      captions.surface(
          surface.label() + lengths.map(said -> ", " + said.apply(metres)).orElse(""),
          surface.label(),
          u.sx(at.x()),
          u.sy(at.y()),
          u.screen(corners));
    } else {
      double left = corners.stream().mapToDouble(Point::x).min().orElse(0);
      double top = corners.stream().mapToDouble(Point::y).max().orElse(0);
      captions.surface(surface.label(), "", u.sx(left) + 24, u.sy(top) + 10, u.screen(corners));
    }
  }

  private static Point labelPlace(Unfolding u, Surface.Wall wall) {
    double length = u.room().enclosure().length(wall);
    List<Point> places = new ArrayList<>();
    for (double[] share : LABEL_PLACES) {
      double along = share[0] * length;
      places.add(new Point(along, share[1] * u.height(wall, along), 0));
    }
    Point free =
        places.stream()
            .filter(at ->
                u.room().patches().stream()
                    .noneMatch(p -> p.surface().equals(wall) && Outline.within(p.corners(), at)))
            .findFirst()
            .orElse(places.getFirst());
    return u.flat(wall, free);
  }

  /** The sides of what a camera takes in, as far as the walls. */
  private void wedge(Unfolding u, Camera camera) {
    for (double side : new double[] {-0.5, 0.5}) {
      double azimuth = camera.aim().azimuthDegrees() + side * camera.widthDegrees();
      Aim aim = new Aim(azimuth, 0);
      Point end = camera.at().plus(aim.direction(), u.room().reach(camera.at(), aim));
      line(
          u.sx(camera.at().x()), u.sy(camera.at().y()), u.sx(end.x()), u.sy(end.y()), "frame-edge");
    }
  }

  /** What follows the lips is not turned by hand. */
  private static boolean turns(RoomItem item, Room room) {
    return item.kind() != RoomItem.Kind.MICROPHONE
        || item.member(room).filter(m -> m.ride().isPresent()).isPresent();
  }

  private void handle(Unfolding u, Optional<ItemHandle> handle, RoomItem item) {
    Point at = item.at(u.room());
    String style = item.kind().name().toLowerCase(Locale.ROOT);
    double x = u.sx(at.x());
    double y = u.sy(at.y());
    item.aim(u.room())
        .ifPresent(aim -> {
          Point direction = aim.direction();
          double tipX = x + AIM_LENGTH * direction.x();
          double tipY = y - AIM_LENGTH * direction.y();
          line(x, y, tipX, tipY, "aim", style).setMouseTransparent(true);
          handle
              .filter(g -> turns(item, u.room()))
              .ifPresent(g -> g.turns(rectangle(tipX - 3, tipY - 3, 6, 6, "turn", style), item));
        });
    ItemHandle.take(handle, Glyph.of(this, item, u.room(), x, y), item);
    captions.handle(item.name(u.room()), x, y, "handle-label");
  }
}
