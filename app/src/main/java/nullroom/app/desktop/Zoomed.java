package nullroom.app.desktop;

import javafx.scene.layout.Region;
import javafx.scene.transform.Scale;

/** Content drawn larger than it is laid out: text and all that stands beside it grow alike. */
final class Zoomed extends Region {
  private final Region content;
  private final Scale scale = new Scale(1, 1, 0, 0);

  Zoomed(Region content) {
    this.content = content;
    content.getTransforms().add(scale);
    getChildren().add(content);
  }

  /** Sets how much larger, 1 for as it is. */
  void zoom(double factor) {
    scale.setX(factor);
    scale.setY(factor);
    requestLayout();
  }

  @Override
  protected void layoutChildren() {
    content.resizeRelocate(0, 0, getWidth() / scale.getX(), getHeight() / scale.getY());
  }

  @Override
  protected double computeMinWidth(double height) {
    return 0;
  }

  @Override
  protected double computeMinHeight(double width) {
    return 0;
  }
}
