package humble.cli;

import humble.core.kit.Kit;
import humble.core.own.Stone;
import humble.core.own.Stones;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

/** Says what a kit can do so far, and which answers would make it do more. */
@Command(
    name = "unlocks",
    description =
        "Say what a kit can do so far, and which answers would unlock the rest: places, marks,"
            + " how it is fed, what is joined.")
final class UnlocksCommand extends humble.cli.Command {
  private static final int SHOWN = 12;

  @Parameters(index = "0", paramLabel = "KIT")
  @Nullable Path kit;

  @Override
  Answer answer() {
    Kit read = parts(Objects.requireNonNull(kit)).kit();
    List<Object> can = new ArrayList<>();
    List<Object> next = new ArrayList<>();
    List<String> text = new ArrayList<>();
    for (Stone stone : Stones.of(read, Set.of(), Set.of())) {
      String name = stone.name().text();
      if (stone.isReached()) {
        can.add(name);
        text.add("can: " + name);
      } else if (stone.needed() == 0) {
        text.add("nothing of the kind: " + name);
      } else {
        next.add(Answer.object("unlocks", name, "answers", stone.away()));
        List<String> shown = stone.away().stream().limit(SHOWN).toList();
        int more = stone.away().size() - shown.size();
        text.add(
            name
                + ", "
                + stone.away().size()
                + " away: "
                + String.join(" ", shown)
                + (more > 0 ? " and " + more + " more" : ""));
      }
    }
    return new Answer(Answer.object("can", can, "next", next), text, false);
  }
}
