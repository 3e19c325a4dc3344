package humble.cli;

import humble.core.beside.LibraryState;
import humble.core.kit.Setting;
import humble.core.settings.SettingsCheck;
import humble.formats.InputFile;
import humble.formats.settings.SettingsFile;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Tells what of a library has changed, and which settings in it are not right any more. */
@Command(name = "check", description = "Tell what has changed since its state was kept.")
final class LibraryCheck extends humble.cli.Command {
  private static final long MOST_BYTES = 16L << 20;

  @Parameters(paramLabel = "FOLDER", index = "0")
  @Nullable Path folder;

  @Parameters(paramLabel = "STATE", index = "1")
  @Nullable Path kept;

  @Option(
      names = "--groups",
      paramLabel = "KIT",
      description = "The kit whose settings stand in the library: an edit that is gone is named.")
  @Nullable Path kit;

  @Override
  Answer answer() {
    Path from = Objects.requireNonNull(folder);
    Path state = Objects.requireNonNull(kept);
    LibraryState now = LibraryKeep.read(from);
    LibraryState before =
        switch (LibraryState.read(TextInput.needed(state))) {
          case LibraryState.Read.Whole whole -> whole.state();
          case LibraryState.Read.Unreadable bad ->
              throw new BadInput(state + "#" + bad.line() + ": a hash and a path are expected.");
        };
    LibraryState.Change change = now.since(before);
    List<Object> undone = new ArrayList<>();
    List<String> text = new ArrayList<>();
    change.changed().forEach(path -> text.add("changed   " + path));
    change.added().forEach(path -> text.add("new       " + path));
    change.removed().forEach(path -> text.add("gone      " + path));
    Path groups = kit;
    if (groups != null) {
      undone(from, now, kit(groups).firmware().settings(), undone, text);
    }
    if (text.isEmpty()) {
      text.add("As it was: " + now.files().size() + " files.");
    }
    return new Answer(
        Answer.object(
            "same",
            change.isNone(),
            "changed",
            change.changed(),
            "added",
            change.added(),
            "removed",
            change.removed(),
            "undone",
            undone),
        text,
        !change.isNone() || !undone.isEmpty());
  }

  private static void undone(
      Path folder,
      LibraryState now,
      List<Setting> settings,
      List<Object> undone,
      List<String> text) {
    for (Setting setting : settings) {
      String name = setting.file().substring(setting.file().lastIndexOf('/') + 1);
      for (Map.Entry<String, String> file : now.files().entrySet()) {
        if (file.getKey().equals(name) || file.getKey().endsWith("/" + name)) {
          SettingsCheck.Judged judged =
              SettingsCheck.of(
                  setting, SettingsFile.read(name, bytes(folder.resolve(file.getKey()))));
          if (!judged.problem().isEmpty()) {
            undone.add(
                Answer.object(
                    "id", setting.id(), "file", file.getKey(), "problem", judged.problem()));
            text.add(
                "setting   " + setting.id() + " in " + file.getKey() + ": " + judged.problem());
          }
        }
      }
    }
  }

  private static String bytes(Path file) {
    try {
      return new String(
          InputFile.bytes(file, MOST_BYTES, humble.formats.ReadingBudget.usual()),
          StandardCharsets.ISO_8859_1);
    } catch (IOException e) {
      throw new BadInput(file + ": " + InputFile.reason(e));
    }
  }
}
