package nullroom.app.desktop;

import java.io.IOException;
import java.io.StringReader;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.Map;
import java.util.Properties;
import java.util.TreeMap;
import nullroom.app.shell.Preferences;
import nullroom.core.Trouble;
import nullroom.io.SafeFile;

/**
 * The preferences on disk. A damaged file does no harm: what cannot be read is as at first, and the
 * file is kept under another name.
 *
 * @param file a properties file
 */
record PreferencesFile(Path file) {
  private static final String VERSION = "version";

  /**
   * Reads them.
   *
   * @param before what stood elsewhere before, where there is no file yet
   * @return a sentence where the file was damaged; empty where it was not
   */
  String read(Preferences into, Map<String, String> before) {
    if (!Files.exists(file)) {
      into.take(before);
      return "";
    }
    try {
      Properties kept = new Properties();
      kept.load(new StringReader(Files.readString(file)));
      Map<String, String> texts = new TreeMap<>();
      kept.stringPropertyNames().forEach(name -> texts.put(name, kept.getProperty(name)));
      return texts.containsKey(VERSION) && into.take(texts).isEmpty() ? "" : damaged();
    } catch (IOException | IllegalArgumentException e) { // not UTF-8, or no properties at all
      return damaged();
    }
  }

  private String damaged() {
    Path old = file.resolveSibling("preferences.damaged.properties");
    try {
      Files.copy(file, old, StandardCopyOption.REPLACE_EXISTING);
    } catch (IOException e) {
      return "The preferences are damaged; what could not be read is as at first.";
    }
    return "The preferences were damaged: what could not be read is as at first. They are kept as "
        + old
        + ".";
  }

  /**
   * Keeps them.
   *
   * @throws Trouble.BadFile if that cannot be written
   */
  void write(Preferences preferences) {
    Properties all = new Properties();
    all.putAll(preferences.toTexts());
    all.setProperty(VERSION, "1");
    StringWriter text = new StringWriter();
    try {
      all.store(text, null);
      Files.createDirectories(file.toAbsolutePath().getParent());
      SafeFile.write(file, text.toString().getBytes(StandardCharsets.UTF_8));
    } catch (IOException e) {
      throw new Trouble.BadFile(
          file.toString(), "cannot be written, so what was settled is forgotten at the end");
    }
  }
}
