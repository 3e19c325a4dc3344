package humble.cli;

import humble.bench.line.CardCopy;
import humble.core.beside.CardPlan;
import humble.core.kit.CardFolder;
import humble.core.kit.Kit;
import humble.core.words.Words;
import humble.formats.kit.KitFolder;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Lays the files of a kit on a memory card and reads them back. */
@Command(
    name = "card",
    description = "Lay the files of a kit on a memory card, read back; or look what lies there.")
final class CardCommand extends humble.cli.Command {
  private static final Words WORDS = Words.core(Locale.ENGLISH);

  @Parameters(paramLabel = "KIT")
  @Nullable Path kit;

  @Option(names = "--id", paramLabel = "ID", description = "Which card of the kit.")
  @Nullable String id;

  @Option(names = "--to", required = true, paramLabel = "FOLDER", description = "The card.")
  @Nullable Path to;

  @Option(names = "--check", description = "Only look what lies there.")
  boolean check;

  @Option(names = "--replace", description = "Replace what lies there and is another.")
  boolean replace;

  @Override
  Answer answer() {
    Path from = Objects.requireNonNull(kit);
    Path root = Objects.requireNonNull(to);
    CardFolder card = card(kit(from));
    if (!Files.isDirectory(root)) {
      throw new BadInput(root + ": A folder is expected here.");
    }
    KitFolder folder = KitFolder.at(from);
    Map<String, Long> sizes = new HashMap<>();
    List<String> missing = new ArrayList<>();
    for (CardFolder.Placed file : card.files()) {
      try {
        sizes.put(file.from(), (long) folder.bytes(file.from()).length);
      } catch (IOException e) {
        missing.add(file.from() + ": " + humble.formats.InputFile.reason(e));
      }
    }
    if (!missing.isEmpty()) {
      throw new BadInput(missing);
    }
    List<CardPlan.Problem> problems = CardPlan.problems(card, sizes);
    CardCopy copy = new CardCopy(root);
    List<CardCopy.Laid> laid =
        check || !problems.isEmpty()
            ? copy.look(card, folder::bytes, () -> false)
            : copy.copy(card, folder::bytes, replace, share -> {}, () -> false);
    return told(laid, problems, sizes);
  }

  private CardFolder card(Kit opened) {
    List<CardFolder> all = opened.firmware().beside().cards();
    String wanted = id;
    if (wanted == null && all.size() == 1) {
      return all.getFirst();
    }
    return all.stream()
        .filter(each -> each.id().equals(wanted))
        .findFirst()
        .orElseThrow(() ->
            new BadInput(
                all.isEmpty()
                    ? "The kit has no card."
                    : "--id: one of "
                        + String.join(", ", all.stream().map(CardFolder::id).toList())
                        + "."));
  }

  private static Answer told(
      List<CardCopy.Laid> laid, List<CardPlan.Problem> problems, Map<String, Long> sizes) {
    List<String> text = new ArrayList<>();
    problems.forEach(
        each -> text.add((each.path().isEmpty() ? "" : each.path() + ": ") + each.text()));
    laid.forEach(each ->
        text.add(
            each.file().to()
                + "   "
                + state(each)
                + each.why().map(why -> "   " + WORDS.say(why)).orElse("")));
    boolean good =
        problems.isEmpty()
            && laid.stream()
                .allMatch(each ->
                    each.state() == CardCopy.State.COPIED || each.state() == CardCopy.State.SAME);
    return new Answer(
        Answer.object(
            "files",
            laid.stream()
                .map(each ->
                    Answer.object(
                        "from",
                        each.file().from(),
                        "to",
                        each.file().to(),
                        "bytes",
                        sizes.get(each.file().from()),
                        "state",
                        state(each),
                        "problem",
                        each.why().map(WORDS::say).orElse(null)))
                .toList(),
            "problems",
            problems.stream()
                .map(each -> Answer.object("path", each.path(), "text", each.text()))
                .toList()),
        text,
        !good);
  }

  private static String state(CardCopy.Laid laid) {
    return laid.state().name().toLowerCase(Locale.ROOT);
  }
}
