package humble.desktop.walk;

import humble.core.kit.Finding;
import humble.desktop.stage.StageId;
import humble.formats.kit.KitFolder;
import humble.formats.kit.KitRead;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.Locale;
import javafx.application.Platform;

/**
 * Opens a kit without a display, walks through its stages and writes a picture of each. Arguments:
 * kit, folder, home. Exit status 2 for a kit that does not open.
 */
public final class Pictures {
  private Pictures() {}

  /** Writes the pictures. */
  public static void main(String[] arguments) {
    Path kit = Path.of(arguments[0]);
    Path folder = Path.of(arguments[1]);
    if (KitFolder.at(kit).read() instanceof KitRead.Refused refused) {
      PrintStream err = new PrintStream(System.err, true, StandardCharsets.UTF_8);
      refused.findings().stream().filter(Finding::isError).forEach(err::println);
      System.exit(2);
    }
    Offscreen.start();
    try (Offscreen screen =
        new Offscreen(Path.of(arguments[2]), List.of(kit), Clock.systemUTC(), false)) {
      screen.settle();
      PrintStream out = new PrintStream(System.out, true, StandardCharsets.UTF_8);
      for (StageId stage : StageId.values()) {
        if (screen.walkTo(stage)) {
          Path file = folder.resolve(stage.name().toLowerCase(Locale.ROOT) + ".png");
          screen.picture(file);
          out.println("Picture: " + file);
        }
      }
    }
    Platform.exit();
  }
}
