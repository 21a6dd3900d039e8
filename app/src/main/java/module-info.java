/** The desktop and the command line: two thin faces on the same use cases. */
module nullroom.app {
  requires static org.jspecify;
  requires nullroom.core;
  requires nullroom.io;
  requires info.picocli;
  requires java.desktop;
  requires javafx.controls;
  requires atlantafx.base;

  opens nullroom.app.cli to
      tools.jackson.databind,
      info.picocli;
}
