package humble.desktop.load;

import humble.core.kit.Setting;
import humble.core.settings.BoardSays;
import humble.core.settings.SettingsCheck;
import humble.core.settings.SettingsText;
import humble.desktop.session.OpenBuild;
import humble.desktop.session.OwnFiles;
import humble.formats.InputFile;
import humble.formats.settings.SettingsFile;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The files beside the programs of a kit: the maker's own copies of them, in a folder of the bench;
 * the kit stays as it came. What a copy was before is kept beside it.
 */
final class SettingsFiles {
  private static final String BEFORE = ".before";

  private final OpenBuild open;
  private final OwnFiles own;
  private final Map<String, SettingsText> texts = new HashMap<>();
  private final Map<String, SettingsText> before = new HashMap<>();
  private final Map<String, String> troubles = new HashMap<>();

  /**
   * Makes it.
   *
   * @param home folder of the bench
   */
  SettingsFiles(OpenBuild open, Path home) {
    this.open = open;
    this.own = new OwnFiles(open, home);
  }

  /** Reads every file that the kit has settings in; one that cannot be read is told when asked. */
  void read() {
    open.kit().firmware().settings().stream()
        .map(Setting::file)
        .distinct()
        .forEach(file -> {
          try {
            texts.put(file, parsed(file, own.bytes(file)));
            if (Files.exists(own.at(file + BEFORE))) {
              before.put(file, parsed(file, own.bytes(file + BEFORE)));
            }
          } catch (IOException e) {
            troubles.put(file, file + ": " + InputFile.reason(e));
          }
        });
  }

  private static SettingsText parsed(String file, byte[] bytes) {
    return SettingsFile.read(file, new String(bytes, StandardCharsets.ISO_8859_1));
  }

  /** Gives where the maker finds the copy, in the folder of the bench. */
  String shown(String file) {
    return own.shown(file);
  }

  /** Gives a file as it is now. */
  Optional<SettingsText> text(String file) {
    return Optional.ofNullable(texts.get(file));
  }

  /** Gives one sentence about why a file cannot be read; empty when it can. */
  String trouble(String file) {
    return troubles.getOrDefault(file, "");
  }

  /** Gives what the board says of a setting, the modules that were read in Fit included. */
  Optional<BoardSays> board(Setting setting) {
    Map<String, String> rows = new HashMap<>();
    open.kit()
        .handwork()
        .modules()
        .forEach(module ->
            open.build()
                .module(module.ref())
                .filter(read -> !read.row().isEmpty())
                .ifPresent(read -> rows.put(module.ref(), read.row())));
    return BoardSays.of(open.kit(), setting, rows);
  }

  /** Gives the settings that are right by themselves and stand against the board. */
  List<Setting> against() {
    return open.kit().firmware().settings().stream()
        .filter(each ->
            text(each.file())
                .map(text -> SettingsCheck.of(each, text))
                .filter(judged -> judged.problem().isEmpty() && !judged.on().isEmpty())
                .flatMap(judged -> board(each).map(says -> !says.agrees(judged.on())))
                .orElse(false))
        .toList();
  }

  /** Gives what a setting was before its file was written last; empty where it was no other. */
  Optional<String> before(Setting setting) {
    List<String> then = on(setting, Optional.ofNullable(before.get(setting.file())));
    return then.size() == 1 && !then.equals(on(setting, text(setting.file())))
        ? Optional.of(then.getFirst())
        : Optional.empty();
  }

  private static List<String> on(Setting setting, Optional<SettingsText> text) {
    return text.map(read -> SettingsCheck.of(setting, read).on()).orElse(List.of());
  }

  /** Writes the maker's own copy; what it was before is kept. */
  void write(String file, String text) throws IOException {
    byte[] was = own.bytes(file);
    own.write(file + BEFORE, was);
    byte[] now = text.getBytes(StandardCharsets.ISO_8859_1);
    own.write(file, now);
    before.put(file, parsed(file, was));
    texts.put(file, parsed(file, now));
  }
}
