/**
 * The outside world: sound files, the room book on disk, sound devices. No acoustics of its own.
 */
module nullroom.io {
  requires static transitive org.jspecify;
  requires transitive nullroom.core;
  requires java.desktop;
  requires org.apache.commons.csv;
  requires org.apache.pdfbox;
  requires org.bytedeco.ffmpeg;
  requires org.bytedeco.javacpp;
  requires transitive tools.jackson.databind;

  exports nullroom.io to
      nullroom.app;
  exports nullroom.io.audio;
  exports nullroom.io.book;
  exports nullroom.io.device;
  exports nullroom.io.report;
  exports nullroom.io.survey;
}
