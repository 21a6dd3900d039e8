package nullroom.app.control;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Rectangle;
import javafx.scene.text.TextAlignment;
import nullroom.core.predict.ArrivalLocus;
import nullroom.core.room.Aim;
import nullroom.core.room.Camera;
import nullroom.core.room.Facet;
import nullroom.core.room.Furniture;
import nullroom.core.room.Outline;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.RoomItem;
import nullroom.core.room.Screen;
import nullroom.core.room.Surface;

/**
 * The room from above or from a side, to scale, with everything that stands in it; what is shown
 * can be taken hold of where an {@link ItemHandler} is given.
 */
public final class RoomPlot extends PlotPane {
  /** Where it is looked at from. */
  public enum View {
    ABOVE("from above"),
    SIDE("from wall 1"),
    END("from the end");

    private final String label;

    View(String label) {
      this.label = label;
    }

    /** For people. */
    public String label() {
      return label;
    }

    /** To the right in the picture. */
    private double across(Point p) {
      return this == END ? p.y() : p.x();
    }

    /** Up in the picture. */
    private double up(Point p) {
      return this == ABOVE ? p.y() : p.z();
    }

    /** A point moved to a place of the picture; its depth stays. */
    private Point moved(Point p, double across, double up) {
      return switch (this) {
        case ABOVE -> new Point(across, up, p.z());
        case SIDE -> new Point(across, p.y(), up);
        case END -> new Point(p.x(), across, up);
      };
    }
  }

  /** Half of how thick cloth is drawn. */
  private static final double SCREEN_METRES = 0.04;

  private static final double MARGIN = 22;

  /** Labels of walls stand this far inside. */
  private static final double LABEL = 10;

  private static final double AIM_LENGTH = 22;

  private final ZoomPan near = new ZoomPan(this);
  private Optional<Room> room = Optional.empty();
  private View view = View.ABOVE;
  private List<ArrivalLocus.Piece> lines = List.of();
  private Optional<Point> bounce = Optional.empty();
  private Optional<ItemHandler> handler = Optional.empty();
  private double scale;
  private Captions captions = new Captions(this, 0, 0);
  private double left;
  private double bottom;

  /** An empty picture. */
  public RoomPlot() {
    super("room-plot");
    setAccessibleText("the room to scale; plus, minus and zero zoom, drag to pan");
  }

  /** The room shown. */
  public void show(Room shown) {
    show(shown, List.of(), Optional.empty());
  }

  /**
   * What is shown.
   *
   * @param places a line in plan coordinates, shown from above
   * @param by where a path from the talker to the microphone bounces
   */
  public void show(Room shown, List<ArrivalLocus.Piece> places, Optional<Point> by) {
    room = Optional.of(shown);
    lines = List.copyOf(places);
    bounce = by;
    redraw();
  }

  /** Where it is looked at from. */
  public void setView(View other) {
    view = other;
    redraw();
  }

  /** Makes everything in it movable. */
  public void setItemHandler(ItemHandler taking) {
    handler = Optional.of(taking);
    redraw();
  }

  @Override
  protected void draw(double width, double height) {
    room.ifPresent(r -> draw(r, width, height));
  }

  private void draw(Room r, double width, double height) {
    setClip(new Rectangle(width, height));
    fit(r, width, height);
    text(
        view == View.ABOVE && !lines.isEmpty()
            ? "from above, at the height of the voice"
            : view.label(),
        2,
        8,
        TextAlignment.LEFT,
        "axis-label");
    captions = new Captions(this, width, height);
    shell(r);
    Optional<ItemHandle> handle =
        handler.map(h -> new ItemHandle(this, r, h, (item, x, y) -> place(r, item, x, y)));
    for (int k = 0; k < r.furniture().size(); k++) {
      Furniture piece = r.furniture().get(k);
      ItemHandle.take(
          handle,
          outline(silhouette(piece), "furniture"),
          new RoomItem(RoomItem.Kind.FURNITURE, k));
      caption(
          piece.label(),
          Outline.centre(piece.plan())
              .plus(new Point(0, 0, 1), (piece.corner().z() + piece.top()) / 2));
    }
    for (int k = 0; k < r.screens().size(); k++) {
      Screen screen = r.screens().get(k);
      ItemHandle.take(
          handle,
          outline(silhouette(screen), "furniture", "cloth"),
          new RoomItem(RoomItem.Kind.SCREEN, k));
      caption(screen.name(), screen.middle());
    }
    if (view == View.ABOVE) {
      wallNumbers(r);
      segments(
          lines.stream()
              .map(p -> new double[] {sx(p.from()), sy(p.from()), sx(p.to()), sy(p.to())})
              .toList(),
          "locus");
      path(r);
    }
    r.camera().ifPresent(c -> wedge(r, c));
    for (RoomItem item : RoomItem.of(r)) {
      if (item.isPoint()) {
        handle(r, handle, item);
      }
    }
    captions.draw();
  }

  private void fit(Room r, double width, double height) {
    double[] across = r.outline().span(view == View.END ? 1 : 0);
    double[] up = view == View.ABOVE ? r.outline().span(1) : new double[] {0, r.size().z()};
    double fit =
        Math.min(
            (width - 2 * MARGIN) / (across[1] - across[0]),
            (height - 2 * MARGIN) / (up[1] - up[0]));
    scale = near.zoom() * fit;
    double middleX = (width - fit * (across[1] - across[0])) / 2 - fit * across[0];
    double middleY = height - (height - fit * (up[1] - up[0])) / 2 + fit * up[0];
    left = near.panX() + near.zoom() * middleX;
    bottom = near.panY() + near.zoom() * middleY;
  }

  private Point place(Room r, RoomItem item, double x, double y) {
    return view.moved(item.at(r), (x - left) / scale, (bottom - y) / scale);
  }

  /** The room's own surfaces, of which those seen edge on are lines. */
  private void shell(Room r) {
    for (Facet facet : Facet.of(r)) {
      boolean own = facet.surface().isPresent();
      boolean shown = view != View.ABOVE || facet.name().equals(Surface.FLOOR.id());
      if (own && shown) {
        outline(facet.corners(), "surface", view == View.ABOVE ? "floor" : "wall")
            .setMouseTransparent(true);
        facet.patches().forEach(p -> outline(p.corners(), "piece").setMouseTransparent(true));
      }
    }
  }

  private List<Point> silhouette(Furniture piece) {
    if (view == View.ABOVE) {
      return piece.plan();
    }
    double[] span = piece.plan().stream().mapToDouble(view::across).sorted().toArray();
    double low = span[0];
    double high = span[span.length - 1];
    Point at = piece.corner();
    return List.of(
        view.moved(at, low, at.z()),
        view.moved(at, high, at.z()),
        view.moved(at, high, piece.top()),
        view.moved(at, low, piece.top()));
  }

  /** As seen from here, no thinner than it is grasped by. */
  private List<Point> silhouette(Screen screen) {
    Point thick = new Point(0, 0, 0).plus(screen.normal(), SCREEN_METRES);
    List<Point> c = screen.corners();
    return view == View.ABOVE
        ? List.of(
            c.get(0).plus(thick, 1),
            c.get(1).plus(thick, 1),
            c.get(1).plus(thick, -1),
            c.get(0).plus(thick, -1))
        : List.of(
            c.get(0).plus(thick, -1),
            c.get(1).plus(thick, 1),
            c.get(2).plus(thick, 1),
            c.get(3).plus(thick, -1));
  }

  private void wallNumbers(Room r) {
    List<Point> corners = r.outline().corners();
    for (int k = 0; k < corners.size(); k++) {
      Point along = corners.get((k + 1) % corners.size()).minus(corners.get(k));
      Point middle = corners.get(k).plus(along, 0.5);
      double length = along.length();
      captions.keep(
          text(
              String.valueOf(k + 1),
              sx(middle) - LABEL * along.y() / length,
              sy(middle) - LABEL * along.x() / length,
              TextAlignment.CENTER,
              "surface-label"));
    }
  }

  private void path(Room r) {
    if (r.talker().isPresent() && r.microphone().isPresent()) {
      Point talker = r.talker().get().at();
      Point microphone = r.microphone().get().at();
      bounce.ifPresent(by ->
          polyline(
              new double[] {sx(talker), sy(talker), sx(by), sy(by), sx(microphone), sy(microphone)},
              "path"));
    }
  }

  /** The sides of what a camera takes in, seen from here, as far as the room. */
  private void wedge(Room r, Camera camera) {
    boolean above = view == View.ABOVE;
    double half = (above ? camera.widthDegrees() : camera.heightDegrees()) / 2;
    for (double side : new double[] {-half, half}) {
      Aim aim =
          above
              ? new Aim(camera.aim().azimuthDegrees() + side, camera.aim().elevationDegrees())
              : new Aim(
                  camera.aim().azimuthDegrees(),
                  Math.clamp(camera.aim().elevationDegrees() + side, -90, 90));
      Point end = camera.at().plus(aim.direction(), r.reach(camera.at(), aim));
      line(sx(camera.at()), sy(camera.at()), sx(end), sy(end), "frame-edge");
    }
  }

  private void handle(Room r, Optional<ItemHandle> handle, RoomItem item) {
    Point at = item.at(r);
    String style = item.kind().name().toLowerCase(Locale.ROOT);
    item.aim(r)
        .ifPresent(aim -> {
          double dx = view.across(aim.direction());
          double dy = view.up(aim.direction());
          line(sx(at), sy(at), sx(at) + AIM_LENGTH * dx, sy(at) - AIM_LENGTH * dy, "aim", style)
              .setMouseTransparent(true);
        });
    ItemHandle.take(handle, Glyph.of(this, item, r, sx(at), sy(at)), item);
    captions.handle(item.name(r), sx(at), sy(at), "handle-label");
  }

  private void caption(String words, Point at) {
    captions.piece(words, sx(at), sy(at));
  }

  private Polygon outline(List<Point> corners, String... styles) {
    double[] points = new double[2 * corners.size()];
    for (int i = 0; i < corners.size(); i++) {
      points[2 * i] = sx(corners.get(i));
      points[2 * i + 1] = sy(corners.get(i));
    }
    return polygon(points, styles);
  }

  private double sx(Point p) {
    return left + view.across(p) * scale;
  }

  private double sy(Point p) {
    return bottom - view.up(p) * scale;
  }
}
