package humble.cli;

import humble.core.build.Build;
import humble.core.build.BuildEvent;
import humble.store.Journal;
import java.util.ArrayList;
import java.util.List;
import picocli.CommandLine.Command;

/** Lists the builds of the journal. */
@Command(name = "builds", description = "List the builds of this bench, the last worked on first.")
final class BuildsCommand extends humble.cli.Command {
  @Override
  Answer answer() {
    List<Object> builds = new ArrayList<>();
    List<String> text = new ArrayList<>();
    try (Journal journal = Bench.open()) {
      for (String id : journal.builds()) {
        Build build = journal.build(id);
        String name = build.began().map(BuildEvent.Began::name).orElse(id);
        String kit = build.began().map(BuildEvent.Began::kitId).orElse("");
        String stage = stage(build);
        boolean done = build.isClosed();
        builds.add(Answer.object("id", id, "name", name, "kit", kit, "stage", stage, "done", done));
        text.add(id + "  " + name + "  " + (done ? "done" : stage));
      }
    }
    return new Answer(
        Answer.object("builds", builds), text.isEmpty() ? List.of("No builds yet.") : text, false);
  }

  /** The stage of the last entry that belongs to one. */
  private static String stage(Build build) {
    String stage = "unpack";
    for (BuildEvent.Entry entry : build.inForce()) {
      stage =
          switch (entry.event()) {
            case BuildEvent.Counted e -> "unpack";
            case BuildEvent.Measured e -> "sort";
            case BuildEvent.BandsRead e -> "sort";
            case BuildEvent.TookSchool e -> "plan";
            case BuildEvent.Fitted e -> "fit";
            case BuildEvent.FittedSome e -> "fit";
            case BuildEvent.TookOut e -> "fit";
            case BuildEvent.GateRead e -> "power";
            case BuildEvent.GatePassed e -> "power";
            case BuildEvent.Loaded e -> "load";
            case BuildEvent.Saw e -> "wake";
            case BuildEvent.Woke e -> "wake";
            case BuildEvent.Closed e -> "close";
            default -> stage;
          };
    }
    return stage;
  }
}
