package humble.cli;

import humble.core.wake.LightChain;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/** Dark and odd lights of a chain. */
@Command(
    name = "chain",
    description = "Say which fault accounts for dark and odd lights of a chain.")
final class WakeChain extends humble.cli.Command {
  private static final int MOST = 10_000;

  @Option(
      names = "--count",
      required = true,
      paramLabel = "N",
      description = "Lights in the chain.")
  int count;

  @Option(
      names = "--dark-from",
      paramLabel = "K",
      description = "The first light from which all stay dark.")
  int darkFrom;

  @Option(
      names = "--odd",
      split = ",",
      paramLabel = "N",
      description = "Lights that shine otherwise than they were told.")
  List<Integer> odd = new ArrayList<>();

  @Override
  Answer answer() {
    if (count < 1 || count > MOST) {
      throw new BadInput("--count: a chain has 1 to " + MOST + " lights.");
    }
    List<String> problems = new ArrayList<>();
    if (darkFrom < 0 || darkFrom > count) {
      problems.add("--dark-from: there is no light " + darkFrom + " of " + count + ".");
    }
    for (int light : odd) {
      if (light < 1 || light > count) {
        problems.add("--odd: there is no light " + light + " of " + count + ".");
      } else if (darkFrom > 0 && light >= darkFrom) {
        problems.add("--odd: light " + light + " is dark.");
      }
    }
    if (!problems.isEmpty()) {
      throw new BadInput(problems);
    }
    return WakeCommand.suspected(new LightChain(count).suspects(darkFrom, new TreeSet<>(odd)));
  }
}
