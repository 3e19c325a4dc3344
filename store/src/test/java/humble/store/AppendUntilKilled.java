package humble.store;

import humble.core.build.BuildEvent;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Clock;

/** Appends events and says the number of each once it is on the disk, until somebody kills it. */
final class AppendUntilKilled {
  private AppendUntilKilled() {}

  public static void main(String[] arguments) {
    PrintStream out = new PrintStream(System.out, true, StandardCharsets.UTF_8);
    if (Journal.open(Path.of(arguments[0]), Clock.systemUTC())
        instanceof JournalOpen.Opened opened) {
      for (int i = 0; i < 100_000; i++) {
        out.println(opened.journal().append("b", new BuildEvent.Counted("r220", i)).number());
      }
    }
  }
}
