package humble.formats.settings;

import humble.core.settings.SettingsText;

/** A file with settings in it, read by the ending of its name. */
public final class SettingsFile {
  private SettingsFile() {}

  /**
   * Reads a file: JSON, headers of C, else lines of a key and a value.
   *
   * @param text its text; one character for one byte keeps every byte as it is
   */
  public static SettingsText read(String name, String text) {
    return isJson(name) ? JsonSettings.read(text) : SettingsText.read(name, text);
  }

  /** Tells whether a file of this name is JSON. */
  public static boolean isJson(String name) {
    return name.matches("(?i).*\\.jsonc?");
  }
}
