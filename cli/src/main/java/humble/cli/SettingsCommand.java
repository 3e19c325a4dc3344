package humble.cli;

import humble.core.kit.Kit;
import humble.core.kit.Setting;
import humble.core.settings.BoardSays;
import humble.core.settings.SettingsCheck;
import humble.core.settings.SettingsEdit;
import humble.core.settings.SettingsText;
import humble.formats.InputFile;
import humble.formats.ReadingBudget;
import humble.formats.WholeFile;
import humble.formats.settings.SettingsFile;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Judges the settings of a file, and changes them in place. */
@Command(name = "settings", description = "Judge the settings of a file, and change them in place.")
final class SettingsCommand extends humble.cli.Command {
  private static final long MOST_BYTES = 16L << 20;
  private static final String HIDDEN = "…";

  @Parameters(paramLabel = "FILE")
  @Nullable Path file;

  @Option(
      names = "--groups",
      required = true,
      paramLabel = "KIT",
      description = "The kit that says what has to be right.")
  @Nullable Path kit;

  @Option(
      names = "--set",
      paramLabel = "GROUP=OPTION|KEY=VALUE",
      description = "What a setting is to be; may be given several times.")
  List<String> sets = new ArrayList<>();

  @Option(
      names = {"-o", "--output"},
      paramLabel = "FILE",
      description = "Write the changed file there; without it nothing is written.")
  @Nullable Path output;

  @Option(
      names = "--limit",
      paramLabel = "LOW..HIGH",
      description = "Of a table of channels: the limits that you state; nothing is assumed.")
  @Nullable String limit;

  @Override
  Answer answer() {
    Path from = Objects.requireNonNull(file);
    Kit opened = kit(Objects.requireNonNull(kit));
    if (ChannelAnswer.isTable(from)) {
      if (!sets.isEmpty() || output != null) {
        throw new BadInput("--set: a table of channels is judged, not changed.");
      }
      return ChannelAnswer.of(from, opened, limit);
    }
    if (limit != null) {
      throw new BadInput("--limit: only a table of channels has limits.");
    }
    List<Setting> settings = settings(opened, from);
    // One character for one byte, and back: whatever the file is written in stays as it is.
    SettingsText text =
        SettingsFile.read(
            String.valueOf(from.getFileName()),
            new String(bytes(from), StandardCharsets.ISO_8859_1));
    SettingsEdit.Outcome outcome = SettingsEdit.of(text, settings, wanted());
    return switch (outcome) {
      case SettingsEdit.Outcome.Refused refused -> throw new BadInput(refused.problems());
      case SettingsEdit.Outcome.Edited edited -> {
        SettingsText now = SettingsFile.read(String.valueOf(from.getFileName()), edited.text());
        Path to = output;
        if (to != null) {
          write(to, edited.text());
        }
        yield told(
            settings,
            settings.stream().map(each -> judged(opened, each, now)).toList(),
            edited.changes(),
            to != null || edited.changes().isEmpty());
      }
    };
  }

  /** A setting that is right by itself has to agree with the board as well. */
  private static SettingsCheck.Judged judged(Kit kit, Setting setting, SettingsText text) {
    SettingsCheck.Judged judged = SettingsCheck.of(setting, text);
    return judged.problem().isEmpty() && !judged.on().isEmpty()
        ? BoardSays.of(kit, setting, Map.of())
            .filter(says -> !says.agrees(judged.on()))
            .map(says ->
                new SettingsCheck.Judged(
                    judged.id(),
                    judged.on(),
                    "The kit says " + says.value() + " (" + says.from() + ")."))
            .orElse(judged)
        : judged;
  }

  private static byte[] bytes(Path file) {
    try {
      return InputFile.bytes(file, MOST_BYTES, ReadingBudget.usual());
    } catch (IOException e) {
      throw new BadInput(file + ": " + InputFile.reason(e));
    }
  }

  private static void write(Path file, String text) {
    try {
      WholeFile.replace(file, text.getBytes(StandardCharsets.ISO_8859_1));
    } catch (IOException e) {
      throw new BadInput(file + ": " + InputFile.reason(e));
    }
  }

  /** Those of the file's own name; where the kit names none so, all of them if they are of one. */
  private static List<Setting> settings(Kit kit, Path file) {
    List<Setting> all = kit.firmware().settings();
    String name = String.valueOf(file.getFileName());
    List<Setting> own =
        all.stream()
            .filter(each -> each.file().substring(each.file().lastIndexOf('/') + 1).equals(name))
            .toList();
    if (!own.isEmpty()) {
      return own;
    }
    if (all.isEmpty()) {
      throw new BadInput("--groups: the kit has no settings.");
    }
    if (all.stream().map(Setting::file).distinct().count() > 1) {
      throw new BadInput(
          "--groups: the kit has settings of "
              + String.join(", ", all.stream().map(Setting::file).distinct().toList())
              + ", none of "
              + name
              + ".");
    }
    return all;
  }

  private Map<String, String> wanted() {
    Map<String, String> wanted = new LinkedHashMap<>();
    List<String> problems = new ArrayList<>();
    for (String set : sets) {
      int equals = set.indexOf('=');
      if (equals <= 0) {
        problems.add("--set: '" + set + "' is not written like GROUP=OPTION or KEY=VALUE.");
      } else {
        if (wanted.containsKey(set.substring(0, equals))) {
          problems.add("--set: " + set.substring(0, equals) + " is given twice.");
        }
        // What is written goes into the file in the letters of the terminal.
        wanted.put(
            set.substring(0, equals),
            new String(
                set.substring(equals + 1).getBytes(StandardCharsets.UTF_8),
                StandardCharsets.ISO_8859_1));
      }
    }
    if (!problems.isEmpty()) {
      throw new BadInput(problems);
    }
    return wanted;
  }

  private static Answer told(
      List<Setting> settings,
      List<SettingsCheck.Judged> judged,
      List<SettingsEdit.Change> changes,
      boolean written) {
    List<Object> groups = new ArrayList<>();
    List<String> text = new ArrayList<>();
    boolean wrong = false;
    for (int i = 0; i < judged.size(); i++) {
      SettingsCheck.Judged each = judged.get(i);
      boolean hide = settings.get(i).isPrivate();
      List<String> on = hide ? each.on().stream().map(value -> HIDDEN).toList() : each.on();
      groups.add(
          Answer.object(
              "id",
              each.id(),
              "on",
              on,
              "problem",
              each.problem().isEmpty() ? null : each.problem()));
      text.add(
          each.id()
              + ": "
              + (on.isEmpty() ? "-" : String.join(", ", on))
              + (each.problem().isEmpty() ? "" : "   " + each.problem()));
      wrong |= !each.problem().isEmpty();
    }
    changes.forEach(change ->
        text.add(
            "line "
                + change.line()
                + ": "
                + change.id()
                + ", "
                + change.from()
                + " to "
                + change.to()));
    if (!written) {
      text.add("Nothing is written: -o FILE writes it.");
    }
    return new Answer(
        Answer.object(
            "groups",
            groups,
            "changes",
            changes.stream()
                .map(change ->
                    Answer.object(
                        "id",
                        change.id(),
                        "line",
                        change.line(),
                        "from",
                        change.from(),
                        "to",
                        change.to()))
                .toList()),
        text,
        wrong);
  }
}
