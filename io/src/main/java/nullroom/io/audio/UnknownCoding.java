package nullroom.io.audio;

import java.io.IOException;

/** A known container with samples that are not plain: the general decoder may know them. */
final class UnknownCoding extends IOException {
  private static final long serialVersionUID = 1L;

  UnknownCoding(String coding) {
    super("is coded as " + coding + ", which cannot be read; convert it to plain WAV");
  }
}
