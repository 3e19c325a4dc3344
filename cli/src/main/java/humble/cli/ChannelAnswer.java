package humble.cli;

import humble.core.beside.ChannelTable;
import humble.core.kit.Channels;
import humble.core.kit.Kit;
import humble.formats.settings.ChannelFile;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** Judges a table of channels. */
final class ChannelAnswer {
  private static final Pattern LIMIT =
      Pattern.compile("([0-9]+(?:\\.[0-9]+)?)?\\.\\.([0-9]+(?:\\.[0-9]+)?)?");

  private ChannelAnswer() {}

  static boolean isTable(Path file) {
    return file.toString().matches("(?i).*\\.(csv|tsv)");
  }

  static Answer of(Path file, Kit kit, @Nullable String limit) {
    String name = String.valueOf(file.getFileName());
    List<Channels> all = kit.firmware().beside().channels();
    List<Channels> own =
        all.stream()
            .filter(each -> each.file().substring(each.file().lastIndexOf('/') + 1).equals(name))
            .toList();
    List<Channels> rules = own.isEmpty() && all.size() == 1 ? all : own;
    if (rules.isEmpty()) {
      throw new BadInput("--groups: the kit has no table of channels " + name + ".");
    }
    ChannelTable table;
    try {
      table = ChannelFile.read(TextInput.needed(file));
    } catch (IOException e) {
      throw new BadInput(file + ": " + humble.formats.InputFile.reason(e));
    }
    List<Object> channels = new ArrayList<>();
    List<String> text = new ArrayList<>();
    boolean wrong = false;
    for (Channels rule : rules) {
      List<ChannelTable.Problem> problems = table.problems(rule, limits(limit));
      wrong |= !problems.isEmpty();
      text.add(rule.id() + ": " + table.rows().size() + " channels");
      problems.forEach(each -> text.add(file + "#" + each.line() + ": " + each.text()));
      if (rule.transmits()) {
        text.add(
            "Transmitting needs a licence and follows local band rules: the limits are yours to"
                + " state, and nothing here says that a channel may be used.");
      }
      channels.add(
          Answer.object(
              "id",
              rule.id(),
              "rows",
              table.rows().size(),
              "problems",
              problems.stream()
                  .map(each ->
                      Answer.object(
                          "line", each.line(), "problem", each.text(), "nearest", each.nearest()))
                  .toList()));
    }
    return new Answer(
        Answer.object("groups", List.of(), "changes", List.of(), "channels", channels),
        text,
        wrong);
  }

  private static ChannelTable.Limits limits(@Nullable String limit) {
    if (limit == null) {
      return ChannelTable.Limits.NONE;
    }
    Matcher given = LIMIT.matcher(limit);
    if (!given.matches()) {
      throw new BadInput("--limit: '" + limit + "' is not written like LOW..HIGH.");
    }
    return new ChannelTable.Limits(value(given.group(1)), value(given.group(2)));
  }

  private static @Nullable Double value(@Nullable String text) {
    return text == null ? null : Double.valueOf(text);
  }
}
